import { array, object, string } from 'yup';
import {
  byName,
  connectorOf,
  contactsOf,
  contactTerminal,
  endsOf,
  memberOf,
  netlist,
  ownerOf,
  placeOf,
  terminalSchema,
  type Assembly,
  type Net,
  type Terminal,
} from '../assembly';
import { metalOf, resistancesIn, type Metal, type ResistiveElement } from '../model';
import { formatResistance, OPEN, type Shape } from '../quantity';

export const PROBE_KINDS = ['path', 'short', 'shell', 'part'] as const;

/** One touch of the two meter leads. `black` may be several contacts, touched in turn or held together. */
export const probeSchema = object({
  id: string().required().max(2000),
  red: terminalSchema,
  black: array(terminalSchema).min(1).required(),
  kind: string().oneOf(PROBE_KINDS).required(),
  says: string().required().max(4000),
}).noUnknown();
export type Probe = Shape<typeof probeSchema>;

/** The readings that are right for a probe, Ω: `from` to `to`, and the computed value. */
export interface Expectation {
  readonly nominal: number;
  readonly from: number;
  readonly to: number;
}

/** A lead, or a faulty one, for the meter: the document, what else is in the circuit, and the length of each span, mm. */
export interface Specimen {
  readonly assembly: Assembly;
  readonly lengths: ReadonlyMap<string, number>;
  readonly extra?: readonly ResistiveElement[];
}

/** Added to a computed path for the two touches of the meter's leads, Ω: 0.2 a contact (from memory). */
export const CONTACT_ALLOWANCE = 0.4;
/** What counts as open, Ω (from memory). */
export const ISOLATION = 20e6;

const probeId = (red: Terminal, black: readonly Terminal[]): string => `${red}~${black.join('+')}`;

/** A probe with one lead on each of two terminals. */
export const pairProbe = (kind: Probe['kind'], red: Terminal, black: Terminal): Probe => ({
  id: probeId(red, [black]),
  red,
  black: [black],
  kind,
  says: `${red} to ${black}`,
});

const groupProbe = (kind: Probe['kind'], red: Terminal, black: readonly Terminal[]): Probe => ({
  id: probeId(red, black),
  red,
  black,
  kind,
  says: black.length === 1 ? `${red} to ${black[0]}` : `${red} to each of ${black.join(', ')}`,
});

/** A meter on this specimen: computes the resistance that a probe sees, Ω. */
export const meter = ({ assembly, lengths, extra }: Specimen): ((probe: Probe) => number) =>
  meterOn(metalOf(assembly, { lengths }), extra);

/** A meter on what it sees of a lead. */
export function meterOn(metal: Metal, extra: readonly ResistiveElement[] = []): (probe: Probe) => number {
  const plain = resistancesIn(metal, extra);
  return (probe) => {
    const [first, ...others] = probe.black;
    if (first === undefined) return OPEN;
    if (others.length === 0) return plain(probe.red, first);
    // What hangs on nothing that the red one hangs on changes nothing, held together with the others or not.
    const reached = probe.black.filter((black) => plain(probe.red, black) !== OPEN);
    const [reachedOne, ...more] = reached;
    if (reachedOne === undefined) return OPEN;
    if (more.length === 0) return plain(probe.red, reachedOne);
    const together = others.map((other) => ({ a: first, b: other, ohms: 0 }));
    return resistancesIn(metal, [...extra, ...together])(probe.red, first);
  };
}

/**
 * The readings that agree with a computed resistance. Open: above the isolation limit. Under 10 Ω: copper and
 * contacts, from a fifth and 0.1 Ω less to the contact allowance more. Above: parts, 7 % either way. (The margins are
 * from memory: a wire table, a warm room and a common meter.)
 */
export function expectationOf(nominal: number): Expectation {
  if (nominal > ISOLATION) return { nominal: OPEN, from: ISOLATION, to: OPEN };
  return nominal < 10
    ? { nominal, from: Math.max(0, nominal * 0.8 - 0.1), to: nominal * 1.05 + CONTACT_ALLOWANCE }
    : { nominal, from: nominal * 0.93, to: nominal * 1.07 + CONTACT_ALLOWANCE };
}

/** What a probe should read, in words. */
export const sayExpectation = ({ nominal, to }: Expectation): string =>
  nominal === OPEN
    ? `open: OL, or over ${formatResistance(ISOLATION)}`
    : nominal < 10
      ? `${formatResistance(nominal)} and the contacts: under ${formatResistance(to)}`
      : `about ${formatResistance(nominal)}`;

/** One contact to touch for each piece of metal of a net: contacts that are bonded together count once. */
function touchableIn(assembly: Assembly): (net: Net) => readonly Terminal[] {
  const hidden = new Set(
    endsOf(assembly).flatMap((end) =>
      (connectorOf(assembly, end)?.bonded ?? []).flatMap((bond) =>
        bond.slice(1).map((contact) => contactTerminal(end.id, contact)),
      ),
    ),
  );
  return (net) => net.contacts.filter((contact) => !hidden.has(contact));
}

