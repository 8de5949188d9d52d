import {
  byName,
  conductorsOf,
  conductorTerminal,
  connectorOf,
  cableOf,
  contactTerminal,
  endById,
  joinedPoints,
  terminalsOf,
  type Assembly,
  type Part,
  type Span,
  type Terminal,
} from '../assembly';
import {
  isBalanced,
  PHANTOM_SUPPLIES,
  type CableConductor,
  type PortKind,
  type Role,
  type RoleMap,
} from '../catalogue';
import { COPPER_TEMPERATURE_COEFFICIENT, dbuToVolts } from '../quantity';
import { capacitances, inductances, sectionsFor, type Sections } from './cable';
import { USUAL, type Facts } from './facts';
import { THERMAL_VOLTS } from './direct';
import { GROUND, type Circuit, type Element, type NodeName, type Resistor, type Taper } from './elements';

/** One channel of what an end is plugged into. */
export interface Plug {
  readonly end: string;
  readonly label: string;
  readonly sends: boolean;
  readonly port: PortKind;
  readonly roles: RoleMap;
  /** Its impedance, Ω, where it is looked at with another than its port has; of a coil its winding’s. */
  readonly ohms?: number;
  /** The inductance of its coil, H, where that is looked at with another. */
  readonly henries?: number;
}

/** What the ends of a lead meet, and which channel is meant to reach which, by their places among the channels. */
export interface Use {
  readonly channels: readonly Plug[];
  readonly links: readonly { readonly out: number; readonly in: number }[];
  /** What is known better of cable and equipment than from memory. */
  readonly facts?: Partial<Facts>;
}

/** Under which a lead is looked at. */
export interface Conditions {
  /** Jacket length of each span, mm. */
  readonly lengths: ReadonlyMap<string, number>;
  readonly celsius?: number;
  /** Up to which frequency the circuit has to hold, Hz. */
  readonly highestHertz?: number;
  /** Between the chassis of what sends and of what receives, V r.m.s. */
  readonly groundVolts?: number;
  /** Phantom and other supplies of the inputs switched on. */
  readonly supplies?: boolean;
  /** Turn of every control, from 0 down to 1 up. */
  readonly turn?: number;
  readonly taper?: Taper;
  /** How far the halves of a control are apart: the share of its value and of its turn between the first and the last. */
  readonly tracking?: number;
  /** What a part is of what it should be, by its id: 1.05 for one that is 5 % over. */
  readonly partTimes?: ReadonlyMap<string, number>;
  /** What is looked at otherwise than it is known, in the units of {@link FACTS}. */
  readonly facts?: Partial<Facts>;
}

/** A channel of the lead in the circuit. */
export interface Driven {
  readonly channel: number;
  /** The source that stands for it, V of its nominal level, r.m.s. */
  readonly source: string;
  readonly volts: number;
  /** The source of its other leg, where that is driven on its own. */
  readonly coldSource?: string;
  /** Between which nodes its output stands, at the equipment. */
  readonly between: readonly [NodeName, NodeName];
}
export interface Heard {
  readonly channel: number;
  /** Between which nodes its input listens, at the equipment. */
  readonly between: readonly [NodeName, NodeName];
  /** The source of what it feeds up the line, where it does. */
  readonly supply?: string;
}

/** A lead with what it is plugged into, as a circuit. */
export interface LeadCircuit {
  readonly circuit: Circuit;
  readonly node: (terminal: Terminal) => NodeName;
  readonly driven: readonly Driven[];
  readonly heard: readonly Heard[];
  /** The source that stands for the difference of grounds, where two ends are earthed. */
  readonly groundSource?: string;
  readonly sections: readonly (Sections & { readonly span: string })[];
  /** Elements that are the lead’s own parts, by id. */
  readonly parts: ReadonlySet<string>;
  /** The element that stands for the touch of each contact that is plugged in, from the equipment’s side (a) to the lead’s (b). */
  readonly touches: ReadonlyMap<Terminal, Resistor>;
}

