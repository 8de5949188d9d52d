import { conductorTerminal } from '../assembly';
import type { ColourCode } from '../catalogue';
import type { Label } from './labels';
import type { Mark, Thing } from './marks';
import type { Paint } from './paint';
import { frameOf, type Picture } from './picture';

/** One conductor on a strip gauge, mm. */
export interface GaugeWire {
  readonly id: string;
  readonly says: string;
  readonly colour: ColourCode;
  /** From the jacket’s edge to its tip; 0 where it is cut off there. */
  readonly mm: number;
  readonly bareMm: number;
}

/** The end of a cable as it is stripped, mm. */
export interface Gauge {
  readonly span: string;
  readonly body: string;
  /** Set free, from the raw end. */
  readonly freeMm: number;
  readonly jacketMm: number;
  readonly jacketColour: ColourCode;
  readonly wires: readonly GaugeWire[];
}

/** Between two wires; how thick one is drawn; the jacket beyond its edge; a letter’s size; mm. */
const [PITCH, THICK, JACKET, LETTERS] = [3.4, 1.8, 22, 2.2];

/** A piece of a wire; nothing where it has no length. */
const bar = (
  { from, to, y }: { readonly from: number; readonly to: number; readonly y: number },
  fill: Paint,
  height: number,
): readonly Mark[] =>
  to <= from
    ? []
    : [
        {
          is: 'box',
          at: { x: (from + to) / 2, y },
          width: to - from,
          height,
          fill,
          stroke: 'outline',
          thick: 0.12,
        },
      ];

/**
 * The end of a cable at its true length, its raw end at the left and its jacket at the right: laid beside it, it shows where to
 * cut the jacket, each wire and its insulation. y downward, mm.
 */
export function gaugeOf({ span, body, freeMm, jacketMm, jacketColour, wires }: Gauge): Picture {
  const high = Math.max(jacketMm, wires.length * PITCH);
  const rowOf = (n: number): number => (n - (wires.length - 1) / 2) * PITCH;
  const jacket: Thing = {
    key: 'jacket',
    is: 'jacket',
    says: 'jacket',
    terminals: [],
    joints: [],
    marks: [
      {
        is: 'box',
        at: { x: freeMm + JACKET / 2, y: 0 },
        width: JACKET,
        height: high,
        round: 1,
        fill: jacketColour,
        stroke: 'outline',
        thick: 0.2,
      },
    ],
  };
  // What is cut off: the raw end, and where the jacket was.
  const scale: Thing = {
    key: 'scale',
    is: 'insert',
    says: 'from the raw end, a line each 10 mm',
    terminals: [],
    joints: [],
    marks: Array.from({ length: Math.floor(freeMm / 10) + 1 }, (_, n): Mark => ({
      is: 'line',
      points: [
        { x: n * 10, y: -high / 2 - 2.5 },
        { x: n * 10, y: high / 2 + (n === 0 ? 2.5 : -high - 1) },
      ],
      stroke: 'outline',
      thick: n === 0 ? 0.3 : 0.15,
    })),
  };
  const drawn = wires.map((wire, n): Thing => {
    const y = rowOf(n);
    const tip = freeMm - wire.mm;
    const insulated = Math.max(0, wire.mm - wire.bareMm);
    return {
      key: wire.id,
      is: 'core',
      says: wire.says,
      terminals: [conductorTerminal(span, wire.id, body)],
      joints: [],
      marks: [
        ...bar({ from: tip, to: tip + wire.bareMm, y }, 'copper', THICK * 0.55),
        ...bar({ from: tip + wire.bareMm, to: tip + wire.bareMm + insulated, y }, wire.colour, THICK),
      ],
    };
  });
  const labels = wires.map((wire, n): Label => ({
    key: `letters ${wire.id}`,
    text: wire.colour,
    is: 'letters',
    at: { x: freeMm + JACKET + 4, y: rowOf(n) },
    size: LETTERS,
    terminals: [conductorTerminal(span, wire.id, body)],
    on: wire.colour,
  }));
  const things = [jacket, scale, ...drawn];
  return { things, labels, frame: frameOf(things, labels) };
}
