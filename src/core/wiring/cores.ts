import { COLOURS, DARKNESS, isBalanced, type CableConductor, type CableEntry } from '../catalogue';
import { capital } from '../quantity';
import type { ChannelPair } from '../situation';
import type { Schools } from './schools';

/** Conductors that are joined and count as one, such as the opposite cores of a star quad. */
type Leg = readonly CableConductor[];

/** What carries one channel in a cable: its legs, and the screen round them. */
export interface Unit {
  readonly id: string;
  readonly legs: readonly Leg[];
  readonly screen?: CableConductor;
}

/** The cores of a cable, screens and drains aside. */
export const coresOf = (cable: CableEntry): readonly CableConductor[] =>
  cable.conductors.filter((c) => c.is === 'core');

/** A cable as channels: each pair of a multipair, each side of a twin, each pair of loudspeaker legs; else the whole. */
export function unitsOf(cable: CableEntry): readonly Unit[] {
  const grouped = cable.kind === 'multipair' || cable.kind === 'twin' || cable.kind === 'loudspeaker';
  const groups = grouped ? [...new Set(cable.conductors.map((each) => each.pair ?? ''))] : [''];
  return groups.map((id) => {
    const own = grouped ? cable.conductors.filter((each) => (each.pair ?? '') === id) : cable.conductors;
    const screen = own.find((each) => each.is !== 'core');
    const cores = own.filter((each) => each.is === 'core');
    const families =
      cable.kind === 'quad'
        ? [...new Set(cores.map((core) => core.pair ?? core.id))]
        : cores.map((c) => c.id);
    return {
      id,
      legs: families.map((family) =>
        cores.filter((core) => (cable.kind === 'quad' ? (core.pair ?? core.id) : core.id) === family),
      ),
      ...(screen ? { screen } : {}),
    };
  });
}

/** Which conductors carry what of one link. Ids; `cold` is the return's own core where nothing is balanced. */
export interface Carrier {
  readonly hot: readonly string[];
  readonly cold: readonly string[];
  readonly screen?: string;
  readonly spare: readonly string[];
  /** Which core is which, where both legs are carried from hot to hot and from cold to cold. */
  readonly says: string;
  /** The same of the hot core alone: true whatever becomes of the other. */
  readonly hotSays?: string;
  readonly school?: string;
}

const plain = (conductor: CableConductor | undefined): boolean =>
  conductor?.colour === 'WH' || conductor?.colour === 'CL';
const ids = (leg: Leg | undefined): readonly string[] => leg?.map((conductor) => conductor.id) ?? [];
const colour = (leg: Leg | undefined): string => COLOURS[leg?.[0]?.colour ?? '??'];

const sayPlus = (plus: Leg, minus: Leg): string =>
  `${capital(colour(plus))} is + and ${colour(minus)} is −, at both ends.`;

/** Hot leg and cold leg by the colour school; in a multipair the coloured core is hot whatever the school. */
function ordered(
  cable: CableEntry,
  legs: readonly Leg[],
  school: string,
  doubled: boolean,
): { readonly hot: Leg; readonly cold: Leg; readonly says: string; readonly hotSays?: string } {
  const [one = [], two = []] = legs;
  if (cable.kind === 'loudspeaker') return { hot: one, cold: two, says: sayPlus(one, two) };
  const coloured = cable.kind === 'multipair' || school === 'coloured-hot';
  const oneIsHot =
    coloured && plain(one[0]) !== plain(two[0])
      ? !plain(one[0])
      : DARKNESS[one[0]?.colour ?? '??'] <= DARKNESS[two[0]?.colour ?? '??'];
  const [hot, cold] = oneIsHot ? [one, two] : [two, one];
  const quad = hot.length > 1 && doubled ? ' Opposite cores make a leg' : '';
  const field = quad && ', so that both legs see the same field';
  const stop = quad && '.';
  const rule =
    cable.kind === 'multipair'
      ? 'in a multipair the coloured core is hot, its colour the pair’s number'
      : school === 'coloured-hot'
        ? 'the coloured core is hot'
        : 'the lighter core is hot';
  if (cable.kind === 'multipair') {
    return { hot, cold, says: `${capital(rule)}.` };
  }
  return {
    hot,
    cold,
    says: `${capital(colour(hot))} is hot and ${colour(cold)} is cold, at both ends: ${rule}.${quad}${field}${stop}`,
    hotSays: `${capital(colour(hot))} is hot, at both ends: ${rule}.${quad}${stop}`,
  };
}

