import type { Terminal } from '../assembly';
import type { ColourCode } from '../catalogue';
import type { DrawnJoint, DrawnPart } from './inside';
import type { Point } from './point';

export interface DrawnContact extends Point {
  readonly id: string;
  readonly terminal: Terminal;
  readonly radius: number;
  /** What a conductor goes into here. */
  readonly takes: 'cup' | 'tab' | 'lug' | 'screw' | 'pad';
  /** The joints made on it, links among them. */
  readonly joints: readonly string[];
}

/** A conductor from the jacket's mouth: a cubic curve of four points, or a stub where it is not joined. */
export interface DrawnConductor {
  readonly terminal: Terminal;
  readonly is: 'core' | 'screen' | 'drain';
  readonly colour: ColourCode;
  readonly width: number;
  readonly curve: readonly [Point, Point, Point, Point];
  /** Where the letters of its colour stand, where there is room for them. */
  readonly letters?: Point;
  /** The contact it lands on, or undefined for a stub. */
  readonly lands?: Terminal;
  /** The joint that it lands by. */
  readonly joint?: string;
  readonly left?: string;
}

/** One edge of a shell, mm from its middle. */
export interface ShellRow {
  readonly half: number;
  readonly y: number;
}

/** One end, peeled back and seen from the solder side or the mating face. All in mm, y upward, insert at the origin. */
export interface PeeledEnd {
  readonly end: string;
  readonly side: 'solder' | 'mating';
  /** Which way the cable leaves: +1 to the right of the insert, −1 to the left. */
  readonly toward: 1 | -1;
  readonly insertRadius: number;
  readonly keyed: boolean;
  /** Of a shell that is longer than wide, round two rows of contacts: half its width and its height at either, the upper first. */
  readonly rows?: readonly [ShellRow, ShellRow];
  readonly contacts: readonly DrawnContact[];
  /** Links inside the connector: straight pieces between contacts, or from a contact to the shell ring. */
  readonly links: readonly { readonly joint: string; readonly from: Point; readonly to: Point }[];
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
  /** Joints in the order given, with where to write their number. */
  readonly numbers: readonly (Point & { readonly n: number; readonly joint: string })[];
}
