import type { Lines } from './document';

/** What an input without a way costs for each of its weight. */
export const LEFT = 100;

type Line = Lines['lines'][number];
type Input = Lines['inputs'][number];

/** How much harm an input does where it is not where it should be; 1 where nothing is said. */
export const weightOf = ({ weight = 1 }: Input): number => weight;

/** Whether an input may stand on a line at all. */
export const mayStand = (input: Input, { state, phantom }: Line): boolean =>
  state !== 'bad' && !(phantom === true && input.phantom === false);

/** What an input costs on a line by itself: being moved, and standing on what is not proven. */
export const costOn = (input: Input, line: Line, { move, onUnknown }: Lines['costs']): number =>
  (input.way !== undefined && input.way !== line.way ? move : 0) +
  (line.state === 'unknown' ? onUnknown * weightOf(input) : 0);

/** What a whole patch costs, each input by its way; none where it has none. */
export function costOf({ lines, inputs, costs }: Lines, ways: readonly (number | undefined)[]): number {
  const byWay = new Map(lines.map((line) => [line.way, line]));
  let sum = 0;
  inputs.forEach((input, n) => {
    const way = ways[n];
    const line = way === undefined ? undefined : byWay.get(way);
    sum += line ? costOn(input, line, costs) : LEFT * weightOf(input);
    const other =
      input.pair === undefined ? -1 : inputs.findIndex((each, m) => m > n && each.pair === input.pair);
    const beside = other < 0 ? undefined : ways[other];
    if (way !== undefined && beside !== undefined && Math.abs(way - beside) !== 1) sum += costs.pairApart;
  });
  return sum;
}
