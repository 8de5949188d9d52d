import { dressed } from '../core/dressing';
import { chainKit, costOf, kit as kitOf, kitSheet, type Wanted } from '../core/kit';
import { schoolsOf } from '../core/lead';
import { readPreference } from '../core/wiring';
import { workbox as workboxOf } from '../core/workbox';
import { leadIn, print, read, unwrap } from './files';
import { bad, options } from './options';

/** So many of one lead at the most. */
const MOST = 10_000;
const NAMES = ['count', 'house', 'hourly', 'bought'] as const;

/** A number from 0 up that may be left out. */
function amount(text: string | undefined, name: string): number | undefined {
  if (text === undefined) return undefined;
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value) || value < 0)
    throw bad('cli.number', `${name} is an amount of money, and “${text}” is not.`, name);
  return value;
}

/** What to lay out, to cut and to strip for one lead or several, and what each costs where prices are known: leads → the kit, as JSON. */
export function kit(...words: readonly (string | undefined)[]): number {
  const given = words.flatMap((word) => word ?? []);
  const isValue = (n: number): boolean => NAMES.some((name) => given[n - 1] === `--${name}`);
  const files = given.filter((word, n) => !word.startsWith('--') && !isValue(n));
  const more = given.filter((word, n) => (word.startsWith('--') && word !== '--pairs') || isValue(n));
  const { count: asked = '1', house, ...money } = options(more, NAMES);
  const count = Number(asked);
  if (!Number.isInteger(count) || count < 1 || count > MOST)
    throw bad('cli.number', `How many is a whole number from 1 to ${MOST}, and “${asked}” is not.`, 'count');
  if (files.length === 0) throw bad('cli.file', 'Name a lead file, or several.');
  const pairs = given.includes('--pairs');
  const leads = files.map((file) => leadIn(read(file)).document);
  const [hourly, bought] = (['hourly', 'bought'] as const).map((name) => amount(money[name], name));
  const { prices } = house === undefined ? {} : unwrap(readPreference(read(house)));
  print({
    ...kitSheet(leads.map((lead): Wanted => ({ lead, count, pairs }))),
    ...(prices
      ? {
          costs: leads.map((lead) => ({
            lead: lead.name,
            ...costOf(kitOf(dressed(lead), schoolsOf(lead)), lead.assembly, prices, {
              count: pairs ? 2 * count : count,
              hourly,
              bought,
            }),
          })),
        }
      : {}),
  });
  return 0;
}

/** Devices in their order → the shortest lead for each hop, and one kit of them all. */
export function chain(file: string | undefined): number {
  print(unwrap(chainKit(read(file))));
  return 0;
}

/** What may be needed, and what of it at once → the fewest adapters, and one kit of them all. */
export function workbox(file: string | undefined): number {
  print(unwrap(workboxOf(read(file))));
  return 0;
}
