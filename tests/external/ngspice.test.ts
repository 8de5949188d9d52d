import { useOf } from '../support/leads';
import { describe, expect, it } from 'vitest';
import { conductorsOf, conductorTerminal, spanLengths } from '../../src/core/assembly';
import {
  deckText,
  frequenciesOf,
  operatingPoint,
  primitives,
  sweep,
  sweeps,
  voltageVector,
  type Circuit,
  type Deck,
  type SweepCard,
} from '../../src/core/circuit';
import { leadCircuit } from '../../src/core/model';
import { ask, LINES, QUESTIONS, tellTaleCircuit } from '../../src/core/signal';
import { EXAMPLES, leadOf } from '../examples/read';
import { diodeCircuit, linearCircuit } from '../support/circuits';
import { near, runNgspice } from '../support/ngspice';

const AC: SweepCard = { spacing: 'dec', points: 3, from: 10, to: 100_000 };
const deckOf = (circuit: Circuit): Deck => ({
  title: 'compared',
  circuit,
  op: true,
  ac: AC,
  print: { op: [], ac: [] },
});

/**
 * How alike the steady voltage of a core is that is joined to nothing: it hangs by some 10¹¹ Ω of insulation beside 0.3 Ω of
 * its own copper, and that ratio takes more than eleven of the sixteen digits that either program reckons with.
 */
const HUNG = 5e-5;

/** What differs between Antler's solution and ngspice's of the same deck. */
function differences(
  circuit: Circuit,
  share: number,
  absolute: number,
  isHung: (node: string) => boolean = () => false,
): readonly string[] {
  const printed = runNgspice(deckText(deckOf(circuit)));
  const steady = operatingPoint(circuit);
  const swept = sweep(circuit, frequenciesOf(AC));
  if (!steady.ok || !swept.ok) return ['Antler refuses it'];
  const found: string[] = [...printed.complaints];
  if (printed.op.size === 0 || printed.ac.size !== printed.op.size) found.push('ngspice printed too little');
  for (const [name, theirs] of printed.op) {
    const node = /^v\((.*)\)$/.exec(name)?.[1] ?? '';
    const ours = steady.value.voltage(node);
    if (!near(ours, theirs, isHung(node) ? HUNG : share, absolute))
      found.push(`op ${name}: ${ours} here, ${theirs} there`);
  }
  for (const [name, theirs] of printed.ac) {
    const ours = swept.value.voltage(/^v\((.*)\)$/.exec(name)?.[1] ?? '');
    printed.frequencies.forEach((hertz, n) => {
      const size = Math.hypot(theirs.re[n] ?? 0, theirs.im[n] ?? 0);
      const off = Math.hypot(
        (ours.re[n] ?? NaN) - (theirs.re[n] ?? 0),
        (ours.im[n] ?? NaN) - (theirs.im[n] ?? 0),
      );
      if (!(off <= Math.max(absolute, share * size)))
        found.push(`ac ${name} at ${hertz} Hz: off by ${off} of ${size}`);
    });
    if (theirs.re.length !== swept.value.frequencies.length)
      found.push(`ac ${name}: ${theirs.re.length} points`);
  }
  return found;
}

// ngspice prints six decimal places of each frequency here.
describe('the frequencies of a sweep are those of ngspice, whole spans or not', () => {
  it.each([
    ['dec', 3, 100, 2500],
    ['dec', 7, 20, 20_000],
    ['dec', 10, 31.5, 18_000],
    ['dec', 1, 10, 1e6],
    ['dec', 4, 1, 9.99],
    ['oct', 2, 100, 900],
    ['oct', 5, 33, 34],
    ['oct', 3, 20, 20_480],
    ['lin', 1, 100, 200],
    ['lin', 2, 100, 200],
    ['lin', 3, 100, 200],
    ['lin', 7, 0.5, 11],
    ['lin', 4, 50, 50],
  ] as const)('%s %d from %d to %d Hz', (spacing, points, from, to) => {
    const { frequencies } = runNgspice(
      `grid\nV1 in 0 DC 0 AC 1\nR1 in out 1k\nC1 out 0 1u\n.ac ${spacing} ${points} ${from} ${to}\n.print ac v(out)\n.end\n`,
    );
    const ours = frequenciesOf({ spacing, points, from, to });
    expect(ours).toHaveLength(frequencies.length);
    ours.forEach((hertz, n) => expect(hertz / (frequencies[n] ?? 0)).toBeCloseTo(1, 6));
  });
});

