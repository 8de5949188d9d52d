import {
  byName,
  connectorOf,
  contactTerminal,
  endById,
  joinedPoints,
  sideOf,
  terminalsOf,
  type Assembly,
  type Terminal,
} from '../assembly';
import { GROUND, type Circuit, type Element, type NodeName, type Resistor } from '../circuit';
import { dbuToVolts } from '../quantity';
import { factsWith, type Channel, type Situation } from '../situation';
import { cablesOf } from './cable';
import type { Conditions } from './conditions';
import type { Sections } from './distributed';
import type { DrivenChannel, HeardChannel } from './driven';
import { isEarthed } from './earth';
import { Equipment } from './equipment';
import { load } from './load';
import { nodeName } from './node';
import { partElements } from './parts';
import { isHalved, source } from './source';
import { takesSupply } from './supply';

/** A lead with what it is plugged into, as a circuit. */
export interface LeadCircuit {
  readonly circuit: Circuit;
  readonly node: (terminal: Terminal) => NodeName;
  readonly driven: readonly DrivenChannel[];
  readonly heard: readonly HeardChannel[];
  /** The source that stands for the difference of grounds, where two ends are earthed. */
  readonly groundSource?: string;
  readonly sections: readonly (Sections & { readonly span: string })[];
  /** Elements that are the lead’s own parts, by id. */
  readonly parts: ReadonlySet<string>;
  /** The element that stands for the resistance of each contact that is plugged in, from the equipment’s side (a) to the lead’s (b). */
  readonly contactResistances: ReadonlyMap<Terminal, Resistor>;
}

const NODES = new WeakMap<Assembly, (terminal: Terminal) => NodeName>();

/** A node for each piece of metal, named for the contact on it where there is one. Remembered: one lead is many circuits. */
function nodesOf(assembly: Assembly): (terminal: Terminal) => NodeName {
  const known = NODES.get(assembly) ?? nodesAnew(assembly);
  NODES.set(assembly, known);
  return known;
}

function nodesAnew(assembly: Assembly): (terminal: Terminal) => NodeName {
  const union = joinedPoints(assembly);
  const names = new Map<string, NodeName>();
  for (const terminal of [...terminalsOf(assembly)].sort(byName)) {
    const root = union.find(terminal);
    const isContact = /^[A-Z]+\./.test(terminal) && sideOf(terminal) === undefined;
    if (!names.has(root) || (isContact && (names.get(root) ?? '').includes('_at_')))
      names.set(root, nodeName(terminal));
  }
  const nodes = new Map<Terminal, NodeName>();
  for (const terminal of terminalsOf(assembly)) {
    const name = names.get(union.find(terminal));
    if (name !== undefined) nodes.set(terminal, name);
  }
  return (terminal) => nodes.get(terminal) ?? nodeName(terminal);
}

/** The end whose chassis is ground: the first earthed one that listens, else one that is earthed, else one that sends. */
function referenceOf(ends: readonly string[], at: (end: string) => readonly Channel[]): string | undefined {
  const earthed = ends.filter((end) => at(end).some(({ port }) => isEarthed(port)));
  return (
    earthed.find((end) => at(end).some(({ direction }) => direction === 'receives')) ??
    earthed[0] ??
    ends.find((end) =>
      at(end).some(({ direction, port }) => direction === 'sends' && port.signal !== 'test'),
    ) ??
    ends.at(-1)
  );
}

/** Joins every ground contact of an end to its chassis, unless the equipment keeps it apart. */
function bond(eq: Equipment, channels: readonly Channel[], isReference: boolean): void {
  const bonded = new Set<string>();
  for (const channel of channels) {
    if (channel.direction === 'sends' && channel.port.signal === 'test') continue;
    for (const role of ['screen', 'return', 'earth'] as const) {
      const id = channel.roles[role];
      if (id === undefined || bonded.has(id)) continue;
      if (channel.port.screenBond === 'none' && !isReference) continue;
      bonded.add(id);
      eq.resistor(`bond ${id}`, eq.contact(id), eq.ground, 1e-3);
    }
  }
}

