import type { Deck, Vector } from './deck';
import {
  GROUND,
  primitives,
  type Alternating,
  type Element,
  type NodeName,
  type Primitive,
} from './elements';
import { islandsOf, LEAK_OHMS } from './islands';

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

/** The voltage of every node of a circuit but ground, in order of name. */
export const allVoltages = (elements: readonly Element[]): readonly Vector[] =>
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
