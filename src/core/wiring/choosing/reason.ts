/** How well something does, best first. What is wrong can be made and should not be. */
export const GRADES = ['good', 'fair', 'poor', 'wrong'] as const;
export type Grade = (typeof GRADES)[number];

/** One thing to say for or against a cable or a connector in this lead. */
export interface Reason {
  /** The criterion that it comes from. */
  readonly id: string;
  readonly grade: Grade;
  readonly says: string;
  readonly source: string;
}
