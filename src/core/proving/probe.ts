import {
  bodyOfEnd,
  endById,
  byName,
  caseTerminal,
  connectorOf,
  contactsOf,
  contactTerminal,
  endsOf,
  leadsOf,
  memberOf,
  netlist,
  ownerOf,
  placeOf,
  sayTerminal,
  type Assembly,
  type Net,
  type Terminal,
} from '../assembly';
import type { Situation } from '../situation';
import { byChannel, MANY, type Reached } from './by-channel';
import type { Probe } from './check';
import { ISOLATION, type Meter, type Touch } from './meter';
import type { Stand } from './pieces';
import { goesThrough, matedEnds } from './series';

/** What tells probes of the same touch apart. */
type Setting = Pick<Probe, 'before' | 'turn' | 'shorting' | 'series' | 'mode'>;

/** What stands before the end that the shorting plug is on. */
const SHORTING = 'shorting';
/** The same of the end that a proven lead is on. */
const SERIES = 'series';

const idOf = ({ red, black }: Touch, { before, turn, shorting, series, mode }: Setting): string =>
  [
    `${red}~${black.join('+')}`,
    ...(before === undefined ? [] : [`before ${before}`]),
    ...(turn === undefined ? [] : [`turned ${turn}`]),
    ...(shorting === undefined ? [] : [`${SHORTING} ${shorting}`]),
    ...(series === undefined ? [] : [`${SERIES} ${series}`]),
    ...(mode === undefined ? [] : [mode]),
  ].join(' ');

const sayTurn = (turn: number): string =>
  turn <= 0 ? 'turned fully down' : turn >= 1 ? 'turned fully up' : 'turned half up';

/** So many in a row are said by the first and the last of them. */
const A_ROW = 4;

/** Several terminals as the builder says them: contacts whose numbers follow each other by the first and the last. */
export function sayEach(assembly: Assembly, terminals: readonly Terminal[]): string {
  const rows: Terminal[][] = [];
  const numberOf = (terminal: Terminal): number =>
    placeOf(assembly, terminal)?.kind === 'contact' ? Number(memberOf(terminal)) : Number.NaN;
  const inOrder = terminals.length < A_ROW ? terminals : [...terminals].sort(byName);
  for (const terminal of inOrder) {
    const row = rows.at(-1);
    const last = row?.at(-1);
    if (row && last && ownerOf(last) === ownerOf(terminal) && numberOf(last) + 1 === numberOf(terminal))
      row.push(terminal);
    else rows.push([terminal]);
  }
  return rows
    .flatMap((row) =>
      row.length < A_ROW
        ? row.map((each) => sayOne(assembly, each))
        : [`${row[0] ?? ''} to ${row.at(-1) ?? ''}`],
    )
    .join(', ');
}

const sayOne = (assembly: Assembly, terminal: Terminal): string =>
  placeOf(assembly, terminal)?.kind === 'contact' ? terminal : sayTerminal(assembly, terminal);

/** A probe with its words. */
function probeOf(
  assembly: Assembly,
  kind: Probe['kind'],
  touch: Touch,
  { before, turn, shorting, series, mode }: Setting = {},
): Probe {
  const say = (terminal: Terminal): string => sayOne(assembly, terminal);
  const [first = '', ...more] = touch.black;
  const [part, other] = [touch.red, first].map((each) => {
    const place = placeOf(assembly, each);
    return place?.kind === 'lead' ? place.part : undefined;
  });
  const between =
    part && part === other && leadsOf(part).length === 2 && mode === undefined
      ? `across ${part.id}`
      : `${say(touch.red)} to ${more.length === 0 ? say(first) : `each of ${sayEach(assembly, touch.black)}`}`;
  return {
    id: idOf(touch, { before, turn, shorting, series, mode }),
    red: touch.red,
    black: [...touch.black],
    kind,
    says: `${between}${turn === undefined ? '' : `, ${sayTurn(turn)}`}${shorting === undefined ? '' : `, the shorting plug on end ${shorting}`}${series === undefined ? '' : `, through a proven lead on end ${series}`}`,
    ...(before === undefined ? {} : { before }),
    ...(turn === undefined ? {} : { turn }),
    ...(shorting === undefined ? {} : { shorting }),
    ...(series === undefined ? {} : { series }),
    ...(mode === undefined ? {} : { mode }),
  };
}

/** A touch of two contacts while the shorting plug is on an end. */
export const loopProbe = (assembly: Assembly, red: Terminal, black: Terminal, end: string): Probe =>
  probeOf(assembly, 'path', { red, black: [black] }, { shorting: end });

/** A path of the closed lead, taken through a proven one on this end; nothing of what does not go there. */
export const throughProven = (assembly: Assembly, probe: Probe, end: string): Probe | undefined =>
  matedEnds(assembly).some((each) => each.end.id === end) && goesThrough(probe, end)
    ? probeOf(assembly, 'path', probe, { series: end })
    : undefined;

