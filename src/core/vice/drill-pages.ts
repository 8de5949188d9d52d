import { bodyOfEnd, endsOf } from '../assembly';
import { sayClearances } from './say-drilling';
import { FACES, faceSize, type BoxInside, type Drilling, type FaceName, type Hole } from '../drilling';
import {
  frameOf,
  movePicture,
  onPaperPages,
  type Band,
  type Mark,
  type Paper,
  type Picture,
  type Sheet,
} from '../drawing';
import { mainUse, schoolsOf, type Lead } from '../lead';
import { formatLength, type LengthSystem } from '../quantity';
import { leadSignal } from '../signal';
import { lengthSystem } from '../wiring';
import { heading, writing } from './bands';
import { ARM, band, cross, EDGE, FINE, thing } from './drill-marks';

/** A control of this kind turns so far, degrees (from memory: measure yours). */
const TURN_DEGREES = 300;
/** From the middle of the dial to its ticks, and to what stands beside them, mm. */
const [DIAL, TICK, FIGURES] = [11, 2.4, 15];

/** A face from outside at true size: its outer edge, the inner edge of its walls, its holes with their middles, and nubs. */
function faceOf(face: FaceName, { box, holes }: Drilling, nubs: boolean): Picture {
  const [wide, high] = faceSize(face, box);
  const wall = box.wallMm;
  const outer = { x: wide / 2, y: high / 2 };
  const things = [
    thing(face, face, [
      { is: 'box', at: outer, width: wide + 2 * wall, height: high + 2 * wall, stroke: 'ink', thick: EDGE },
      { is: 'box', at: outer, width: wide, height: high, stroke: 'wire', thick: FINE },
    ]),
    ...holes
      .filter((hole) => hole.face === face)
      .map((hole) => {
        const { x, y, of } = hole;
        return thing(of.id, of.says, [
          { is: 'disc', at: { x, y }, r: of.holeMm / 2, stroke: 'ink', thick: EDGE },
          ...cross({ x, y }, of.holeMm / 2 + ARM),
          ...(of.nub && nubs
            ? ([
                {
                  is: 'disc',
                  at: { x: x - of.nub.fromMm, y },
                  r: of.nub.holeMm / 2,
                  stroke: 'ink',
                  thick: FINE,
                },
              ] as const)
            : []),
        ]);
      }),
  ];
  return { things, labels: [], frame: frameOf(things, []) };
}

/** Where a hole is, from the outer edges of its face: it is marked from outside. */
function sayHole(
  { of, face, x, y }: Hole,
  { wallMm }: BoxInside,
  system: LengthSystem,
  nubs: boolean,
): string {
  const upper = face === 'front' ? 'the upper edge' : 'the edge at the front';
  return [
    `${of.id}, ${of.says}: hole ${formatLength(of.holeMm, system)}`,
    `middle ${formatLength(x + wallMm, system)} from the left edge, ${formatLength(y + wallMm, system)} from ${upper}`,
    ...(of.nub
      ? [
          nubs
            ? `hole ${formatLength(of.nub.holeMm, system)} for its nub ${formatLength(of.nub.fromMm, system)} to the left`
            : 'its nub is ground off',
        ]
      : []),
  ].join('; ');
}

