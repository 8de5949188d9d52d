import { endsOf, netlist, type Assembly, type End } from '../assembly';
import {
  linesOf,
  movePicture,
  onPaperPages,
  type Band,
  type Paper,
  type Picture,
  type Sheet,
} from '../drawing';
import { mainUse, type Lead } from '../lead';
import { bad, capital, good, type Result } from '../quantity';
import { leadSignal } from '../signal';
import { heading, writing } from './bands';

/** What is cut out of the paper is so wide, mm, with so much round its lines: it lies in the case of the thing. */
const [WIDE, ROUND] = [140, 4];

/** A lamp with less than this of its usual current is seen to be dimmer (common practice). */
const DIM = 0.6;
const milliamps = (cell: string): number => Number(/([\d.]+) mA/.exec(cell)?.[1] ?? 0);

/** What the lamps of a tell-tale mean, and what they cannot see: by the circuit, for every fault of a line. */
function lampCard(lead: Lead): readonly Band[] | undefined {
  const use = mainUse(lead);
  const signal = use && leadSignal(lead.assembly, use, { ranges: false });
  const table = signal?.ok ? signal.value.table : undefined;
  if (!table) return undefined;
  const row = (text: string): Band => writing(text, WIDE - 2 * ROUND, 0);
  const lamps = table.head.slice(1, -1);
  const usual = Math.max(...table.rows.flatMap((cells) => cells.map(milliamps)));
  const unseen = table.rows.filter((cells) => cells.at(-1) !== '').map(([line]) => line);
  // By what is seen: that is how it is read.
  const bySight = new Map<string, string[]>();
  for (const [line = '', ...cells] of table.rows) {
    const seen = lamps.map((lamp, n) => `${lamp} ${(cells[n] ?? '').split(',')[0]}`).join(', ');
    const isDim = cells.some((cell) => milliamps(cell) > 0 && milliamps(cell) < DIM * usual);
    bySight.set(seen, [...(bySight.get(seen) ?? []), isDim ? `${line} (dimmer)` : line]);
  }
  return [
    heading('What the lamps mean'),
    ...[...bySight].map(([seen, lines]) => row(`${capital(seen)}: ${lines.join('; ')}.`)),
    ...(unseen.length > 0 ? [row(`It cannot see: ${unseen.join('; ')}.`)] : []),
    row('Mute the input first. What phantom harms is unplugged first.'),
  ];
}

const isTail = ({ loose = [] }: End): boolean => loose.some(({ finish }) => finish === 'pin');

/** The contacts of the other ends that a loose one goes to. */
function meets(assembly: Assembly, end: End, contact: string): string {
  const net = netlist(assembly).nets.find(({ contacts }) => contacts.includes(`${end.id}.${contact}`));
  return (net?.contacts ?? []).filter((each) => each !== `${end.id}.${contact}`).join(', ');
}

/** Which loose contact of a test tail has which colour and does what, and where that stands written. */
function tailCard(lead: Lead): readonly Band[] | undefined {
  const { assembly } = lead;
  const tails = endsOf(assembly).filter(isTail);
  if (tails.length === 0) return undefined;
  const lines = linesOf(assembly, mainUse(lead)).flatMap((group) => group.lines);
  const row = (text: string): Band => writing(text, WIDE - 2 * ROUND, 0);
  return [
    ...tails.flatMap((end) => [
      heading(`Loose contacts, end ${end.id}`),
      ...(end.loose ?? []).map(({ id }) => {
        const line = lines.find(({ from, to }) => [from, to].includes(`${end.id}.${id}`));
        const to = meets(assembly, end, id);
        return row(
          [
            `${id}: ${line?.says ?? 'not used: taped'}`,
            ...(line ? [line.carries] : []),
            ...(to === '' ? [] : [`to ${to}`]),
          ].join(', '),
        );
      }),
    ]),
    row('Pins by (manual, page): ______________________________'),
    row('Both ends plugged in first, then phantom. Contacts that are not used are taped.'),
  ];
}

/** A card’s edge, to be cut along. */
function edge(height: number): Picture {
  const [x, y] = [WIDE / 2, height / 2];
  return {
    things: [
      {
        key: 'card',
        is: 'dressing',
        says: 'edge of the card',
        terminals: [],
        joints: [],
        marks: [{ is: 'box', at: { x, y }, width: WIDE, height, round: 3, stroke: 'wire', thick: 0.25 }],
      },
    ],
    labels: [],
    frame: { x: 0, y: 0, width: WIDE, height },
  };
}

/** Bands on one card, inside its edge. */
function carded(bands: readonly Band[]): Band {
  let y = ROUND;
  const lines = bands.flatMap((band) => {
    const at = y;
    y += band.height;
    return band.lines.map((line) => ({ ...line, x: line.x + ROUND, y: line.y + at }));
  });
  return { height: y + ROUND + 4, lines, pictures: [movePicture(edge(y + ROUND), { x: 0, y: 0 })] };
}

/** Whether there is something to say on a card of this lead: what its lamps mean, or what its loose contacts are. */
export const hasCard = ({ assembly }: Pick<Lead, 'assembly'>): boolean =>
  endsOf(assembly).some(isTail) ||
  assembly.bodies.some(({ parts }) => parts.some(({ kind }) => kind === 'led'));

/**
 * The card that lies in the case of a tell-tale (what its lamps mean, what they cannot see) or of a test tail (which contact has
 * which colour and does what), to be cut out. Errors: `card.none` where there is nothing to say on one.
 */
export function cardPages(lead: Lead, paper: Paper = 'a4'): Result<readonly Sheet[]> {
  const bands = lampCard(lead) ?? tailCard(lead);
  if (!bands) return bad('card.none', 'This lead has no lamps and no loose contacts: it needs no card.');
  const titled = [writing(lead.name, WIDE - 2 * ROUND, 0, true), ...bands];
  return good(onPaperPages([carded(titled)], `${lead.name}: card`, paper));
}
