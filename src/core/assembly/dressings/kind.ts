/** When a dressing goes on: before the first joint, after the last, or when everything else is done. */
export const GOES_ON = ['before', 'after', 'end'] as const;
/** When it is shrunk or closed: at once, when the connector is closed, at the very end, or never. */
export const CLOSED = ['at once', 'closing', 'end', 'never'] as const;

/** A kind of dressing or hardware: what it is called, what it is, and when it usually goes on and is closed (common practice). */
export interface DressingKind<What extends string = string> {
  readonly what: What;
  readonly name: string;
  /** Covers something, marks it, is how the wires are laid, or is a piece of hardware. */
  readonly is: 'cover' | 'mark' | 'construction' | 'hardware';
  readonly goesOn: (typeof GOES_ON)[number];
  readonly closed: (typeof CLOSED)[number];
}

/** A kind of dressing, its name kept as a type of its own. */
export const dressing = <const What extends string>(kind: DressingKind<What>): DressingKind<What> => kind;
