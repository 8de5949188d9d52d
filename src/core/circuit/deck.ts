import type { Problem, Result } from '../quantity';
import { sweep, type Sweep } from './alternating';
import { operatingPoint, type Operating } from './direct';
import {
  GROUND,
  primitives,
  type Alternating,
  type Circuit,
  type Element,
  type NodeName,
  type Primitive,
} from './elements';
import { islandsOf, LEAK_OHMS } from './equations';

/** How the frequencies of a sweep are spaced: points a decade, an octave, or in all. */
export interface SweepCard {
  readonly spacing: 'dec' | 'oct' | 'lin';
  readonly points: number;
  /** Hz. */
  readonly from: number;
  readonly to: number;
}

/** A vector that is printed: `v(n)`, `v(a,b)`, `i(v1)`, or magnitude, phase, dB, real or imaginary part of one. */
export interface Vector {
  readonly name: string;
  readonly part: '' | 'm' | 'p' | 'db' | 'r' | 'i';
  readonly of: { readonly volts: readonly [NodeName, NodeName] } | { readonly amps: string };
}

/** A plain SPICE deck as it is read or written: a circuit and what is asked of it. */
export interface Deck {
  readonly title: string;
  readonly circuit: Circuit;
  readonly op: boolean;
  readonly ac?: SweepCard;
  /** What is printed of each; all node voltages where nothing is named. */
  readonly print: { readonly op: readonly Vector[]; readonly ac: readonly Vector[] };
}

/** The frequencies of a sweep, Hz, as SPICE counts them. */
export function frequenciesOf({ spacing, points, from, to }: SweepCard): readonly number[] {
  if (spacing === 'lin')
    return points < 2
      ? [from]
      : Array.from({ length: points }, (_, n) => from + ((to - from) * n) / (points - 1));
  const step = spacing === 'dec' ? 10 : 2;
  const count = Math.floor((Math.log(to / from) / Math.log(step)) * points + 1e-6) + 1;
  return Array.from({ length: count }, (_, n) => from * step ** (n / points));
}

// —— Writing ——

const LETTERS: Readonly<Record<Primitive['kind'], string>> = {
  resistor: 'R',
  capacitor: 'C',
  inductor: 'L',
  coupling: 'K',
  voltage: 'V',
  current: 'I',
  vcvs: 'E',
  vccs: 'G',
  diode: 'D',
};

/** A name that SPICE reads: letters, digits and underscores, the first letter by the kind of element. */
const named = (letter: string, id: string): string => {
  const safe = id.replace(/[^A-Za-z0-9_]/g, '_');
  return safe.toUpperCase().startsWith(letter) ? safe : `${letter}_${safe}`;
};
/** The node as it is called in a deck. */
export const deckNode = (node: NodeName): string => node.replace(/[^A-Za-z0-9_]/g, '_').toLowerCase();
/** The source as it is called in a deck. */
export const deckSource = (id: string): string => named('V', id).toLowerCase();

const number = (value: number): string => String(value);
const acOf = (ac: Alternating | undefined): string =>
  ac ? ` AC ${number(ac.magnitude)} ${number(ac.degrees ?? 0)}` : '';

function card(each: Primitive, models: Map<string, string>): string {
  const own = named(LETTERS[each.kind], each.id);
  if (each.kind === 'coupling')
    return `${own} ${each.of.map((id) => named('L', id)).join(' ')} ${number(each.k)}`;
  const ends = `${own} ${deckNode(each.a)} ${deckNode(each.b)}`;
  switch (each.kind) {
    case 'resistor':
      return `${ends} ${number(each.ohms)}`;
    case 'capacitor':
      return `${ends} ${number(each.farads)}`;
    case 'inductor':
      return `${ends} ${number(each.henries)}`;
    case 'voltage':
    case 'current':
      return `${ends} DC ${number(each.dc)}${acOf(each.ac)}`;
    case 'vcvs':
      return `${ends} ${deckNode(each.c)} ${deckNode(each.d)} ${number(each.gain)}`;
    case 'vccs':
      return `${ends} ${deckNode(each.c)} ${deckNode(each.d)} ${number(each.siemens)}`;
    case 'diode': {
      const model = `D(IS=${number(each.is)} N=${number(each.n)} RS=${number(each.rs ?? 0)})`;
      if (!models.has(model)) models.set(model, `DM${models.size + 1}`);
      return `${ends} ${models.get(model)}`;
    }
  }
}

