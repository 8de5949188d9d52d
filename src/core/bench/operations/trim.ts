import { formatLength } from '../../quantity';
import { lengthSystem } from '../../wiring';
import type { Assembly } from '../../assembly';
import type { Operation, Workplace } from '../types';

/** Whether the strands of a cable are lacquered: there is nothing to strip. */
const isLacquered = ({ spans, uses }: Assembly, span: string): boolean =>
  uses.cables.find(({ id }) => id === spans.find((each) => each.id === span)?.cable)?.kind === 'litz';

/** Conductors cut to their lengths, and bared, mm. */
export const trim = ({ assembly, end, strips, schools }: Workplace): readonly Operation[] =>
  strips.map((each) => {
    const system = lengthSystem(schools);
    const lacquered = isLacquered(assembly, each.span);
    const lengths = [...new Set(each.conductors.map((conductor) => conductor.mm))];
    return {
      id: `trim-${end.id}-${each.span}`,
      kind: 'trim',
      end: end.id,
      title: lacquered
        ? `Burn the lacquer off ${formatLength(each.bareMm, system)} of each strand at end ${end.id}`
        : `Bare ${formatLength(each.bareMm, system)} of each conductor at end ${end.id}`,
      detail: [
        lengths.length === 1
          ? `All conductors ${formatLength(lengths[0] ?? 0, system)} from the jacket.`
          : `Cores ${formatLength(Math.min(...lengths), system)}, screen ${formatLength(Math.max(...lengths), system)} from the jacket.`,
        lacquered
          ? 'In a hot blob of solder, 370 to 400 °C (from memory), until it takes: the one that looks bare is lacquered too. Tell the strands apart by the meter and mark each.'
          : 'Twist the strands the way they lie.',
      ],
      caution: lacquered
        ? 'Hot iron; burning lacquer fumes: extract it, don’t breathe it.'
        : 'Clippings fly: eye protection.',
    };
  });
