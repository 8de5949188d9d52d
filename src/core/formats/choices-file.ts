import {
  madeOf,
  type BodyChoice,
  type CableChoice,
  type Intent,
  type Preference,
  type Reason,
} from '../wiring';

/** The version of lists of choices written today. */
const CHOICES_VERSION = 1;

/** A cable or a connector in its place among those that would do. */
export interface Choosable {
  readonly id: string;
  readonly name: string;
  /** Why it stands where it stands. */
  readonly because: string;
  readonly reasons: readonly Reason[];
  /** Whether a lead can be made with it at all. */
  readonly can: boolean;
}

/** What a lead could be made of, best first, and what is taken. */
export interface ChoicesFile {
  readonly version: typeof CHOICES_VERSION;
  /** The one that is named, or chosen; nothing where it needs none. */
  readonly cable?: string;
  readonly cables: readonly Choosable[];
  readonly ends: readonly {
    readonly end: string;
    readonly path: string;
    readonly connector: string;
    readonly bodies: readonly Choosable[];
  }[];
}

const cable = ({ cable: { id, name }, can, because, reasons }: CableChoice): Choosable => ({
  id,
  name,
  because,
  reasons,
  can,
});
const body = ({ connector: { id, name }, because, reasons }: BodyChoice): Choosable => ({
  id,
  name,
  because,
  reasons,
  can: true,
});

/** What a lead could be made of, as it leaves Antler: cables and connectors by id, best first, each with why it stands there. */
export function choicesFile(intent: Intent, preference: Preference = {}): ChoicesFile {
  const { cable: taken, cables, ends } = madeOf(intent, preference);
  return {
    version: CHOICES_VERSION,
    ...(taken === undefined ? {} : { cable: taken }),
    cables: cables.map(cable),
    ends: ends.map(({ end, path, taken: connector, bodies }) => ({
      end,
      path,
      connector,
      bodies: bodies.map(body),
    })),
  };
}
