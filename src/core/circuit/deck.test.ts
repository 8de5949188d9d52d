import { describe, expect, it } from 'vitest';
import { linearCircuit } from '../../../tests/support/circuits';
import { deckText, frequenciesOf, operatingPoint, readDeck, solveDeck, spiceNumber } from '.';

const problemsOf = (deck: string): readonly string[] => {
  const read = readDeck(deck);
  const made = read.ok ? solveDeck(read.value) : read;
  return made.ok ? [] : made.problems.map(({ code, path }) => `${code} ${path}`);
};

describe('a deck that is read', () => {
  it.each([
    ['4.7k', 4700],
    ['10uF', 1e-5],
    ['1meg', 1e6],
    ['1MEGohm', 1e6],
    ['3m', 3e-3],
    ['2mil', 50.8e-6],
    ['-.5', -0.5],
    ['1e-3k', 1],
    ['12pF', 12e-12],
    ['5', 5],
  ])('%s is %s', (text, expected) => expect(spiceNumber(text)).toBeCloseTo(expected, 15));

  it.each([
    ['a transistor', 't\nR1 a 0 1\nQ1 a b c mod\n.end', 'deck.unsupported line 3'],
    ['a subcircuit', 't\nR1 a 0 1\n\n* note\n.subckt x a b\n.end', 'deck.unsupported line 5'],
    ['a sine', 't\nV1 a 0 SIN(0 1 1k)\nR1 a 0 1\n.end', 'deck.unsupported line 2'],
    ['a transient', 't\nR1 a 0 1\n.tran 1u 1m\n.end', 'deck.unsupported line 3'],
    ['no value', 't\nR1 a 0 many\n.end', 'deck.value line 2'],
    ['no nodes', 't\nR1 a\n.end', 'deck.words line 2'],
    ['a model that is not there', 't\nV1 a 0 1\nD1 a 0 none\n.end', 'deck.model line 3'],
    ['a model parameter', 't\nV1 a 0 1\nD1 a 0 d\n.model d D(IS=1f CJO=2p)\n.end', 'deck.unsupported line 4'],
    ['a temperature coefficient', 't\nR1 a 0 1k tc=0.01\n.end', 'deck.unsupported line 2'],
    ['an option that changes the answer', 't\nR1 a 0 1k\n.options temp=50\n.end', 'deck.unsupported line 3'],
    ['a vector that is not in it', 't\nV1 a 0 1\nR1 a 0 1\n.op\n.print op v(zz)\n.end', 'deck.vector v(zz)'],
    ['a sweep downward', 't\nV1 a 0 AC 1\nR1 a 0 1\n.ac dec 10 1k 10\n.end', 'deck.value line 4'],
    ['nothing at all', 'only a title', 'deck.empty line 1'],
  ])('%s is named with its line', (_, deck, expected) => expect(problemsOf(deck)).toEqual([expected]));

  it('tolerances are passed over, the control block too, and the title is not a card', () => {
    expect(
      problemsOf(
        'R1 is a title\nV1 a 0 1\nR2 a 0 1\n.options reltol=1e-6\n.control\nrun\nplot v(a)\n.endc\n.end',
      ),
    ).toEqual([]);
  });

  it('every problem is told at once', () =>
    expect(problemsOf('t\nQ1 a b c m\nR1 a 0 x\n.four 1k v(a)\n.end')).toHaveLength(3));
});

