import { memberOf, type Terminal } from '../assembly';
import { COLOURS } from '../catalogue';
import type { DrawnConductor, PeeledEnd } from './drawn';

/** More contacts than this are not told one by one where they lie: their numbers are on the insert. */
const MOST_PLACES = 8;

const bare = (terminal: Terminal): string => memberOf(terminal);

/** “2 upper left, 1 upper right, 3 lower centre”. Nothing of a connector with many contacts. */
function sayPlaces({ contacts, inserts: [{ radius }] }: PeeledEnd): string {
  const own = contacts.filter(({ id }) => id !== 'shell');
  if (own.length === 0 || own.length > MOST_PLACES) return '';
  const near = radius / 6;
  return own
    .map(({ id, x, y }) => {
      const high = y > near ? 'upper' : y < -near ? 'lower' : 'middle';
      const side = x > near ? 'right' : x < -near ? 'left' : 'centre';
      return `${id} ${high === 'middle' && side === 'centre' ? 'in the centre' : `${high} ${side}`}`;
    })
    .join(', ');
}

function sayConductor(
  { is, colour, lands, joint, left }: DrawnConductor,
  made: ReadonlySet<string>,
  now: string | undefined,
): string {
  const name = is === 'core' ? COLOURS[colour] : is;
  if (lands === undefined) return `${name} ${left ?? 'loose'}`;
  const stands =
    joint === undefined
      ? ''
      : joint === now
        ? ', at hand'
        : made.has(joint)
          ? ', made'
          : ', still to be made';
  return `${name} to ${bare(lands)}${stands}`;
}

/**
 * What the drawing of an end shows, in words: how it is seen, where its contacts lie, and which conductor goes where; at the
 * bench with the joints that are made, and the one at hand.
 */
export function sayPeeled(
  drawn: PeeledEnd,
  { made = new Set(), now }: { readonly made?: ReadonlySet<string>; readonly now?: string | undefined } = {},
): string {
  const seen = drawn.side === 'solder' ? 'solder side' : 'mating face';
  const places = sayPlaces(drawn);
  const conductors = drawn.conductors.map((each) => sayConductor(each, made, now));
  return [
    `End ${drawn.end}, ${seen}${drawn.inserts[0].keyed ? ', key up' : ''}${places === '' ? '' : `: ${places}`}.`,
    ...(drawn.side === 'solder' && conductors.length > 0 ? [`${conductors.join('; ')}.`] : []),
    ...(drawn.dressings.length > 0 ? [`On it: ${drawn.dressings.map(({ says }) => says).join('; ')}.`] : []),
  ].join(' ');
}

/** Where the two leads of the meter go at an end, in words; nothing where neither does. */
export function sayMeterAt(
  { contacts }: Pick<PeeledEnd, 'contacts'>,
  red: ReadonlySet<Terminal>,
  black: ReadonlySet<Terminal>,
): string {
  const on = (lead: ReadonlySet<Terminal>): readonly string[] =>
    contacts.filter(({ terminal }) => lead.has(terminal)).map(({ id }) => id);
  const said = [
    ['red', on(red)],
    ['black', on(black)],
  ] as const;
  return said
    .filter(([, where]) => where.length > 0)
    .map(([name, where]) => `${name} on ${where.join(', ')}`)
    .join('; ');
}
