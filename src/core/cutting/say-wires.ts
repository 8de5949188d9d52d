import { conductorTerminal, sayConductor, sayTogether, type Assembly } from '../assembly';
import { formatLength, type LengthSystem } from '../quantity';
import type { Strip, StrippedWire } from './strips';
import type { Cut } from './types';

/**
 * The conductors of a strip in words, those alike together: “all 22 mm, 3 mm bare”; “white and red 10 mm, 3 mm bare: the
 * part that is soldered to it takes up the rest”.
 */
export function sayWires(assembly: Assembly, strip: Strip, system: LengthSystem): readonly string[] {
  const { span, body, conductors } = strip;
  const groups = new Map<string, StrippedWire[]>();
  for (const wire of conductors) {
    const key = [wire.mm, wire.bareMm, wire.because].join('|');
    groups.set(key, [...(groups.get(key) ?? []), wire]);
  }
  return [...groups.values()].map((wires) => {
    const [first] = wires as [StrippedWire];
    const names = sayTogether(
      wires.map(({ id }) => sayConductor(assembly, conductorTerminal(span, id, body))),
    );
    const who = groups.size === 1 ? 'all' : names.join(', ').replace(/, ([^,]*)$/, ' and $1');
    const long = [
      ...(first.mm > 0 ? [formatLength(first.mm, system)] : []),
      ...(first.bareMm > 0 ? [`${formatLength(first.bareMm, system)} bare`] : []),
    ].join(', ');
    return [[who, long].filter(Boolean).join(' '), first.because].filter(Boolean).join(': ');
  });
}

/** Where a donor lead is measured from, in words: “the face of end B”. */
export const sayFrom = (from: NonNullable<Cut['from']>): string =>
  from.datum === 'jacket' ? `the jacket’s edge at end ${from.end}` : `the ${from.datum} of end ${from.end}`;