/** The scale of a knob: ticks of a turn from 0 to 10, and what arrives at each, as the circuit says. */
function dialOf(lead: Lead): readonly Band[] {
  const use = mainUse(lead);
  const signal = use && leadSignal(lead.assembly, use, { ranges: false });
  if (!signal?.ok) return [];
  const points = signal.value.charts.find(({ name }) => name === 'Level against turn')?.series[0]?.points;
  if (!points) return [];
  const ticks = Array.from({ length: 11 }, (_, n) => {
    const angle = ((-TURN_DEGREES / 2 + (TURN_DEGREES * n) / 10) * Math.PI) / 180;
    const [x, y] = [Math.sin(angle), -Math.cos(angle)];
    const db = points.find(([turn]) => Math.abs(turn - 10 * n) < 0.01)?.[1];
    return { n, x, y, db };
  });
  const things = [
    thing('dial', 'scale of the knob', [
      ...ticks.map(({ x, y }): Mark => ({
        is: 'line',
        points: [
          { x: DIAL * x, y: DIAL * y },
          { x: (DIAL + TICK) * x, y: (DIAL + TICK) * y },
        ],
        stroke: 'ink',
        thick: EDGE,
      })),
      ...cross({ x: 0, y: 0 }, ARM),
    ]),
  ];
  const [left, top, type] = [26, 22, 2.6];
  return [
    heading('Scale of the knob, at true size'),
    writing(
      `Ticks for a turn of ${TURN_DEGREES}° (from memory: measure yours). At each, what arrives, dB of what is sent, by the circuit. The knob’s mark stands at 0 turned fully down.`,
      180,
      2,
    ),
    {
      height: 2 * top,
      pictures: [movePicture({ things, labels: [], frame: frameOf(things, []) }, { x: left, y: top })],
      lines: ticks.map(({ n, x, y, db }) => {
        const text = `${n}${db === undefined || !Number.isFinite(db) ? '' : `: ${db.toFixed(0).replace('-', '−')}`}`;
        // What stands to the left of the dial ends at its tick, what stands to the right begins there.
        const wide = text.length * type * 0.54;
        return {
          text,
          x: left + FIGURES * x - (Math.abs(x) < 0.2 ? wide / 2 : x < 0 ? wide : 0),
          y: top + FIGURES * y + type / 3,
          size: type,
        };
      }),
    },
  ];
}

/**
 * A box on paper at true size, to be laid on and pricked through: its ends and its front from outside with every hole, where
 * each is from the edges, what stands behind it and how much room is left, the scale of its knob; with a bar of 100 mm.
 */
export function drillPages(lead: Lead, drilling: Drilling, paper: Paper = 'a4'): readonly Sheet[] {
  const schools = schoolsOf(lead);
  const system = lengthSystem(schools);
  // A control’s nub has a hole of its own, or none.
  const nubs = schools['locating-nub'] === 'hole';
  const { holes, box } = drilling;
  const say = (mm: number): string => formatLength(mm, system);
  const row = (text: string): Band => writing(text, 184, 2);
  const ends = endsOf(lead.assembly).filter((end) => bodyOfEnd(lead.assembly, end.id)?.kind === 'box').length;
  const bands = [
    row(
      `A box of ${say(box.lengthMm)} × ${say(box.widthMm)} × ${say(box.depthMm)} inside, wall ${say(box.wallMm)}. Measure the bar below first: a print that is not true spoils the box.`,
    ),
    row(
      'Look inside before you mark: ribs, posts, depth, which side faces which. Prick the middles through, pilot, then drill up in steps; deburr both sides. Eye protection; the box in a vice, not in the hand.',
    ),
    ...FACES.filter((face) => holes.some((hole) => hole.face === face)).flatMap((face) => {
      const on = holes.filter((hole) => hole.face === face);
      return [
        heading(`The ${face}, seen from outside${face === 'front' ? '' : '; the front is up'}`),
        band(faceOf(face, drilling, nubs)),
        ...on.map((hole) => row(sayHole(hole, box, system, nubs))),
      ];
    }),
    heading('Behind them (nominal: measure yours)'),
    ...sayClearances(drilling, system).map(row),
    row(
      `The thread of each of the ${ends} sockets has to reach through ${say(box.wallMm)} of wall, a washer and its nut.`,
    ),
    ...dialOf(lead),
  ];
  const wide = Math.max(...FACES.map((face) => faceSize(face, box)[0])) + 2 * box.wallMm + 6;
  return onPaperPages(bands, `${lead.name}: drilling`, paper, wide);
}
