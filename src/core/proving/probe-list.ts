import {
  byName,
  caseTerminal,
  connectorOf,
  contactsOf,
  contactTerminal,
  endById,
  endsOf,
  memberOf,
  netlist,
  ownerOf,
  placeOf,
  type Assembly,
  type Net,
  type Terminal,
} from '../assembly';
import type { Situation } from '../situation';
import { byChannel, MANY, type Reached } from './by-channel';
import type { Probe } from './check';
import { ISOLATION, type Meter, type Touch } from './meter';
import type { Stand } from './pieces';
import { groupProbe, openFor, pairProbe, type Setting } from './probe';

/** What a meter can be put on of each piece of metal: its contacts, those that are bonded together once, and the metal of a case. */
function touchableIn(assembly: Assembly): (net: Net) => readonly Terminal[] {
  const hidden = new Set(
    endsOf(assembly).flatMap((end) =>
      (connectorOf(assembly, end)?.bonded ?? []).flatMap((bond) =>
        bond.slice(1).map((contact) => contactTerminal(end.id, contact)),
      ),
    ),
  );
  const cases = new Set(assembly.bodies.flatMap((body) => (body.case ? [caseTerminal(body.id)] : [])));
  return (net) => {
    const all = [
      ...net.contacts.filter((contact) => !hidden.has(contact)),
      ...net.terminals.filter((each) => cases.has(each)),
    ];
    // What is reached on the closed lead comes first.
    const inside = all.filter((each) => openFor(assembly, each) !== undefined);
    return [...all.filter((each) => !inside.includes(each)), ...inside];
  };
}

const endOf = ownerOf;
const isShell = (terminal: Terminal): boolean =>
  memberOf(terminal) === 'shell' || memberOf(terminal) === 'case';

/** Where a control is read that makes a difference. */
const TURNS = [0, 1, 0.5] as const;
/** A reading that moves by less, a share, does not tell the turn. */
const MOVES = 0.05;

/** The nets that a meter reaches at all. */
function reachedIn(assembly: Assembly): readonly Reached[] {
  const touchable = touchableIn(assembly);
  return netlist(assembly)
    .nets.map((net) => ({ net, on: touchable(net) }))
    .filter(({ on }) => on.length > 0);
}

/** One terminal of every two pieces of metal that must not touch, as a meter reaches them. */
export function apart(assembly: Assembly): readonly (readonly [Terminal, Terminal])[] {
  const nets = reachedIn(assembly).flatMap(({ on: [first] }) => first ?? []);
  return nets.flatMap((a, n) => nets.slice(n + 1).map((b) => [a, b] as const));
}

/** Every intended path once, along a spanning tree of each net. */
const pathsIn = (assembly: Assembly, nets: readonly Reached[]): readonly Probe[] =>
  nets.flatMap(({ on: [root, ...others] }) =>
    root === undefined
      ? []
      : others.map((other) =>
          pairProbe(assembly, isShell(root) || isShell(other) ? 'shell' : 'path', root, other),
        ),
  );

/** Every two nets at an end that has both; with many, each against all that it is clear of, held together. */
function pairsIn(assembly: Assembly, nets: readonly Reached[], meter: Meter): readonly Probe[] {
  const isPart = (touch: Touch): boolean => meter.ohms(touch) < ISOLATION || meter.hasPolarity(touch);
  // By the first contact of each net at each end: a loom has nets by the hundred, and pairs of them by the ten thousand.
  const first = new Map(
    nets.map(({ on }) => {
      const contacts = on.filter((each) => !isShell(each));
      return [on, new Map([...contacts].reverse().map((each) => [endOf(each), each]))] as const;
    }),
  );
  const beside = ({ on: a }: Reached, { on: b }: Reached): Touch | undefined => {
    const ofB = first.get(b);
    const red = a.find((each) => !isShell(each) && ofB?.has(endOf(each))) ?? a[0];
    const black = ofB?.get(endOf(red ?? '')) ?? b[0];
    return red === undefined || black === undefined ? undefined : { red, black: [black] };
  };
  const probe = (kind: 'short' | 'part', { red, black: [black = ''] }: Touch): Probe =>
    pairProbe(assembly, kind, red, black);
  if (nets.length <= MANY)
    return nets.flatMap((a, n) =>
      nets.slice(n + 1).flatMap((b) => {
        const touch = beside(a, b);
        return touch ? probe(isPart(touch) ? 'part' : 'short', touch) : [];
      }),
    );
  const parts: Probe[] = [];
  const clear = nets.map((a, n): Probe | undefined => {
    const black: Terminal[] = [];
    const [red] = a.on;
    if (red === undefined) return undefined;
    for (const b of nets.slice(n + 1)) {
      const [contact] = b.on;
      if (contact === undefined) continue;
      // Wherever they are touched, what is between them is the same.
      const touch = isPart({ red, black: [contact] }) ? beside(a, b) : undefined;
      if (touch) parts.push(probe('part', touch));
      else black.push(contact);
    }
    return black.length > 0 ? groupProbe(assembly, 'short', red, black) : undefined;
  });
  return [...parts, ...clear.filter((each) => each !== undefined)];
}

