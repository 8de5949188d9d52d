import type { JobCut } from '../../server/making/cuts';

/** A cut by its name on the tape: its lead, and which of its cables where it has several. */
export const nameOf = (cut: JobCut, cuts: readonly JobCut[]): string =>
  cuts.filter(({ lead }) => lead === cut.lead).length > 1 ? `${cut.name}, ${cut.span}` : cut.name;
