/* eslint max-lines: off -- one grammar, a reader for each card. */
import type { Problem, Result } from '../quantity';
import { frequenciesOf, type Deck, type SweepCard, type Vector } from './deck';
import { GROUND, primitives, type Alternating, type Element } from './elements';
import { elementProblems } from './equations';

const SUFFIXES: readonly (readonly [string, number])[] = [
  ['meg', 1e6],
  ['mil', 25.4e-6],
  ['t', 1e12],
  ['g', 1e9],
  ['k', 1e3],
  ['m', 1e-3],
  ['u', 1e-6],
  ['n', 1e-9],
  ['p', 1e-12],
  ['f', 1e-15],
];

/** A SPICE number: `4.7k`, `10uF`, `1meg`; nothing where it is none. */
export function spiceNumber(text: string | undefined): number | undefined {
  const match = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)([a-z]*)$/i.exec(text ?? '');
  if (!match) return undefined;
  const suffix = SUFFIXES.find(([letters]) => (match[2] ?? '').toLowerCase().startsWith(letters));
  return Number(match[1]) * (suffix?.[1] ?? 1);
}

interface Line {
  readonly at: number;
  readonly words: readonly string[];
}

class Unread extends Error {
  constructor(
    readonly at: number,
    readonly code: string,
    says: string,
  ) {
    super(says);
  }
}

/** Cards without comments, continued lines made one; what stands in a control block is left out. */
function linesOf(text: string): readonly Line[] {
  const lines: { at: number; text: string }[] = [];
  let control = false;
  for (const [n, raw] of text.split(/\r?\n/).entries()) {
    if (n === 0) continue;
    const line = (raw.split(/[;$]/)[0] ?? '').trim();
    if (line === '' || line.startsWith('*')) continue;
    if (/^\.control\b/i.test(line)) control = true;
    if (control) {
      if (/^\.endc\b/i.test(line)) control = false;
      continue;
    }
    const last = lines.at(-1);
    if (line.startsWith('+') && last) last.text += ` ${line.slice(1)}`;
    else lines.push({ at: n + 1, text: line });
  }
  return lines.map(({ at, text: line }) => ({
    at,
    words:
      line
        .toLowerCase()
        .replace(/\s*=\s*/g, '=')
        .replace(/\(\s+/g, '(')
        .match(/[a-z]+\([^)]*\)|[^\s,()]+/g) ?? [],
  }));
}

const TOLERANCES = new Set([
  'reltol',
  'abstol',
  'vntol',
  'chgtol',
  'numdgt',
  'itl1',
  'itl2',
  'nopage',
  'noacct',
  'nomod',
  'list',
  'node',
]);

/** One card as its reader sees it: its words after the head, and how they are taken. */
interface CardWords {
  readonly at: number;
  readonly head: string;
  readonly rest: readonly string[];
  /** A number, or `deck.value` with what was expected. */
  readonly value: (word: string | undefined, what: string) => number;
  /** The nodes, first on the card; `deck.words` where some are missing. */
  readonly ends: (count?: number) => readonly string[];
  /** Nothing may stand after so many words. */
  readonly only: (count: number) => void;
}

/** What has been read of a deck so far. */
interface Reading {
  readonly elements: Element[];
  /** Diodes, whose model may come later. */
  readonly pending: { at: number; id: string; model: string }[];
  readonly models: Map<string, { is: number; n: number; rs: number }>;
  readonly print: { op: Vector[]; ac: Vector[] };
  /** Commands that change nothing here. */
  readonly ignored: string[];
  /** The lines of each element: of one name there may be two. */
  readonly linesOf: Map<string, number[]>;
  op: boolean;
  ac?: SweepCard;
  ended: boolean;
}