/** Each floating shell or case against all the contacts beside it. */
function shellsIn(assembly: Assembly, shells: readonly Reached[]): readonly Probe[] {
  const { netOf } = netlist(assembly);
  return shells.flatMap(({ on }) => {
    // One metal may be the shell of several ends: at each it is measured against what was not beside it before.
    const met = new Set<Net | undefined>();
    return on.flatMap((red) => {
      const body = placeOf(assembly, red)?.body;
      const ends =
        body && red === caseTerminal(body.id)
          ? body.ends
          : [endById(assembly, endOf(red))].filter((each) => each !== undefined);
      const black = ends
        .flatMap((end) => contactsOf(assembly, end).map((contact) => contactTerminal(end.id, contact)))
        .filter((contact) => contact !== red && !isShell(contact) && !met.has(netOf.get(contact)));
      for (const contact of black) met.add(netOf.get(contact));
      return black.length > 0 ? [groupProbe(assembly, 'shell', red, black)] : [];
    });
  });
}

/** A probe with red and black either way round where that counts, and with the control wherever it makes a difference. */
function settingsOf(
  assembly: Assembly,
  probe: Probe,
  at: (turn: number) => Meter,
  capacitance: boolean,
): readonly Probe[] {
  const [black = ''] = probe.black;
  const isPair = probe.black.length === 1;
  const eitherWay =
    isPair && at(0).hasPolarity(probe) ? [probe, pairProbe(assembly, probe.kind, black, probe.red)] : [probe];
  const [down, up] = [at(0).ohms(probe), at(1).ohms(probe)];
  const moves = down !== up && Math.abs(up - down) > MOVES * Math.min(up, down);
  // From a wiper to the stop that it goes down to, on one end: the whole way up is followed there.
  const isWiper = Math.min(down, up) < MOVES * Math.max(down, up) && endOf(probe.red) === endOf(black);
  const turns = isWiper ? TURNS : TURNS.slice(0, 2);
  const turned = moves
    ? eitherWay.flatMap((each) => turns.map((turn) => reset(assembly, each, { turn })))
    : eitherWay;
  const farads = at(0).farads(probe);
  return capacitance && isPair && farads > 0 && Number.isFinite(farads)
    ? [...turned, reset(assembly, probe, { mode: 'capacitance' })]
    : turned;
}

/**
 * The probes that prove a lead, fewest first: every intended path once, along a spanning tree of each net; then every pair of nets for a short, at one end that
 * has both; then each floating shell against all the contacts beside it; pairs with parts between them read the parts: with red and black either way round
 * where that counts, and with the control at its stops and half up where it does.
 */
export function probeList(
  assembly: Assembly,
  meter: (stand: Stand) => Meter,
  { capacitance, situation }: { readonly capacitance: boolean; readonly situation?: Situation | undefined },
): readonly Probe[] {
  const at = (turn: number): Meter => meter({ corner: 'marked', turn });
  const nets = byChannel(assembly, situation, reachedIn(assembly));
  const [shells, signal] = [
    nets.filter(({ on }) => on.every(isShell)),
    nets.filter(({ on }) => !on.every(isShell)),
  ];
  return byTurn(
    [...pathsIn(assembly, nets), ...pairsIn(assembly, signal, at(0)), ...shellsIn(assembly, shells)].flatMap(
      (probe) => settingsOf(assembly, probe, at, capacitance),
    ),
  );
}

/** The same touch with the control or the meter set otherwise. */
const reset = (assembly: Assembly, { kind, red, black }: Probe, setting: Setting): Probe =>
  groupProbe(assembly, kind, red, black, setting);

/** A control is turned as seldom as may be: what asks for no turn first, then each of its places in turn. */
const byTurn = (probes: readonly Probe[]): readonly Probe[] => [
  ...probes.filter(({ turn }) => turn === undefined),
  ...TURNS.flatMap((turn) => probes.filter((each) => each.turn === turn)),
];

/** Every pair of contacts that could be measured: where a follow-up probe is looked for. None where there are more than so many. */
export function everyPair(assembly: Assembly, most: number): readonly Probe[] {
  const contacts = netlist(assembly).nets.flatMap(touchableIn(assembly)).sort(byName);
  if ((contacts.length * (contacts.length - 1)) / 2 > most) return [];
  return contacts.flatMap((a, n) =>
    contacts.slice(n + 1).map((b) => pairProbe(assembly, endOf(a) === endOf(b) ? 'short' : 'path', a, b)),
  );
}