const sayVector = ({ part, of }: Vector): string =>
  'amps' in of
    ? `i${part}(${of.amps})`
    : `v${part}(${of.volts[1] === GROUND ? of.volts[0] : of.volts.join(',')})`;

/** A vector of the voltage of a node, or between two. */
export const voltageVector = (a: NodeName, b: NodeName = GROUND): Vector => {
  const of = { volts: [deckNode(a), deckNode(b)] as const };
  return { name: sayVector({ name: '', part: '', of }), part: '', of };
};

/**
 * A circuit as SPICE text that a batch run of ngspice takes as it is: the cards, and a control block that runs them and
 * prints fifteen digits. Pieces that nothing joins to ground have one leak of {@link LEAK_OHMS} written in.
 */
export function deckText({ title, circuit, op, ac, print }: Deck): string {
  const elements = primitives(circuit);
  const models = new Map<string, string>();
  const cards = elements.map((each) => card(each, models));
  const leaks = islandsOf(elements, false)
    .filter((island) => !island.leaking)
    .map(({ tie }) => `Rleak_${deckNode(tie)} ${deckNode(tie)} 0 ${number(LEAK_OHMS)}`);
  const vectors = (list: readonly Vector[]): readonly string[] =>
    (list.length > 0 ? list : allVoltages(elements)).map(sayVector);
  const acLine = ac && `${ac.spacing} ${ac.points} ${number(ac.from)} ${number(ac.to)}`;
  const control = [
    '.control',
    'set numdgt=15',
    'option reltol=1e-9 abstol=1e-16 vntol=1e-12',
    ...(op ? ['op', ...vectors(print.op).map((name) => `print ${name}`)] : []),
    ...(acLine ? [`ac ${acLine}`, ...vectors(print.ac).map((name) => `print ${name}`)] : []),
    'quit',
    '.endc',
  ];
  return [
    `* ${title.replace(/\s+/g, ' ')}`,
    ...cards,
    ...leaks,
    ...[...models].map(([model, name]) => `.model ${name} ${model}`),
    ...(op ? ['.op'] : []),
    ...(acLine ? [`.ac ${acLine}`] : []),
    ...(op && print.op.length > 0 ? [`.print op ${vectors(print.op).join(' ')}`] : []),
    ...(acLine && print.ac.length > 0 ? [`.print ac ${vectors(print.ac).join(' ')}`] : []),
    ...control,
    '.end',
    '',
  ].join('\n');
}

const allVoltages = (elements: readonly Element[]): readonly Vector[] =>
  [
    ...new Set(
      elements.flatMap((each) =>
        each.kind === 'coupling' ? [] : 'c' in each ? [each.a, each.b, each.c, each.d] : [each.a, each.b],
      ),
    ),
  ]
    .filter((node) => node !== GROUND)
    .sort()
    .map((node) => voltageVector(node));

// —— Reading ——

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

/**
 * Reads a plain SPICE deck: R, C, L, K, V, I, E, G, D, `.model` of diodes, `.op`, `.ac`, `.print`, `.end`; a control block is
 * passed over, tolerances are our own. Everything else is named with its line: `deck.unsupported`, `deck.value`, `deck.words`.
 */
