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
