import {
  connectorOf,
  contactsOf,
  contactTerminal,
  endsOf,
  netlist,
  ownerOf,
  type Assembly,
  type End,
  type Terminal,
} from '../assembly';
import { otherGender } from '../catalogue';
import type { Metal } from '../model';
import { isProbe, type Check, type Probe } from './check';
import type { Meter, Touch } from './meter';

/** Which ends are in each other: the new lead’s, and the proven one’s. */
interface Mated {
  readonly end: End;
  readonly other: End;
}

/** Which contacts of an end are one, by name. */
const together = (assembly: Assembly, end: End): string => {
  const { netOf } = netlist(assembly);
  const names = contactsOf(assembly, end);
  const nets = names.map((name) => netOf.get(contactTerminal(end.id, name)) ?? `alone ${name}`);
  return names.map((name, n) => `${name}:${names[nets.indexOf(nets[n] ?? '')] ?? ''}`).join(' ');
};

/**
 * The ends of a lead that the other end of one alike goes into, contact for contact: straight leads of copper, with a plug at one end and its socket at the
 * other. Two leads in series then carry each contact through, and nothing from one to another.
 */
export function matedEnds(assembly: Assembly): readonly Mated[] {
  const [a, b, ...more] = endsOf(assembly);
  if (!a || !b || more.length > 0 || assembly.bodies.some(({ parts }) => parts.length > 0)) return [];
  const [one, two] = [connectorOf(assembly, a), connectorOf(assembly, b)];
  if (!one || !two || one.family !== two.family || otherGender(one.gender) !== two.gender) return [];
  if (together(assembly, a) !== together(assembly, b)) return [];
  return [
    { end: a, other: b },
    { end: b, other: a },
  ];
}

/** The proven lead’s own of a terminal. */
const PROVEN = 'proven ';
const proven = (terminal: Terminal): Terminal => `${PROVEN}${terminal}`;

/** A second lead, alike and proven, on an end of the first: what it is made of, and where its contacts are in the first’s. */
export function behind(assembly: Assembly, metal: Metal, id: string): Metal {
  const mated = matedEnds(assembly).find(({ end }) => end.id === id);
  if (!mated) return { joined: [], elements: [], junctions: [], stores: [] };
  const { end, other } = mated;
  return {
    joined: [
      ...metal.joined.map(({ by, terminals }) => ({ by, terminals: terminals.map(proven) })),
      ...contactsOf(assembly, end).map((contact) => ({
        by: undefined,
        terminals: [contactTerminal(end.id, contact), proven(contactTerminal(other.id, contact))],
      })),
    ],
    elements: metal.elements.map((each) => ({ ...each, a: proven(each.a), b: proven(each.b) })),
    junctions: [],
    stores: [],
  };
}

/** A meter whose leads are on the far end of the proven lead wherever a touch names the end that it is on. */
export function through(meter: Meter, end: string): Meter {
  const moved = (each: Terminal): Terminal => (ownerOf(each) === end ? proven(each) : each);
  const there = ({ red, black }: Touch): Touch => ({ red: moved(red), black: black.map(moved) });
  return {
    isKnown: (touch) => meter.isKnown(there(touch)),
    hasPolarity: (touch) => meter.hasPolarity(there(touch)),
    ohms: (touch) => meter.ohms(there(touch)),
    span: (touch) => meter.span(there(touch)),
    volts: (touch) => meter.volts(there(touch)),
    farads: (touch) => meter.farads(there(touch)),
  };
}

/** Whether a check cannot be done while a proven lead is on this end: it touches that end, and goes not through it. */
export const isHidden = (check: Check, end: string): boolean =>
  isProbe(check) &&
  check.before === undefined &&
  [check.red, ...check.black].some((each) => ownerOf(each) === end);

/** Whether a path of the closed lead can be taken through a proven one on this end: it goes from the other end to this one. */
export const goesThrough = (
  { kind, red, black, before, turn, mode, shorting }: Probe,
  end: string,
): boolean =>
  kind === 'path' &&
  black.length === 1 &&
  [before, turn, mode, shorting].every((each) => each === undefined) &&
  [red, ...black].filter((each) => ownerOf(each) === end).length === 1;
