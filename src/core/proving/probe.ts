import {
  bodyOfEnd,
  endById,
  byName,
  leadsOf,
  memberOf,
  ownerOf,
  placeOf,
  sayTerminal,
  type Assembly,
  type Terminal,
} from '../assembly';
import type { Probe } from './check';
import type { Touch } from './meter';
import { goesThrough, matedEnds } from './series';

/** What tells probes of the same touch apart. */
export type Setting = Pick<Probe, 'before' | 'turn' | 'shorting' | 'series' | 'mode'>;

/** What stands before the end that the shorting plug is on. */
const SHORTING = 'shorting';
/** The same of the end that a proven lead is on. */
const SERIES = 'series';

const idOf = ({ red, black }: Touch, { before, turn, shorting, series, mode }: Setting): string =>
  [
    `${red}~${black.join('+')}`,
    ...(before === undefined ? [] : [`before ${before}`]),
    ...(turn === undefined ? [] : [`turned ${turn}`]),
    ...(shorting === undefined ? [] : [`${SHORTING} ${shorting}`]),
    ...(series === undefined ? [] : [`${SERIES} ${series}`]),
    ...(mode === undefined ? [] : [mode]),
  ].join(' ');

const sayTurn = (turn: number): string =>
  turn <= 0 ? 'turned fully down' : turn >= 1 ? 'turned fully up' : 'turned half up';

/** So many in a row are said by the first and the last of them. */
const A_ROW = 4;

/** Several terminals as the builder says them: contacts whose numbers follow each other by the first and the last. */
export function sayEach(assembly: Assembly, terminals: readonly Terminal[]): string {
  const rows: Terminal[][] = [];
  const numberOf = (terminal: Terminal): number =>
    placeOf(assembly, terminal)?.kind === 'contact' ? Number(memberOf(terminal)) : Number.NaN;
  const inOrder = terminals.length < A_ROW ? terminals : [...terminals].sort(byName);
  for (const terminal of inOrder) {
    const row = rows.at(-1);
    const last = row?.at(-1);
    if (row && last && ownerOf(last) === ownerOf(terminal) && numberOf(last) + 1 === numberOf(terminal))
      row.push(terminal);
    else rows.push([terminal]);
  }
  return rows
    .flatMap((row) =>
      row.length < A_ROW
        ? row.map((each) => sayOne(assembly, each))
        : [`${row[0] ?? ''} to ${row.at(-1) ?? ''}`],
    )
    .join(', ');
}

const sayOne = (assembly: Assembly, terminal: Terminal): string =>
  placeOf(assembly, terminal)?.kind === 'contact' ? terminal : sayTerminal(assembly, terminal);

/** A probe with its words. */
function probeOf(
  assembly: Assembly,
  kind: Probe['kind'],
  touch: Touch,
  { before, turn, shorting, series, mode }: Setting = {},
): Probe {
  const say = (terminal: Terminal): string => sayOne(assembly, terminal);
  const [first = '', ...more] = touch.black;
  const [part, other] = [touch.red, first].map((each) => {
    const place = placeOf(assembly, each);
    return place?.kind === 'lead' ? place.part : undefined;
  });
  const between =
    part && part === other && leadsOf(part).length === 2 && mode === undefined
      ? `across ${part.id}`
      : `${say(touch.red)} to ${more.length === 0 ? say(first) : `each of ${sayEach(assembly, touch.black)}`}`;
  return {
    id: idOf(touch, { before, turn, shorting, series, mode }),
    red: touch.red,
    black: [...touch.black],
    kind,
    says: `${between}${turn === undefined ? '' : `, ${sayTurn(turn)}`}${shorting === undefined ? '' : `, the shorting plug on end ${shorting}`}${series === undefined ? '' : `, through a proven lead on end ${series}`}`,
    ...(before === undefined ? {} : { before }),
    ...(turn === undefined ? {} : { turn }),
    ...(shorting === undefined ? {} : { shorting }),
    ...(series === undefined ? {} : { series }),
    ...(mode === undefined ? {} : { mode }),
  };
}

/** A touch of two contacts while the shorting plug is on an end. */
export const loopProbe = (assembly: Assembly, red: Terminal, black: Terminal, end: string): Probe =>
  probeOf(assembly, 'path', { red, black: [black] }, { shorting: end });

/** A path of the closed lead, taken through a proven one on this end; nothing of what does not go there. */
export const throughProven = (assembly: Assembly, probe: Probe, end: string): Probe | undefined =>
  matedEnds(assembly).some((each) => each.end.id === end) && goesThrough(probe, end)
    ? probeOf(assembly, 'path', probe, { series: end })
    : undefined;

/** The body that has to be open for a terminal to be reached; none where it is reached on the closed lead. */
export function openFor(assembly: Assembly, terminal: Terminal): string | undefined {
  const place = placeOf(assembly, terminal);
  if (place?.kind === 'contact') {
    const body = bodyOfEnd(assembly, place.end.id);
    // Pads lie inside what they belong to; sockets and plugs look out of it.
    return body?.kind === 'device' && place.end.mount === 'panel' ? body.id : undefined;
  }
  return place?.kind === 'case' ? undefined : place?.body.id;
}

const beforeOf = (assembly: Assembly, { red, black }: Touch): Setting => {
  const before = [red, ...black].map((each) => openFor(assembly, each)).find((each) => each !== undefined);
  return before === undefined ? {} : { before };
};

/** A probe with one lead on each of two terminals, taken while whatever hides them is open. */
export const pairProbe = (
  assembly: Assembly,
  kind: Probe['kind'],
  red: Terminal,
  black: Terminal,
  setting: Setting = {},
): Probe => {
  const touch = { red, black: [black] };
  return probeOf(assembly, kind, touch, { ...beforeOf(assembly, touch), ...setting });
};

/** A probe of one terminal against each of several. */
export const groupProbe = (
  assembly: Assembly,
  kind: Probe['kind'],
  red: Terminal,
  black: readonly Terminal[],
  setting: Setting = {},
): Probe => {
  const touch = { red, black };
  return probeOf(assembly, kind, touch, { ...beforeOf(assembly, touch), ...setting });
};

const endOf = ownerOf;

/** What a path through a proven lead ends in, by its id. */
const SERIES_AT_END = new RegExp(` ${SERIES} \\S+$`);
/** The id of the path that one through a proven lead stands for. */
export const standsFor = (id: string): string => id.replace(SERIES_AT_END, '');

/** The probe of a pair by its id, though it is on no list: a reading taken by an older list stays a reading. */
export function pairOf(assembly: Assembly, id: string): Probe | undefined {
  const [touched = '', setting, end = ''] = id.split(' ');
  const [red = '', black = '', ...more] = touched.split('~');
  const isContact = (terminal: Terminal): boolean => {
    const place = placeOf(assembly, terminal);
    return place?.kind === 'contact' || place?.kind === 'case';
  };
  if (more.length > 0 || red === black || !isContact(red) || !isContact(black)) return undefined;
  const pair = pairProbe(assembly, endOf(red) === endOf(black) ? 'short' : 'path', red, black);
  if (setting === SERIES) return throughProven(assembly, pair, end);
  if (setting === SHORTING)
    return endById(assembly, end) && [red, black].every((each) => endOf(each) !== end)
      ? loopProbe(assembly, red, black, end)
      : undefined;
  return pair;
}