/** Whether a link needs two legs of its own: a balanced side, or a loudspeaker's plus and minus. */
export const needsTwo = ({ out, in: to }: ChannelPair): boolean =>
  isBalanced(out.roles) || isBalanced(to.roles) || 'plus' in out.roles;

function carrierOf(
  cable: CableEntry,
  unit: Unit,
  link: ChannelPair,
  schools: Schools,
  twoLegs: boolean,
): Carrier | undefined {
  const treatment = schools['spare-cores'] ?? 'doubled';
  const { legs } = unit;
  const shared = unit.screen ? { screen: unit.screen.id } : {};
  if (twoLegs || !unit.screen) {
    if (legs.length < 2) return undefined;
    const { hot, cold, ...said } = ordered(
      cable,
      legs.slice(0, 2),
      schools.colour ?? '',
      treatment === 'doubled',
    );
    const extra = legs.slice(2).flatMap(ids);
    const keep = (leg: Leg): readonly string[] => (treatment === 'doubled' ? ids(leg) : ids(leg).slice(0, 1));
    const third = !unit.screen && isBalanced(link.out.roles) ? extra[0] : undefined;
    return {
      hot: keep(hot),
      cold: keep(cold),
      ...shared,
      ...(third === undefined ? {} : { screen: third }),
      spare: [
        ...[hot, cold].flatMap((leg) => ids(leg).filter((id) => !keep(leg).includes(id))),
        ...extra.filter((id) => id !== third),
      ],
      ...said,
      school: 'colour',
    };
  }
  const all = legs.flatMap(ids);
  const used = treatment === 'doubled' ? all : all.slice(0, 1);
  return {
    hot: used,
    cold: [],
    ...shared,
    spare: all.filter((id) => !used.includes(id)),
    says:
      all.length === 1
        ? 'The one core is the signal.'
        : used.length > 1
          ? `All ${all.length} cores are joined on the signal contact: nothing is left floating.`
          : 'One core is the signal; the others are not needed.',
    ...(all.length > 1 ? { school: 'spare-cores' } : {}),
  };
}

/** Whether all links have one contact for their return at each end, so that one screen can be it. */
function sharesReturn(links: readonly ChannelPair[]): boolean {
  const channels = links.flatMap((link) => [link.out, link.in]);
  return channels.every(({ end, roles }) =>
    channels.every(
      (other) =>
        other.end !== end || (other.roles.screen ?? other.roles.return) === (roles.screen ?? roles.return),
    ),
  );
}

export interface AllotOptions {
  /** Two legs for every link, though nothing is balanced: a return of its own. Or one, though something is. */
  readonly legs?: 1 | 2;
}

/**
 * Which conductors of one cable carry which link: a unit each where there are enough; else, for unbalanced channels
 * that share their return, a leg each in one screen. Undefined where the cable has too few.
 */
export function allot(
  cable: CableEntry,
  links: readonly ChannelPair[],
  schools: Schools,
  { legs: wanted }: AllotOptions = {},
): readonly Carrier[] | undefined {
  const units = unitsOf(cable);
  const two = (link: ChannelPair): boolean => (wanted === undefined ? needsTwo(link) : wanted === 2);
  if (units.length >= links.length) {
    const carriers = links.map((link, n) => {
      const unit = units[n];
      return unit && carrierOf(cable, unit, link, schools, two(link));
    });
    return carriers.every((carrier) => carrier !== undefined) ? carriers : undefined;
  }
  const [unit] = units;
  if (!sharesReturn(links)) return undefined;
  if (!unit?.screen || units.length > 1 || links.some(two) || unit.legs.length < links.length)
    return undefined;
  const screen = unit.screen.id;
  const legs =
    links.length === 2 && unit.legs.length === 2
      ? (({ hot, cold }) => [hot, cold])(ordered(cable, unit.legs, schools.colour ?? '', false))
      : unit.legs;
  const treatment = schools['spare-cores'] ?? 'doubled';
  const keep = (leg: Leg | undefined): readonly string[] =>
    treatment === 'doubled' ? ids(leg) : ids(leg).slice(0, 1);
  return links.map((link, n) => ({
    hot: keep(legs[n]),
    cold: [],
    screen,
    spare: [
      ...ids(legs[n]).filter((id) => !keep(legs[n]).includes(id)),
      ...(n === 0 ? legs.slice(links.length).flatMap(ids) : []),
    ],
    says: `${capital(colour(legs[n]))} is ${link.out.label || link.in.label || 'the signal'}, the screen is the return of all.`,
    school: 'colour',
  }));
}
