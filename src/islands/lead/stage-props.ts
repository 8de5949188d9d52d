import type { Finding } from '../../core/findings';
import type { EditedLead, Read } from '../../core/lead';
import type { SchoolId } from '../../core/wiring';
import type { LeadSheet } from '../../server/leads/service';

/** What every stage of a lead is given. */
export interface StageProps {
  readonly sheet: LeadSheet;
  /** The lead as it is edited now, with what is wrong with it. */
  readonly read: Read;
  /** What there is to say against it; nothing while it is not whole. */
  readonly found: readonly Finding[];
  /** The schools that something in it hangs on. */
  readonly hangs: readonly SchoolId[];
  readonly onChange: (edited: EditedLead) => void;
  /** The end that lies in the hand, where one was taken up. */
  readonly taken: string | undefined;
  readonly onTake: (end: string | undefined) => void;
  /** Changes taken back and made again, and how many can be. */
  readonly steps: {
    readonly undo: () => void;
    readonly redo: () => void;
    readonly back: number;
    readonly on: number;
  };
}

/** What there is to know of a lead, and nothing to change it by. */
export type StageFacts = Omit<StageProps, 'onChange' | 'steps' | 'taken' | 'onTake'>;
