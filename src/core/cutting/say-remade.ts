import { asTyped, formatLength, sayList, type LengthSystem } from '../quantity';
import type { Remade } from './remade';

const unique = (all: readonly string[]): readonly string[] => [...new Set(all)];

/** What one end costs and leaves, in words, without its name. */
function sayOne({ allowances, lostMm, insideMm, glued, lengths }: Remade, system: LengthSystem): string {
  const say = (mm: number): string => formatLength(mm, system);
  const parts = allowances.map(({ what, mm }) => `${say(mm)} ${what.replace(/ at .*$/, '')}`).join(' + ');
  const left = unique(
    lengths.map((length) => `${say(Math.round(length.leftMm))} left of ${asTyped(length, system)}`),
  );
  const behind = glued
    ? '; it is glued: take a new one'
    : insideMm === undefined
      ? ''
      : `; cut off behind the connector, ${say(insideMm)} less (nominal: measure yours)`;
  const wire = allowances.reduce((sum, { mm }) => sum + mm, 0) === lostMm ? '' : ' of wire';
  return `${parts}${wire} cut away${left.length === 0 ? '' : `, ${sayList(left)}`}${behind}`;
}

/** Each end made again, in words; those alike together: “Ends A and B: 5 mm trim + 22 mm strip-back cut away, 5.973 m left of 6 m”. */
export function sayRemade(all: readonly Remade[], system: LengthSystem): readonly string[] {
  const alike = new Map<string, string[]>();
  for (const each of all) {
    const says = sayOne(each, system);
    alike.set(says, [...(alike.get(says) ?? []), each.end]);
  }
  return [...alike].map(([says, ends]) => `End${ends.length > 1 ? 's' : ''} ${sayList(ends)}: ${says}.`);
}
