import type { Drilling } from '../drilling';
import { formatLength, type LengthSystem } from '../quantity';

/** So many of the least clearances are named. */
const NAMED = 4;

/** What stands behind each hole, and the least of the room that is left between things. */
export function sayClearances({ holes, clearances }: Drilling, system: LengthSystem): readonly string[] {
  const say = (mm: number): string => formatLength(Math.round(mm * 10) / 10, system);
  return [
    ...holes.map(
      ({ of }) =>
        `${of.id}: ${say(of.behind.wideMm)} wide and ${say(of.behind.deepMm)} deep behind the wall.`,
    ),
    ...clearances.slice(0, NAMED).map(({ a, b, mm }) => `From ${a} to ${b}: ${say(mm)}.`),
  ];
}
