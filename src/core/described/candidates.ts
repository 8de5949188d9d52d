import { CONNECTORS, familiesFor, isMeasured, PORTS, type PortKind } from '../catalogue';
import { INTENT_VERSION, NAMED, type Intent, type IntentEnd } from '../wiring';
import type { Held, HeldEnd } from './types';

/** An intent that the lead in the hand may have been made for, and which of its ends is which of that lead’s, in order. */
export interface Candidate {
  readonly intent: Intent;
  readonly ends: readonly HeldEnd[];
}

const comesOn = (port: PortKind, family: string): boolean => familiesFor(port).includes(family);

/** The layouts that such a port may have on such a connector; one of no name where none has to be asked for. None that shorts a leg is looked for. */
function layoutsOf(port: PortKind, family: string): readonly (string | undefined)[] {
  const all = (CONNECTORS.find((each) => each.family === family)?.layouts ?? []).filter(
    ({ format, shorts }) => format === port.format && !shorts,
  );
  const asked = all.flatMap(({ id, asks }) => (asks && id !== undefined ? [id] : []));
  return asked.length > 0 ? asked : all.length > 0 ? [undefined] : [];
}

/** Everything that may stand at an end of a lead, on that side: none goes to what is on the meter. */
const standing = (end: HeldEnd, side: 'from' | 'to'): readonly IntentEnd[] =>
  PORTS.filter(({ direction }) => direction !== (side === 'from' ? 'in' : 'out'))
    .filter((port) => !isMeasured(port) && comesOn(port, end.family))
    .flatMap((port) =>
      layoutsOf(port, end.family).map((layout): IntentEnd => ({
        port: port.id,
        family: end.family,
        ...(end.gender ? { gender: end.gender } : {}),
        ...(layout === undefined ? {} : { layout }),
      })),
    );

/** The pads of an earpiece take strands that look alike: which of them is which no meter at the ends tells, and any will do. */
const isPads = ({ port }: IntentEnd): boolean => port === 'headphone-cups';
export const STRANDS = { left: 'a', 'left-return': 'b', right: 'c', 'right-return': 'd' } as const;

/** A cable that has cores enough for whatever it is: which one is in it is not asked here. */
const cableFor = (ends: readonly IntentEnd[]): string => {
  if (ends.some(isPads)) return 'litz-headphone';
  const formats = new Set(ends.map(({ port }) => PORTS.find((each) => each.id === port)?.format));
  if ([...formats].some((format) => format?.startsWith('loudspeaker')))
    return formats.has('loudspeaker-2') ? 'loudspeaker-4x2-5' : 'loudspeaker-2x2-5';
  if (formats.has('headset')) return 'four-core';
  if (formats.has('intercom')) return 'multipair-2';
  return formats.has('balanced-8') || ends.length > 3
    ? 'multipair-8'
    : formats.has('stereo-balanced')
      ? 'multipair-2'
      : 'pair-braid';
};

const intentOf = (from: readonly IntentEnd[], to: readonly IntentEnd[]): Intent => ({
  version: INTENT_VERSION,
  from: [...from],
  to: [...to],
  length: { mm: 3000, datum: 'face' },
  surroundings: 'studio',
  cable: cableFor([...from, ...to]),
  ...([...from, ...to].some(isPads) ? { choices: STRANDS } : {}),
  schools: {},
});

/** Every pair of what may stand at two ends, either way round. */
const ofTwo = ([one, other]: readonly [HeldEnd, HeldEnd]): readonly Candidate[] =>
  [[one, other] as const, [other, one] as const].flatMap((ends) =>
    standing(ends[0], 'from').flatMap((from) =>
      standing(ends[1], 'to').map((to) => ({ intent: intentOf([from], [to]), ends })),
    ),
  );

/** One end at one side and several alike at the other, in the order of their letters. */
function ofSeveral(ends: readonly HeldEnd[]): readonly Candidate[] {
  const alone = ends.filter((end) => ends.every((each) => each === end || each.family !== end.family));
  return alone.flatMap((single) => {
    const rest = ends.filter((end) => end !== single);
    const [first] = rest;
    if (!first || rest.some(({ family }) => family !== first.family)) return [];
    const named = (end: IntentEnd, n: number): IntentEnd =>
      rest.length === 2 ? { ...end, channel: n === 0 ? 'left' : 'right' } : { ...end, channel: `${n + 1}` };
    const sided = (side: 'from' | 'to'): readonly (readonly IntentEnd[])[] =>
      standing(first, side).flatMap((end) => [rest.map((_, n) => named(end, n)), rest.map(() => end)]);
    return [
      ...standing(single, 'from').flatMap((from) =>
        sided('to').map((to) => ({ intent: intentOf([from], to), ends: [single, ...rest] })),
      ),
      ...standing(single, 'to').flatMap((to) =>
        sided('from').map((from) => ({ intent: intentOf(from, [to]), ends: [...rest, single] })),
      ),
    ];
  });
}

/** Every order of a few. */
const orders = <T>(items: readonly T[]): readonly (readonly T[])[] =>
  items.length < 2
    ? [items]
    : items.flatMap((item) => orders(items.filter((other) => other !== item)).map((rest) => [item, ...rest]));

/** Leads that have a name of their own, with those ends in whatever order. */
const named = (ends: readonly HeldEnd[]): readonly Candidate[] =>
  NAMED.filter(({ intent }) => (intent.form ?? 'lead') === 'lead').flatMap(({ intent }) => {
    const wanted = [...intent.from, ...intent.to];
    if (wanted.length !== ends.length) return [];
    const matching = (ends.length > 4 ? [ends] : orders(ends)).filter((order) =>
      order.every(({ family }, n) => family === wanted[n]?.family),
    );
    return matching.map((order) => ({
      intent: { ...intent, cable: intent.cable ?? cableFor(wanted) },
      ends: order,
    }));
  });

/** What the lead in the hand may have been made for, the commonest first. */
export const candidates = ({ ends }: Held): readonly Candidate[] => {
  const [one, other] = ends;
  return [...named(ends), ...(one && other && ends.length === 2 ? ofTwo([one, other]) : ofSeveral(ends))];
};