/** Values that no port or part gives, each from memory unless it is said; what moves a figure by much is in {@link FACTS}. */
export const ASSUMED = {
  /** Each leg of T-power, Ω (IEC 61938; cited, from memory). */
  tPowerOhms: 180,
  /** What keeps an input's supply out of its own amplifier, F: large enough not to be heard. */
  blockingFarads: 1e-3,
  /** What a line that goes on looks like from either side, Ω. */
  lineSourceOhms: 100,
  lineLoadOhms: 10_000,
  /** A transformer in line: inductance of a winding, H, and coupling. */
  windingHenries: 20,
  windingCoupling: 0.9998,
} as const;

/** A name that does for a node: of letters, digits and underscores. */
const safe = (name: string): string =>
  name
    .toLowerCase()
    .replace(/@/g, '_at_')
    .replace(/\+/g, 'p')
    .replace(/-$/, 'm')
    .replace(/[^a-z0-9]+/g, '_');

/**
 * A light-emitting or signal diode with this forward voltage, V: an LED at 4 mA with n = 2, a signal diode at 1 mA with
 * n = 1.8 (from memory).
 */
export function junctionOf(
  kind: 'led' | 'diode',
  forward: number,
): { readonly is: number; readonly n: number } {
  const [n, amps] = kind === 'led' ? [2, 4e-3] : [1.8, 1e-3];
  return { is: amps / (Math.exp(forward / (n * THERMAL_VOLTS)) - 1), n };
}

/** The taper that a control's rating names. */
const taperOf = (part: Part): Taper => (/log/i.test(part.rating ?? '') ? 'logarithmic' : 'linear');

function partElements(
  part: Part,
  node: (terminal: Terminal) => NodeName,
  { turn = 0.5, taper, tracking = 0, partTimes }: Conditions,
): readonly Element[] {
  const { id, gangs = [''] } = part;
  const value = part.value === undefined ? undefined : part.value * (partTimes?.get(id) ?? 1);
  const at = (lead: string): NodeName => node(`${id}.${lead}`);
  if (value === undefined) return [];
  switch (part.kind) {
    case 'resistor':
    case 'lamp':
      return [{ kind: 'resistor', id: `R_${id}`, a: at('a'), b: at('b'), ohms: Math.max(value, 1e-3) }];
    case 'capacitor':
      return [{ kind: 'capacitor', id: `C_${id}`, a: at('a'), b: at('b'), farads: value }];
    case 'diode':
    case 'led':
      return [
        { kind: 'diode', id: `D_${id}`, a: at('anode'), b: at('cathode'), ...junctionOf(part.kind, value) },
      ];
    case 'battery':
      return [{ kind: 'voltage', id: `V_${id}`, a: at('pos'), b: at('neg'), dc: value }];
    case 'potentiometer':
      return gangs.map((gang, n) => {
        const off = gangs.length < 2 ? 1 : 1 + tracking * (0.5 - n / (gangs.length - 1));
        const lead = (name: string): NodeName => at(gang === '' ? name : `${gang}.${name}`);
        return {
          kind: 'potentiometer',
          id: `R_${safe(`${id} ${gang}`)}`,
          a: lead('cw'),
          wiper: lead('wiper'),
          b: lead('ccw'),
          ohms: value * off,
          turn: Math.min(1, turn * off),
          taper: taper ?? taperOf(part),
        };
      });
    case 'switch':
      return [
        {
          kind: 'switch',
          id: `R_${id}`,
          a: at(part.leads[0] ?? 'a'),
          b: at(part.leads[1] ?? 'b'),
          closed: true,
        },
      ];
    case 'transformer': {
      const winding = (n: 1 | 2, a: NodeName, b: NodeName): readonly Element[] => [
        { kind: 'resistor', id: `R_${id}_${n}`, a, b: `${safe(id)}_w${n}`, ohms: value },
        { kind: 'inductor', id: `L_${id}_${n}`, a: `${safe(id)}_w${n}`, b, henries: ASSUMED.windingHenries },
      ];
      return [
        ...winding(1, at('p1'), at('p2')),
        ...winding(2, at('s1'), at('s2')),
        { kind: 'coupling', id: `K_${id}`, of: [`L_${id}_1`, `L_${id}_2`], k: ASSUMED.windingCoupling },
      ];
    }
  }
}

