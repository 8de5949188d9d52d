import { conductorsOf, spansAt, type Assembly, type Body } from '../assembly';
import { COLOURS } from '../catalogue';
import { bad, good, parseLength, type Problem, type Result } from '../quantity';
import { drilledOf } from './drilled';

/** A cover as it was measured, mm; what stands behind it – cells, a lens – in its middle, round or not; 0 where nothing does. */
export interface Cover {
  readonly isRound: boolean;
  /** Inside its rim, seen from outside; of a round one both are its diameter. */
  readonly wideMm: number;
  readonly highMm: number;
  readonly wallMm: number;
  /** Inside, from the cover to what it closes on. */
  readonly deepMm: number;
  readonly behind: { readonly isRound: boolean; readonly wideMm: number; readonly highMm: number };
}

/** How the measures of a cover are asked for, as they were typed. `high` is empty where it is round, `tall` where what stands behind it is. */
export interface AskedCover {
  readonly across?: string | undefined;
  readonly high?: string | undefined;
  readonly rim?: string | undefined;
  readonly deep?: string | undefined;
  readonly behind?: string | undefined;
  readonly tall?: string | undefined;
}

/** Where nothing is said of it (common practice: measure yours). */
export const USUAL_RIM = '1.5 mm';

interface Measure {
  readonly says: string;
  readonly least: number;
  readonly most: number;
  /** What is taken where nothing is typed; needed where nothing is said here. */
  readonly without?: string;
}
const MEASURES: Readonly<Record<keyof AskedCover, Measure>> = {
  across: { says: 'How wide the cover is inside its rim', least: 15, most: 300 },
  high: { says: 'How high the cover is inside its rim', least: 15, most: 300, without: '' },
  rim: { says: 'The wall of its rim', least: 0.3, most: 10, without: USUAL_RIM },
  deep: { says: 'The depth inside, from the cover to what it closes on,', least: 1, most: 200 },
  behind: { says: 'How wide what stands behind it is', least: 0, most: 300, without: '' },
  tall: { says: 'How high what stands behind it is', least: 0, most: 300, without: '' },
};

/**
 * The cover as it was measured. Errors name the field: `box.measure` where it is no length, `box.range` where no cover is like
 * that.
 */
export function readCover(asked: AskedCover): Result<Cover> {
  const problems: Problem[] = [];
  const read = (field: keyof AskedCover): number | undefined => {
    const { says, least, most, without } = MEASURES[field];
    const typed = asked[field]?.trim() || (without ?? '');
    if (typed === '' && without !== undefined) return undefined;
    // Nothing behind it is nothing, and no length that was mistyped.
    if (least === 0 && /^0+(?:[.,]0+)?\s*(?:mm)?$/.test(typed)) return 0;
    const mm =
      typed === ''
        ? bad(
            'box.measure',
            `${says} is needed: measure it, as ${field === 'deep' ? '12 mm or 1/2 in' : '62 mm or 2 1/2 in'}.`,
            field,
          )
        : parseLength(typed, { bare: 'mm', path: field });
    if (!mm.ok) problems.push(...mm.problems);
    else if (mm.value < least || mm.value > most)
      problems.push({
        code: 'box.range',
        says: `${says} is between ${least} and ${most} mm; “${typed}” is not.`,
        path: field,
      });
    else return mm.value;
    return undefined;
  };
  const [wideMm = 0, highMm, wallMm = 0, deepMm = 0, wide, tall] = [
    read('across'),
    read('high'),
    read('rim'),
    read('deep'),
    read('behind'),
    read('tall'),
  ];
  if (problems.length > 0) return { ok: false, problems };
  const behind = { isRound: tall === undefined, wideMm: wide ?? tall ?? 0, highMm: tall ?? wide ?? 0 };
  const cover = { isRound: highMm === undefined, wideMm, highMm: highMm ?? wideMm, wallMm, deepMm, behind };
  return fitsBehind(cover)
    ? good(cover)
    : bad('box.range', 'What stands behind it is larger than the cover: measure both again.', 'behind');
}

/** Whether what stands behind a cover has room there at all. */
function fitsBehind({ isRound, wideMm, highMm, behind }: Cover): boolean {
  const [wide, high] = [behind.wideMm, behind.highMm];
  if (isRound && !behind.isRound) return Math.hypot(wide, high) <= wideMm + NOTHING;
  return wide <= wideMm + NOTHING && high <= highMm + NOTHING;
}
const NOTHING = 1e-9;

/** One hole in a cover, from its middle as it is seen from outside: to the right and down, mm. */
export interface CoverHole {
  /** By its colour, or its number. */
  readonly wire: string;
  readonly x: number;
  readonly y: number;
  readonly holeMm: number;
}

/** From the edge of a hole to what is next to it: “from the hole of the red wire to the rim”. */
export interface CoverClearance {
  readonly says: string;
  readonly mm: number;
}

/** Where a cover is drilled. */
export interface CoverDrilling {
  readonly cover: Cover;
  readonly holes: readonly [CoverHole, CoverHole];
  /** The least first. */
  readonly clearances: readonly CoverClearance[];
  /** What the thicker of the two takes of the depth, to turn off behind the cover. */
  readonly turnMm: number;
}

