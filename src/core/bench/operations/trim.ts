import { sayWires, type Strip } from '../../cutting';
import { formatLength } from '../../quantity';
import { ofSpan } from '../hand';
import { lengthSystem } from '../../wiring';
import { cableOf, spanById, type Assembly } from '../../assembly';
import type { Operation, Workplace } from '../types';
import { isCutTinned } from './tin';

/** Whether the strands of a cable are lacquered: there is nothing to strip. */
function isLacquered(assembly: Assembly, id: string): boolean {
  const span = spanById(assembly, id);
  return span !== undefined && cableOf(assembly, span)?.kind === 'litz';
}

/** Where the lengths of conductors are measured from. */
const FROM: Readonly<Record<Strip['jacket'], string>> = {
  off: 'the jacket’s edge',
  parted: 'the end of the leg’s sleeve',
  none: 'where the wires part',
};

/** Conductors cut to their lengths, and bared, mm. */
export const trim = ({ assembly, body, end, connector, strips, schools }: Workplace): readonly Operation[] =>
  strips.map((each) => {
    const system = lengthSystem(schools);
    const bared = [...new Set(each.conductors.flatMap(({ bareMm }) => (bareMm > 0 ? [bareMm] : [])))];
    const lacquered = isLacquered(assembly, each.span);
    const at = `${ofSpan(assembly, body.id, each.span)} at end ${end.id}`;
    const some = each.conductors.some(({ bareMm }) => bareMm === 0);
    return {
      id: `trim-${end.id}-${each.span}`,
      kind: 'trim',
      end: end.id,
      title: lacquered
        ? `Burn the lacquer off ${formatLength(each.bareMm, system)} of each strand${at}`
        : bared.length === 1
          ? `Bare ${formatLength(bared[0] ?? each.bareMm, system)} of ${some ? 'the joined conductors' : 'each conductor'}${at}`
          : `Trim and bare the conductors${at}`,
      detail: [
        `From ${FROM[each.jacket]}: ${sayWires(assembly, each, system).join('; ')}.`,
        lacquered
          ? 'In a hot blob of solder, 370 to 400 °C (from memory), until it takes: the one that looks bare is lacquered too. Tell the strands apart by the meter and mark each.'
          : 'Twist the strands the way they lie.',
        ...(isCutTinned(connector, schools) && !lacquered
          ? ['Bare a little more than that: they are cut to length when they are tinned.']
          : []),
      ],
      caution: lacquered
        ? 'Hot iron; burning lacquer fumes: extract it, don’t breathe it.'
        : 'Clippings fly: eye protection.',
    };
  });