/** Equipment that stands on mains earth: not what is held in the hand or worn. */
const isEarthed = (port: PortKind): boolean =>
  port.screenBond !== 'none' &&
  !(port.direction === 'out' && ['microphone', 'instrument', 'pickup', 'headphone'].includes(port.signal)) &&
  port.signal !== 'test';

/** What is in the equipment at one end, as far as its signal contacts show it. */
class Equipment {
  readonly elements: Element[] = [];
  readonly touches = new Map<Terminal, Resistor>();
  constructor(
    readonly end: string,
    readonly ground: NodeName,
    private readonly node: (terminal: Terminal) => NodeName,
    readonly facts: Facts,
  ) {}

  /** The equipment's own side of a contact, across the touch of plug and socket. */
  contact(id: string): NodeName {
    const inside = `eq_${safe(`${this.end}.${id}`)}`;
    const terminal = contactTerminal(this.end, id);
    if (!this.touches.has(terminal)) {
      const ohms = this.facts.contactMilliOhms / 1000;
      const touch: Resistor = {
        kind: 'resistor',
        id: this.named('R', `touch_${id}`),
        a: inside,
        b: this.node(terminal),
        ohms,
      };
      this.touches.set(terminal, touch);
      this.elements.push(touch);
    }
    return inside;
  }
  role(roles: RoleMap, role: Role): NodeName | undefined {
    const id = roles[role];
    return id === undefined ? undefined : this.contact(id);
  }
  resistor(name: string, a: NodeName, b: NodeName, ohms: number): void {
    if (a !== b) this.elements.push({ kind: 'resistor', id: this.named('R', name), a, b, ohms });
  }
  capacitor(name: string, a: NodeName, b: NodeName, farads: number): void {
    if (a !== b) this.elements.push({ kind: 'capacitor', id: this.named('C', name), a, b, farads });
  }
  inductor(name: string, a: NodeName, b: NodeName, henries: number): void {
    this.elements.push({ kind: 'inductor', id: this.named('L', name), a, b, henries });
  }
  supply(name: string, a: NodeName, b: NodeName, dc: number): string {
    const id = this.named('V', name);
    this.elements.push({ kind: 'voltage', id, a, b, dc });
    return id;
  }
  emf(name: string, a: NodeName, b: NodeName, volts: number): string {
    const id = this.named('V', name);
    this.elements.push({ kind: 'voltage', id, a, b, dc: 0, ac: { magnitude: volts } });
    return id;
  }
  /** As much as another source, or the other way round. */
  follow(
    name: string,
    a: NodeName,
    b: NodeName,
    [c, d]: readonly [NodeName, NodeName],
    gain: number,
  ): string {
    const id = this.named('E', name);
    this.elements.push({ kind: 'vcvs', id, a, b, c, d, gain });
    return id;
  }
  inside(name: string): NodeName {
    return `eq_${safe(this.end)}_${safe(name)}`;
  }
  private named(letter: string, name: string): string {
    return `${letter}_${safe(`${this.end} ${name}`)}`;
  }
}

/** Source impedance of a channel that sends, Ω. */
export const sourceOhms = ({ port, ohms }: Pick<Plug, 'port' | 'ohms'>): number =>
  ohms ?? port.coil?.ohms ?? (port.direction === 'out' ? port.impedance : ASSUMED.lineSourceOhms);
/** Load of a channel that listens, Ω. */
export const loadOhms = ({ port, ohms }: Pick<Plug, 'port' | 'ohms'>): number =>
  ohms ??
  (port.direction === 'in' || port.signal === 'headphone' || port.signal === 'loudspeaker'
    ? port.impedance
    : ASSUMED.lineLoadOhms);

