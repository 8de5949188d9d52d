import { cableOf, spanById, type Assembly } from '../assembly';
import type { CableEntry } from '../catalogue';
import type { Schools } from '../wiring';
import { cuts } from './cutting';

/** One piece that is cut off a reel: for which span, of which cable, whole mm. */
export interface CableCut {
  readonly span: string;
  readonly cable: CableEntry;
  readonly mm: number;
}

/** What is cut of each cable for one lead, each piece by itself, mm rounded up to what a cutter reads off; a donor lead is no reel. */
export const cableCuts = (assembly: Assembly, schools: Schools): readonly CableCut[] =>
  cuts(assembly, schools).flatMap((cut): CableCut[] => {
    if (cut.from) return [];
    const span = spanById(assembly, cut.span);
    const cable = span && cableOf(assembly, span);
    return cable ? [{ span: cut.span, cable, mm: Math.ceil(cut.total) }] : [];
  });
