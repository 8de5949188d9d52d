import type { CableEntry, ColourCode, ConnectorEntry } from '../catalogue';

/** The assembly format written today. Older ones are brought up to it by `readAssembly`. */
export const ASSEMBLY_VERSION = 2;

/**
 * The name of a place where metal can be joined. Four kinds, told apart by what the part before the first dot is:
 * `A.2` contact 2 (or `shell`) of end A · `box.case` the case of a body · `R1.a` lead a of a part ·
 * `W1.white@a` conductor white of span W1, at its side in body a.
 */
export type Terminal = string;

/** Why something is the way it is, in the builder's words; which school decided it; where the rule comes from. */
export interface Because {
  readonly says: string;
  readonly school?: string;
  readonly source?: string;
}

export type BodyKind = 'shell' | 'barrel' | 'breakout' | 'box' | 'device' | 'tail';

/** A loose contact of a tail: a bare, tinned or pinned wire that meets the world by itself. */
export interface LooseContact {
  readonly id: string;
  readonly name: string;
  readonly legMm?: number;
  readonly colour?: ColourCode;
  readonly sleeve?: string;
}

/** Contacts that meet the world: a connector of the catalogue, or a tail's loose contacts. */
export interface End {
  readonly id: string;
  readonly connector?: string;
  readonly loose?: readonly LooseContact[];
  readonly mount: 'cable' | 'panel';
  readonly madeOn: 'bench' | 'site';
}

export const PART_KINDS = [
  'resistor',
  'capacitor',
  'diode',
  'led',
  'potentiometer',
  'switch',
  'transformer',
  'battery',
  'lamp',
] as const;
export type PartKind = (typeof PART_KINDS)[number];

/**
 * An electrical part in a body. Its leads are terminals. A potentiometer's leads are `<gang>.cw`, `<gang>.wiper`,
 * `<gang>.ccw`; a resistor's, a capacitor's and a filament lamp's `a` and `b`; a diode's and an LED's `anode` and
 * `cathode`; a transformer's `p1`, `p2`, `s1`, `s2`; a battery's `pos` and `neg`.
 */
export interface Part {
  readonly id: string;
  readonly kind: PartKind;
  readonly leads: readonly string[];
  /** Resistance in Ω, capacitance in F, forward voltage in V; a potentiometer's is its track, a transformer's each winding's direct-current resistance, Ω; a battery's is its voltage, V; a lamp's its resistance when lit, Ω. */
  readonly value?: number;
  readonly tolerance?: number;
  readonly gangs?: readonly string[];
  readonly rating?: string;
  readonly name?: string;
}

export type How = 'cup' | 'tab' | 'lug' | 'pad' | 'air' | 'link' | 'screw' | 'crimp' | 'continues';

/** Terminals made one, all in the same body. */
export interface Joint {
  readonly id: string;
  readonly terminals: readonly Terminal[];
  readonly how: How;
  readonly sleeve?: string;
  readonly because?: Because;
}

/** Where joints are made. */
export interface Body {
  readonly id: string;
  readonly kind: BodyKind;
  readonly name: string;
  /** Metal case that joints can be made to: the terminal `<body>.case`. */
  readonly case?: boolean;
  readonly ends: readonly End[];
  readonly parts: readonly Part[];
  /** Which spans come in through which opening. */
  readonly entries: readonly { readonly gland: string; readonly spans: readonly string[] }[];
  readonly joints: readonly Joint[];
  /** Joints that are there already and not ours to make. */
  readonly existing?: readonly Joint[];
}

/** A run of cable between two bodies. `carries` names the conductors when only some of the cable goes this way. */
export interface Span {
  readonly id: string;
  readonly cable: string;
  readonly from: string;
  readonly to: string;
  readonly carries?: readonly string[];
}

/** What was done with one side of a conductor that is in no joint. */
export interface Unjoined {
  readonly at: Terminal;
  readonly is: 'cut back' | 'insulated' | 'spare';
  readonly because: Because;
}

export interface Dressing {
  readonly id: string;
  readonly kind: 'shrink' | 'sleeve' | 'boot' | 'ring' | 'tape' | 'arrow' | 'braid' | 'twist';
  /** A span, an end, a body or a joint. */
  readonly on: string;
  /** The body at whose side of a span it sits. */
  readonly at?: string;
  readonly says: string;
}

export type Datum = 'face' | 'tip' | 'jacket';

/** A length asked for, between two ends or bodies, along the spans between them. */
export interface AskedLength {
  readonly from: string;
  readonly to: string;
  readonly datum: Datum;
  readonly mm: number;
}

/**
 * What a lead is. Everything else that is known of a lead is computed from this. Joints live in the body they are
 * made in; the catalogue entries it uses are embedded, so that later catalogue edits never rewrite a lead.
 */
export interface Assembly {
  readonly version: typeof ASSEMBLY_VERSION;
  readonly bodies: readonly Body[];
  readonly spans: readonly Span[];
  readonly unjoined: readonly Unjoined[];
  readonly dressings: readonly Dressing[];
  readonly lengths: readonly AskedLength[];
  readonly uses: { readonly connectors: readonly ConnectorEntry[]; readonly cables: readonly CableEntry[] };
}
