import type { ColourCode } from './colours';
import type { FormatId } from './formats';
import type { PhantomKind } from './phantom';
import type { Role } from './roles';

/** Where a figure comes from: a published source, common practice, from memory, nominal (to be measured), or the user. */
export type Source = string;

/** Where a contact sits in a view, mm, x to the right and y upward from the centre of the insert. */
export interface ContactPlace {
  readonly contact: string;
  readonly x: number;
  readonly y: number;
}

export interface ConnectorContact {
  readonly id: string;
  /** What is moulded on it or what the trade calls it. */
  readonly name: string;
  /** What the conductor goes into. */
  readonly takes?: 'cup' | 'tab' | 'lug' | 'screw' | 'pad';
  /** Cup bore or tab hole, mm. */
  readonly boreMm?: number;
}

export interface Range {
  readonly min: number;
  readonly max: number;
  readonly usual: number;
}

export type RoleMap = Readonly<Partial<Record<Role, string>>>;

/** What kind of signal a port has, which decides what connectors it comes on. */
export const SIGNALS = [
  'microphone',
  'line',
  'instrument',
  'headphone',
  'loudspeaker',
  'pickup',
  'insert',
  'intercom',
  'patch',
  'data',
  'test',
] as const;
export type Signal = (typeof SIGNALS)[number];

/**
 * How the contacts of one kind of connector are used for one format of signal: for each channel of the format, which
 * contact has which role. `asks` is set where makers differ, so that the builder has to say which it is.
 */
export interface Layout {
  readonly id: string;
  readonly format: FormatId;
  readonly name: string;
  readonly roles: Readonly<Record<string, RoleMap>>;
  readonly asks?: boolean;
  /** Joins contacts of the socket that should be apart: a TS plug in a TRS socket grounds the ring. */
  readonly shorts?: boolean;
  readonly source: Source;
}

/** One turned piece of a connector's outline, from the mating face backward, mm; and the contact it is, if it is one. */
export interface Turned {
  readonly length: number;
  readonly from: number;
  readonly to: number;
  readonly of: 'metal' | 'insulator' | 'boot';
  readonly contact?: string;
}

/** A connector as it is bought: contact pattern, body and how it is put on. Fields left out are not known. */
export interface ConnectorEntry {
  readonly id: string;
  readonly name: string;
  /** The contact pattern: connectors of one family mate. */
  readonly family: string;
  /** What the family is called in a sentence: “XLR”. */
  readonly familyName?: string;
  readonly gender: 'plug' | 'socket' | 'none';
  /** Where it belongs when the family says by gender which way the signal goes: at an output or at an input. */
  readonly meets?: 'out' | 'in';
  /** Signals that are usually found on this family. */
  readonly signals?: readonly Signal[];
  /** On a cable's end, or in a wall or box. */
  readonly mount?: 'cable' | 'panel';
  readonly angle?: 'straight' | 'right-angle';
  /** Which contact carries what, by format of signal; the usual one first. None where the builder types the pin list. */
  readonly layouts?: readonly Layout[];
  readonly contacts: readonly ConnectorContact[];
  /** True when there is a metal shell that can be joined to something: it is then the terminal `shell`. */
  readonly shell: boolean;
  /** Contacts that are one piece of metal, such as the sleeve and the shell of a plug. */
  readonly bonded?: readonly (readonly string[])[];
  readonly views?: {
    /** Seen from the front, key or latch up. */
    readonly mating: readonly ContactPlace[];
    /** Seen from behind where that is not simply the mirror of the mating face. */
    readonly solder?: readonly ContactPlace[];
    readonly insertRadiusMm: number;
    readonly keyed: boolean;
    readonly source: Source;
  };
  /** What must be on the cable before soldering, in the order it is threaded on: first on goes furthest from the end. */
  readonly threadOn?: readonly string[];
  /** Jacket diameters that the clamp and boot take, mm. */
  readonly cableMm?: { readonly min: number; readonly max: number };
  /** From the mating face, and from the tip, to the edge of the jacket inside the connector, mm. */
  readonly reachMm?: { readonly face: number; readonly tip: number };
  readonly strip?: { readonly jacketMm: Range; readonly bareMm: Range; readonly source: Source };
  readonly clamp?: string;
  /** From the side: nominal, for telling ends apart at a glance, not for measuring. */
  readonly outline?: readonly Turned[];
  readonly source: Source;
}

