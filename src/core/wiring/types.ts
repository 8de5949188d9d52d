import type { LooseContact } from '../assembly';
import type { CableEntry, ConnectorEntry, Layout, PortKind, RoleMap } from '../catalogue';
import type { Form, Intent, IntentEnd } from './intent';
import type { Schools } from './schools';

/** A channel that is sent, and where it goes. */
export interface Link {
  readonly out: AskChannel;
  readonly in: AskChannel;
}

/** One channel as it stands on one end. */
export interface AskChannel {
  readonly end: string;
  /** The channel within its port; nothing where there is one only. */
  readonly id: string;
  /** What it is called among the others of the lead. */
  readonly label: string;
  /** Whether the equipment at this end sends it. */
  readonly sends: boolean;
  readonly port: PortKind;
  readonly roles: RoleMap;
}

/** One end of the job with everything the catalogue knows of it. */
export interface AskEnd {
  readonly id: string;
  /** The body that it is in. */
  readonly body: string;
  readonly side: 'from' | 'to';
  readonly path: string;
  readonly intent: IntentEnd;
  readonly port: PortKind;
  readonly connector?: ConnectorEntry;
  /** The loose wires of a tail. */
  readonly loose?: readonly LooseContact[];
  readonly layout?: Layout;
  readonly channels: readonly AskChannel[];
}

/** An intent with its catalogue entries and schools looked up: what recipes work from. */
export interface Ask {
  readonly intent: Intent;
  readonly form: Form;
  readonly ends: readonly AskEnd[];
  readonly from: readonly AskEnd[];
  readonly to: readonly AskEnd[];
  readonly channels: readonly AskChannel[];
  /** Which channel goes to which; none where the intent leaves that open. */
  readonly links: readonly Link[];
  readonly cable?: CableEntry;
  readonly schools: Schools;
}
