import type { Band } from '../../assembly';
import type { DrawnPart } from '../inside';
import type { Mark } from '../marks';
import type { Paint } from '../paint';

const EDGE = { stroke: 'outline', thick: 0.2 } as const;

const paintOf = (band: Band): Paint => band;

/** A body with rounded ends. */
const barrel = (
  { at, length, width }: DrawnPart,
  fill: Paint,
  round = width / 2.4,
): Extract<Mark, { is: 'box' }> => ({
  is: 'box',
  at,
  width: length,
  height: width,
  round,
  fill,
  ...EDGE,
});

/** A resistor with its bands, read from the end that they are nearer to; the last stands apart. */
const resistor = (part: DrawnPart): readonly Mark[] => {
  const { at, length, width, bands } = part;
  return [
    barrel(part, 'clay'),
    ...bands.map((band, n): Mark => ({
      is: 'box',
      at: {
        x: at.x - length / 2 + 1.2 + n * ((length - 2.6) / bands.length) + (n === bands.length - 1 ? 0.7 : 0),
        y: at.y,
      },
      width: 0.6,
      height: width,
      fill: paintOf(band),
      stroke: 'outline',
      thick: 0.06,
    })),
  ];
};

/** A control from behind: its can, its shaft, and a lug where each of its legs begins. */
const control = ({ at, length, width, legs }: DrawnPart): readonly Mark[] => [
  ...legs.map(({ curve: [lug] }): Mark => ({
    is: 'box',
    at: lug,
    width: 3.4,
    height: 1.3,
    round: 0.4,
    fill: 'silver',
    ...EDGE,
  })),
  { is: 'box', at, width: length, height: width, round: 1.2, fill: 'metal', ...EDGE },
  { is: 'disc', at, r: Math.min(length, width) * 0.36, fill: 'steel', ...EDGE },
  { is: 'disc', at, r: Math.min(length, width) * 0.16, fill: 'metal', ...EDGE },
];

/** A lamp from the side: its dome away from the contacts, where it looks out. */
const lamp = ({ at, length, width, toward }: DrawnPart): readonly Mark[] => [
  {
    is: 'disc',
    at: { x: at.x + toward * (length / 2 - width / 2), y: at.y },
    r: width / 2,
    fill: 'glass',
    ...EDGE,
  },
  {
    is: 'box',
    at: { x: at.x - toward * (width / 4), y: at.y },
    width: length - width / 2,
    height: width,
    fill: 'glass',
    ...EDGE,
  },
  {
    is: 'box',
    at: { x: at.x - toward * (length / 2 - 0.4), y: at.y },
    width: 0.8,
    height: width + 0.8,
    round: 0.2,
    fill: 'glass',
    ...EDGE,
  },
];

/** A switch from behind, with its lever. */
const lever = ({ at, length, width, toward }: DrawnPart): readonly Mark[] => [
  { is: 'box', at, width: length, height: width, round: 0.6, fill: 'dark', ...EDGE },
  {
    is: 'box',
    at: { x: at.x - toward * length * 0.18, y: at.y },
    width: length * 0.4,
    height: width * 0.5,
    round: 0.4,
    fill: 'metal',
    ...EDGE,
  },
];

/** A cell: its can, and the nipple at its plus. */
const cell = (part: DrawnPart): readonly Mark[] => {
  const { at, length, width, toward, mark } = part;
  const plus = (mark === 'insert' ? -1 : 1) * toward;
  return [
    barrel(part, 'metal', 0.8),
    {
      is: 'box',
      at: { x: at.x + plus * (length / 2 + 0.3), y: at.y },
      width: 1,
      height: width * 0.35,
      round: 0.2,
      fill: 'metal',
      ...EDGE,
    },
  ];
};

const core = (part: DrawnPart): readonly Mark[] => [
  barrel(part, 'dark', 0.6),
  ...[-1, 1].map((side): Mark => ({
    is: 'box',
    at: { x: part.at.x + (side * part.length) / 4, y: part.at.y },
    width: part.length / 4,
    height: part.width * 0.7,
    round: 0.6,
    fill: 'copper',
    ...EDGE,
  })),
];

/** The band of a diode, at its cathode. */
const diode = (part: DrawnPart): readonly Mark[] => [
  barrel(part, 'glass'),
  {
    is: 'box',
    at: {
      x: part.at.x + (part.mark === 'insert' ? -1 : 1) * part.toward * (part.length / 2 - 0.9),
      y: part.at.y,
    },
    width: 0.7,
    height: part.width,
    fill: 'ink',
  },
];

/** What a part looks like, lying in its shell. */
export function partMarks(part: DrawnPart): readonly Mark[] {
  switch (part.kind) {
    case 'resistor':
      return resistor(part);
    case 'diode':
      return diode(part);
    case 'led':
    case 'lamp':
      return lamp(part);
    case 'potentiometer':
      return control(part);
    case 'switch':
      return lever(part);
    case 'battery':
      return cell(part);
    case 'transformer':
      return core(part);
    case 'capacitor':
      return [barrel(part, 'metal', 0.6)];
  }
}
