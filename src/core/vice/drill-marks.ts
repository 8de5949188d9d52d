import { movePicture, type Band, type Mark, type Picture, type Thing } from '../drawing';

/** Lines to drill by, and what stands behind; how far the arms of a cross reach over its hole, mm. */
export const [FINE, EDGE, ARM] = [0.18, 0.35, 3] as const;

/** A cross over the middle of a hole. */
export const cross = ({ x, y }: { x: number; y: number }, reach: number): readonly Mark[] => [
  {
    is: 'line',
    points: [
      { x: x - reach, y },
      { x: x + reach, y },
    ],
    stroke: 'ink',
    thick: FINE,
  },
  {
    is: 'line',
    points: [
      { x, y: y - reach },
      { x, y: y + reach },
    ],
    stroke: 'ink',
    thick: FINE,
  },
];
/** What is drilled, or drilled in. */
export const thing = (key: string, says: string, marks: readonly Mark[]): Thing => ({
  key,
  is: 'part',
  says,
  terminals: [],
  joints: [],
  marks,
});

/** Where the upper left corner of a picture stands on its part of the page, mm. */
export const IN_BAND = { x: 2, y: 1 } as const;

/** A picture at true size on its own part of the page. */
export const band = (picture: Picture): Band => ({
  height: picture.frame.height + 3,
  lines: [],
  pictures: [movePicture(picture, { x: IN_BAND.x - picture.frame.x, y: IN_BAND.y - picture.frame.y })],
});
