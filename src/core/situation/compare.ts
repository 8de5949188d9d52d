import {
  bondedIn,
  caseTerminal,
  contactsOf,
  contactTerminal,
  netlist,
  type Assembly,
  type Net,
  type Netlist,
  type Terminal,
} from '../assembly';
import { isBalanced } from '../catalogue';
import { Union } from '../quantity';
import {
  foremostOn,
  isLive,
  rank,
  rolePlaces,
  type Miswiring,
  type OfLink,
  type RolePlace,
} from './miswiring';
import { barredFor, isLeftOut, partnersOf, distancesIn, type LeftOut, type Partner } from './carried';
import { pairsOf, roleTerminal, type ChannelPair, type Situation } from './situation';

/** What a lead is looked at with: its nets, and what its situation says of their contacts. */
interface Looked {
  readonly assembly: Assembly;
  readonly situation: Situation;
  readonly list: Netlist;
  readonly pairs: readonly ChannelPair[];
  readonly places: readonly RolePlace[];
  readonly leftOut: readonly LeftOut[];
}

/** Whether one link goes out of the very end that the other comes into, as an insert’s do. */
const sharesEnd = (one: ChannelPair, other: ChannelPair): boolean =>
  one.out.end === other.in.end || one.in.end === other.out.end;

/** Each pair of unreached ways that arrive in each other’s place, and what is left over. */
function exchanges<Way extends OfLink>(
  ways: readonly Way[],
  reaches: (from: Terminal, to: Terminal) => boolean,
): { readonly swapped: readonly (readonly [Way, Way])[]; readonly rest: readonly Way[] } {
  const rest = [...ways];
  const swapped: (readonly [Way, Way])[] = [];
  for (let n = 0; n < rest.length; n++) {
    const one = rest[n];
    const other =
      one &&
      rest.findIndex(
        (each, m) =>
          m > n &&
          ((reaches(one.from, each.to) && reaches(each.from, one.to)) ||
            // What one end sends and what it receives, in each other’s place there.
            (sharesEnd(one.pair, each.pair) &&
              one.from !== each.from &&
              one.to !== each.to &&
              reaches(one.from, each.from) &&
              reaches(one.to, each.to))),
      );
    const found = other === undefined || other < 0 ? undefined : rest[other];
    if (!one || !found) continue;
    swapped.push([one, found]);
    rest.splice(other ?? 0, 1);
    rest.splice(n--, 1);
  }
  return { swapped, rest };
}

/** Roles that do not arrive where they are meant to. */
function misrouted({ list, pairs, places, leftOut }: Looked): readonly Miswiring[] {
  const distance = distancesIn(list);
  const net = (terminal: Terminal): Net | undefined => list.netOf.get(terminal);
  const all = pairs.flatMap((pair) => {
    const partners = partnersOf(pair);
    const far = (from: Terminal, to: Terminal): number =>
      distance(from, to, barredFor(list, partners, from, to));
    return partners.map((each) => {
      const own = far(each.from, each.to);
      // Behind a pad each leg gets to both: it is the nearer that it goes to.
      const nearer = partners.some(
        (other) =>
          other !== each &&
          own > 0 &&
          far(each.from, other.to) < own &&
          far(other.from, each.to) < far(other.from, other.to),
      );
      return {
        pair,
        ...each,
        arrives: own < Infinity && !nearer,
        left: isLeftOut(leftOut, { out: pair.out.name, in: pair.in.name }, each.role),
      };
    });
  });
  const astray = all.filter((each) => !each.arrives && !each.left);
  // In place of each other: by one metal, or through parts on no way that other contacts are on.
  const contacts = new Set(places.flatMap(({ at }) => net(at)?.name ?? []));
  const getsTo = (from: Terminal, to: Terminal): boolean => {
    const own = new Set([net(from)?.name, net(to)?.name]);
    return distance(from, to, new Set([...contacts].filter((name) => !own.has(name)))) < Infinity;
  };
  const { swapped, rest } = exchanges(astray, getsTo);
  const byPairs = new Map<string, (readonly [OfLink, OfLink])[]>();
  for (const swap of swapped) {
    const key = swap.map(({ pair }) => `${pair.out.name}>${pair.in.name}`).join('|');
    byPairs.set(key, [...(byPairs.get(key) ?? []), swap]);
  }
  return [
    ...[...byPairs.values()].flatMap((legs): readonly Miswiring[] => {
      const [first] = legs;
      if (!first) return [];
      const [one, other] = first;
      if (one.pair === other.pair) return legs.map((each) => ({ is: 'crossed', pair: one.pair, legs: each }));
      const apart = ({ pair }: OfLink): number =>
        all.filter((each) => each.pair === pair && !each.left).length;
      return [
        {
          is: 'exchanged',
          pairs: [one.pair, other.pair],
          legs,
          whole:
            legs.length >= Math.min(apart(one), apart(other)) ||
            shareGround(one.pair, other.pair, legs.length),
        },
      ];
    }),
    ...rest.map(({ arrives: _, left: __, ...way }): Miswiring => {
      const here = net(way.from);
      const lands = places.find(
        (each) => each.at !== way.from && each.channel.end !== way.pair.out.end && net(each.at) === here,
      );
      return { is: 'open', ...way, ...(lands ? { lands } : {}) };
    }),
    ...all.flatMap(({ arrives, left, ...way }): readonly Miswiring[] => {
      const said = leftOut.find(
        (each) => each.role === way.role && each.out === way.pair.out.name && each.in === way.pair.in.name,
      );
      return left && arrives && said && way.role === 'screen' && net(way.from) === net(way.to)
        ? [{ is: 'closed', ...way, left: said }]
        : [];
    }),
  ];
}

