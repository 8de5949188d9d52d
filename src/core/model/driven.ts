import type { NodeName } from '../circuit';

/** A channel of the lead in the circuit. */
export interface DrivenChannel {
  /** Its name in the situation. */
  readonly channel: string;
  /** The source that stands for it, V of its nominal level, r.m.s. */
  readonly source: string;
  readonly volts: number;
  /** The source of its other leg, where that is driven on its own. */
  readonly coldSource?: string;
  /** Between which nodes its output stands, at the equipment. */
  readonly between: readonly [NodeName, NodeName];
}
export interface HeardChannel {
  /** Its name in the situation. */
  readonly channel: string;
  /** Between which nodes its input listens, at the equipment. */
  readonly between: readonly [NodeName, NodeName];
  /** The source of what it feeds up the line, where it does. */
  readonly supply?: string;
}