/** The mains earth of an end that is not the reference, with the source that stands for the difference of the two. */
function earthElements(
  end: string,
  ground: NodeName,
  earthOhms: number,
  volts: number | undefined,
): { readonly source: string; readonly elements: readonly Element[] } {
  const between = `earth_${nodeName(end)}`;
  const source = `V_ground_${nodeName(end)}`;
  return {
    source,
    elements: [
      { kind: 'voltage', id: source, a: between, b: GROUND, dc: 0, ac: { magnitude: volts ?? 0 } },
      {
        kind: 'resistor',
        id: `R_earth_${nodeName(end)}`,
        a: between,
        b: ground,
        ohms: earthOhms,
        silent: true,
      },
    ],
  };
}

/**
 * A lead and what it is plugged into as a circuit: every conductor with its resistance at its temperature, inductance and
 * capacitance in sections, every joint and contact, every part, and the sources, loads, supplies and grounds of the equipment.
 *
 * Ground is the chassis of the first earthed end that listens; where nothing is earthed, that of what sends. Voltages are
 * r.m.s. What no port or cable gives is from the facts of the situation, or {@link ASSUMED}.
 */
export function leadCircuit(assembly: Assembly, situation: Situation, conditions: Conditions): LeadCircuit {
  const node = nodesOf(assembly);
  const facts = factsWith(situation.facts, conditions.facts);
  const supplies = (conditions.supplies ?? false) && situation.supplies !== 'off';
  const fed = supplies && situation.channels.some(({ port }) => port.phantom === 'gives');
  const groundVolts = conditions.groundVolts ?? situation.groundVolts;
  const ends = [...new Set(situation.channels.map((each) => each.end))];
  const at = (end: string): readonly Channel[] => situation.channels.filter((each) => each.end === end);
  const reference = referenceOf(ends, at);

  const elements: Element[] = [];
  const driven: DrivenChannel[] = [];
  const heard: HeardChannel[] = [];
  let groundSource: string | undefined;
  const contactResistances = new Map<Terminal, Resistor>();
  for (const end of ends) {
    const ground = end === reference ? GROUND : `gnd_${nodeName(end)}`;
    const eq = new Equipment(end, ground, node, facts);
    const channels = at(end);
    for (const channel of channels) {
      if (channel.direction === 'receives')
        heard.push({
          channel: channel.name,
          ...load(eq, channel, supplies, fed && channel.port.signal === 'microphone'),
        });
      else if (channel.port.signal !== 'test') {
        driven.push({
          channel: channel.name,
          ...source(eq, channel),
          volts: dbuToVolts(channel.port.levelDbu) / (isHalved(channel) ? 2 : 1),
        });
        if (supplies) takesSupply(eq, channel);
      }
    }
    bond(eq, channels, end === reference);
    const found = endById(assembly, end);
    const connector = found && connectorOf(assembly, found);
    // A shell that is one metal with a contact is grounded, or not, by what that contact is.
    const free = connector?.shell && !connector.bonded?.some((each) => each.includes('shell'));
    if (free && channels.some(({ port }) => port.screenBond !== 'none'))
      eq.resistor('shell', node(contactTerminal(end, 'shell')), eq.ground, facts.contactMilliOhms / 1000);
    elements.push(...eq.elements);
    for (const [terminal, resistance] of eq.contacts) contactResistances.set(terminal, resistance);
    if (end === reference || !channels.some(({ port }) => isEarthed(port))) continue;
    const sends = channels.some(({ direction }) => direction === 'sends');
    const first = sends && groundSource === undefined;
    const earth = earthElements(end, ground, facts.earthOhms, first ? groundVolts : undefined);
    elements.push(...earth.elements);
    if (first) groundSource = earth.source;
  }
  const cables = cablesOf(assembly, node, conditions, facts);
  const parts = assembly.bodies.flatMap((body) =>
    body.parts.flatMap((part) => partElements(part, node, conditions)),
  );
  return {
    circuit: { elements: [...elements, ...cables.flatMap((each) => each.elements), ...parts] },
    node,
    driven,
    heard,
    ...(groundSource === undefined ? {} : { groundSource }),
    sections: cables.map(({ span, sections }) => ({ span, ...sections })),
    parts: new Set(parts.map((each) => each.id)),
    contactResistances,
  };
}
