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