describe('a deck that cannot be told apart from nonsense is refused', () => {
  const told = (deck: string): readonly string[] => {
    const read = readDeck(deck);
    const solved = read.ok ? solveDeck(read.value) : read;
    return solved.ok ? [] : solved.problems.map(({ code, path }) => `${code} ${path}`);
  };

  it('values that no element may have, two of one name, and couplings of nothing name their line', () =>
    expect(
      told('t\nV1 a 0 1\nR1 a 0 -5\nR2 a 0 0\nC1 a 0 -1p\nL1 a b 0\nR2 a 0 1\nK1 L1 L9 0.5\nK2 L1 L1 2\n.op'),
    ).toEqual([
      'circuit.value line 3',
      'circuit.value line 4',
      'circuit.value line 5',
      'circuit.value line 6',
      'circuit.twice line 7',
      'circuit.value line 8',
      'circuit.value line 9',
    ]));

  it('a node that floats is no 0 V, for direct current nor for alternating', () => {
    expect(told('t\nV1 a 0 1\nR1 a 0 1k\nR2 c d 5\n.op')).toEqual(['deck.floating c']);
    expect(told('t\nV1 a 0 1\nC1 a b 1u\n.op')).toEqual(['deck.floating b']);
    expect(told('t\nV1 a 0 AC 1\nC1 a b 1u\nC2 b 0 1u\n.ac dec 3 10 1k')).toEqual([]);
    expect(told('t\nV1 a 0 AC 1\nR1 a 0 1k\nC1 c d 1u\n.ac dec 3 10 1k')).toEqual(['deck.floating c']);
  });

  it('a milliohm among teraohms is solved or refused, and never a plausible 0 V', () => {
    expect(told('t\nV1 in 0 1\nR1 in a 1t\nR2 a b 1m\nR3 b 0 0.5t\n.op')).toEqual(['circuit.singular a']);
    const read = readDeck('t\nV1 in 0 1\nR1 in a 1t\nR2 a 0 0.5t\nR3 in 0 1m\n.op\n.print op v(a)');
    const solved = read.ok ? solveDeck(read.value) : read;
    if (!solved.ok) expect.fail(JSON.stringify(solved.problems));
    expect(solved.value.op?.['v(a)']).toBeCloseTo(1 / 3, 12);
  });

  it('more cards than are read are refused at once', () => {
    const cards = Array.from({ length: 60_000 }, (_, n) => `R${n} n${n} n${n + 1} 1`);
    const from = performance.now();
    expect(told(['t', 'V1 n0 0 1', ...cards, '.op'].join('\n'))).toEqual(['deck.size line 10002']);
    expect(performance.now() - from).toBeLessThan(2_000);
  });

  it('commands that change nothing here are said', () => {
    const read = readDeck('t\n.title other\n.options reltol=1e-4\nV1 a 0 1\nR1 a 0 1\n.op');
    const solved = read.ok ? solveDeck(read.value) : read;
    expect(solved.ok && solved.value.ignored).toEqual(['.title other', '.options reltol=1e-4']);
  });

  it('a sweep in which not one step has room is told with what to write', () => {
    const read = readDeck('t\nV1 a 0 AC 1\nR1 a 0 1\n.ac dec 1 100 500');
    expect(read.ok ? '' : read.problems[0]?.says).toMatch(/more points a decade/);
  });
});

it('frequencies are counted as SPICE counts them', () => {
  expect(frequenciesOf({ spacing: 'dec', points: 3, from: 10, to: 100 }).map(Math.round)).toEqual([
    10, 22, 46, 100,
  ]);
  expect(frequenciesOf({ spacing: 'oct', points: 1, from: 20, to: 160 })).toEqual([20, 40, 80, 160]);
  expect(frequenciesOf({ spacing: 'lin', points: 3, from: 0.5, to: 1.5 })).toEqual([0.5, 1, 1.5]);
});

it('what is written is read back as the same circuit', () => {
  for (let seed = 300; seed < 330; seed++) {
    const circuit = { elements: linearCircuit(seed) };
    const read = readDeck(deckText({ title: 'round', circuit, op: true, print: { op: [], ac: [] } }));
    if (!read.ok) expect.fail(JSON.stringify(read.problems));
    const [one, other] = [operatingPoint(circuit), operatingPoint(read.value.circuit)];
    if (!one.ok || !other.ok) expect.fail('it was solved before');
    for (const node of one.value.nodes)
      expect(other.value.voltage(node)).toBeCloseTo(one.value.voltage(node), 9);
  }
});
