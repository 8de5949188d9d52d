import { capital } from '../../core/quantity';
import { pieceOfStock, SORT_NAMES, stretchOf, type ShelfPiece } from '../../core/stock';
import { cutPages, jobPages, type TapeOnPaper } from '../../core/vice';
import { lengthSystem } from '../../core/wiring';
import type { Database } from '../db';
import type { Answer } from '../http';
import { paperAnswer, paperAsked } from '../print';
import { house } from '../workshop/rows';
import { shelf } from '../shelf/service';
import { jobCuts, type JobCut, type JobCuts } from './cuts';
import { jobKit } from './service';

/** All that a job takes as PDF: to make, from the shelf, to buy, to cut, to mind. Errors: 400 for another paper; 404. */
export async function jobPaper(db: Database, id: string, query: URLSearchParams): Promise<Answer> {
  const page = paperAsked(query, ['page']);
  const [kit, { cuts }, { schools }] = await Promise.all([jobKit(db, id), jobCuts(db, id), house(db)]);
  return paperAnswer(
    jobPages({ ...kit, cuts }, lengthSystem(schools), page),
    `${kit.job}: everything for it`,
  );
}

const cutOf = (id: string, cuts: readonly JobCut[]): JobCut | undefined =>
  cuts.find((each) => each.id === id);

/** One piece of a plan as it lies on the shelf now. */
function tapeOf(
  { stock, cuts: ids, restMm }: JobCuts['plans'][number]['plan']['pieces'][number],
  {
    pieces,
    cuts,
    kerfMm,
    isCut,
  }: {
    readonly pieces: readonly ShelfPiece[];
    readonly cuts: readonly JobCut[];
    readonly kerfMm: number;
    readonly isCut: boolean;
  },
): TapeOnPaper {
  const piece = pieces.find(({ id }) => id === pieceOfStock(stock));
  const named = ids.map((id) => {
    const cut = cutOf(id, cuts);
    return { name: cut?.name ?? id, mm: cut?.mm ?? 0 };
  });
  const stretch = isCut || !piece ? undefined : stretchOf(piece, stock);
  const planned = restMm + named.reduce((sum, { mm }) => sum + mm + kerfMm, 0);
  return {
    says: piece ? [capital(SORT_NAMES[piece.sort]), piece.place].filter(Boolean).join(', ') : 'A piece',
    longMm: piece && !isCut ? piece.left : planned,
    firstMm: stretch?.fromMm ?? 0,
    restMm,
    toBad: piece !== undefined && stretch !== undefined && stretch.toMm < piece.left,
    cuts: named,
    kerfMm,
    isCut,
  };
}

/** The cut list of a job as PDF: its plans as tapes to scale, with boxes to tick. Errors: 400 for another paper; 404. */
export async function cutPaper(db: Database, id: string, query: URLSearchParams): Promise<Answer> {
  const page = paperAsked(query, ['page']);
  const [{ job, cuts, plans }, { schools, cutting }, { pieces }] = await Promise.all([
    jobCuts(db, id),
    house(db),
    shelf(db),
  ]);
  const kerfMm = cutting?.kerfMm ?? 0;
  const cables = [...new Map(cuts.map(({ item, cable }) => [item, cable]))].flatMap(([item, name]) => {
    const own = cuts.filter((each) => each.item === item);
    const planned = plans.find((each) => each.item === item);
    const toCut = own.reduce((sum, each) => sum + each.toCut, 0);
    const uncut = planned?.plan.pieces.filter(({ stock }) => !planned.cut.includes(stock)) ?? [];
    const short = planned?.plan.short ?? [];
    const isFor =
      uncut.reduce((sum, each) => sum + each.cuts.length, 0) +
      short.reduce((sum, { count }) => sum + count, 0);
    if (toCut === 0 && uncut.length === 0) return [];
    return [
      {
        name,
        tapes: (planned?.plan.pieces ?? []).map((each) =>
          tapeOf(each, { pieces, cuts: own, kerfMm, isCut: planned?.cut.includes(each.stock) ?? false }),
        ),
        short: short.map(({ id: of, count }) => `${count} × ${cutOf(of, own)?.name ?? of}`),
        unplanned: Math.max(0, toCut - isFor),
      },
    ];
  });
  return paperAnswer(cutPages({ job, cables }, lengthSystem(schools), page), `${job}: cut list`);
}