function cardWords(at: number, words: readonly string[]): CardWords {
  const [head = '', ...rest] = words;
  const called = head.toUpperCase();
  return {
    at,
    head,
    rest,
    value: (word, what) => {
      const read = spiceNumber(word);
      if (read === undefined)
        throw new Unread(at, 'deck.value', `${called}: ${what} is expected, and “${word ?? ''}” is none.`);
      return read;
    },
    ends: (count = 2) => {
      if (rest.length < count) throw new Unread(at, 'deck.words', `${called}: nodes are missing.`);
      return rest.slice(0, count);
    },
    only: (count) => {
      if (rest.length > count)
        throw new Unread(
          at,
          'deck.unsupported',
          `${called}: “${rest.slice(count).join(' ')}” is not read here.`,
        );
    },
  };
}

type Reader = (card: CardWords, into: Reading) => void;

const twoEnded =
  (element: (card: CardWords, ends: { id: string; a: string; b: string }) => Element): Reader =>
  (card, { elements }) => {
    const [a = '', b = ''] = card.ends();
    card.only(3);
    elements.push(element(card, { id: card.head, a, b }));
  };

const sourceCard =
  (kind: 'voltage' | 'current'): Reader =>
  ({ at, head, rest, value, ends }, { elements }) => {
    const [a = '', b = ''] = ends();
    elements.push({ kind, id: head, a, b, ...sourceOf(at, head, rest.slice(2), value) });
  };

const controlledCard =
  (kind: 'vcvs' | 'vccs'): Reader =>
  ({ head, rest, value, ends, only }, { elements }) => {
    const [a = '', b = '', c = '', d = ''] = ends(4);
    only(5);
    const gain = value(rest[4], 'a gain');
    const at = { id: head, a, b, c, d };
    elements.push(kind === 'vcvs' ? { kind, ...at, gain } : { kind, ...at, siemens: gain });
  };

/** How a card is read, by the first letter of an element or the whole word of a command. */
const READERS: ReadonlyMap<string, Reader> = new Map<string, Reader>([
  [
    'r',
    twoEnded(({ rest, value }, at) => ({ kind: 'resistor', ...at, ohms: value(rest[2], 'a resistance') })),
  ],
  [
    'c',
    twoEnded(({ rest, value }, at) => ({
      kind: 'capacitor',
      ...at,
      farads: value(rest[2], 'a capacitance'),
    })),
  ],
  [
    'l',
    twoEnded(({ rest, value }, at) => ({
      kind: 'inductor',
      ...at,
      henries: value(rest[2], 'an inductance'),
    })),
  ],
  [
    'k',
    ({ head, rest, value, only }, { elements }) => {
      only(3);
      const of = [rest[0] ?? '', rest[1] ?? ''] as const;
      elements.push({ kind: 'coupling', id: head, of, k: value(rest[2], 'a coupling') });
    },
  ],
  ['v', sourceCard('voltage')],
  ['i', sourceCard('current')],
  ['e', controlledCard('vcvs')],
  ['g', controlledCard('vccs')],
  [
    'd',
    ({ at, head, rest, ends, only }, { elements, pending }) => {
      const [a = '', b = ''] = ends();
      only(3);
      pending.push({ at, id: head, model: rest[2] ?? '' });
      // Keeps its place among the elements until its model is known.
      elements.push({ kind: 'diode', id: head, a, b, is: 1e-14, n: 1 });
    },
  ],
  ['.model', ({ at, rest, value }, { models }) => void models.set(...modelOf(at, rest, value))],
  ['.op', (_, into) => void (into.op = true)],
  ['.ac', (card, into) => void (into.ac = sweepOf(card))],
  [
    '.print',
    ({ at, rest }, { print }) => {
      const [kind = '', ...vectors] = rest;
      if (kind !== 'op' && kind !== 'ac' && kind !== 'dc')
        throw new Unread(
          at,
          'deck.unsupported',
          `.PRINT ${kind.toUpperCase()} is not read here: OP and AC are.`,
        );
      print[kind === 'ac' ? 'ac' : 'op'].push(...vectors.map((word) => vectorOf(at, word)));
    },
  ],
  ['.options', tolerancesOnly],
  ['.option', tolerancesOnly],
  ['.title', passedOver],
  ['.end', (_, into) => void (into.ended = true)],
]);