function sender(eq: Equipment, plug: Plug): Pick<Driven, 'source' | 'between' | 'coldSource'> {
  const { port, roles, label } = plug;
  const { imbalanceOhms: imbalance, crossCommonKiloOhms, windingPicoFarads } = eq.facts;
  const z = Math.max(sourceOhms(plug), 1e-3);
  const volts = dbuToVolts(port.levelDbu);
  const name = (what: string): string => `${label} ${what}`;
  const at = (role: Role): NodeName => eq.role(roles, role) ?? eq.ground;
  const emf = eq.inside(name('emf'));
  if ('plus' in roles) {
    const [plus, minus] = [at('plus'), at('minus')];
    if (port.format === 'loudspeaker-bridged') {
      const source = eq.emf(name('emf'), emf, eq.ground, volts / 2);
      const turned = eq.inside(name('turned'));
      eq.follow(name('turned'), turned, eq.ground, [emf, eq.ground], -1);
      eq.resistor(name('hot'), emf, plus, z / 2);
      eq.resistor(name('cold'), turned, minus, z / 2);
      return { source, between: [plus, minus] };
    }
    const source = eq.emf(name('emf'), emf, minus, volts);
    eq.resistor(name('out'), emf, plus, z);
    eq.resistor(name('minus'), minus, eq.ground, 1e-3);
    return { source, between: [plus, minus] };
  }
  if (!isBalanced(roles)) {
    const common = eq.role(roles, 'return') ?? eq.role(roles, 'screen') ?? eq.ground;
    const source = eq.emf(name('emf'), emf, common, volts);
    const hot = at('hot');
    if (port.coil) {
      const wound = eq.inside(name('winding'));
      eq.resistor(name('winding'), emf, wound, z);
      eq.inductor(name('coil'), wound, hot, plug.henries ?? port.coil.henries);
      eq.capacitor(name('own'), hot, common, 1e-12 * port.coil.picofarads);
      if (port.coil.controlOhms !== undefined)
        eq.resistor(name('control'), hot, common, port.coil.controlOhms);
    } else eq.resistor(name('out'), emf, hot, z);
    return { source, between: [hot, common] };
  }
  // What feeds on phantom lets it up to its output, and keeps it out of its source.
  const blocked = (side: 'hot' | 'cold'): NodeName => {
    if (port.phantom !== 'needs') return at(side);
    const behind = eq.inside(name(`${side} behind`));
    eq.capacitor(name(`${side} block`), behind, at(side), ASSUMED.blockingFarads);
    return behind;
  };
  const [hot, cold] = [blocked('hot'), blocked('cold')];
  const [high, low] = [z / 2 + imbalance / 2, Math.max(z / 2 - imbalance / 2, z / 20)];
  const between = [at('hot'), at('cold')] as const;
  const turned = eq.inside(name('turned'));
  switch (port.coldLeg ?? 'ground-referenced') {
    case 'ground-referenced': {
      const source = eq.emf(name('emf'), emf, eq.ground, volts / 2);
      const coldSource = eq.follow(name('turned'), turned, eq.ground, [emf, eq.ground], -1);
      eq.resistor(name('hot'), emf, hot, high);
      eq.resistor(name('cold'), turned, cold, low);
      return { source, between, coldSource };
    }
    case 'impedance-balanced': {
      const source = eq.emf(name('emf'), emf, eq.ground, volts);
      eq.resistor(name('hot'), emf, hot, high);
      eq.resistor(name('cold'), eq.ground, cold, low);
      return { source, between };
    }
    case 'cross-coupled':
    case 'transformer': {
      const source = eq.emf(name('emf'), emf, turned, volts);
      eq.resistor(name('hot'), emf, hot, high);
      eq.resistor(name('cold'), turned, cold, low);
      for (const [leg, node] of [
        ['hot', hot],
        ['cold', cold],
      ] as const)
        if (port.coldLeg === 'cross-coupled')
          eq.resistor(name(`${leg} common`), node, eq.ground, 1000 * crossCommonKiloOhms);
        else eq.capacitor(name(`${leg} winding`), node, eq.ground, 1e-12 * windingPicoFarads);
      return { source, between };
    }
  }
}

