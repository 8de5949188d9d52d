import { bad, type Result } from '../quantity';
import { checkLines, type VenueLine } from './inputs';

/** So many ways at the most. */
const MOST = 128;
const STAYS = /[,;]?\s*phantom (?:stays )?on\s*$/i;

/**
 * Lines of a venue as they are typed: `1-8 stage left`, `23, 24 gallery, phantom stays on`, a group a line.
 *
 * Errors: `venue.line` at its line (`line 2`), `patch.twice`.
 */
export function readWays(text: string): Result<readonly VenueLine[]> {
  const lines: VenueLine[] = [];
  for (const [n, line] of text.split('\n').entries()) {
    if (line.trim() === '') continue;
    const path = `line ${n + 1}`;
    const read = /^\s*((?:\d+(?:\s*(?:-|–|to)\s*\d+)?\s*,?\s*)+)(.*)$/i.exec(line);
    if (!read)
      return bad(
        'venue.line',
        `“${line.trim()}” begins with no way: write 1-8 stage left, or 24 gallery.`,
        path,
      );
    const [, ways = '', rest = ''] = read;
    const isStuck = STAYS.test(rest);
    const name = rest.replace(STAYS, '').replace(/^[\s,:;]+|[\s,;]+$/g, '');
    if (name.length > 60) return bad('venue.line', 'Keep the name of a line under 60 characters.', path);
    for (const [, from = '', to = from] of ways.matchAll(/(\d+)(?:\s*(?:-|–|to)\s*(\d+))?/gi)) {
      const [first, last] = [Number(from), Number(to)];
      if (last < first) return bad('venue.line', `${from} to ${to} goes backwards.`, path);
      if (last > 100_000) return bad('venue.line', `${to} is no way: count from 0 to 100 000.`, path);
      if (lines.length + last - first + 1 > MOST)
        return bad('venue.line', `A venue has ${MOST} lines at the most.`, path);
      for (let way = first; way <= last; way++)
        lines.push({ way, ...(name === '' ? {} : { name }), ...(isStuck ? { phantom: true } : {}) });
    }
  }
  return lines.length === 0
    ? bad(
        'venue.line',
        'Say which lines there are: 1-24, or a line for each group, like 1-8 stage left.',
        'line 1',
      )
    : checkLines(lines);
}

/** The same as it is typed: ways that follow each other and are alike, on one line. */
export function writeWays(lines: readonly VenueLine[]): string {
  const groups: { from: number; to: number; says: string }[] = [];
  for (const { way, name = '', phantom } of lines) {
    const says = [name, ...(phantom === true ? ['phantom stays on'] : [])]
      .filter((each) => each !== '')
      .join(', ');
    const last = groups.at(-1);
    if (last && last.to === way - 1 && last.says === says) last.to = way;
    else groups.push({ from: way, to: way, says });
  }
  return groups
    .map(({ from, to, says }) => `${from === to ? from : `${from}-${to}`}${says === '' ? '' : ` ${says}`}`)
    .join('\n');
}

/** An input as it is pasted: `7 Bass`, `7. Bass`, `Bass`. Nothing of a line that says nothing. */
export function readPasted(text: string): readonly { readonly way?: number; readonly name: string }[] {
  return text.split('\n').flatMap((line) => {
    const read = /^\s*(?:(\d{1,6})(?=[\s.,;:)\]|-]))?[\s.,;:)\]|-]*(.*?)\s*$/.exec(line);
    const name = (read?.[2] ?? '').replaceAll('\t', ' ').slice(0, 60).trim();
    if (name === '') return [];
    return [{ name, ...(read?.[1] === undefined ? {} : { way: Number(read[1]) }) }];
  });
}