function passedOver({ head, rest }: CardWords, { ignored }: Reading): void {
  ignored.push([head, ...rest].join(' '));
}

function tolerancesOnly(card: CardWords, into: Reading): void {
  const { at, rest } = card;
  passedOver(card, into);
  for (const word of rest)
    if (!TOLERANCES.has(word.split('=')[0] ?? ''))
      throw new Unread(at, 'deck.unsupported', `.OPTIONS ${word.toUpperCase()} is not read here.`);
}

function sweepOf({ at, rest, value, only }: CardWords): SweepCard {
  const [spacing = ''] = rest;
  only(4);
  if (spacing !== 'dec' && spacing !== 'oct' && spacing !== 'lin')
    throw new Unread(at, 'deck.words', '.AC: write DEC, OCT or LIN, points, from, to.');
  const card: SweepCard = {
    spacing,
    points: Math.round(value(rest[1], 'a number of points')),
    from: value(rest[2], 'a frequency'),
    to: value(rest[3], 'a frequency'),
  };
  if (!(card.points >= 1 && card.points <= 10_000 && card.from > 0 && card.to >= card.from))
    throw new Unread(
      at,
      'deck.value',
      '.AC: from 1 to 10000 points, and frequencies upward from more than 0.',
    );
  if (frequenciesOf(card).length === 0)
    throw new Unread(
      at,
      'deck.value',
      '.AC DEC: not one step has room between these frequencies: ask for more points a decade, or for LIN.',
    );
  return card;
}

/** The most cards of a deck: beyond that nothing of ours is this large, and it would be solved for minutes. */
export const MOST_CARDS = 10_000;

/**
 * Reads a plain SPICE deck: R, C, L, K, V, I, E, G, D, `.model` of diodes, `.op`, `.ac`, `.print`, `.end`; a control block is
 * passed over, tolerances are our own, and said to be ignored. Everything else is named with its line: `deck.unsupported`,
 * `deck.value`, `deck.words`; values that no element may have and two of one name too: `circuit.value`, `circuit.twice`.
 */
export function readDeck(text: string): Result<Deck> {
  const problems: Problem[] = [];
  const into: Reading = {
    elements: [],
    pending: [],
    models: new Map(),
    print: { op: [], ac: [] },
    op: false,
    ended: false,
    ignored: [],
    linesOf: new Map(),
  };
  const lines = linesOf(text);
  if (lines.length > MOST_CARDS)
    return {
      ok: false,
      problems: [
        {
          code: 'deck.size',
          says: `This deck has ${lines.length} cards, and no more than ${MOST_CARDS} are read.`,
          path: `line ${lines[MOST_CARDS]?.at ?? 1}`,
        },
      ],
    };
  for (const { at, words } of lines) {
    if (into.ended) break;
    const name = words[0] ?? '';
    if (!name.startsWith('.')) into.linesOf.set(name, [...(into.linesOf.get(name) ?? []), at]);
    const card = cardWords(at, words);
    const { head, rest } = card;
    try {
      const reader = READERS.get(head.startsWith('.') ? head : head.charAt(0));
      if (!reader)
        throw new Unread(
          at,
          'deck.unsupported',
          `${head.toUpperCase()} is not read here: R, C, L, K, V, I, E, G, D, .MODEL, .OP, .AC, .PRINT are.`,
        );
      reader(card, into);
    } catch (error) {
      if (!(error instanceof Unread)) throw error;
      problems.push({ code: error.code, says: error.message, path: `line ${error.at}` });
      // A model that cannot be read is there all the same.
      if (head === '.model') into.models.set(rest[0] ?? '', { is: 1e-14, n: 1, rs: 0 });
    }
  }
  return settled(text, into, problems);
}