function listener(eq: Equipment, plug: Plug, supplies: boolean): Omit<Heard, 'channel'> {
  const { port, roles, label } = plug;
  const z = Math.max(loadOhms(plug), 1e-3);
  const name = (what: string): string => `${label} ${what}`;
  const at = (role: Role): NodeName => eq.role(roles, role) ?? eq.ground;
  if ('plus' in roles) {
    const pair = [at('plus'), at('minus')] as const;
    eq.resistor(name('load'), pair[0], pair[1], z);
    return { between: pair };
  }
  if (!isBalanced(roles)) {
    const hot = at('hot');
    const common = eq.role(roles, 'return') ?? eq.role(roles, 'screen') ?? eq.ground;
    if (port.picofarads !== undefined) eq.capacitor(name('own'), hot, common, 1e-12 * port.picofarads);
    if (supplies && port.gives) {
      const feed = eq.inside(name('supply'));
      const behind = eq.inside(name('blocked'));
      const supply = eq.supply(name('supply'), feed, common, port.gives.volts);
      eq.resistor(name('feed'), feed, hot, 1000 * eq.facts.plugInKiloOhms);
      eq.capacitor(name('block'), hot, behind, ASSUMED.blockingFarads);
      eq.resistor(name('load'), behind, common, z);
      return { between: [hot, common], supply };
    }
    eq.resistor(name('load'), hot, common, z);
    return { between: [hot, common] };
  }
  const legs = [at('hot'), at('cold')] as const;
  const phantom = supplies && port.phantom === 'gives' ? PHANTOM_SUPPLIES[port.supply ?? 'P48'] : undefined;
  const tPower = supplies && port.gives?.kind === 'T-power' ? port.gives.volts : undefined;
  const feed = eq.inside(name('supply'));
  const given = phantom?.volts ?? tPower;
  const supply = given === undefined ? undefined : eq.supply(name('supply'), feed, eq.ground, given);
  legs.forEach((leg, n) => {
    const side = n === 0 ? 'hot' : 'cold';
    if (phantom) eq.resistor(name(`${side} feed`), feed, leg, phantom.feedOhms);
    if (tPower !== undefined)
      eq.resistor(name(`${side} feed`), n === 0 ? feed : eq.ground, leg, ASSUMED.tPowerOhms);
    if (phantom || tPower !== undefined) {
      const behind = eq.inside(name(`${side} blocked`));
      eq.capacitor(name(`${side} block`), leg, behind, ASSUMED.blockingFarads);
      eq.resistor(name(side), behind, eq.ground, z / 2);
    } else eq.resistor(name(side), leg, eq.ground, z / 2);
  });
  return { between: legs, ...(supply === undefined ? {} : { supply }) };
}

/** What feeds on a supply that comes down its own line. */
function takes(eq: Equipment, { port, roles, label }: Plug): void {
  if (port.phantom !== 'needs' || !isBalanced(roles)) return;
  for (const role of ['hot', 'cold'] as const) {
    const leg = eq.role(roles, role);
    if (leg) eq.resistor(`${label} ${role} takes`, leg, eq.ground, 1000 * eq.facts.microphoneKiloOhms);
  }
}

/**
 * The cable of one span in sections: π of resistance and inductance along, half of capacitance and leakage at either side.
 * Leakage is what the insulation lets through whatever the frequency; what it takes of a field that changes is left out.
 */
