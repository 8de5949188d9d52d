import type { Assembly } from '../assembly';
import type { PeeledEnd } from './drawn';
import { boxOf, placed, type Label } from './labels';
import { coveredBy, frameRound, moveThings, turned, turnThings, type Frame, type Thing } from './marks';
import { peel, type PeelOptions } from './peel';
import type { Point } from './point';
import { spotsOf } from './spots';
import { thingsOf } from './things';
import { wishesOf, type Writing } from './wishes';

/** A picture: what is seen, the lowest first, what is written on it, and the frame round all of it. mm, y downward. */
export interface Picture {
  readonly things: readonly Thing[];
  readonly labels: readonly Label[];
  readonly frame: Frame;
}

export interface PictureOptions extends PeelOptions, Writing {}

const MARGIN = 1.5;
/** What type is set in where one picture has a page to itself, mm. */
const PHONE_TYPE = 2;

/** The frame round things and labels. */
export const frameOf = (things: readonly Thing[], labels: readonly Label[]): Frame =>
  frameRound(
    [
      ...things.flatMap(({ marks }) => marks.filter(({ unseen }) => !unseen).map(coveredBy)),
      ...labels.map(boxOf),
    ],
    MARGIN,
  );

/** What was opened, turned as it lies in the vice, with everything written on it upright. */
export function pictureOf(end: PeeledEnd, options: Writing = {}): Picture {
  const { turn = 0 } = options;
  const to = <T extends Point>(point: T): T => ({ ...point, ...turned(point, turn) });
  const things = turnThings(thingsOf(end), turn);
  const labels = placed(
    wishesOf(end, options).map((wish) => ({
      ...wish,
      anchor: to(wish.anchor),
      candidates: wish.candidates.map(to),
    })),
    spotsOf(end).map(to),
  );
  return { things, labels, frame: frameOf(things, labels) };
}

/** A phone's page is so wide, px, and nothing on it is set smaller (architecture of the page; common practice for reading at arm's length). */
const [PHONE_PX, SMALLEST_PX] = [350, 11];

/** What was opened, its type so large that it can be read where the whole picture is as wide as a phone's page. */
export function legible(end: PeeledEnd, { typeMm = PHONE_TYPE, ...writing }: Writing = {}): Picture {
  let type = typeMm;
  let picture = pictureOf(end, { ...writing, typeMm: type });
  // Larger type may ask for a wider picture, which asks for larger type: that ends soon.
  for (let tries = 0; tries < 8; tries++) {
    const needed = (picture.frame.width * SMALLEST_PX) / PHONE_PX;
    if (needed <= type) break;
    type = needed * 1.04;
    picture = pictureOf(end, { ...writing, typeMm: type });
  }
  return picture;
}

/** An end as it lies in the hand. Undefined for one with no connector or whose view is not known. */
export function drawEnd(
  assembly: Assembly,
  endId: string,
  options: PictureOptions = {},
): Picture | undefined {
  const end = peel(assembly, endId, options);
  return end && pictureOf(end, options);
}

/** A picture moved across the page. */
export function movePicture({ things, labels, frame }: Picture, by: Point): Picture {
  const to = ({ x, y }: Point): Point => ({ x: x + by.x, y: y + by.y });
  return {
    things: moveThings(things, by),
    labels: labels.map((label) => ({
      ...label,
      at: to(label.at),
      ...(label.leader ? { leader: [to(label.leader[0]), to(label.leader[1])] as const } : {}),
    })),
    frame: { ...frame, ...to(frame) },
  };
}
