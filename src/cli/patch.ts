import { patchOf, readLines } from '../core/sweep';
import { print, read, unwrap } from './files';
import { options } from './options';

/** The lines of a stage and the inputs that want one → where each goes, with the least harm. */
export function patch(file: string | undefined, ...words: readonly string[]): number {
  options(words, []);
  print(patchOf(unwrap(readLines(read(file)))));
  return 0;
}