function cableElements(
  assembly: Assembly,
  span: Span,
  node: (terminal: Terminal) => NodeName,
  conditions: Conditions,
  facts: Facts,
): { readonly elements: readonly Element[]; readonly sections: Sections } {
  const { lengths, celsius = 20, highestHertz = 100_000 } = conditions;
  const joint = facts.jointMilliOhms / 1000;
  const metres = (lengths.get(span.id) ?? 0) / 1000;
  const conductors = conductorsOf(assembly, span);
  const cable = cableOf(assembly, span);
  const warm = 1 + COPPER_TEMPERATURE_COEFFICIENT * (celsius - 20);
  const perMetre = (each: CableConductor): number => ((each.ohmsPerKm ?? 0) * warm) / 1000;
  const has = new Set(conductors.map((each) => each.id));
  const between = (cable ? capacitances(cable, facts) : []).filter(({ a, b }) => has.has(a) && has.has(b));
  const { self, couplings } = cable
    ? inductances(cable, facts)
    : { self: new Map<string, number>(), couplings: [] };
  const most = (values: readonly number[]): number => Math.max(0, ...values);
  const load = new Map<string, number>();
  for (const { a, b, faradsPerMetre } of between)
    for (const id of [a, b]) load.set(id, (load.get(id) ?? 0) + faradsPerMetre);
  const loop = facts.loopMicroHenries * 1e-6;
  const cores = conductors.filter((each) => each.is === 'core');
  const sections = sectionsFor(
    metres,
    2 * most(cores.map(perMetre)),
    loop,
    most(cores.map((each) => load.get(each.id) ?? 0)),
    highestHertz,
  );
  const { count } = sections;
  const step = metres / count;
  const elements: Element[] = [];
  const at = (id: string, n: number): NodeName =>
    n === 0
      ? node(conductorTerminal(span.id, id, span.from))
      : n === count
        ? node(conductorTerminal(span.id, id, span.to))
        : safe(`${span.id} ${id} ${n}`);
  for (const each of conductors)
    for (let n = 0; n < count; n++) {
      const name = safe(`${span.id} ${each.id} ${n + 1}`);
      const ohms = perMetre(each) * step + (n === 0 ? joint : 0) + (n === count - 1 ? joint : 0);
      const henries = (self.get(each.id) ?? 0) * step;
      const middle = henries > 0 ? `${name}_l` : at(each.id, n + 1);
      elements.push({
        kind: 'resistor',
        id: `R_${name}`,
        a: at(each.id, n),
        b: middle,
        ohms: Math.max(ohms, 1e-6),
      });
      if (henries > 0)
        elements.push({ kind: 'inductor', id: `L_${name}`, a: middle, b: at(each.id, n + 1), henries });
    }
  if (step > 0)
    for (let n = 0; n < count; n++)
      for (const { a, b, k } of couplings)
        if (has.has(a) && has.has(b))
          elements.push({
            kind: 'coupling',
            id: `K_${safe(`${span.id} ${a} ${b} ${n + 1}`)}`,
            of: [`L_${safe(`${span.id} ${a} ${n + 1}`)}`, `L_${safe(`${span.id} ${b} ${n + 1}`)}`],
            k,
          });
  for (const { a, b, faradsPerMetre } of between)
    for (let n = 0; n <= count; n++) {
      const length = step * (n === 0 || n === count ? 0.5 : 1);
      if (!(faradsPerMetre * length > 0) || at(a, n) === at(b, n)) continue;
      const ends = { a: at(a, n), b: at(b, n) };
      const name = safe(`${span.id} ${a} ${b} ${n}`);
      const ohms = (1e9 * facts.insulationGigaOhmMetres) / length;
      elements.push(
        { kind: 'capacitor', id: `C_${name}`, ...ends, farads: faradsPerMetre * length },
        { kind: 'resistor', id: `R_${name}`, ...ends, ohms },
      );
    }
  return { elements, sections };
}

/**
 * A lead and what it is plugged into as a circuit: every conductor with its resistance at its temperature, inductance and
 * capacitance in sections, every joint and contact, every part, and the sources, loads, supplies and grounds of the equipment.
 *
 * Ground is the chassis of the first earthed end that listens; where nothing is earthed, that of what sends. Voltages are r.m.s. What no port or cable gives is
 * from {@link FACTS}, or {@link ASSUMED}.
 */
