import { execFileSync } from 'node:child_process';
import { PNG } from 'pngjs';

/** The colour of a pixel: red, green, blue, 0 to 255 each. */
export const colourAt = ({ data, width }: PNG, x: number, y: number): readonly number[] => {
  const at = (Math.round(y) * width + Math.round(x)) * 4;
  return [...data.subarray(at, at + 3)];
};

export interface Word {
  readonly text: string;
  readonly width: number;
  readonly height: number;
  /** Where it ends, mm from the left. */
  readonly right: number;
  readonly top: number;
}

const POINT = 25.4 / 72;

/** The words of a PDF with the boxes that pdftotext gives them, mm; the size of its first page, and that as it is printed, ten pixels to a millimetre. */
export function readPaper(pdf: Uint8Array) {
  const html = execFileSync('/usr/bin/pdftotext', ['-bbox', '-', '-'], { input: pdf, encoding: 'utf8' });
  const number = (of: string, name: string): number =>
    Number(new RegExp(`${name}="([\\d.]+)"`).exec(of)?.[1]);
  const page = /<page [^>]+>/.exec(html)?.[0] ?? '';
  const words = [...html.matchAll(/<word ([^>]+)>([^<]*)</g)].map(([, box = '', text = '']): Word => ({
    text,
    width: (number(box, 'xMax') - number(box, 'xMin')) * POINT,
    height: (number(box, 'yMax') - number(box, 'yMin')) * POINT,
    right: number(box, 'xMax') * POINT,
    top: number(box, 'yMin') * POINT,
  }));
  return {
    words,
    width: number(page, 'width') * POINT,
    height: number(page, 'height') * POINT,
    printed: (): PNG =>
      PNG.sync.read(
        execFileSync('/usr/bin/pdftoppm', ['-r', '254', '-png', '-singlefile', '-'], {
          input: pdf,
          maxBuffer: 1 << 28,
        }),
      ),
  };
}
