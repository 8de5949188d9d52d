import type { CoverDrilling, CoverHole } from '../drilling';
import { frameOf, onPaperPages, type Mark, type Paper, type Picture, type Sheet } from '../drawing';
import { schoolsOf, type Lead } from '../lead';
import { capital, formatLength, type LengthSystem } from '../quantity';
import { lengthSystem } from '../wiring';
import { heading, writing } from './bands';
import { ARM, band, cross, EDGE, FINE, thing } from './drill-marks';

/** Where a hole of a cover is, from the middle of it as it is seen from outside. */
function sayCoverHole({ says, x, y, holeMm }: CoverHole, system: LengthSystem): string {
  const far = (mm: number, more: string, less: string): readonly string[] =>
    Math.abs(mm) < 0.05
      ? []
      : [`${formatLength(Math.round(Math.abs(mm) * 10) / 10, system)} ${mm > 0 ? more : less}`];
  const [first, second] = [...far(x, 'to the right of', 'to the left of'), ...far(y, 'below', 'above')];
  const at =
    first === undefined
      ? 'in the middle'
      : second === undefined
        ? `${first} the middle`
        : `${first} the middle and ${second} it`;
  return `${capital(says)}: hole ${formatLength(holeMm, system)}, ${at}.`;
}

/** Where a cover is drilled, in words: each hole, and the room that is left. */
export const sayCover = ({ holes, clearances }: CoverDrilling, system: LengthSystem): readonly string[] => [
  ...holes.map((hole) => sayCoverHole(hole, system)),
  ...clearances.map(
    ({ a, b, mm }) =>
      `From the hole of ${a} to ${b.endsWith('wire') ? `that of ${b}` : b}: ${formatLength(Math.round(mm * 10) / 10, system)}.`,
  ),
];

/** A cover from outside: its outer edge, the inner edge of its rim, what stands behind it, and the holes with their middles. */
function coverPicture({ cover, holes }: CoverDrilling): Picture {
  const { isRound, wideMm, highMm, wallMm, behind } = cover;
  const at = { x: 0, y: 0 };
  const edge = (more: number, stroke: 'ink' | 'wire', thick: number): Mark =>
    isRound
      ? { is: 'disc', at, r: wideMm / 2 + more, stroke, thick }
      : { is: 'box', at, width: wideMm + 2 * more, height: highMm + 2 * more, stroke, thick };
  const things = [
    thing('cover', 'the cover', [edge(wallMm, 'ink', EDGE), edge(0, 'wire', FINE)]),
    ...(behind.wideMm > 0 && behind.highMm > 0
      ? [
          thing('behind', 'what stands behind it', [
            behind.isRound
              ? { is: 'disc', at, r: behind.wideMm / 2, stroke: 'wire', thick: FINE }
              : { is: 'box', at, width: behind.wideMm, height: behind.highMm, stroke: 'wire', thick: FINE },
          ]),
        ]
      : []),
    ...holes.map(({ says, x, y, holeMm }) =>
      thing(says, `hole for ${says}`, [
        { is: 'disc', at: { x, y }, r: holeMm / 2, stroke: 'ink', thick: EDGE },
        ...cross({ x, y }, holeMm / 2 + ARM),
      ]),
    ),
  ];
  return { things, labels: [], frame: frameOf(things, []) };
}

/** The cover of a lamp on paper at true size, to be laid on and pricked through: its two holes, and the room about them; with a bar of 100 mm. */
export function coverPages(lead: Lead, drilling: CoverDrilling, paper: Paper = 'a4'): readonly Sheet[] {
  const system = lengthSystem(schoolsOf(lead));
  const { isRound, wideMm, highMm, wallMm, behind } = drilling.cover;
  const say = (mm: number): string => formatLength(mm, system);
  const row = (text: string) => writing(text, 184, 2);
  const bands = [
    row(
      `A ${isRound ? `round cover, ${say(wideMm)} across` : `cover of ${say(wideMm)} × ${say(highMm)}`} inside its rim of ${say(wallMm)}${
        behind.wideMm > 0 && behind.highMm > 0
          ? `; behind its middle ${behind.isRound ? `${say(behind.wideMm)} across` : `${say(behind.wideMm)} × ${say(behind.highMm)}`} are taken`
          : ''
      }. Measure the bar below first: a print that is not true spoils the cover.`,
    ),
    row(
      'Cells out. Look behind before you mark: springs, ribs, which side is up. Try the drill on a scrap with the wire: it has to be snug. Deburr both sides, filings out. Eye protection; the cover in a vice, not in the hand.',
    ),
    heading('The cover, seen from outside'),
    band(coverPicture(drilling)),
    ...sayCover(drilling, system).map(row),
    row('Both wires go through before they are soldered: afterwards they cannot.'),
  ];
  return onPaperPages(bands, `${lead.name}: drilling`, paper, wideMm + 2 * wallMm + 6);
}