const endOf = ownerOf;
const isShell = (terminal: Terminal): boolean => memberOf(terminal) === 'shell';

/** Above this many nets at an end, each is measured against all the others joined together. */
const MANY = 6;

/**
 * The probes that prove a lead, fewest first: every intended path once, along a spanning tree of each net; then every
 * pair of nets for a short, at one end that has both; then each floating shell against all the contacts beside it;
 * pairs with parts between them read the parts.
 */
export function probeList({ assembly, lengths }: Specimen): readonly Probe[] {
  const list = netlist(assembly);
  const nets = list.nets.filter((net) => net.contacts.length > 0);
  const touchable = touchableIn(assembly);
  const touchableAt = new Map(nets.map((net) => [net.name, touchable(net)]));
  const at = (net: Net): readonly Terminal[] => touchableAt.get(net.name) ?? [];
  const paths = nets.flatMap((net) => {
    const [root, ...others] = at(net);
    return root === undefined
      ? []
      : others.map((other) => pairProbe(isShell(root) || isShell(other) ? 'shell' : 'path', root, other));
  });

  const signal = nets.filter((net) => !at(net).every(isShell));
  const shells = nets.filter((net) => at(net).every(isShell));
  const reads = meter({ assembly, lengths });
  const beside = (a: Net, b: Net): Probe | undefined => {
    const red = at(a).find((x) => !isShell(x) && at(b).some((y) => !isShell(y) && endOf(x) === endOf(y)));
    const black = red && at(b).find((y) => !isShell(y) && endOf(y) === endOf(red));
    const pair =
      red && black
        ? pairProbe('short', red, black)
        : at(a)[0] && at(b)[0]
          ? pairProbe('short', at(a)[0] ?? '', at(b)[0] ?? '')
          : undefined;
    return pair && reads(pair) !== OPEN ? { ...pair, kind: 'part' } : pair;
  };
  const between = (a: Net, b: Net): string => `${a.name} ${b.name}`;
  const pairs = signal.flatMap((a, n) =>
    signal.slice(n + 1).flatMap((b) => {
      const probe = beside(a, b);
      return probe ? [{ probe, nets: between(a, b) }] : [];
    }),
  );
  const isolated = new Set(pairs.filter(({ probe }) => probe.kind === 'short').map(({ nets: each }) => each));
  const shorts =
    signal.length <= MANY
      ? pairs.map(({ probe }) => probe)
      : [
          ...pairs.filter(({ probe }) => probe.kind === 'part').map(({ probe }) => probe),
          ...signal.slice(0, -1).flatMap((net, n) => {
            const red = at(net)[0];
            const black = signal
              .slice(n + 1)
              .flatMap((other) => (isolated.has(between(net, other)) ? (at(other)[0] ?? []) : []));
            return red && black.length > 0 ? [groupProbe('short', red, black)] : [];
          }),
        ];
  const shellProbes = shells.flatMap((net) => {
    // One metal may be the shell of several ends: at each it is measured against what was not beside it before.
    const met = new Set<Net | undefined>();
    return at(net).flatMap((red) => {
      const end = endsOf(assembly).find((each) => each.id === endOf(red));
      const black = (end ? contactsOf(assembly, end) : [])
        .map((contact) => contactTerminal(endOf(red), contact))
        .filter((contact) => contact !== red && !isShell(contact) && !met.has(list.netOf.get(contact)));
      for (const contact of black) met.add(list.netOf.get(contact));
      return black.length > 0 ? [groupProbe('shell', red, black)] : [];
    });
  });
  return [...paths, ...shorts, ...shellProbes];
}

/** Every pair of contacts that could be measured: where a follow-up probe is looked for. None where there are more than so many. */
export function everyPair(assembly: Assembly, most: number): readonly Probe[] {
  const contacts = netlist(assembly).nets.flatMap(touchableIn(assembly)).sort(byName);
  if ((contacts.length * (contacts.length - 1)) / 2 > most) return [];
  return contacts.flatMap((a, n) =>
    contacts.slice(n + 1).map((b) => pairProbe(endOf(a) === endOf(b) ? 'short' : 'path', a, b)),
  );
}

/** The probe of a pair by its id, though it is on no list: a reading taken by an older list stays a reading. */
export function pairOf(assembly: Assembly, id: string): Probe | undefined {
  const [red = '', black = '', ...more] = id.split('~');
  const isContact = (terminal: Terminal): boolean => placeOf(assembly, terminal)?.kind === 'contact';
  return more.length === 0 && red !== black && isContact(red) && isContact(black)
    ? pairProbe(endOf(red) === endOf(black) ? 'short' : 'path', red, black)
    : undefined;
}
