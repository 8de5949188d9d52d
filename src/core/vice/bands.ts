import type { Band } from '../drawing';

/** A line of type and of a head, with what is between them, mm. */
const [TYPE, HEAD, LEADING] = [3, 4.4, 4.3];
/** So many letters of this type go on a line of a mm of paper (nominal, of the typeface). */
const LETTERS_A_MM = 0.62;

/** A text cut between words so that no line is wider than that, mm. */
function wrapped(text: string, width: number): readonly string[] {
  const most = Math.floor(width * LETTERS_A_MM);
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= most)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** A text on as many lines as it takes, those after the first a little further in. */
export const writing = (text: string, width: number, indent = 0, bold = false): Band => {
  const lines = wrapped(text, width - indent);
  return {
    height: lines.length * LEADING + 0.6,
    pictures: [],
    lines: lines.map((each, n) => ({
      text: each,
      x: indent + (n > 0 ? 4 : 0),
      y: n * LEADING + TYPE,
      size: TYPE,
      ...(bold ? { bold } : {}),
    })),
  };
};
/** What stands over a part of a page. */
export const heading = (text: string): Band => ({
  height: HEAD * 2,
  pictures: [],
  lines: [{ text, x: 0, y: HEAD * 1.5, size: HEAD, bold: true }],
});
