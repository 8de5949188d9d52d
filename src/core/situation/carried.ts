import {
  carriesBetween,
  leadTerminal,
  netlist,
  type Assembly,
  type Netlist,
  type Terminal,
} from '../assembly';
import { isBalanced, type Role } from '../catalogue';
import { pairsOf, roleTerminal, type Channel, type ChannelPair, type Situation } from './situation';

/** A role of a sender, and the contact that it is meant to reach. */
export interface Partner {
  readonly role: Role;
  readonly from: Terminal;
  readonly to: Terminal;
}

/** One role of a link, with the contact it is on at either side, and whether the lead carries it from one to the other. */
export interface Carried extends Partner {
  readonly out: string;
  readonly in: string;
  readonly carried: boolean;
}

/** A role that a recipe leaves out on purpose, and why, in words. */
export interface LeftOut {
  readonly out: string;
  readonly in: string;
  readonly role: Role;
  readonly says: string;
}

const has = (channel: Channel, role: Role): Terminal | undefined => roleTerminal(channel, role);
const balanced = (channel: Channel): boolean => isBalanced(channel.roles);
/** The way back of a signal that is not balanced. */
const wayBack = (channel: Channel): Terminal | undefined => has(channel, 'return') ?? has(channel, 'screen');

/**
 * Which contact at the receiving end each role of a sender has to reach. Hot reaches hot; a cold leg the cold leg or,
 * where there is none, the return; a return the return or the cold leg, and the screen beside it; a screen the screen or, where
 * there is none, the return. A link may say otherwise of a role, on purpose.
 */
export function partnersOf({ out, in: into, reaches = [] }: ChannelPair): readonly Partner[] {
  const meant = (role: Role): Role => reaches.find((each) => each.role === role)?.to ?? role;
  const pair = (role: Role, from: Terminal | undefined, to: Terminal | undefined): readonly Partner[] =>
    from !== undefined && to !== undefined ? [{ role, from, to }] : [];
  const own = (role: Role): readonly Partner[] => pair(role, has(out, role), has(into, meant(role)));
  if (has(out, 'plus') || has(into, 'plus')) return [...own('plus'), ...own('minus')];
  if (balanced(out) && balanced(into)) return [...own('hot'), ...own('cold'), ...own('screen')];
  if (balanced(out))
    return [
      ...own('hot'),
      ...pair('cold', has(out, 'cold'), wayBack(into)),
      ...pair('screen', has(out, 'screen'), wayBack(into)),
    ];
  if (balanced(into)) {
    const back = meant('return') === 'return' ? 'cold' : meant('return');
    return [
      ...own('hot'),
      ...pair('return', wayBack(out), has(into, back)),
      ...(back === 'screen' ? [] : pair('screen', wayBack(out), has(into, 'screen'))),
    ];
  }
  return [...own('hot'), ...pair('return', wayBack(out), wayBack(into))];
}

/**
 * Through how many parts a signal gets from one terminal to another at the least, on no way through the nets that are
 * barred: none by metal alone, without end where it does not.
 */
export type Distance = (from: Terminal, to: Terminal, barred: ReadonlySet<string>) => number;

/** Which nets a signal gets to from each, through one part. */
function steps(list: Netlist): ReadonlyMap<string, readonly string[]> {
  const next = new Map<string, string[]>();
  for (const { part } of list.parts)
    for (const group of carriesBetween(part)) {
      const nets = group.map((lead) => list.netOf.get(leadTerminal(part.id, lead))?.name ?? '');
      for (const net of nets) next.set(net, [...(next.get(net) ?? []), ...nets]);
    }
  return next;
}

/** How far it is from one place to another in a lead: by its nets and parts alone. */
export function distancesIn(list: Netlist): Distance {
  const next = steps(list);
  return (from, to, barred) => {
    const start = list.netOf.get(from)?.name;
    const goal = list.netOf.get(to)?.name;
    if (start === undefined || goal === undefined) return Infinity;
    const far = new Map([[start, 0]]);
    for (const [here, parts] of far) {
      if (here === goal) return parts;
      for (const net of next.get(here) ?? [])
        if (!far.has(net) && (net === goal || !barred.has(net))) far.set(net, parts + 1);
    }
    return Infinity;
  };
}

/** The nets of a link that a way between two of its contacts must not lead through: those of its other contacts. */
export function barredFor(
  list: Netlist,
  partners: readonly Partner[],
  from: Terminal,
  to: Terminal,
): ReadonlySet<string> {
  const net = (terminal: Terminal): string => list.netOf.get(terminal)?.name ?? terminal;
  const own = new Set([net(from), net(to)]);
  return new Set(partners.flatMap((each) => [net(each.from), net(each.to)]).filter((name) => !own.has(name)));
}

/**
 * Role by role, whether a lead carries every link of its situation: by joints and cores, links and parts. A way that
 * leads through another role's contact of the same link is no way: a resistor from hot to ground carries nothing to
 * hot. Judged by the nets alone, whatever made the lead.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     carriedBy(assembly, document.situations[0]).map(({ role, from, to, carried }) => [role, from, to, carried])[0]; // → ['hot', 'A.2', 'B.2', true]
 */
export function carriedBy(assembly: Assembly, situation: Situation): readonly Carried[] {
  const list = netlist(assembly);
  const distance = distancesIn(list);
  return pairsOf(situation).flatMap((pair) => {
    const partners = partnersOf(pair);
    return partners.map((each): Carried => ({
      out: pair.out.name,
      in: pair.in.name,
      ...each,
      carried: distance(each.from, each.to, barredFor(list, partners, each.from, each.to)) < Infinity,
    }));
  });
}

/** Whether a role of a link is left out on purpose. */
export const isLeftOut = (
  leftOut: readonly LeftOut[],
  link: { readonly out: string; readonly in: string },
  role: Role,
): boolean => leftOut.some((left) => left.out === link.out && left.in === link.in && left.role === role);

/** The roles that are neither carried nor left out on purpose: where there is one, the lead does not do what it is for. */
export const notCarried = (
  assembly: Assembly,
  situation: Situation,
  leftOut: readonly LeftOut[] = [],
): readonly Carried[] =>
  carriedBy(assembly, situation).filter((each) => !each.carried && !isLeftOut(leftOut, each, each.role));
