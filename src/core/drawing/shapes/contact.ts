import type { DrawnContact } from '../drawn';
import type { Mark } from '../marks';

const EDGE = { stroke: 'outline', thick: 0.25 } as const;

/** A cup: a rim, hollow, open toward the cable. */
const cup = ({ x, y, radius: r }: DrawnContact, toward: 1 | -1): readonly Mark[] => [
  { is: 'disc', at: { x, y }, r, fill: 'metal', ...EDGE },
  { is: 'disc', at: { x, y }, r: r * 0.64, fill: 'hollow' },
  { is: 'box', at: { x: x + toward * r * 0.62, y }, width: r * 0.8, height: r * 0.9, fill: 'hollow' },
];

/** A tab or a lug with its hole; a lug is the larger, and ends in the two wings that close on the jacket. */
function lug({ x, y, radius: r }: DrawnContact, toward: 1 | -1, isLarge: boolean): readonly Mark[] {
  const [length, width] = isLarge ? [r * 4.4, r * 2 + 1] : [r * 3.6, r * 2 + 0.5];
  return [
    {
      is: 'box',
      at: { x: x - toward * (length / 2 - r - 0.3), y },
      width: length,
      height: width,
      round: 0.5,
      fill: 'metal',
      ...EDGE,
    },
    ...(isLarge
      ? [-1, 1].map((side): Mark => ({
          is: 'box',
          at: { x: x + toward * (r + 1.6), y: y + side * (width / 2 + 0.1) },
          width: 2.6,
          height: 0.9,
          round: 0.3,
          fill: 'metal',
          ...EDGE,
        }))
      : []),
    { is: 'disc', at: { x, y }, r: Math.min(r, width / 2 - 0.25) * 0.8, fill: 'paper', ...EDGE },
  ];
}

const screw = ({ x, y, radius: r }: DrawnContact): readonly Mark[] => [
  { is: 'disc', at: { x, y }, r, fill: 'metal', ...EDGE },
  {
    is: 'line',
    points: [
      { x: x - r * 0.7, y: y - r * 0.7 },
      { x: x + r * 0.7, y: y + r * 0.7 },
    ],
    stroke: 'outline',
    thick: 0.4,
  },
];

const pad = ({ x, y, radius: r }: DrawnContact): readonly Mark[] => [
  { is: 'box', at: { x, y }, width: r * 3, height: r * 2, round: 0.4, fill: 'silver', ...EDGE },
];

/** A pin on a loose wire: away from the cable, what it is joined by at its end. */
const pin = ({ x, y, radius: r }: DrawnContact, toward: 1 | -1): readonly Mark[] => [
  { is: 'box', at: { x: x - toward * 5, y }, width: 9, height: r * 1.2, round: 0.4, fill: 'silver', ...EDGE },
  {
    is: 'box',
    at: { x: x - toward * 0.6, y },
    width: 3,
    height: r * 2.6,
    round: 0.4,
    fill: 'metal',
    ...EDGE,
  },
];

/** A contact from behind, by what a wire goes into; from the front, what is seen of it is a plain disc. */
export function contactMarks(
  contact: DrawnContact,
  side: 'solder' | 'mating',
  toward: 1 | -1,
): readonly Mark[] {
  const { x, y, radius: r, takes } = contact;
  if (side === 'mating') return [{ is: 'disc', at: { x, y }, r, fill: 'hollow', ...EDGE }];
  if (takes === 'tab' || takes === 'lug') return lug(contact, toward, takes === 'lug');
  if (takes === 'screw') return screw(contact);
  if (takes === 'pad') return pad(contact);
  if (takes === 'pin') return pin(contact, toward);
  return cup(contact, toward);
}
