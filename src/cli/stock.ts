import { cutPlan, readCutProblem } from '../core/stock';
import { print, read, unwrap } from './files';
import { bad, options } from './options';

/** How long a plan is bettered where nothing is said, s. */
const USUAL_SECONDS = 30;
const MOST_SECONDS = 86_400;

/** What there is to cut from and what is to be cut → the plan, with what is proven of it. */
export function cut(file: string | undefined, ...words: readonly string[]): number {
  const { seconds: asked = String(USUAL_SECONDS) } = options(words, ['seconds']);
  const seconds = Number(asked);
  if (asked.trim() === '' || !(seconds > 0 && seconds <= MOST_SECONDS))
    throw bad('cli.number', `How long is a number of seconds above 0, and “${asked}” is not.`, 'seconds');
  const until = performance.now() + seconds * 1000;
  print(cutPlan(unwrap(readCutProblem(read(file))), { mayGoOn: () => performance.now() < until }));
  return 0;
}
