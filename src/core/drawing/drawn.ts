import type { DressingWhat, Terminal } from '../assembly';
import type { ColourCode, Turned } from '../catalogue';
import type { Curve } from './curve';
import type { DrawnJoint, DrawnPart } from './inside';
import type { Point } from './point';

export interface DrawnContact extends Point {
  readonly id: string;
  readonly terminal: Terminal;
  readonly radius: number;
  /** What a conductor goes into here. */
  readonly takes: 'cup' | 'tab' | 'lug' | 'screw' | 'pad' | 'pin';
  /** The joints made on it, links among them. */
  readonly joints: readonly string[];
}

/** A conductor from the jacket's mouth: a cubic curve, or a stub where it is not joined. */
export interface DrawnConductor {
  readonly terminal: Terminal;
  readonly is: 'core' | 'screen' | 'drain';
  readonly colour: ColourCode;
  /** Which pair it is of, where others of its colour are in the cable. */
  readonly pair?: string;
  readonly width: number;
  readonly curve: Curve;
  /** How much of its end is bare, mm. */
  readonly bareMm: number;
  /** The contact it lands on, or undefined for a stub. */
  readonly lands?: Terminal;
  /** The joint that it lands by. */
  readonly joint?: string;
  readonly left?: string;
}

/**
 * What the contacts of an end sit in: a round insert; a shell round two rows; a plug that is seen from its side, its lugs
 * behind each other; a block of screws; a board with pads; single plugs, one a contact; or nothing: loose wires.
 */
export type Form = 'round' | 'rows' | 'side' | 'block' | 'board' | 'singles' | 'loose';

/** The insert of an end, mm. */
export interface DrawnInsert {
  readonly end: string;
  readonly at: Point;
  /** Which way the cable leaves it: +1 to the right, −1 to the left. */
  readonly toward: 1 | -1;
  readonly radius: number;
  /** A key or a latch at the top. */
  readonly keyed: boolean;
  readonly form: Form;
  /** Whether it sits in a wall or a box. */
  readonly inPanel: boolean;
  /** How far it and its contacts reach from its middle: across, and up and down. */
  readonly half: Point;
  /** What goes into the socket, of a plug seen from its side. */
  readonly finger: readonly Turned[];
}

/** What is opened at an end, seen from the solder side or the mating face: a shell, or a box with all its ends. All in mm, y upward. */
export interface PeeledEnd {
  readonly end: string;
  readonly side: 'solder' | 'mating';
  /** Which way the cable leaves: +1 to the right of the insert, −1 to the left. */
  readonly toward: 1 | -1;
  readonly inserts: readonly [DrawnInsert, ...DrawnInsert[]];
  /** What several ends are in. */
  readonly housing?: 'box' | 'barrel';
  readonly contacts: readonly DrawnContact[];
  /** Links inside the connector: between contacts, or from a contact to the shell ring. */
  readonly links: readonly {
    readonly joint: string;
    readonly curve: Curve;
    readonly terminals: readonly Terminal[];
  }[];
  readonly conductors: readonly DrawnConductor[];
  /** What is inside the shell, between insert and cable; and the joints there that are on no contact. */
  readonly parts: readonly DrawnPart[];
  readonly air: readonly DrawnJoint[];
  /** Each cable that comes in: where its jacket is cut, how thick it is. */
  readonly jackets: readonly {
    readonly span: string;
    readonly x: number;
    readonly y: number;
    readonly thickness: number;
    readonly colour: ColourCode;
  }[];
  /** What is put on over the jacket or the shell of an end, in its order from the connector outward. */
  readonly dressings: readonly {
    readonly id: string;
    readonly what: DressingWhat;
    readonly says: string;
    readonly colour?: ColourCode;
    readonly x: number;
    readonly y: number;
    /** How thick what it is on is, and how long it is drawn, mm. */
    readonly over: number;
    readonly length: number;
    /** Whether the signal goes away from this connector, as the cable was laid: an arrow points there. */
    readonly away: boolean;
  }[];
  /** The joints in the order given, each with where it is made: on a contact, or in the air. */
  readonly numbers: readonly (Pick<DrawnContact, 'x' | 'y' | 'radius'> & {
    readonly n: number;
    readonly joint: string;
    readonly contact?: Terminal;
  })[];
}