export function readDeck(text: string): Result<Deck> {
  const problems: Problem[] = [];
  const elements: Element[] = [];
  const pending: { at: number; id: string; a: string; b: string; model: string }[] = [];
  const models = new Map<string, { is: number; n: number; rs: number }>();
  const print: { op: Vector[]; ac: Vector[] } = { op: [], ac: [] };
  let op = false;
  let ac: SweepCard | undefined;
  let ended = false;
  for (const { at, words } of linesOf(text)) {
    if (ended) break;
    const [head = '', ...rest] = words;
    const value = (word: string | undefined, what: string): number => {
      const read = spiceNumber(word);
      if (read === undefined)
        throw new Unread(
          at,
          'deck.value',
          `${head.toUpperCase()}: ${what} is expected, and “${word ?? ''}” is none.`,
        );
      return read;
    };
    const only = (count: number): void => {
      if (rest.length > count)
        throw new Unread(
          at,
          'deck.unsupported',
          `${head.toUpperCase()}: “${rest.slice(count).join(' ')}” is not read here.`,
        );
    };
    const ends = (count = 2): readonly string[] => {
      if (rest.length < count)
        throw new Unread(at, 'deck.words', `${head.toUpperCase()}: nodes are missing.`);
      return rest.slice(0, count);
    };
    try {
      switch (head.startsWith('.') ? head : head.charAt(0)) {
        case 'r': {
          const [a = '', b = ''] = ends();
          only(3);
          elements.push({ kind: 'resistor', id: head, a, b, ohms: value(rest[2], 'a resistance') });
          break;
        }
        case 'c': {
          const [a = '', b = ''] = ends();
          only(3);
          elements.push({ kind: 'capacitor', id: head, a, b, farads: value(rest[2], 'a capacitance') });
          break;
        }
        case 'l': {
          const [a = '', b = ''] = ends();
          only(3);
          elements.push({ kind: 'inductor', id: head, a, b, henries: value(rest[2], 'an inductance') });
          break;
        }
        case 'k':
          only(3);
          elements.push({
            kind: 'coupling',
            id: head,
            of: [rest[0] ?? '', rest[1] ?? ''],
            k: value(rest[2], 'a coupling'),
          });
          break;
        case 'v':
        case 'i': {
          const [a = '', b = ''] = ends();
          elements.push({
            kind: head.startsWith('v') ? 'voltage' : 'current',
            id: head,
            a,
            b,
            ...sourceOf(at, head, rest.slice(2), value),
          });
          break;
        }
        case 'e':
        case 'g': {
          const [a = '', b = '', c = '', d = ''] = ends(4);
          only(5);
          const gain = value(rest[4], 'a gain');
          elements.push(
            head.startsWith('e')
              ? { kind: 'vcvs', id: head, a, b, c, d, gain }
              : { kind: 'vccs', id: head, a, b, c, d, siemens: gain },
          );
          break;
        }
        case 'd': {
          const [a = '', b = ''] = ends();
          only(3);
          pending.push({ at, id: head, a, b, model: rest[2] ?? '' });
          // Keeps its place among the elements until its model is known.
          elements.push({ kind: 'diode', id: head, a, b, is: 1e-14, n: 1 });
          break;
        }
        case '.model':
          models.set(...modelOf(at, rest, value));
          break;
        case '.op':
          op = true;
          break;
        case '.ac': {
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
          ac = card;
          break;
        }
        case '.print': {
          const [kind = '', ...vectors] = rest;
          if (kind !== 'op' && kind !== 'ac' && kind !== 'dc')
            throw new Unread(
              at,
              'deck.unsupported',
              `.PRINT ${kind.toUpperCase()} is not read here: OP and AC are.`,
            );
          print[kind === 'ac' ? 'ac' : 'op'].push(...vectors.map((word) => vectorOf(at, word)));
          break;
        }
        case '.options':
        case '.option':
          for (const word of rest)
            if (!TOLERANCES.has(word.split('=')[0] ?? ''))
              throw new Unread(at, 'deck.unsupported', `.OPTIONS ${word.toUpperCase()} is not read here.`);
          break;
        case '.title':
          break;
        case '.end':
          ended = true;
          break;
        default:
          throw new Unread(
            at,
            'deck.unsupported',
            `${head.toUpperCase()} is not read here: R, C, L, K, V, I, E, G, D, .MODEL, .OP, .AC, .PRINT are.`,
          );
      }
    } catch (error) {
      if (!(error instanceof Unread)) throw error;
      problems.push({ code: error.code, says: error.message, path: `line ${error.at}` });
      // A model that cannot be read is there all the same.
      if (head === '.model') models.set(rest[0] ?? '', { is: 1e-14, n: 1, rs: 0 });
    }
  }
  const settled = new Map(
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
  if (problems.length > 0) return { ok: false, problems };
  if (elements.length === 0)
    return {
      ok: false,
      problems: [
        {
          code: 'deck.empty',
          says: 'There is no element in this deck; its first line is the title.',
          path: 'line 1',
        },
      ],
    };
  return {
    ok: true,
    value: {
      title: (text.split(/\r?\n/)[0] ?? '').replace(/^\*\s*/, ''),
      circuit: {
        elements: elements.map((each) =>
          each.kind === 'diode' ? { ...each, ...settled.get(each.id) } : each,
        ),
      },
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
  value: (word: string | undefined, what: string) => number,
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
  value: (word: string | undefined, what: string) => number,
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

// —— Solving ——

/** What a deck's vectors come to. */
export interface DeckSolution {
  readonly op?: Readonly<Record<string, number>>;
  readonly ac?: { readonly frequency: readonly number[] } & Readonly<
    Record<string, readonly number[] | { readonly re: readonly number[]; readonly im: readonly number[] }>
  >;
}

/** Runs what a deck asks for. Errors: those of the solver, and `deck.vector` for one that is not in the circuit. */
export function solveDeck(deck: Deck): Result<DeckSolution> {
  const elements = primitives(deck.circuit);
  const all = allVoltages(elements);
  const nodes = new Set([GROUND, ...all.flatMap(({ of }) => ('volts' in of ? of.volts : []))]);
  const branches = new Set(
    elements.flatMap((each) => (['voltage', 'vcvs', 'inductor'].includes(each.kind) ? [each.id] : [])),
  );
  const problems = [...deck.print.op, ...deck.print.ac].flatMap(({ name, of }): Problem[] =>
    ('amps' in of ? branches.has(of.amps) : of.volts.every((node) => nodes.has(node)))
      ? []
      : [{ code: 'deck.vector', says: `${name} is printed, and is not in the circuit.`, path: name }],
  );
  if (problems.length > 0) return { ok: false, problems };
  const chosen = (list: readonly Vector[]): readonly Vector[] => (list.length > 0 ? list : all);
  let op: DeckSolution['op'];
  if (deck.op) {
    const steady = operatingPoint(deck.circuit);
    if (!steady.ok) return steady;
    op = Object.fromEntries(
      chosen(deck.print.op).map((each) => [each.name, steadyValue(steady.value, each)]),
    );
  }
  if (!deck.ac) return { ok: true, value: { ...(op ? { op } : {}) } };
  const swept = sweep(deck.circuit, frequenciesOf(deck.ac));
  if (!swept.ok) return swept;
  const frequency = swept.value.frequencies;
  const traces = Object.fromEntries(
    chosen(deck.print.ac).map((each) => [each.name, sweptValues(swept.value, each)]),
  );
  return { ok: true, value: { ...(op ? { op } : {}), ac: { ...traces, frequency } } };
}

const steadyValue = (at: Operating, { of, part }: Vector): number => {
  const value = 'amps' in of ? at.current(of.amps) : at.voltage(of.volts[0]) - at.voltage(of.volts[1]);
  return partOf(part, value, 0);
};

function sweptValues(
  at: Sweep,
  { of, part }: Vector,
): { readonly re: readonly number[]; readonly im: readonly number[] } {
  const { re, im } = 'amps' in of ? at.current(of.amps) : at.voltage(of.volts[0], of.volts[1]);
  return part === ''
    ? { re: [...re], im: [...im] }
    : { re: Array.from(re, (real, n) => partOf(part, real, im[n] as number)), im: Array.from(re, () => 0) };
}

function partOf(part: Vector['part'], re: number, im: number): number {
  switch (part) {
    case '':
    case 'r':
      return re;
    case 'i':
      return im;
    case 'm':
      return Math.hypot(re, im);
    case 'p':
      return Math.atan2(im, re);
    case 'db':
      return 20 * Math.log10(Math.hypot(re, im));
  }
}
