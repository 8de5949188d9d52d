import { describe, expect, it } from 'vitest';
import { TypingMeter, type Pressed } from './typing-meter';

/** Keys by when they are pressed, in the field or not; what becomes of them, in order. */
function heard(typed: readonly (readonly [key: string, at: number])[], inField = false): readonly string[] {
  const all: string[] = [];
  let due: { readonly at: number; readonly call: () => void } | undefined;
  let now = 0;
  const meter = new TypingMeter({
    line: (text) => void all.push(`line ${text}`),
    keys: (keys) => void all.push(...keys.map(({ key }: Pressed) => `key ${key}`)),
    later(call, ms) {
      const mine = { at: now + ms, call };
      due = mine;
      return () => {
        if (due === mine) due = undefined;
      };
    },
  });
  for (const [key, at] of [...typed, ['', Number.POSITIVE_INFINITY] as const]) {
    if (due && due.at <= at) {
      const { call } = due;
      due = undefined;
      call();
    }
    now = at;
    if (key !== '' && meter.press({ key, at, inField }) === 'on') all.push(`on ${key}`);
  }
  return all;
}

/** A line typed with so many milliseconds between its keys. */
const every = (ms: number, keys: readonly string[]): readonly (readonly [string, number])[] =>
  keys.map((key, n) => [key, 100 + n * ms]);

describe('a device that types', () => {
  it('is heard by its haste, and its whole line goes to the reading: letters that are shortcuts among it', () => {
    expect(heard(every(4, [...'OL', ' ', ...'box', 'Enter']))).toEqual(['line OL box']);
    expect(heard(every(20, [...'+4.70000000E+03', 'Enter']))).toEqual(['line +4.70000000E+03']);
    // Scanners may end in a tab.
    expect(heard(every(4, [...'0.21', 'Tab']))).toEqual(['line 0.21']);
  });

  it('a hand is no device, however quick: its keys are its own, in their order', () => {
    expect(heard(every(60, [...'box', 'Enter']))).toEqual(['key b', 'key o', 'key x', 'on Enter']);
    expect(heard(every(31, ['1', '2', '.', '5', 'Enter']))).toEqual([
      'key 1',
      'key 2',
      'key .',
      'key 5',
      'on Enter',
    ]);
    expect(heard([['b', 100]])).toEqual(['key b']);
  });

  it('two keys that roll off a hand, with Enter after them, are a hand’s', () =>
    expect(heard([...every(12, ['1', '2']), ['Enter', 130]])).toEqual(['key 1', 'key 2', 'on Enter']));

  it('a line that does not end is a hand’s too', () =>
    expect(heard(every(5, [...'OVLD']))).toEqual(['key O', 'key V', 'key L', 'key D']));

  it('a hand before it and a hand after it are not of its line', () =>
    expect(heard([['b', 0], ...every(5, [...'0.21', 'Enter']), ['x', 900]])).toEqual([
      'key b',
      'line 0.21',
      'key x',
    ]));

  it('in the field its keys are typed as they come, and the line is taken whole', () => {
    expect(heard(every(5, [...'0.2', 'Enter']), true)).toEqual(['on 0', 'on .', 'on 2', 'line 0.2']);
    expect(heard(every(80, [...'0.2', 'Enter']), true)).toEqual(['on 0', 'on .', 'on 2', 'on Enter']);
  });
});
