import type { LooseContact } from '../assembly';
import type { CableEntry, ConnectorEntry, Layout, PortKind } from '../catalogue';
import type { Channel, ChannelPair } from '../situation';
import type { Form, Intent, IntentEnd } from './intent';
import type { Schools } from './schools';

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
  readonly channels: readonly Channel[];
}

/** An intent with its catalogue entries and schools looked up: what recipes work from. */
export interface Ask {
  readonly intent: Intent;
  readonly form: Form;
  readonly ends: readonly AskEnd[];
  readonly from: readonly AskEnd[];
  readonly to: readonly AskEnd[];
  readonly channels: readonly Channel[];
  /** Which channel goes to which; none where the intent leaves that open. */
  readonly links: readonly ChannelPair[];
  readonly cable?: CableEntry;
  readonly schools: Schools;
}
