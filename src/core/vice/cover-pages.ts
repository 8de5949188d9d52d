import { isAnything, type CoverDrilling, type CoverHole } from '../drilling';
import {
  frameOf,
  onPaperPages,
  type Band,
  type Mark,
  type Paper,
  type Picture,
  type Sheet,
} from '../drawing';
import { schoolsOf, type Lead } from '../lead';
import { capital, formatLength, type LengthSystem } from '../quantity';
import { lengthSystem } from '../wiring';
import { heading, writing } from './bands';
import { ARM, band, cross, EDGE, FINE, IN_BAND, thing } from './drill-marks';

/** A cover as it is looked at: from inside, left and right change places. */
type Side = 'outside' | 'inside';
const xFrom = (side: Side, { x }: CoverHole): number => (side === 'outside' ? x : -x);

/** Where a hole of a cover is, from the middle of it as it is seen from that side. */
function sayCoverHole(hole: CoverHole, side: Side, system: LengthSystem): string {
  const far = (mm: number, more: string, less: string): readonly string[] =>
    Math.abs(mm) < 0.05
      ? []
      : [`${formatLength(Math.round(Math.abs(mm) * 10) / 10, system)} ${mm > 0 ? more : less}`];
  const [first, second] = [
    ...far(xFrom(side, hole), 'to the right of', 'to the left of'),
    ...far(hole.y, 'below', 'above'),
  ];
  const at =
    first === undefined
      ? 'in the middle'
      : second === undefined
        ? `${first} the middle`
        : `${first} the middle and ${second} it`;
  return `The ${hole.wire} wire: hole ${formatLength(hole.holeMm, system)}, ${at}.`;
}

/** Where a cover is drilled, in words, from outside: each hole, and the room that is left. */
export const sayCover = (
  { cover, holes, clearances, turnMm }: CoverDrilling,
  system: LengthSystem,
): readonly string[] => [
  ...holes.map((hole) => sayCoverHole(hole, 'outside', system)),
  ...clearances.map(({ says, mm }) => `${capital(says)}: ${formatLength(Math.round(mm * 10) / 10, system)}.`),
  `Behind the cover a wire turns off within ${formatLength(turnMm, system)}, no tighter than its own width: there are ${formatLength(cover.deepMm, system)}.`,
];

/** A cover from one side: its outer edge, the inner edge of its rim, what stands behind it, and the holes with their middles. */
function coverPicture({ cover, holes }: CoverDrilling, side: Side): Picture {
  const { isRound, wideMm, highMm, wallMm, behind } = cover;
  const at = { x: 0, y: 0 };
  const edge = (more: number, stroke: 'ink' | 'wire', thick: number): Mark =>
    isRound
      ? { is: 'disc', at, r: wideMm / 2 + more, stroke, thick }
      : { is: 'box', at, width: wideMm + 2 * more, height: highMm + 2 * more, stroke, thick };
  const things = [
    thing('cover', 'the cover', [edge(wallMm, 'ink', EDGE), edge(0, 'wire', FINE)]),
    ...(isAnything(behind)
      ? [
          thing('behind', 'what stands behind it', [
            behind.isRound
              ? { is: 'disc', at, r: behind.wideMm / 2, stroke: 'wire', thick: FINE }
              : { is: 'box', at, width: behind.wideMm, height: behind.highMm, stroke: 'wire', thick: FINE },
          ]),
        ]
      : []),
    ...holes.map((hole) => {
      const middle = { x: xFrom(side, hole), y: hole.y };
      return thing(hole.wire, `hole for the ${hole.wire} wire`, [
        { is: 'disc', at: middle, r: hole.holeMm / 2, stroke: 'ink', thick: EDGE },
        ...cross(middle, hole.holeMm / 2 + ARM),
      ]);
    }),
  ];
  return { things, labels: [], frame: frameOf(things, []) };
}

/** How large the names of the holes are, and how far from the arms of their crosses, mm. */
const [TYPE, AWAY] = [2.6, 0.8];

/** The cover from one side at true size, with the name of its wire beside each hole: outwards, where there is nothing between the two. */
function coverBand(drilling: CoverDrilling, side: Side): Band {
  const drawn = band(coverPicture(drilling, side));
  const { frame } = coverPicture(drilling, side);
  const middle = drilling.holes.reduce((sum, hole) => sum + xFrom(side, hole), 0) / 2;
  return {
    ...drawn,
    lines: drilling.holes.map((hole) => {
      const [x, off] = [xFrom(side, hole), hole.holeMm / 2 + ARM + AWAY];
      const isLeft = x < middle - 0.05;
      return {
        text: hole.wire,
        x: IN_BAND.x - frame.x + (isLeft ? x - off - hole.wire.length * TYPE * 0.54 : x + off),
        y: IN_BAND.y - frame.y + hole.y + TYPE / 3,
        size: TYPE,
      };
    }),
  };
}

/** The cover of a lamp on paper at true size, to be laid on and pricked through: its two holes, and the room about them; with a bar of 100 mm. */
export function coverPages(lead: Lead, drilling: CoverDrilling, paper: Paper = 'a4'): readonly Sheet[] {
  const system = lengthSystem(schoolsOf(lead));
  const { isRound, wideMm, highMm, wallMm, deepMm, behind } = drilling.cover;
  const say = (mm: number): string => formatLength(mm, system);
  const row = (text: string) => writing(text, 184, 2);
  const bands = [
    row(
      `A ${isRound ? `round cover, ${say(wideMm)} across` : `cover of ${say(wideMm)} × ${say(highMm)}`} inside its rim of ${say(wallMm)}, ${say(deepMm)} deep${
        isAnything(behind)
          ? `; behind its middle ${behind.isRound ? `${say(behind.wideMm)} across` : `${say(behind.wideMm)} × ${say(behind.highMm)}`} are taken`
          : ''
      }. Measure the bar below first: a print that is not true spoils the cover.`,
    ),
    row(
      'Cells out. Look behind before you mark: springs, ribs, which side is up. Try the drill on a scrap with the wire: it has to be snug. Deburr both sides, filings out. Eye protection; the cover in a vice, not in the hand.',
    ),
    heading('The cover, seen from outside'),
    coverBand(drilling, 'outside'),
    ...sayCover(drilling, system).map(row),
    heading('The same seen from inside: left and right have changed places'),
    coverBand(drilling, 'inside'),
    ...drilling.holes.map((hole) => row(sayCoverHole(hole, 'inside', system))),
    row('Both wires go through before they are soldered: afterwards they cannot.'),
  ];
  return onPaperPages(bands, `${lead.name}: drilling`, paper, wideMm + 2 * wallMm + 6);
}
