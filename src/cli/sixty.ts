import { cutPlan, type CutProblem } from '../core/stock';

/** Sixty pieces of eight lengths, from reels of 20 m, two opened ones and five offcuts. */
const SIXTY: CutProblem = {
  version: 1,
  kerfMm: 2,
  leastOffcutMm: 600,
  stock: [
    ...Array.from({ length: 34 }, (_, n) => ({ id: `reel ${n}`, mm: 20_000, kind: 'reel' as const })),
    ...[12_340, 7615].map((mm, n) => ({ id: `opened ${n}`, mm, kind: 'opened' as const })),
    ...[1705, 2960, 4175, 5510, 8230].map((mm, n) => ({ id: `offcut ${n}`, mm, kind: 'offcut' as const })),
  ],
  cuts: [14_120, 12_066, 9966, 7466, 5966, 4483, 2966, 1466].map((mm, n) => ({
    id: `lead ${n}`,
    mm,
    count: n < 4 ? 7 : 8,
  })),
};
/** Its plan, proven at every level; throws where it is not. */
export function provenPlan(): unknown {
  const plan = cutPlan(SIXTY);
  if (!plan.optimal) throw new Error('a plan without limit of time is not proven');
  return plan;
}
