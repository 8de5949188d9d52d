import { kitSheet, type Wanted } from '../core/kit';
import { leadIn, read, print } from './files';
import { bad, options } from './options';

/** So many of one lead at the most. */
const MOST = 10_000;

/** What to lay out, to cut and to strip for one lead or several: leads → the kit, as JSON. */
export function kit(...words: readonly (string | undefined)[]): number {
  const given = words.flatMap((word) => word ?? []);
  const files = given.filter((word, n) => !word.startsWith('--') && given[n - 1] !== '--count');
  const more = given.filter((word) => !files.includes(word) && word !== '--pairs');
  const { count: asked = '1' } = options(more, ['count']);
  const count = Number(asked);
  if (!Number.isInteger(count) || count < 1 || count > MOST)
    throw bad('cli.number', `How many is a whole number from 1 to ${MOST}, and “${asked}” is not.`, 'count');
  if (files.length === 0) throw bad('cli.file', 'Name a lead file, or several.');
  const pairs = given.includes('--pairs');
  const wanted = files.map((file): Wanted => ({ lead: leadIn(read(file)).document, count, pairs }));
  print(kitSheet(wanted));
  return 0;
}
