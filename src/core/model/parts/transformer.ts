import type { Element, NodeName } from '../../circuit';
import { ASSUMED } from '../assumed';
import { nodeName } from '../node';
import { partModel } from './model';

/** Two coupled windings, each its copper to a meter. */
export const transformer = partModel({
  kind: 'transformer',
  usual: 0.2,
  legs: () => [
    { red: 'p1', black: 'p2' },
    { red: 's1', black: 's2' },
  ],
  elements: (part, { at, times }) => {
    if (part.windingOhms === undefined) return [];
    const ohms = part.windingOhms * times;
    const winding = (n: 1 | 2, a: NodeName, b: NodeName): readonly Element[] => [
      { kind: 'resistor', id: `R_${part.id}_${n}`, a, b: `${nodeName(part.id)}_w${n}`, ohms },
      {
        kind: 'inductor',
        id: `L_${part.id}_${n}`,
        a: `${nodeName(part.id)}_w${n}`,
        b,
        henries: ASSUMED.windingHenries,
      },
    ];
    return [
      ...winding(1, at('p1'), at('p2')),
      ...winding(2, at('s1'), at('s2')),
      {
        kind: 'coupling',
        id: `K_${part.id}`,
        of: [`L_${part.id}_1`, `L_${part.id}_2`],
        k: ASSUMED.windingCoupling,
      },
    ];
  },
  passes: () => [
    ['p1', 'p2'],
    ['s1', 's2'],
  ],
  measures: ({ windingOhms }, { times }) =>
    windingOhms === undefined
      ? []
      : [
          { between: ['p1', 'p2'], ohms: windingOhms * times },
          { between: ['s1', 's2'], ohms: windingOhms * times },
        ],
});
