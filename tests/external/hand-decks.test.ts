import { expect, it } from 'vitest';
import { readDeck, solveDeck } from '../../src/core/circuit';
import { near, runNgspice } from '../support/ngspice';
import { HAND_DECKS } from './hand-decks';

const first = (values: unknown): number => {
  const { re, im } = values as { re: number[]; im: number[] };
  return Math.hypot(re[0] ?? NaN, im[0] ?? NaN);
};

/** The deck with a control block that prints what Antler printed, in full. */
const printing = (deck: string, op: readonly string[], ac: readonly string[], card: string): string =>
  deck.replace(
    /\.end\s*$/,
    [
      '.control',
      'set numdgt=15',
      'option reltol=1e-9 abstol=1e-16 vntol=1e-12',
      ...(op.length > 0 ? ['op', ...op.map((name) => `print ${name}`)] : []),
      ...(ac.length > 0 ? [card.slice(1), ...ac.map((name) => `print ${name}`)] : []),
      'quit',
      '.endc',
      '.end',
      '',
    ].join('\n'),
  );

// Written by hand, so that a mistake in Antler's own writer cannot hide one in its reader: beside ngspice and a formula.
it.each(Object.entries(HAND_DECKS))('%s', (_, { deck, op, ac, formula }) => {
  const read = readDeck(deck);
  if (!read.ok) expect.fail(JSON.stringify(read.problems));
  const solved = solveDeck(read.value);
  if (!solved.ok) expect.fail(JSON.stringify(solved.problems));
  const { op: steady = {}, ac: swept } = solved.value;
  if (op) expect(near(steady[op[0]] ?? NaN, op[1], 2e-3, 1e-9), `${formula}: ${steady[op[0]]}`).toBe(true);
  if (ac)
    expect(near(first(swept?.[ac[0]]), ac[1], 2e-3, 1e-9), `${formula}: ${first(swept?.[ac[0]])}`).toBe(true);

  const names = Object.keys(swept ?? {}).filter((name) => name !== 'frequency');
  const printed = runNgspice(printing(deck, Object.keys(steady), names, /^\.ac .*$/m.exec(deck)?.[0] ?? ''));
  expect(printed.complaints).toEqual([]);
  expect([...printed.op.keys()].sort()).toEqual(Object.keys(steady).sort());
  for (const [name, value] of printed.op)
    expect(near(steady[name] ?? NaN, value, 1e-6, 1e-9), name).toBe(true);
  expect([...printed.ac.keys()].sort()).toEqual(names.sort());
  for (const [name, values] of printed.ac) {
    const ours = swept?.[name] as { re: number[]; im: number[] };
    values.re.forEach((re, n) => {
      expect(near(ours.re[n] ?? NaN, re, 1e-6, 1e-9), `${name} ${n}: ${ours.re[n]} here, ${re} there`).toBe(
        true,
      );
      expect(near(ours.im[n] ?? NaN, values.im[n] ?? 0, 1e-6, 1e-9), name).toBe(true);
    });
  }
  printed.frequencies.forEach((hertz, n) =>
    expect(near((swept?.frequency as number[])[n] ?? NaN, hertz, 1e-9, 0)).toBe(true),
  );
});
