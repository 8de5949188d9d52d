import { formatLength } from '../../quantity';
import { lengthSystem } from '../../wiring';
import type { Operation, Workplace } from '../types';

/** Conductors cut to their lengths, and bared, mm. */
export const trim = ({ end, strips, schools }: Workplace): readonly Operation[] =>
  strips.map((each) => {
    const system = lengthSystem(schools);
    const lengths = [...new Set(each.conductors.map((conductor) => conductor.mm))];
    return {
      id: `trim-${end.id}-${each.span}`,
      kind: 'trim',
      end: end.id,
      title: `Bare ${formatLength(each.bareMm, system)} of each conductor at end ${end.id}`,
      detail: [
        lengths.length === 1
          ? `All conductors ${formatLength(lengths[0] ?? 0, system)} from the jacket.`
          : `Cores ${formatLength(Math.min(...lengths), system)}, screen ${formatLength(Math.max(...lengths), system)} from the jacket.`,
        'Twist the strands the way they lie.',
      ],
      caution: 'Clippings fly: eye protection.',
    };
  });
