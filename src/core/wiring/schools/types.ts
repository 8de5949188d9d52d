/** One way of doing it that good builders hold to. */
export interface SchoolChoice {
  readonly id: string;
  readonly name: string;
  readonly gains: string;
  readonly costs: string;
}

/** A question on which good builders differ. */
export interface School {
  readonly id: string;
  readonly question: string;
  readonly choices: readonly SchoolChoice[];
  readonly default: string;
  readonly because: string;
  /** What the answer changes. */
  readonly decides: 'wiring' | 'bench' | 'lengths' | 'words';
  readonly source: string;
}

/** Keeps the ids of a school and its choices as they are written, so that its answers are a type. */
export const school = <const Of extends School>(of: Of): Of => of;
