import { portById } from '../../catalogue';
import { placeOf } from '../ask';
import { amongOf, endName, rankedFor } from '../ask-end';
import type { Intent } from '../intent';
import type { BodyChoice } from './body';
import { rankCables, withCable, type CableChoice } from './cable';
import type { Preference } from './preference';

/** What an end could be made with, best first, and which is taken. */
export interface EndChoices {
  readonly end: string;
  /** Where it stands in the intent. */
  readonly path: string;
  readonly taken: string;
  readonly bodies: readonly BodyChoice[];
}

/** Everything that a lead could be made of, best first, and what is taken. */
export interface MadeOf {
  /** Nothing where it needs no cable. */
  readonly cable?: string;
  readonly cables: readonly CableChoice[];
  readonly ends: readonly EndChoices[];
}

/** Every cable and every connector that an intent could be made with, each with why it stands where it stands. */
export function madeOf(intent: Intent, preference: Preference = {}): MadeOf {
  const among = amongOf(intent.own);
  const whole = withCable(intent, preference);
  const cable = among.cables.find(({ id }) => id === (whole.ok ? whole.value.intent.cable : intent.cable));
  const ends = (['from', 'to'] as const).flatMap((side) =>
    intent[side].flatMap((wanted, n): readonly EndChoices[] => {
      const place = placeOf(intent, side, n, cable);
      const port = portById(wanted.port);
      const bodies = port ? rankedFor(wanted, place, port, among, preference) : [];
      const taken = wanted.body ?? bodies[0]?.connector.id;
      return taken === undefined
        ? []
        : [{ end: endName(place.before + n), path: `intent.${side}[${n}]`, taken, bodies }];
    }),
  );
  const needsCable = (intent.form ?? 'lead') === 'lead';
  return {
    ...(needsCable && cable ? { cable: cable.id } : {}),
    cables: needsCable ? rankCables(intent, preference) : [],
    ends,
  };
}