/** The body that has to be open for a terminal to be reached; none where it is reached on the closed lead. */
export function openFor(assembly: Assembly, terminal: Terminal): string | undefined {
  const place = placeOf(assembly, terminal);
  if (place?.kind === 'contact') {
    const body = bodyOfEnd(assembly, place.end.id);
    // Pads lie inside what they belong to; sockets and plugs look out of it.
    return body?.kind === 'device' && place.end.mount === 'panel' ? body.id : undefined;
  }
  return place?.kind === 'case' ? undefined : place?.body.id;
}

const beforeOf = (assembly: Assembly, { red, black }: Touch): Setting => {
  const before = [red, ...black].map((each) => openFor(assembly, each)).find((each) => each !== undefined);
  return before === undefined ? {} : { before };
};

/** A probe with one lead on each of two terminals, taken while whatever hides them is open. */
export const pairProbe = (
  assembly: Assembly,
  kind: Probe['kind'],
  red: Terminal,
  black: Terminal,
  setting: Setting = {},
): Probe => {
  const touch = { red, black: [black] };
  return probeOf(assembly, kind, touch, { ...beforeOf(assembly, touch), ...setting });
};

/** A probe of one terminal against each of several. */
export const groupProbe = (
  assembly: Assembly,
  kind: Probe['kind'],
  red: Terminal,
  black: readonly Terminal[],
  setting: Setting = {},
): Probe => {
  const touch = { red, black };
  return probeOf(assembly, kind, touch, { ...beforeOf(assembly, touch), ...setting });
};

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
  const isPart = (probe: Probe): boolean => meter.ohms(probe) < ISOLATION || meter.hasPolarity(probe);
  const beside = ({ on: a }: Reached, { on: b }: Reached): Probe | undefined => {
    const red = a.find((x) => !isShell(x) && b.some((y) => !isShell(y) && endOf(x) === endOf(y))) ?? a[0];
    const black = b.find((y) => !isShell(y) && endOf(y) === endOf(red ?? '')) ?? b[0];
    if (red === undefined || black === undefined) return undefined;
    const touched = pairProbe(assembly, 'short', red, black);
    return isPart(touched) ? { ...touched, kind: 'part' } : touched;
  };
  const pairs = nets.flatMap((a, n) =>
    nets.slice(n + 1).flatMap((b) => {
      const probe = beside(a, b);
      return probe ? [{ probe, a, b }] : [];
    }),
  );
  if (nets.length <= MANY) return pairs.map(({ probe }) => probe);
  const clear = pairs.filter(({ probe }) => probe.kind === 'short');
  const clearOf = new Map(nets.map((net) => [net, clear.filter(({ a }) => a === net).map(({ b }) => b)]));
  return [
    ...pairs.filter(({ probe }) => probe.kind === 'part').map(({ probe }) => probe),
    ...nets.slice(0, -1).flatMap((net) => {
      const [red] = net.on;
      const black = (clearOf.get(net) ?? []).flatMap(({ on: [first] }) => first ?? []);
      return red !== undefined && black.length > 0 ? [groupProbe(assembly, 'short', red, black)] : [];
    }),
  ];
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
          : endsOf(assembly).filter((each) => each.id === endOf(red));
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
const reset = (assembly: Assembly, { kind, red, black, before }: Probe, setting: Setting): Probe =>
  probeOf(assembly, kind, { red, black }, { ...(before === undefined ? {} : { before }), ...setting });

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

/** What a path through a proven lead ends in, by its id. */
const SERIES_AT_END = new RegExp(` ${SERIES} \\S+$`);
/** The id of the path that one through a proven lead stands for. */
export const standsFor = (id: string): string => id.replace(SERIES_AT_END, '');

/** The probe of a pair by its id, though it is on no list: a reading taken by an older list stays a reading. */
export function pairOf(assembly: Assembly, id: string): Probe | undefined {
  const [touched = '', setting, end = ''] = id.split(' ');
  const [red = '', black = '', ...more] = touched.split('~');
  const isContact = (terminal: Terminal): boolean => {
    const place = placeOf(assembly, terminal);
    return place?.kind === 'contact' || place?.kind === 'case';
  };
  if (more.length > 0 || red === black || !isContact(red) || !isContact(black)) return undefined;
  const pair = pairProbe(assembly, endOf(red) === endOf(black) ? 'short' : 'path', red, black);
  if (setting === SERIES) return throughProven(assembly, pair, end);
  if (setting === SHORTING)
    return endById(assembly, end) && [red, black].every((each) => endOf(each) !== end)
      ? loopProbe(assembly, red, black, end)
      : undefined;
  return pair;
}
