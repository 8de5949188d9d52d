import {
  carriesBetween,
  leadTerminal,
  netlist,
  type Assembly,
  type Netlist,
  type Terminal,
} from '../assembly';
import { isBalanced, type Role } from '../catalogue';
import { pairsOf, roleTerminal, type Channel, type Situation } from './situation';

/** One role of a link, with the contact it is on at either side, and whether the lead carries it from one to the other. */
export interface Carried {
  readonly out: string;
  readonly in: string;
  readonly role: Role;
  readonly from: Terminal;
  readonly to: Terminal;
  readonly carried: boolean;
}

/** A role that a recipe leaves out on purpose, and why, in words. */
export interface LeftOut {
  readonly out: string;
  readonly in: string;
  readonly role: Role;
  readonly says: string;
}

interface Partner {
  readonly role: Role;
  readonly from: Terminal;
  readonly to: Terminal;
}

const has = (channel: Channel, role: Role): Terminal | undefined => roleTerminal(channel, role);
const balanced = (channel: Channel): boolean => isBalanced(channel.roles);
/** The way back of a signal that is not balanced. */
const wayBack = (channel: Channel): Terminal | undefined => has(channel, 'return') ?? has(channel, 'screen');

/**
 * Which contact at the receiving end each role of a sender has to reach. Hot reaches hot; a cold leg the cold leg or,
 * where there is none, the return; a return the return or the cold leg; a screen the screen or, where there is none,
 * the return.
 */
export function partnersOf(out: Channel, into: Channel): readonly Partner[] {
  const pair = (role: Role, from: Terminal | undefined, to: Terminal | undefined): readonly Partner[] =>
    from !== undefined && to !== undefined ? [{ role, from, to }] : [];
  if (has(out, 'plus') || has(into, 'plus'))
    return [
      ...pair('plus', has(out, 'plus'), has(into, 'plus')),
      ...pair('minus', has(out, 'minus'), has(into, 'minus')),
    ];
  const hot = pair('hot', has(out, 'hot'), has(into, 'hot'));
  if (balanced(out) && balanced(into))
    return [
      ...hot,
      ...pair('cold', has(out, 'cold'), has(into, 'cold')),
      ...pair('screen', has(out, 'screen'), has(into, 'screen')),
    ];
  if (balanced(out))
    return [
      ...hot,
      ...pair('cold', has(out, 'cold'), wayBack(into)),
      ...pair('screen', has(out, 'screen'), wayBack(into)),
    ];
  if (balanced(into)) return [...hot, ...pair('return', wayBack(out), has(into, 'cold'))];
  return [...hot, ...pair('return', wayBack(out), wayBack(into))];
}

/** Whether a signal gets from one net to another, by metal or through parts, on no way through the nets that are barred. */
function reaches(list: Netlist, from: Terminal, to: Terminal, barred: ReadonlySet<string>): boolean {
  const start = list.netOf.get(from)?.name;
  const goal = list.netOf.get(to)?.name;
  if (start === undefined || goal === undefined) return false;
  const seen = new Set([start]);
  const open = [start];
  for (let here = open.pop(); here !== undefined; here = open.pop()) {
    if (here === goal) return true;
    for (const { part } of list.parts)
      for (const group of carriesBetween(part)) {
        const nets = group.map((lead) => list.netOf.get(leadTerminal(part.id, lead))?.name ?? '');
        if (!nets.includes(here)) continue;
        for (const net of nets)
          if (!seen.has(net) && (net === goal || !barred.has(net))) {
            seen.add(net);
            open.push(net);
          }
      }
  }
  return false;
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
  return pairsOf(situation).flatMap(({ out, in: into }) => {
    const partners = partnersOf(out, into);
    return partners.map(({ role, from, to }): Carried => {
      const own = new Set([from, to].map((terminal) => list.netOf.get(terminal)?.name));
      const barred = new Set(
        partners
          .filter((other) => other.role !== role)
          .flatMap((other) => [other.from, other.to])
          .flatMap((terminal) => list.netOf.get(terminal)?.name ?? [])
          .filter((name) => !own.has(name)),
      );
      return { out: out.name, in: into.name, role, from, to, carried: reaches(list, from, to, barred) };
    });
  });
}

/** The roles that are neither carried nor left out on purpose: where there is one, the lead does not do what it is for. */
export const notCarried = (
  assembly: Assembly,
  situation: Situation,
  leftOut: readonly LeftOut[] = [],
): readonly Carried[] =>
  carriedBy(assembly, situation).filter(
    (each) =>
      !each.carried &&
      !leftOut.some((left) => left.out === each.out && left.in === each.in && left.role === each.role),
  );
