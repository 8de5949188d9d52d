import { DARKNESS, COLOURS, type CableConductor, type CableEntry } from '../catalogue';

/** A cable's cores as a hot and a cold leg of one or two cores each, with why they were chosen. */
export interface Pair {
  readonly hot: readonly string[];
  readonly cold: readonly string[];
  readonly says: string;
}

/** The one conductor that is the screen: braid, spiral or the drain of a foil. */
export const screenOf = (cable: CableEntry): CableConductor | undefined =>
  cable.conductors.find((conductor) => conductor.is !== 'core');

export const coresOf = (cable: CableEntry): readonly CableConductor[] =>
  cable.conductors.filter((c) => c.is === 'core');

const plain = (conductor: CableConductor): boolean => conductor.colour === 'WH' || conductor.colour === 'CL';

/**
 * Splits a pair or a star quad into hot and cold by the colour school. A star quad's opposite cores are of one colour
 * family, so a family is a leg. Undefined where the cable is neither.
 */
export function pairOf(cable: CableEntry, school: string): Pair | undefined {
  const cores = coresOf(cable);
  const families = [...new Set(cores.map((core) => core.pair ?? core.id))];
  const legs = families.map((family) => cores.filter((core) => (core.pair ?? core.id) === family));
  const [one, two] = legs;
  if (legs.length !== 2 || !one?.[0] || !two?.[0]) return undefined;
  const oneIsHot =
    school === 'coloured-hot' && plain(one[0]) !== plain(two[0])
      ? !plain(one[0])
      : DARKNESS[one[0].colour] <= DARKNESS[two[0].colour];
  const [hot, cold] = oneIsHot ? [one, two] : [two, one];
  const name = (leg: readonly CableConductor[]): string => COLOURS[leg[0]?.colour ?? '??'];
  const [first, second] = [name(hot), name(cold)];
  const quad = hot.length > 1 ? ' Opposite cores make a leg, so that both legs see the same field.' : '';
  const rule = school === 'coloured-hot' ? 'the coloured core is hot' : 'the lighter core is hot';
  return {
    hot: hot.map((c) => c.id),
    cold: cold.map((c) => c.id),
    says: `${first.charAt(0).toUpperCase()}${first.slice(1)} is hot and ${second} is cold, at both ends: ${rule}.${quad}`,
  };
}
