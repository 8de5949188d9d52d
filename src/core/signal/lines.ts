import { PHANTOM_SUPPLIES, type PhantomKind } from '../catalogue';
import type { Element } from '../circuit';
import { R, sayAmps, V } from './figures';
import type { Table } from './types';

/** How a lamp looks at a current, A (common practice: 2 to 20 mA; the rest from memory). */
export function brightness(amps: number): 'dark' | 'dim' | 'lit' | 'bright' {
  if (amps < 0.0002) return 'dark';
  if (amps < 0.0015) return 'dim';
  return amps < 0.01 ? 'lit' : 'bright';
}

const sayLamp = (amps: number): string =>
  brightness(amps) === 'dark' ? 'dark' : `${brightness(amps)}, ${sayAmps(amps)}`;

/** What can be wrong with the line between the supply and the plug: how its three conductors arrive. */
export interface Line {
  readonly id: string;
  readonly says: string;
  /** Which of the supply's contacts arrives on each of the plug's: none for open. */
  readonly arrives: { readonly 1?: 1 | 2 | 3; readonly 2?: 1 | 2 | 3; readonly 3?: 1 | 2 | 3 };
  /** Contacts of the plug that are shorted to each other. */
  readonly shorts?: readonly (readonly [1 | 2 | 3, 1 | 2 | 3])[];
  readonly off?: true;
  /** What a conductor of it has more than it should, Ω: a joint that is bad, and not open. */
  readonly ohms?: { readonly 1?: number; readonly 2?: number; readonly 3?: number };
}

/** What each conductor of a line has, Ω (nominal). */
const CONDUCTOR_OHMS = 1;

/** A supply with its line as a circuit: `p1`, `p2` and `p3` are the contacts that the plug meets. */
export function lineOn(line: Line, supply: PhantomKind): readonly Element[] {
  const { volts, feedOhms } = PHANTOM_SUPPLIES[supply];
  const at = (contact: 1 | 2 | 3): string => (contact === 1 ? '0' : `s${contact}`);
  const wires = ([1, 2, 3] as const).flatMap((contact) => {
    const from = line.arrives[contact];
    return from === undefined
      ? []
      : [R(`w${contact}`, at(from), `p${contact}`, CONDUCTOR_OHMS + (line.ohms?.[contact] ?? 0))];
  });
  const shorts = (line.shorts ?? []).map(([a, b], n) => R(`short${n}`, `p${a}`, `p${b}`, 0.01));
  return [
    V('supply', 's', '0', line.off ? 0 : volts),
    R('feed2', 's', 's2', feedOhms),
    R('feed3', 's', 's3', feedOhms),
    ...wires,
    ...shorts,
  ];
}

const STRAIGHT = { 1: 1, 2: 2, 3: 3 } as const;

export const GOOD: Line = { id: 'good', says: 'nothing wrong', arrives: STRAIGHT };

/** Every single fault of a line of three, and both legs at once. */
export const LINES: readonly Line[] = [
  GOOD,
  { id: 'off', says: 'phantom off', arrives: STRAIGHT, off: true },
  { id: 'open1', says: '1 open', arrives: { 2: 2, 3: 3 } },
  { id: 'open2', says: '2 open', arrives: { 1: 1, 3: 3 } },
  { id: 'open3', says: '3 open', arrives: { 1: 1, 2: 2 } },
  { id: 'open23', says: '2 and 3 open', arrives: { 1: 1 } },
  { id: 'short12', says: '1 and 2 shorted', arrives: STRAIGHT, shorts: [[1, 2]] },
  { id: 'short13', says: '1 and 3 shorted', arrives: STRAIGHT, shorts: [[1, 3]] },
  { id: 'short23', says: '2 and 3 shorted', arrives: STRAIGHT, shorts: [[2, 3]] },
  {
    id: 'short123',
    says: 'all shorted',
    arrives: STRAIGHT,
    shorts: [
      [1, 2],
      [2, 3],
    ],
  },
  { id: 'swap12', says: '1 and 2 swapped', arrives: { 1: 2, 2: 1, 3: 3 } },
  { id: 'swap13', says: '1 and 3 swapped', arrives: { 1: 3, 2: 2, 3: 1 } },
  { id: 'swap23', says: '2 and 3 swapped', arrives: { 1: 1, 2: 3, 3: 2 } },
];

/** What lamps show on a line with one fault. */
export interface LampRow {
  readonly line: Line;
  /** A through each lamp. */
  readonly lamps: readonly number[];
  /** A from the supply. */
  readonly total: number;
  /** The most that stands on a lamp the wrong way round, V. */
  readonly reverse: number;
}

const shows = ({ lamps }: LampRow): string => lamps.map(brightness).join();

/** The faults that look like no fault. */
export function unseen(rows: readonly LampRow[]): readonly LampRow[] {
  const right = rows.find((row) => row.line.id === GOOD.id);
  return right ? rows.filter((row) => row !== right && shows(row) === shows(right)) : [];
}

/** The truth table: what each lamp shows for every fault. */
export function lampTable(rows: readonly LampRow[], lamps: readonly string[]): Table {
  const blind = unseen(rows);
  return {
    name: 'What the lamps show',
    head: ['the line', ...lamps, 'reads as good'],
    rows: rows.map((row) => [
      row.line.says,
      ...row.lamps.map(sayLamp),
      blind.includes(row) ? 'yes: not seen' : '',
    ]),
  };
}
