import { madeOf, type BodyChoice, type CableChoice, type Intent, type Preference } from '../wiring';

/** The version of lists of choices written today. */
const CHOICES_VERSION = 1;

const cable = ({ cable: { id, name }, can, because, reasons }: CableChoice) => ({
  id,
  name,
  can,
  because,
  reasons,
});
const body = ({ connector: { id, name }, because, reasons }: BodyChoice) => ({ id, name, because, reasons });

/** What a lead could be made of, as it leaves Antler: cables and connectors by id, best first, each with why it stands there. */
export function choicesFile(intent: Intent, preference: Preference = {}): object {
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