export function leadCircuit(assembly: Assembly, use: Use, conditions: Conditions): LeadCircuit {
  const union = joinedPoints(assembly);
  const names = new Map<string, NodeName>();
  for (const terminal of [...terminalsOf(assembly)].sort(byName)) {
    const root = union.find(terminal);
    if (
      !names.has(root) ||
      (/^[A-Z]+\./.test(terminal) && !terminal.includes('@') && (names.get(root) ?? '').includes('_at_'))
    )
      names.set(root, safe(terminal));
  }
  const node = (terminal: Terminal): NodeName => names.get(union.find(terminal)) ?? safe(terminal);
  const facts: Facts = { ...USUAL, ...use.facts, ...conditions.facts };

  const ends = [...new Set(use.channels.map((each) => each.end))];
  const plugsAt = (end: string): readonly (Plug & { readonly index: number })[] =>
    use.channels.flatMap((each, index) => (each.end === end ? [{ ...each, index }] : []));
  const earthed = ends.filter((end) => plugsAt(end).some(({ port }) => isEarthed(port)));
  const reference =
    earthed.find((end) => plugsAt(end).some(({ sends }) => !sends)) ??
    earthed[0] ??
    ends.find((end) => plugsAt(end).some(({ sends, port }) => sends && port.signal !== 'test')) ??
    ends.at(-1);
  const groundOf = (end: string): NodeName => (end === reference ? GROUND : `gnd_${safe(end)}`);

  const elements: Element[] = [];
  const driven: Driven[] = [];
  const heard: Heard[] = [];
  let groundSource: string | undefined;
  const touches = new Map<Terminal, Resistor>();
  for (const end of ends) {
    const eq = new Equipment(end, groundOf(end), node, facts);
    const plugs = plugsAt(end);
    const bonded = new Set<string>();
    for (const plug of plugs) {
      if (plug.sends && plug.port.signal === 'test') continue;
      if (plug.sends) {
        driven.push({
          channel: plug.index,
          ...sender(eq, plug),
          volts: dbuToVolts(plug.port.levelDbu) / (isHalved(plug) ? 2 : 1),
        });
        if (conditions.supplies) takes(eq, plug);
      } else heard.push({ channel: plug.index, ...listener(eq, plug, conditions.supplies ?? false) });
      for (const role of ['screen', 'return', 'earth'] as const) {
        const id = plug.roles[role];
        if (id === undefined || bonded.has(id)) continue;
        if (plug.port.screenBond === 'none' && end !== reference) continue;
        bonded.add(id);
        eq.resistor(`bond ${id}`, eq.contact(id), eq.ground, 1e-3);
      }
    }
    const found = endById(assembly, end);
    const connector = found && connectorOf(assembly, found);
    // A shell that is one metal with a contact is grounded, or not, by what that contact is.
    const free = connector?.shell && !connector.bonded?.some((bond) => bond.includes('shell'));
    if (free && plugs.some(({ port }) => port.screenBond !== 'none'))
      eq.resistor('shell', node(contactTerminal(end, 'shell')), eq.ground, facts.contactMilliOhms / 1000);
    elements.push(...eq.elements);
    for (const [terminal, touch] of eq.touches) touches.set(terminal, touch);
    if (end !== reference && earthed.includes(end)) {
      const between = `earth_${safe(end)}`;
      const id = `V_ground_${safe(end)}`;
      elements.push(
        { kind: 'voltage', id, a: between, b: GROUND, dc: 0, ac: { magnitude: 0 } },
        {
          kind: 'resistor',
          id: `R_earth_${safe(end)}`,
          a: between,
          b: groundOf(end),
          ohms: facts.earthOhms,
          silent: true,
        },
      );
      if (plugs.some(({ sends }) => sends)) groundSource ??= id;
    }
  }
  const sections: (Sections & { readonly span: string })[] = [];
  for (const span of assembly.spans) {
    const made = cableElements(assembly, span, node, conditions, facts);
    elements.push(...made.elements);
    sections.push({ span: span.id, ...made.sections });
  }
  const parts = assembly.bodies.flatMap((body) =>
    body.parts.flatMap((part) => partElements(part, node, conditions)),
  );
  elements.push(...parts);
  return {
    circuit: {
      elements: elements.map((each) =>
        each.kind === 'voltage' && each.id === groundSource && conditions.groundVolts !== undefined
          ? { ...each, ac: { magnitude: conditions.groundVolts } }
          : each,
      ),
    },
    node,
    driven,
    heard,
    ...(groundSource === undefined ? {} : { groundSource }),
    sections,
    parts: new Set(parts.map((each) => each.id)),
    touches,
  };
}

/** Outputs that make their level between two legs driven against each other: the source in the circuit is one of them. */
const isHalved = ({ port, roles }: Plug): boolean =>
  port.format === 'loudspeaker-bridged' ||
  (!('plus' in roles) && isBalanced(roles) && (port.coldLeg ?? 'ground-referenced') === 'ground-referenced');