// The reference is Debian's ngspice, its tolerances tightened in the deck (reltol 1e-9).
describe('Antler’s solver beside ngspice', () => {
  it.each(Array.from({ length: 10 }, (_, block) => block))(
    'linear circuits %# of ten lots of 22: within 1e-6, 1e-9 V',
    (block) => {
      for (let n = 0; n < 22; n++) {
        const seed = block * 22 + n;
        const elements = linearCircuit(seed);
        expect(differences({ elements }, 1e-6, 1e-9), `circuit ${seed}`).toEqual([]);
      }
    },
  );

  it('55 circuits with diodes: within 1e-4', () => {
    let lit = 0;
    for (let seed = 0; seed < 55; seed++) {
      const elements = diodeCircuit(seed);
      expect(differences({ elements }, 1e-4, 1e-9), `circuit ${seed}`).toEqual([]);
      const steady = operatingPoint({ elements });
      if (steady.ok && [...steady.value.conductances.values()].some((g) => g > 1e-6)) lit++;
    }
    // They are no good as a test if nothing conducts.
    expect(lit).toBeGreaterThan(25);
  });
});

describe('every example lead with what it is plugged into', () => {
  it.each(EXAMPLES.map((each) => [each.id, each] as const))(
    '%s: the same in ngspice, with no warning',
    (_, example) => {
      const found = leadOf(example);
      const { assembly } = found;
      const situation = useOf(found);
      const { circuit } = leadCircuit(assembly, situation, {
        lengths: spanLengths(assembly),
        supplies: true,
        groundVolts: 0.1,
      });
      const left = new Set(assembly.unjoined.map(({ at }) => at));
      const hung = assembly.spans.flatMap((span) =>
        conductorsOf(assembly, span)
          .filter(({ id }) =>
            [span.from, span.to].every((body) => left.has(conductorTerminal(span.id, id, body))),
          )
          .map(({ id }) => `${span.id}_${id}_`.toLowerCase().replace(/-/g, '_')),
      );
      expect(differences(circuit, 1e-6, 1e-9, (node) => hung.some((each) => node.startsWith(each)))).toEqual(
        [],
      );
    },
  );
});

describe('leads asked for a little, at many frequencies: solved at a few', () => {
  const fine: SweepCard = { spacing: 'dec', points: 30, from: 10, to: 200_000 };
  it.each([
    'instrument-lead',
    'd25-to-eight-xlr',
    'transformer-line-to-recorder',
    'record-player-separate-earth',
  ])('%s: what its inputs hear is the same in ngspice, to six digits or a nanovolt', (id) => {
    const example = EXAMPLES.find((each) => each.id === id) ?? expect.fail(`no example ${id}`);
    const lead = leadOf(example);
    const { circuit, heard } = leadCircuit(lead.assembly, useOf(lead), {
      lengths: spanLengths(lead.assembly),
      highestHertz: 200_000,
      groundVolts: 0.1,
    });
    const voltages = heard.map(({ between }) => between);
    const print = { op: [], ac: voltages.map((between) => voltageVector(...between)) };
    const printed = runNgspice(deckText({ title: 'heard', circuit, op: false, ac: fine, print }));
    const frequencies = frequenciesOf(fine);
    const swept = sweeps(circuit, frequencies, [undefined], { asked: [{ voltages, currents: [] }] });
    if (!swept.ok) expect.fail(JSON.stringify(swept.problems));
    expect(printed.complaints).toEqual([]);
    expect(printed.frequencies).toHaveLength(frequencies.length);
    voltages.forEach((between, k) => {
      const ours = swept.value[0]?.voltage(...between);
      const theirs = [...printed.ac.values()][k];
      frequencies.forEach((_, n) => {
        const [re, im] = [theirs?.re[n] ?? NaN, theirs?.im[n] ?? NaN];
        const off = Math.hypot((ours?.re[n] ?? NaN) - re, (ours?.im[n] ?? NaN) - im);
        expect(off).toBeLessThan(1e-6 * Math.hypot(re, im) + 1e-9);
      });
    });
  });
});

describe('every sum’s circuit', () => {
  it.each(QUESTIONS.map((each) => [each.id, each] as const))('%s: the same in ngspice', (_, question) => {
    const asked = ask(question, {});
    if (!asked.ok) expect.fail(JSON.stringify(asked.problems));
    const junctions = primitives(asked.value.circuit).some((each) => each.kind === 'diode');
    expect(differences(asked.value.circuit, junctions ? 1e-4 : 1e-6, 1e-9)).toEqual([]);
  });

  it.each(LINES.map((line) => [line.says, line] as const))(
    'the tell-tale with %s: the same in ngspice',
    (_, line) => {
      for (const guard of [true, false])
        expect(differences(tellTaleCircuit(line, 'P48', 4700, 2, guard), 1e-4, 1e-9)).toEqual([]);
    },
  );
});
