import {
  linesFor,
  movesOf,
  patchOf,
  patchRows,
  wantsOf,
  type InputList,
  type LineStand,
  type Move,
  type PatchList,
  type PatchRow,
  type VenueLine,
} from '../../core/sweep';

/** What is planned anew: where every input goes and why, and the list way by way. */
export interface PlannedAnew {
  readonly patch: PatchList;
  readonly moves: readonly Move[];
  readonly rows: readonly PatchRow[];
}

/** Inputs on the lines as they stand, with the least harm: of a large stage that takes up to a second. */
export function plannedFor({
  lines: venue,
  stands,
  list,
}: {
  readonly lines: readonly VenueLine[];
  readonly stands: readonly LineStand[];
  readonly list: InputList;
}): PlannedAnew {
  const lines = linesFor(venue, stands, list);
  const patch = patchOf(lines);
  const known = { lines, list, patch, stands };
  return { patch, moves: movesOf(known), rows: patchRows(venue, known, wantsOf) };
}