export interface CableConductor {
  readonly id: string;
  readonly is: 'core' | 'screen' | 'drain';
  readonly colour: ColourCode;
  /** Which pair or colour family it belongs to, where there are several. */
  readonly pair?: string;
  /** Ω/km at 20 °C. */
  readonly ohmsPerKm?: number;
  /** Over the insulation, mm; for a screen, the twisted bundle. */
  readonly outerMm?: number;
  /** Bare copper, mm: the bundle that goes into a cup. */
  readonly copperMm?: number;
}

export interface CableEntry {
  readonly id: string;
  readonly name: string;
  readonly kind: 'pair' | 'quad' | 'coax' | 'twin' | 'multipair' | 'loudspeaker' | 'hook-up' | 'litz';
  readonly screen: 'braid' | 'spiral' | 'foil' | 'none';
  readonly conductors: readonly CableConductor[];
  /** Cores in the order they lie round the cable, where that matters. */
  readonly around?: readonly string[];
  readonly jacketMm?: number;
  readonly jacketColour?: ColourCode;
  /**
   * As it is measured, pF/m: between the two legs with the screen left floating; and one leg (or the only core) to the screen
   * and the other leg joined. A leg of a star quad is two cores.
   */
  readonly pFPerMetre?: { readonly coreToCore?: number; readonly coreToScreen: number };
  /** Whether it stands being walked on, coiled and pulled. */
  readonly flex: 'stage' | 'rack' | 'fixed';
  /** How far along the cable one turn of the pair or the quad goes, mm. */
  readonly layMm?: number;
  /** The hottest it may get, °C. */
  readonly maxCelsius?: number;
  /** What it is not for, where that is easily got wrong. */
  readonly watch?: string;
  /** A black conductive layer over the core insulation that has to be peeled back. */
  readonly conductiveLayer?: boolean;
  readonly source: Source;
}

/** How a balanced output makes its cold leg, which decides what may be done with it. */
export type ColdLeg = 'ground-referenced' | 'cross-coupled' | 'transformer' | 'impedance-balanced';

/** What a thing has on its socket, electrically: the facts about it that decide how a lead to it is wired. */
export interface PortKind {
  readonly id: string;
  readonly name: string;
  /** `either`: the end of another lead or a panel, which passes whatever is on it. */
  readonly direction: 'out' | 'in' | 'either';
  readonly format: FormatId;
  readonly coldLeg?: ColdLeg;
  /** How it stands to phantom power on its line: is fed by it, is not hurt by it, is harmed by it, gives it. */
  readonly phantom: 'needs' | 'unhurt' | 'harmed' | 'gives';
  /** Which phantom it gives, where it gives any: P48 where nothing is said. */
  readonly supply?: PhantomKind;
  /** What else it puts on its signal contacts: plug-in power on an input, V; or T-power, V. */
  readonly gives?: { readonly kind: 'plug-in power' | 'T-power'; readonly volts: number };
  readonly needs?: 'plug-in power' | 'T-power';
  /** What the screen contact is joined to inside. */
  readonly screenBond: 'chassis' | 'signal ground' | 'none';
  /** Source or input impedance, Ω. */
  readonly impedance: number;
  /** What its source is wound of, where that is a coil with nothing between: it rings with the lead’s capacitance. `controlOhms` lie beside it. */
  readonly coil?: {
    readonly henries: number;
    readonly ohms: number;
    readonly picofarads: number;
    readonly controlOhms?: number;
  };
  /** Of an input that has a capacitance of its own, pF. */
  readonly picofarads?: number;
  /** Between what the capacitance of lead and input together is to lie for what is plugged in here, pF. */
  readonly wantsPicofarads?: { readonly from: number; readonly to: number };
  /** Nominal level, dBu. */
  readonly levelDbu: number;
  /** Longest unbalanced run advised from it, m, by surroundings; only where it is unbalanced. */
  readonly longestUnbalancedM?: { readonly quiet: number; readonly stage: number };
  readonly signal: Signal;
  readonly source: Source;
}
