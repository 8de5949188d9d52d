import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import fontkit from '@pdf-lib/fontkit';
import { LineCapStyle, PDFDocument, rgb, type PDFFont, type PDFPage, type RGB } from 'pdf-lib';
import {
  boxOf,
  isDark,
  LETTERING,
  onPaper,
  outlineOf,
  type Label,
  type Mark,
  type Paint,
  type Picture,
  type Point,
  type Sheet,
} from '../../core/drawing';

/** Points of a PDF in a millimetre. */
const PT = 72 / 25.4;

const colour = (hex: string): RGB => {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((n) => Number.parseInt(hex.slice(n, n + 2), 16) / 255);
  return rgb(r, g, b);
};
const painted = (paint: Paint): RGB => colour(onPaper(paint));

/** Signs that the typeface may not have, in letters that it has. */
const WRITTEN: Readonly<Record<string, string>> = { Ω: 'ohm', '→': 'to', '−': '-', '≤': 'at most' };

const require = createRequire(import.meta.url);
const FONTS = [400, 700].map(
  (weight) => `@fontsource/atkinson-hyperlegible/files/atkinson-hyperlegible-latin-${weight}-normal.woff`,
);

interface Drawing {
  readonly page: PDFPage;
  readonly plain: PDFFont;
  readonly bold: PDFFont;
  /** From the top left of the sheet, mm, to the page’s points, which count upward. */
  readonly to: (point: Point) => Point;
}

/** A path in mm from the top left of the sheet. */
function drawPath(
  { page, to }: Drawing,
  path: string,
  { fill, stroke, thick, strands }: Pick<Mark, 'fill' | 'stroke' | 'thick' | 'strands'>,
): void {
  page.drawSvgPath(path, {
    ...to({ x: 0, y: 0 }),
    scale: PT,
    ...(fill === undefined ? {} : { color: painted(fill) }),
    ...(stroke === undefined
      ? {}
      : {
          borderColor: painted(stroke),
          borderWidth: thick ?? 0,
          borderLineCap: strands ? LineCapStyle.Butt : LineCapStyle.Round,
          ...(strands ? { borderDashArray: [0.2, 0.8] } : {}),
        }),
  });
}

function drawText(
  { page, to, plain, bold }: Drawing,
  text: string,
  at: Point,
  { size, isBold, paint, isCentred }: { size: number; isBold: boolean; paint: RGB; isCentred: boolean },
): void {
  const font = isBold ? bold : plain;
  // What the typeface has no sign for is written out, or left out rather than refusing the whole page.
  const known = new Set(font.getCharacterSet());
  const says = [...text]
    .map((letter) => (known.has(letter.codePointAt(0) ?? 0) ? letter : (WRITTEN[letter] ?? '')))
    .join('');
  const width = font.widthOfTextAtSize(says, size * PT);
  const { x, y } = to(at);
  page.drawText(says, { x: isCentred ? x - width / 2 : x, y, size: size * PT, font, color: paint });
}

function drawLabel(drawing: Drawing, label: Label): void {
  const { at, size, text, on, is, leader } = label;
  if (leader)
    drawPath(drawing, `M${leader[0].x} ${leader[0].y} L${leader[1].x} ${leader[1].y}`, {
      stroke: 'outline',
      thick: 0.15,
    });
  if (on !== undefined || is === 'order') {
    const { width, height } = boxOf(label);
    const round = is === 'order' ? size * 0.2 : height / 2;
    drawPath(drawing, outlineOf({ is: 'box', at, width, height, round }), {
      fill: on ?? 'ink',
      ...(on === undefined ? {} : { stroke: 'outline' as const, thick: 0.12 }),
    });
  }
  drawText(
    drawing,
    text,
    { x: at.x, y: at.y + size * 0.36 },
    {
      size,
      isBold: true,
      isCentred: true,
      paint:
        on !== undefined
          ? colour(LETTERING[isDark(on) ? 'light' : 'dark'])
          : painted(is === 'order' ? 'paper' : 'ink'),
    },
  );
}

function drawPicture(drawing: Drawing, { things, labels }: Picture): void {
  for (const { marks } of things)
    for (const mark of marks) if (!mark.unseen) drawPath(drawing, outlineOf(mark), mark);
  for (const label of labels) drawLabel(drawing, label);
}

/** Sheets as a PDF, each a page as large as its frame: at true size, its type embedded. */
export async function pdfOf(sheets: readonly Sheet[], title: string): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  pdf.setTitle(title);
  const [plain, bold] = await Promise.all(
    FONTS.map(async (font) => pdf.embedFont(await readFile(require.resolve(font)), { subset: true })),
  );
  if (!plain || !bold) throw new Error('The typeface of the page could not be read.');
  for (const { frame, pictures, lines, bar } of sheets) {
    const page = pdf.addPage([frame.width * PT, frame.height * PT]);
    const drawing: Drawing = {
      page,
      plain,
      bold,
      to: ({ x, y }) => ({ x: (x - frame.x) * PT, y: (frame.height - (y - frame.y)) * PT }),
    };
    for (const picture of pictures) drawPicture(drawing, picture);
    for (const line of lines)
      drawText(drawing, line.text, line, {
        size: line.size,
        isBold: line.bold ?? false,
        isCentred: false,
        paint: painted('ink'),
      });
    if (bar)
      for (const [from, to] of [
        [bar, { x: bar.x + 100, y: bar.y }],
        [
          { x: bar.x, y: bar.y - 1.5 },
          { x: bar.x, y: bar.y + 1.5 },
        ],
        [
          { x: bar.x + 100, y: bar.y - 1.5 },
          { x: bar.x + 100, y: bar.y + 1.5 },
        ],
      ] as const)
        drawPath(drawing, `M${from.x} ${from.y} L${to.x} ${to.y}`, { stroke: 'ink', thick: 0.3 });
  }
  return pdf.save();
}
