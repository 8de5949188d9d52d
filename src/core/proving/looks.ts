import {
  bodyById,
  jointsOf,
  leadsOf,
  leadTerminal,
  ofCable,
  placeOf,
  sayConductor,
  sayMarked,
  sayPart,
  sayPartKind,
  sayPlace,
  sayTogether,
  turnsOf,
  wayOf,
  valueOf,
  type Assembly,
  type Part,
  type Terminal,
} from '../assembly';
import { capital, sayList } from '../quantity';
import type { Fault } from './faults';
import type { Tried } from './tests';

/** The contacts that a terminal shares a joint with in one body, as an eye sees them: not what a link or the make of the connector joins with those. */
function seenOn(assembly: Assembly, body: string): (terminal: Terminal) => string {
  const of = bodyById(assembly, body);
  const all = of ? jointsOf(of).filter(({ how }) => how !== 'link') : [];
  return (terminal) =>
    [
      ...new Set(
        all
          .filter(({ terminals }) => terminals.includes(terminal))
          .flatMap(({ terminals }) => terminals)
          .filter((each) => placeOf(assembly, each)?.kind === 'contact'),
      ),
    ]
      .sort()
      .join(' ');
}

/** Of the conductors in one body: each on its contact. */
function conductorLook(assembly: Assembly, body: string): Tried | undefined {
  const place = bodyById(assembly, body);
  const on = seenOn(assembly, body);
  const here = (place?.joints ?? [])
    .flatMap(({ terminals }) => terminals)
    .filter((each) => placeOf(assembly, each)?.kind === 'conductor' && on(each) !== '');
  const left = assembly.unjoined
    .map(({ at }) => at)
    .filter((each) => placeOf(assembly, each)?.body.id === body);
  if (!place || here.length === 0) return undefined;
  // Of loose wires each is known by its mark; everything else lies on a contact.
  const isLoose = place.ends.every(({ connector }) => connector === undefined);
  const said = [
    ...[...new Set(here.map(on))].map((contacts) => {
      const those = here.filter((each) => on(each) === contacts);
      const names = those.map((each) => sayConductor(assembly, each).replace(/ \(.*\)$/, ''));
      const [cable = '', ...others] = new Set(those.map((each) => ofCable(assembly, each)));
      return `${sayTogether(names).join(' and ')}${others.length > 0 ? '' : cable} ${isLoose ? 'for' : 'on'} ${sayList(contacts.split(' ').map((each) => sayMarked(assembly, each)))}`;
    }),
    ...(left.length > 0
      ? [
          `${sayTogether(left.map((each) => sayConductor(assembly, each).replace(/ \(.*\)$/, ''))).join(' and ')} on nothing, and clear of everything`,
        ]
      : []),
  ].join(', ');
  return {
    trial: {
      id: `look:${body}`,
      kind: 'look',
      before: body,
      says: `${isLoose ? 'Look at the loose wires of' : 'Look into'} ${sayPlace(place)}: ${said}.`,
    },
    answers(built) {
      const now = seenOn(built.assembly, body);
      // A core that is broken where the clamp grips lies where it should: an eye tells which is where, not what carries.
      return (
        here.every((each) => now(each) === '' || now(each) === on(each)) &&
        left.every((each) => now(each) === '')
      );
    },
  };
}

/** How a part lies in its body: which of its legs sit together with what else there. */
function lies(assembly: Assembly, body: string, part: Part): string {
  const of = bodyById(assembly, body);
  const joints = of ? jointsOf(of) : [];
  return leadsOf(part)
    .map((lead) => {
      const terminal = leadTerminal(part.id, lead);
      const beside = joints
        .filter(({ terminals }) => terminals.includes(terminal))
        .flatMap(({ terminals }) => terminals.filter((each) => each !== terminal))
        .sort();
      return `${turnsOf(part).length === 0 ? '' : lead}:${beside.join(' ')}`;
    })
    .sort()
    .join('|');
}

/** Of one part: its value, and which way round it is. */
function partLook(assembly: Assembly, id: string): Tried | undefined {
  const body = assembly.bodies.find((each) => each.parts.some((part) => part.id === id));
  const part = body?.parts.find((each) => each.id === id);
  if (!body || !part) return undefined;
  const way = wayOf(assembly, body, part);
  const value = sayPart(part);
  const should = lies(assembly, body.id, part);
  return {
    trial: {
      id: `look:${id}`,
      kind: 'look',
      before: body.id,
      says: `Look at ${id} in ${sayPlace(body)}: ${sayPartKind(part)}${value === '' ? '' : ` of ${value}`}${way === undefined ? '' : `, ${way}`}, and its legs touch nothing else.`,
    },
    answers(built) {
      const now = built.assembly.bodies.flatMap(({ parts }) => parts).find((each) => each.id === id);
      if (!now) return false;
      const [is, marked] = [valueOf(now), valueOf(part)];
      if (marked !== undefined && (is === undefined || Math.abs(is - marked) > 0.5 * marked)) return false;
      return lies(built.assembly, body.id, now) === should;
    },
  };
}

/**
 * What only an eye can tell, asked of nothing else: for faults that no reading and no test would see, where the conductors of a body sit and how a part is
 * fitted, before it is closed. One look a body, one a part.
 */
export function looksFor(assembly: Assembly, faults: readonly Fault[]): readonly Tried[] {
  const bodies = new Set<string>();
  const parts = new Set<string>();
  for (const { eye } of faults) {
    if (!eye) continue;
    if ('part' in eye) parts.add(eye.part);
    else for (const terminal of eye.conductors) bodies.add(placeOf(assembly, terminal)?.body.id ?? '');
  }
  return [
    ...[...bodies].flatMap((body) => conductorLook(assembly, body) ?? []),
    ...[...parts].flatMap((id) => partLook(assembly, id) ?? []),
  ].map((tried) => ({ ...tried, trial: { ...tried.trial, says: capital(tried.trial.says) } }));
}
