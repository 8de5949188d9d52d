import { sayFrom, sayRemade } from '../cutting';
import { movePicture, onPaperPages, printWidth, type Band, type Paper, type Sheet } from '../drawing';
import type { KitSheet } from '../kit';
import { schoolsOf, type Lead } from '../lead';
import { formatLength } from '../quantity';
import { lengthSystem } from '../wiring';
import { heading, writing } from './bands';
import { strippedEnds } from './gauges';

/** The bands of a kit’s page, one below the other. */
function bandsOf(lead: Lead, sheet: KitSheet, width: number): readonly Band[] {
  const system = lengthSystem(schoolsOf(lead));
  const row = (text: string): Band => writing(text, width, 2);
  return [
    heading('Lay out'),
    ...sheet.items.map(({ count, what, detail, owned }) =>
      row(`[  ] ${count} × ${what}${owned ? ' (have)' : ''}: ${detail}`),
    ),
    ...(sheet.cuts.length > 0 ? [heading('Cut')] : []),
    ...sheet.cuts.flatMap(({ count, total, span, wires, allowances, from }) => [
      row(
        `[  ] ${count} × ${formatLength(total, system)}, ${from ? `of the donor lead, from ${sayFrom(from)}` : span}: ${allowances
          .map(({ what, mm }) => `${mm < 0 ? '−' : '+'} ${formatLength(Math.abs(mm), system)} ${what}`)
          .join(' ')}`,
      ),
      ...(wires ?? []).map(({ id, mm, because }) =>
        row(`   ${id}: ${formatLength(mm, system)}${because === undefined ? '' : `, ${because}`}`),
      ),
    ]),
    ...sheet.partings.map(({ jacketMm, trunk }) =>
      row(
        `[  ] ${formatLength(jacketMm, system)} of jacket off ${trunk} where it is parted, from the raw end`,
      ),
    ),
    ...(sheet.strips.length > 0 ? [heading('Strip: lay the raw end on the line at the left')] : []),
    ...strippedEnds(lead).flatMap(({ says, wires, picture }): readonly Band[] => [
      writing(says, width, 2, true),
      ...wires.map(row),
      {
        height: picture.frame.height + 3,
        lines: [],
        pictures: [movePicture(picture, { x: 2 - picture.frame.x, y: -picture.frame.y })],
      },
    ]),
    ...(sheet.fits.some(({ verdict }) => verdict !== 'fits') ? [heading('Mind')] : []),
    ...sheet.fits
      .filter(({ verdict }) => verdict !== 'fits')
      .map(({ says, has, takes, todo }) => row(`${says}: ${has}; takes ${takes}. ${todo ?? ''}`)),
    heading('Tools'),
    ...sheet.tools.flatMap(({ what, set }) => (set === undefined ? [] : [row(`[  ] ${what}: ${set}`)])),
    // What nothing is set on stands side by side, each with its box.
    row(sheet.tools.flatMap(({ what, set }) => (set === undefined ? [`[  ] ${what}`] : [])).join('   ')),
    // Of another day: last.
    ...(sheet.remade.length > 0 ? [heading('When an end is made again')] : []),
    ...sayRemade(sheet.remade, system).map(row),
  ];
}

/** A kit on paper at true size: what to lay out, to cut, the strip gauge of each end, what to mind, the tools; with a bar of 100 mm. */
export function kitPages(lead: Lead, sheet: KitSheet, paper: Paper = 'a4'): readonly Sheet[] {
  const units = sheet.leads.reduce((sum, each) => sum + each.units, 0);
  const head = `${lead.name}: kit${units > 1 ? ` for ${units}` : ''}`;
  return onPaperPages(bandsOf(lead, sheet, printWidth(paper)), head, paper);
}
