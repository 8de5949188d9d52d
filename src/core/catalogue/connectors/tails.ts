/** How the strands of a loose wire end. */
export const TAIL_FINISHES = ['bare', 'tinned', 'spade', 'ferrule', 'pin', 'ring'] as const;
export type TailFinish = (typeof TAIL_FINISHES)[number];

/** How the loose wires of a tail end are finished; a tail's contacts are what the builder says they are. */
export const TAILS = {
  'tail-bare': { name: 'bare ends', finish: 'bare', source: 'common practice' },
  'tail-tinned': { name: 'tinned ends', finish: 'tinned', source: 'common practice' },
  'tail-spade': { name: 'spades', finish: 'spade', source: 'common practice' },
  'tail-ferrule': { name: 'ferrules', finish: 'ferrule', source: 'common practice' },
  'tail-ring': { name: 'ring terminals', finish: 'ring', source: 'common practice' },
  'tail-pin': { name: 'loose sleeved pins', finish: 'pin', source: 'common practice' },
} as const satisfies Readonly<Record<string, { name: string; finish: TailFinish; source: string }>>;

export type TailKind = keyof typeof TAILS;
/** Whether an end is a tail: loose wires, and no connector. */
export const isTail = (family: string): family is TailKind => family in TAILS;