/** Whether two links come back by one contact, so that only their live roles can be exchanged. */
function shareGround(one: ChannelPair, other: ChannelPair, exchanged: number): boolean {
  const live = partnersOf(one).filter(({ role }) => isLive(role)).length;
  const grounds = (pair: ChannelPair): readonly Partner[] =>
    partnersOf(pair).filter(({ role }) => !isLive(role));
  return (
    exchanged >= live &&
    grounds(one).some((a) =>
      grounds(other).some((b) => [a.from, a.to].some((at) => at === b.from || at === b.to)),
    )
  );
}

/** Contacts that may be one net: what is meant to meet, and what each kind of link leaves to its school or its output. */
function allowed({ assembly, list, pairs, places }: Looked, crossed: readonly Miswiring[]): Union {
  const union = new Union();
  for (const body of assembly.bodies)
    for (const terminals of [
      ...bondedIn(assembly, body),
      ...(body.existing ?? []).map((joint) => joint.terminals),
    ])
      terminals.forEach((terminal) => union.join(terminals[0] ?? terminal, terminal));
  for (const pair of pairs) {
    for (const { from, to } of partnersOf(pair)) union.join(from, to);
    // Sides that are not both balanced share a ground, and the cold leg may be on it: other rules judge where.
    const whole =
      (isBalanced(pair.out.roles) && isBalanced(pair.in.roles)) ||
      pairs.some((each) => each.in === pair.in && each.reaches?.some(({ to }) => to === 'cold'));
    const grounds = [pair.out, pair.in].flatMap((channel) =>
      (['screen', 'return', ...(whole ? [] : (['cold'] as const))] as const).flatMap(
        (role) => roleTerminal(channel, role) ?? [],
      ),
    );
    if (!('plus' in pair.out.roles)) for (const at of grounds) union.join(grounds[0] ?? at, at);
  }
  // Plug-in power comes to the microphone on its own contact, joined to the hot.
  for (const { channel, role, at } of places)
    if (role === 'supply') {
      const hot = roleTerminal(channel, 'hot');
      if (hot !== undefined) union.join(at, hot);
    }
  // What is said to be in each other’s place is not said to be joined as well.
  for (const each of crossed) {
    const legs = each.is === 'crossed' ? [each.legs] : each.is === 'exchanged' ? each.legs : [];
    for (const [one, other] of legs)
      for (const [a, b] of [
        [one.from, other.to],
        [other.from, one.to],
        [one.from, other.from],
        [one.to, other.to],
      ] as const)
        if (list.netOf.get(a) === list.netOf.get(b)) union.join(a, b);
  }
  return union;
}

/** The roles on every net, the livest first. */
function onNets({ list, places }: Looked): ReadonlyMap<Net, readonly RolePlace[]> {
  const on = new Map<Net, RolePlace[]>();
  for (const each of places) {
    const net = list.netOf.get(each.at);
    if (!net) continue;
    const known = on.get(net);
    if (known) known.push(each);
    else on.set(net, [each]);
  }
  for (const each of on.values()) each.sort((a, b) => rank(a) - rank(b));
  return on;
}