/** A wire turns off no tighter than by its own width inside the bend: so many times its width of the depth, with itself (common practice). */
const TURN = 2;

/** Nearer than this nothing is drilled, mm; from so much on more is no better (common practice). */
const [LEAST_MM, ENOUGH_MM] = [1, 5];
/** Places are looked for by this, mm. */
const STEP_MM = 0.5;

/** How far the edge of a hole is from the rim, from what stands behind, and from the other hole, each mm. */
function clearancesOf(
  cover: Cover,
  [one, other]: readonly [CoverHole, CoverHole],
): readonly CoverClearance[] {
  const { isRound, wideMm, highMm, behind } = cover;
  const each = ({ wire, x, y, holeMm }: CoverHole): readonly CoverClearance[] => {
    const r = holeMm / 2;
    const rim = isRound
      ? wideMm / 2 - Math.hypot(x, y)
      : Math.min(wideMm / 2 - Math.abs(x), highMm / 2 - Math.abs(y));
    const [dx, dy] = [Math.abs(x) - behind.wideMm / 2, Math.abs(y) - behind.highMm / 2];
    const off = behind.isRound
      ? Math.hypot(x, y) - behind.wideMm / 2
      : dx > 0 && dy > 0
        ? Math.hypot(dx, dy)
        : Math.max(dx, dy);
    const from = `from the hole of the ${wire} wire to`;
    return [
      { says: `${from} the rim`, mm: rim - r },
      ...(isAnything(behind) ? [{ says: `${from} what stands behind`, mm: off - r }] : []),
    ];
  };
  const between = Math.hypot(one.x - other.x, one.y - other.y) - (one.holeMm + other.holeMm) / 2;
  const says = `from the hole of the ${one.wire} wire to that of the ${other.wire} wire`;
  return [...each(one), ...each(other), { says, mm: between }].sort((a, b) => a.mm - b.mm);
}

/** Whether there is anything behind a cover that could be in the way. */
export const isAnything = ({ wideMm, highMm }: Cover['behind']): boolean => wideMm > 0 && highMm > 0;

/** The two wires that go through, and the hole of each: as wide as it is over its insulation. */
function wiresOf(assembly: Assembly, body: Body): readonly Pick<CoverHole, 'wire' | 'holeMm'>[] {
  return spansAt(assembly, body.id).flatMap((span) =>
    conductorsOf(assembly, span).flatMap(({ id, colour, outerMm }) =>
      outerMm === undefined ? [] : [{ wire: colour === '??' ? id : COLOURS[colour], holeMm: outerMm }],
    ),
  );
}

/**
 * Two holes for the wires of a lamp, side by side or one over the other where that is roomier: away from the rim, from what
 * stands behind, and from each other. Errors: `drill.no-box` where nothing has a cover, `drill.hole` where it is not known how thick
 * the wires are, `drill.collides` where there is no room for them.
 */
export function coverDrilling(assembly: Assembly, cover: Cover): Result<CoverDrilling> {
  const drilled = drilledOf(assembly);
  if (drilled?.is !== 'cover')
    return bad('drill.no-box', 'Nothing of this lead has a cover that is drilled.');
  const [one, other] = wiresOf(assembly, drilled.body);
  if (!one || !other)
    return bad('drill.hole', 'How thick its two wires are is not known: choose a wire whose size is.');
  const turnMm = TURN * Math.max(one.holeMm, other.holeMm);
  if (cover.deepMm < turnMm)
    return bad(
      'drill.collides',
      `Inside are ${cover.deepMm} mm, and a wire of ${turnMm / TURN} mm that turns off behind the cover takes ${turnMm} mm: take the wires out at the side, or a thinner wire.`,
      'deep',
    );
  const at = (x: number, y: number, apart: number, isBeside: boolean): CoverDrilling => {
    const [dx, dy] = isBeside ? [apart / 2, 0] : [0, apart / 2];
    const holes = [
      { ...one, x: x - dx, y: y - dy },
      { ...other, x: x + dx, y: y + dy },
    ] as const;
    return { cover, holes, clearances: clearancesOf(cover, holes), turnMm };
  };
  // Below what stands behind, or to its right: the other two are the same.
  const tried = [true, false].flatMap((isBeside) =>
    upTo((isBeside ? cover.highMm : cover.wideMm) / 2).flatMap((off) =>
      upTo((one.holeMm + other.holeMm) / 2 + 2 * ENOUGH_MM).map((apart) =>
        at(isBeside ? 0 : off, isBeside ? off : 0, apart, isBeside),
      ),
    ),
  );
  const least = ({ clearances }: CoverDrilling): number => Math.min(ENOUGH_MM, clearances[0]?.mm ?? 0);
  const best = tried.reduce((so, each) => (least(each) > least(so) + 1e-9 ? each : so));
  const [tightest] = best.clearances;
  if (!tightest || tightest.mm >= LEAST_MM) return good(best);
  return bad(
    'drill.collides',
    `The roomiest place leaves ${Math.max(0, tightest.mm).toFixed(1)} mm ${tightest.says}, less than ${LEAST_MM} mm: take the wires out at another side, or a lamp with more room.`,
    'behind',
  );
}

const upTo = (most: number): readonly number[] =>
  Array.from({ length: Math.floor(most / STEP_MM) + 1 }, (_, n) => n * STEP_MM);
