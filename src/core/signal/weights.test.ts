import { describe, expect, it } from 'vitest';
import { ask, QUESTIONS, type Answer } from '.';

const answer = (id: string, typed: Readonly<Record<string, string>>): Answer => {
  const question = QUESTIONS.find((each) => each.id === id) ?? expect.fail(`no question ${id}`);
  const made = ask(question, typed);
  if (!made.ok) expect.fail(JSON.stringify(made.problems));
  return made.value;
};

/**
 * Where a question’s weight turns from one to the other while one slot goes from here to there, found by halving: and what
 * must be so there, in closed form. A limit that moved, or that is on the wrong side, turns elsewhere.
 */
interface Turn {
  readonly id: string;
  readonly rest?: Readonly<Record<string, string>>;
  readonly slot: string;
  readonly from: number;
  readonly to: number;
  readonly before: string;
  readonly after: string;
  /** The value of the slot at which it turns, and how it is worked out. */
  readonly at: number;
  readonly why: string;
}

const dB = (ratio: number): number => 20 * Math.log10(ratio);

const TURNS: readonly Turn[] = [
  {
    id: 'clash',
    slot: 'level',
    from: 1,
    to: 0.4,
    before: 'stop',
    after: 'caution',
    at: 0.5,
    why: '10 mA through 50 and 50 Ω are 1 V, half of it from either',
  },
  {
    id: 'clash',
    slot: 'level',
    from: 0.3,
    to: 0.05,
    before: 'caution',
    after: 'good',
    at: 0.1,
    why: '2 mA through the same',
  },
  {
    id: 'level',
    slot: 'level',
    from: 30,
    to: 20,
    before: 'stop',
    after: 'caution',
    at: 22 - dB(10_000 / 10_100),
    why: 'no headroom: 22 dBu at the input, 0.09 dB more at the source',
  },
  {
    id: 'level',
    slot: 'level',
    from: 20,
    to: 10,
    before: 'caution',
    after: 'good',
    at: 16 - dB(10_000 / 10_100),
    why: '6 dB of headroom',
  },
  {
    id: 'level',
    slot: 'source',
    from: 6000,
    to: 100,
    before: 'note',
    after: 'good',
    at: 10_000 * (10 ** (3 / 20) - 1),
    why: '3 dB lost between source and load',
  },
  {
    id: 'bandwidth',
    rest: { source: '10000', load: '1000000000' },
    slot: 'length',
    from: 1,
    to: 200,
    before: 'good',
    after: 'caution',
    // 1 dB at 20 kHz: ωRC = √(10^0.1 − 1), 100 pF a metre.
    at: Math.sqrt(10 ** 0.1 - 1) / (2 * Math.PI * 20_000 * 10_000 * 1e-10),
    why: 'the loss that is asked, at 20 kHz',
  },
  {
    id: 'clash',
    slot: 'level',
    from: 3,
    to: 0.3,
    before: 'stop',
    after: 'caution',
    at: 0.5,
    why: '10 mA: twice the level through both sources of 50 Ω',
  },
  {
    id: 'clash',
    slot: 'level',
    from: 0.3,
    to: 0.01,
    before: 'caution',
    after: 'good',
    at: 0.1,
    why: '2 mA',
  },
  {
    id: 'common-return',
    slot: 'common',
    from: 3,
    to: 0.5,
    before: 'caution',
    after: 'note',
    at: 32 / (10 ** (30 / 20) - 1),
    why: '30 dB apart: the return’s share of the load',
  },
  {
    id: 'common-return',
    slot: 'common',
    from: 0.5,
    to: 0.05,
    before: 'note',
    after: 'good',
    at: 32 / (10 ** (45 / 20) - 1),
    why: '45 dB apart',
  },
  {
    id: 'noise',
    rest: { shunt: '1000000000' },
    slot: 'series',
    from: 2000,
    to: 200,
    before: 'caution',
    after: 'note',
    at: 200 * (10 ** (6 / 10) - 1),
    why: '6 dB noisier: four times the resistance, without a shunt',
  },
  {
    id: 'noise',
    rest: { shunt: '1000000000' },
    slot: 'series',
    from: 200,
    to: 1,
    before: 'note',
    after: 'good',
    at: 200 * (10 ** (1 / 10) - 1),
    why: '1 dB noisier',
  },
  {
    id: 'loudspeaker',
    rest: { gauge: '2.5 mm²', limit: '0.42' },
    slot: 'length',
    from: 2,
    to: 60,
    before: 'good',
    after: 'caution',
    // 1.7241×10⁻⁸ Ω·m over 2.5 mm², there and back (IEC 60028); 20 log(1 + loop ÷ 8) = 0.42.
    at: (8 * (10 ** (0.42 / 20) - 1)) / (2 * (1.7241e-8 / 2.5e-6)),
    why: 'the loss that is asked',
  },
];

describe('the weight of an answer turns where its limit is', () => {
  it.each(TURNS.map((turn) => [turn.id, turn.before, turn.after, turn.why, turn] as const))(
    '%s: from %s to %s at %s',
    (_, before, after, __, { id, rest = {}, slot, from, to, at }) => {
      const weightAt = (value: number): string => answer(id, { ...rest, [slot]: `${value}` }).weight;
      expect(weightAt(from)).toBe(before);
      expect(weightAt(to)).toBe(after);
      let [here, there] = [from, to];
      for (let n = 0; n < 40; n++) {
        const middle = (here + there) / 2;
        if (weightAt(middle) === before) here = middle;
        else there = middle;
      }
      expect(here / at).toBeGreaterThan(0.97);
      expect(here / at).toBeLessThan(1.03);
    },
  );
});
