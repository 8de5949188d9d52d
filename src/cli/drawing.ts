import { svgOf } from '../core/formats';
import { sheetsOf } from '../core/vice';
import { leadIn, read, unwrap } from './files';
import { bad, options } from './options';

/** Drawing from a shell: a lead → SVG on standard output. */
export function draw(file: string | undefined, ...more: readonly string[]): number {
  const { sheet: asked = '1', ...view } = options(more, [
    'end',
    'side',
    'hand',
    'turn',
    'channel',
    'page',
    'sheet',
  ]);
  const sheets = unwrap(sheetsOf(leadIn(read(file)).document, view));
  const sheet = sheets[Number(asked) - 1];
  if (!sheet)
    throw bad(
      'cli.number',
      sheets.length === 1
        ? `There is one sheet, and “${asked}” is not it.`
        : `There are ${sheets.length} sheets, and “${asked}” is none of them.`,
      'sheet',
    );
  if (sheets.length > 1) process.stderr.write(`sheet ${asked} of ${sheets.length}: --sheet names another\n`);
  process.stdout.write(svgOf(sheet));
  return 0;
}
