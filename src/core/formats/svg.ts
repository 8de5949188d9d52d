import {
  LETTERING,
  isDark,
  onPaper,
  pathOf,
  type Label,
  type Mark,
  type Picture,
  type Point,
  type Sheet,
} from '../drawing';

const n = (value: number): string => `${Math.round(value * 1000) / 1000 || 0}`;
const at = ({ x, y }: Point): string => `${n(x)} ${n(y)}`;
const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
const attributes = (all: Readonly<Record<string, string | undefined>>): string =>
  Object.entries(all)
    .flatMap(([name, value]) => (value === undefined ? [] : [` ${name}="${value}"`]))
    .join('');

function markSvg(mark: Mark): string {
  if (mark.unseen) return '';
  const painted = attributes({
    fill: mark.fill === undefined ? 'none' : onPaper(mark.fill),
    stroke: mark.stroke && onPaper(mark.stroke),
    'stroke-width': mark.thick === undefined ? undefined : n(mark.thick),
    'stroke-linecap': mark.is !== 'curve' ? undefined : mark.strands ? 'butt' : 'round',
    'stroke-dasharray': mark.strands ? '0.2 0.8' : undefined,
  });
  if (mark.is === 'disc')
    return `<circle cx="${n(mark.at.x)}" cy="${n(mark.at.y)}" r="${n(mark.r)}"${painted}/>`;
  if (mark.is === 'box')
    return `<rect x="${n(mark.at.x - mark.width / 2)}" y="${n(mark.at.y - mark.height / 2)}" width="${n(mark.width)}" height="${n(mark.height)}"${attributes({ rx: mark.round === undefined ? undefined : n(mark.round) })}${painted}/>`;
  return `<path d="${pathOf(mark)}"${painted}/>`;
}

/** How far below the middle of letters their base line is, as a share of their size. */
const BASELINE = 0.36;

const text = (
  { x, y }: Point,
  size: number,
  says: string,
  more: Readonly<Record<string, string>> = {},
): string =>
  `<text x="${n(x)}" y="${n(y)}" font-size="${n(size)}" font-family="Atkinson Hyperlegible, sans-serif"${attributes(more)}>${escaped(says)}</text>`;

function labelSvg(label: Label): string {
  const { at: middle, size, on, is, leader } = label;
  const width = size * (label.text.length * 0.72 + 0.5);
  const behind = {
    x: n(middle.x - width / 2),
    y: n(middle.y - size * 0.58),
    width: n(width),
    height: n(size * 1.16),
    rx: n(is === 'order' ? size * 0.2 : size * 0.5),
  };
  const box =
    on !== undefined
      ? `<rect${attributes({ ...behind, fill: onPaper(on), stroke: onPaper('outline'), 'stroke-width': '0.12' })}/>`
      : is === 'order'
        ? `<rect${attributes({ ...behind, fill: onPaper('ink') })}/>`
        : '';
  const line =
    leader === undefined
      ? ''
      : `<path d="M${at(leader[0])} L${at(leader[1])}"${attributes({ fill: 'none', stroke: onPaper('outline'), 'stroke-width': '0.15' })}/>`;
  const fill =
    on !== undefined
      ? isDark(on)
        ? LETTERING.light
        : LETTERING.dark
      : onPaper(is === 'order' ? 'paper' : 'ink');
  return (
    line +
    box +
    text({ x: middle.x, y: middle.y + size * BASELINE }, size, label.text, {
      'text-anchor': 'middle',
      'font-weight': 'bold',
      fill,
    })
  );
}

const pictureSvg = ({ things, labels }: Picture): string =>
  [
    ...things.map(
      ({ marks, says }) =>
        `<g>${says === '' ? '' : `<title>${escaped(says)}</title>`}${marks.map(markSvg).join('')}</g>`,
    ),
    ...labels.map(labelSvg),
  ].join('\n');

/** A sheet as SVG 1.1 at true size in mm: presentation attributes only, nothing that is fetched, nothing of a browser's own. */
export function svgOf({ frame, pictures, lines, bar }: Sheet): string {
  const { x, y, width, height } = frame;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="${n(x)} ${n(y)} ${n(width)} ${n(height)}">`,
    `<rect x="${n(x)}" y="${n(y)}" width="${n(width)}" height="${n(height)}" fill="${onPaper('paper')}"/>`,
    ...pictures.map(pictureSvg),
    ...lines.map((line) =>
      text(line, line.size, line.text, {
        fill: onPaper('ink'),
        ...(line.bold ? { 'font-weight': 'bold' } : {}),
      }),
    ),
    ...(bar
      ? [
          `<path d="M${at(bar)} L${at({ x: bar.x + 100, y: bar.y })} M${at({ x: bar.x, y: bar.y - 1.5 })} L${at({ x: bar.x, y: bar.y + 1.5 })} M${at({ x: bar.x + 100, y: bar.y - 1.5 })} L${at({ x: bar.x + 100, y: bar.y + 1.5 })}" fill="none" stroke="${onPaper('ink')}" stroke-width="0.3"/>`,
        ]
      : []),
    '</svg>\n',
  ].join('\n');
}
