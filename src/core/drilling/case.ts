import { bad, good, parseLength, type Problem, type Result } from '../quantity';

/** A box, measured inside, mm: its front is long and wide; how deep it is from the front to the lid. */
export interface BoxInside {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly wallMm: number;
  /** The posts of the lid’s screws stand in its four corners: so much of each side; 0 where there are none. */
  readonly bossMm: number;
}

/** What each measure may be, mm. */
const LIMITS: Readonly<
  Record<keyof BoxInside, { readonly says: string; readonly least: number; readonly most: number }>
> = {
  lengthMm: { says: 'The length inside', least: 20, most: 400 },
  widthMm: { says: 'The width inside', least: 15, most: 300 },
  depthMm: { says: 'The depth inside', least: 10, most: 200 },
  wallMm: { says: 'The wall', least: 0.5, most: 10 },
  bossMm: { says: 'A corner post', least: 0, most: 20 },
};

/** How the measures of a box are asked for, as they were typed: `110 mm`, `4 1/2 in`. */
export interface AskedBox {
  readonly length?: string | undefined;
  readonly width?: string | undefined;
  readonly depth?: string | undefined;
  readonly wall?: string | undefined;
  readonly boss?: string | undefined;
}

const FIELDS = {
  length: 'lengthMm',
  width: 'widthMm',
  depth: 'depthMm',
  wall: 'wallMm',
  boss: 'bossMm',
} as const;

/** Where nothing is said of them: a wall of 2 mm, and posts of 6 mm (common practice: measure yours). */
export const USUAL_BOX = { wall: '2 mm', boss: '6 mm' } as const;

/**
 * The box as it was measured. Errors name the field: `box.measure` where it is no length, `box.range` where no box is like that,
 * `box.posts` where its posts leave no room between them.
 */
export function readBox(asked: AskedBox): Result<BoxInside> {
  const problems: Problem[] = [];
  const box = { lengthMm: 0, widthMm: 0, depthMm: 0, wallMm: 0, bossMm: 0 };
  for (const field of Object.keys(FIELDS) as (keyof typeof FIELDS)[]) {
    const { says, least, most } = LIMITS[FIELDS[field]];
    const typed = asked[field]?.trim() || (field === 'wall' || field === 'boss' ? USUAL_BOX[field] : '');
    // A box may have no posts: that is nothing, and no length that was mistyped.
    if (field === 'boss' && /^0+(?:[.,]0+)?\s*(?:mm)?$/.test(typed)) continue;
    const read =
      typed === ''
        ? bad('box.measure', `${says} is needed: measure it, as 110 mm or 4 1/2 in.`, field)
        : parseLength(typed, { bare: 'mm', path: field });
    if (!read.ok) problems.push(...read.problems);
    else if (read.value < least || read.value > most)
      problems.push({
        code: 'box.range',
        says: `${says} is between ${least} and ${most} mm; “${typed}” is not.`,
        path: field,
      });
    else box[FIELDS[field]] = read.value;
  }
  if (problems.length > 0) return { ok: false, problems };
  if (2 * box.bossMm > Math.min(box.lengthMm, box.widthMm) - 10)
    return bad(
      'box.posts',
      `Posts of ${box.bossMm} mm leave no room between them in a box like that.`,
      'boss',
    );
  return good(box);
}