/** Roles on one net that are not meant to be, one finding for each that is too many. */
function shorts(looked: Looked, meant: Union): readonly Miswiring[] {
  return [...onNets(looked).values()].flatMap((on): readonly Miswiring[] => {
    const [first] = on;
    if (!first) return [];
    const kinds = new Map<string, RolePlace[]>();
    for (const each of on) {
      const kind = meant.find(each.at);
      kinds.set(kind, [...(kinds.get(kind) ?? []), each]);
    }
    return [...kinds].flatMap(([kind, places]): readonly Miswiring[] => {
      const other = foremostOn(places);
      return kind === meant.find(first.at) || !other ? [] : [{ is: 'joined', one: first, other }];
    });
  });
}

/** Outputs whose signals are on one net by metal, but for those that changed places with what they should meet. */
function clashes(looked: Looked, routes: readonly Miswiring[]): readonly Miswiring[] {
  const said = new Set(
    routes.flatMap((each) => (each.is === 'exchanged' ? each.legs.flat().map(({ from }) => from) : [])),
  );
  return [...onNets(looked).values()].flatMap((on): readonly Miswiring[] => {
    const sent = on.filter(
      ({ channel, role }) => channel.direction === 'sends' && (role === 'hot' || role === 'plus'),
    );
    const [one, other] = sent.filter((each, n) => sent.findIndex((before) => before.at === each.at) === n);
    return one && other && !(said.has(one.at) && said.has(other.at)) ? [{ is: 'outputs', one, other }] : [];
  });
}

/** Contacts that have no role in any use, and are on the net of one. */
function strays(looked: Looked, roles: ReadonlySet<Terminal>): readonly Miswiring[] {
  const on = onNets(looked);
  const { assembly, list } = looked;
  const cases = new Set(assembly.bodies.map((body) => caseTerminal(body.id)));
  return assembly.bodies.flatMap((body) => {
    const bonded = new Set(bondedIn(assembly, body).flat());
    return body.ends.flatMap((end) =>
      contactsOf(assembly, end)
        .map((contact) => contactTerminal(end.id, contact))
        .filter((contact) => !roles.has(contact) && !bonded.has(contact))
        .flatMap((contact): readonly Miswiring[] => {
          const net = list.netOf.get(contact);
          const first = foremostOn((net && on.get(net)) ?? []);
          if (first) return [{ is: 'stray', contact, with: first }];
          // What goes to a chassis is an earth, and has no role.
          const alone = net?.terminals.filter((each) => !net.contacts.includes(each)) ?? [];
          return alone.length > 0 && !alone.some((each) => cases.has(each)) ? [{ is: 'stray', contact }] : [];
        }),
    );
  });
}

/** Contacts that the situation gives to two signals. */
function twice({ places }: Looked): readonly Miswiring[] {
  const at = new Map<Terminal, RolePlace[]>();
  const found: Miswiring[] = [];
  for (const other of places) {
    const before = at.get(other.at) ?? [];
    at.set(other.at, [...before, other]);
    for (const one of before)
      if (
        (isLive(one.role) && isLive(other.role)) ||
        (one.channel === other.channel && isLive(one.role) && one.role !== 'cold')
      )
        found.push({ is: 'twice', one, other });
  }
  return found;
}

/**
 * All in which the nets and parts of a lead differ from what one of its uses asks of them, whatever made the lead. What is
 * left out on purpose counts as asked. `uses` are all uses of the lead: a contact that has a role in another is no stray.
 *
 * Example, of a microphone lead of 6 m:
 *
 *     miswired(assembly, document.situations[0]); // → []
 */
export function miswired(
  assembly: Assembly,
  situation: Situation,
  {
    leftOut = [],
    uses = [situation],
  }: { readonly leftOut?: readonly LeftOut[]; readonly uses?: readonly Situation[] } = {},
): readonly Miswiring[] {
  const looked: Looked = {
    assembly,
    situation,
    list: netlist(assembly),
    pairs: pairsOf(situation),
    places: rolePlaces(situation),
    leftOut,
  };
  const routes = misrouted(looked);
  const meant = allowed(looked, routes);
  const roles = new Set(uses.flatMap(rolePlaces).map(({ at }) => at));
  return [
    ...routes,
    ...shorts(looked, meant),
    ...clashes(looked, routes),
    ...strays(looked, roles),
    ...twice(looked),
  ];
}
