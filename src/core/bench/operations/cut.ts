import { cuts } from '../../cutting';
import { cableOf, type Assembly } from '../../assembly';
import { formatLength } from '../../quantity';
import { lengthSystem, type Schools } from '../../wiring';
import type { Operation } from '../types';

/** Each piece of cable to its cut length, mm. */
export const cut = (assembly: Assembly, schools: Schools): readonly Operation[] =>
  cuts(assembly, schools).map((each) => {
    const span = assembly.spans.find((candidate) => candidate.id === each.span);
    return {
      id: `cut-${each.span}`,
      kind: 'cut',
      title: `Cut ${formatLength(each.total, lengthSystem(schools))} of cable`,
      detail: [
        (span && cableOf(assembly, span)?.name) ?? each.cable,
        'Square ends. Measure along the cable lying straight, not off the coil.',
        ...(schools['direction'] === 'print'
          ? ['The jacket’s print starts at the source end: mark that end before the cable leaves the reel.']
          : []),
      ],
      caution: 'Blade away from the hand.',
    };
  });