/** The deck with its diodes given their models, or what is wrong with it. */
function settled(text: string, into: Reading, problems: Problem[]): Result<Deck> {
  const { elements, pending, models, print, op, ac, ignored, linesOf: lines } = into;
  const modelled = new Map(
    pending.flatMap(({ at, id, model }) => {
      const found = models.get(model);
      if (!found)
        problems.push({
          code: 'deck.model',
          says: `${id.toUpperCase()}: there is no .MODEL ${model.toUpperCase()}.`,
          path: `line ${at}`,
        });
      return found ? [[id, { ...found, model }] as const] : [];
    }),
  );
  if (problems.length === 0 && elements.length === 0)
    problems.push({
      code: 'deck.empty',
      says: 'There is no element in this deck; its first line is the title.',
      path: 'line 1',
    });
  const circuit = {
    elements: elements.map((each) => (each.kind === 'diode' ? { ...each, ...modelled.get(each.id) } : each)),
  };
  for (const { path, ...rest } of elementProblems(primitives(circuit)))
    problems.push({
      ...rest,
      path: `line ${lines.get(path)?.at(rest.code === 'circuit.twice' ? -1 : 0) ?? 1}`,
    });
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    value: {
      title: (text.split(/\r?\n/)[0] ?? '').replace(/^\*\s*/, ''),
      circuit,
      ...(ignored.length > 0 ? { ignored } : {}),
      op: op || !ac,
      ...(ac ? { ac } : {}),
      print,
    },
  };
}

function sourceOf(
  at: number,
  head: string,
  words: readonly string[],
  value: CardWords['value'],
): { readonly dc: number; readonly ac?: Alternating } {
  let dc = 0;
  let ac: Alternating | undefined;
  for (let n = 0; n < words.length; n++) {
    const word = words[n] ?? '';
    if (word === 'dc') dc = value(words[++n], 'a voltage or current');
    else if (word === 'ac') {
      const size = spiceNumber(words[n + 1]);
      if (size !== undefined) n++;
      const degrees = size === undefined ? undefined : spiceNumber(words[n + 1]);
      if (degrees !== undefined) n++;
      ac = { magnitude: size ?? 1, ...(degrees === undefined ? {} : { degrees }) };
    } else if (n === 0 && spiceNumber(word) !== undefined) dc = value(word, 'a voltage or current');
    else
      throw new Unread(
        at,
        'deck.unsupported',
        `${head.toUpperCase()}: “${word}” is not read here: DC and AC are.`,
      );
  }
  return { dc, ...(ac ? { ac } : {}) };
}

function modelOf(
  at: number,
  words: readonly string[],
  value: CardWords['value'],
): [string, { is: number; n: number; rs: number }] {
  const [name = '', ...rest] = words;
  const inner = rest.join(' ').replace(/[()]/g, ' ').trim().split(/\s+/);
  const [kind = '', ...settings] = inner;
  if (kind !== 'd')
    throw new Unread(at, 'deck.unsupported', `.MODEL ${kind.toUpperCase()} is not read here: D is.`);
  const model = { is: 1e-14, n: 1, rs: 0 };
  for (const setting of settings) {
    const [key = '', given] = setting.split('=');
    if (key !== 'is' && key !== 'n' && key !== 'rs')
      throw new Unread(
        at,
        'deck.unsupported',
        `.MODEL ${name.toUpperCase()}: ${key.toUpperCase()} is not read here: IS, N and RS are.`,
      );
    model[key] = value(given, `a value of ${key.toUpperCase()}`);
  }
  return [name, model];
}

function vectorOf(at: number, word: string): Vector {
  const match = /^([vi])(m|p|db|r|i)?\(\s*([^,()\s]+)\s*(?:[,\s]\s*([^,()\s]+)\s*)?\)$/.exec(word);
  const [, kind = '', part = '', a = '', b] = match ?? [];
  if (!match || (kind === 'i' && b !== undefined))
    throw new Unread(
      at,
      'deck.unsupported',
      `“${word}” is not printed here: v(n), v(a,b), i(v1) and their m, p, db, r, i are.`,
    );
  const of = kind === 'i' ? { amps: a } : { volts: [a, b ?? GROUND] as const };
  return { name: word.replace(/\s+/g, ''), part: part as Vector['part'], of };
}
