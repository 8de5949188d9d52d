import { describe, expect, it } from 'vitest';
import { ask, QUESTIONS } from '.';

/**
 * What each question begins with and the least and most that it takes, typed by hand: what is begun with is the handbook's
 * worked example or what is met most (sections 2, 4, 6 and 11; levels and loads are common practice), the ends are from memory.
 */
const SLOTS: readonly (readonly [question: string, slot: string, usual: number, min: number, max: number])[] =
  [
    ['level', 'level', 4, -100, 60],
    ['level', 'source', 100, 0, 1e7],
    ['level', 'load', 10_000, 1, 1e9],
    ['level', 'most', 22, -100, 60],
    ['bandwidth', 'source', 1000, 0.01, 1e7],
    ['bandwidth', 'load', 10_000, 1, 1e9],
    ['bandwidth', 'length', 10, 0, 2000],
    ['bandwidth', 'capacitance', 100, 1, 2000],
    ['bandwidth', 'loss', 1, 0.01, 40],
    ['hum', 'ground', 100, 0.001, 10_000],
    ['hum', 'earth', 0.1, 0.0001, 1000],
    ['hum', 'screen', 0.25, 0.0001, 1000],
    ['hum', 'core', 0.84, 0.0001, 1000],
    ['hum', 'imbalance', 10, 0, 10_000],
    ['hum', 'load', 10_000, 10, 1e8],
    ['hum', 'level', 4, -100, 60],
    ['phantom', 'current', 3, 0, 20],
    ['phantom', 'loop', 1, 0, 10_000],
    ['tell-tale', 'forward', 2, 1.2, 4],
    ['tell-tale', 'resistor', 4700, 1, 1e6],
    ['sum', 'left', 10, 0, 1e5],
    ['sum', 'right', 10, 0, 1e5],
    ['sum', 'level', 2, 0.01, 50],
    ['sum', 'load', 10_000, 10, 1e7],
    ['sum', 'clash', 4.5, 0.01, 100],
    ['pad', 'loss', 20, 0.5, 80],
    ['pad', 'source', 100, 0, 10_000],
    ['pad', 'load', 2000, 100, 1e6],
    ['clash', 'one', 50, 0.01, 1e6],
    ['clash', 'level', 1, 0.001, 200],
    ['clash', 'other', 50, 0.01, 1e6],
    ['volume', 'track', 100, 1, 1e6],
    ['volume', 'source', 10, 0, 10_000],
    ['volume', 'load', 32, 4, 1e5],
    ['volume', 'tracking', 20, 0, 50],
    ['common-return', 'load', 32, 1, 1e6],
    ['common-return', 'common', 0.2, 0.0001, 1000],
    ['common-return', 'source', 0, 0, 10_000],
    ['loudspeaker', 'power', 200, 0.1, 20_000],
    ['loudspeaker', 'load', 8, 1, 10_000],
    ['loudspeaker', 'length', 10, 0.1, 1000],
    ['loudspeaker', 'celsius', 20, -40, 90],
    ['loudspeaker', 'limit', 0.42, 0.01, 20],
    ['pickup', 'henries', 3, 0.05, 30],
    ['pickup', 'ohms', 7000, 10, 1e5],
    ['pickup', 'own', 110, 0, 5000],
    ['pickup', 'control', 250_000, 1000, 1e7],
    ['pickup', 'length', 6, 0, 60],
    ['pickup', 'capacitance', 95, 1, 1000],
    ['pickup', 'load', 1e6, 1000, 1e8],
    ['noise', 'microphone', 200, 1, 1e6],
    ['noise', 'series', 1000, 0, 1e7],
    ['noise', 'shunt', 1e6, 1, 1e9],
    ['noise', 'celsius', 20, -40, 80],
    ['metal', 'length', 10, 0.1, 1000],
    ['metal', 'source', 100, 0, 1e6],
    ['metal', 'load', 10_000, 1, 1e9],
  ];

describe('what a question is asked with', () => {
  it('is every number of every question, as it stands here', () => {
    const all = QUESTIONS.flatMap(({ id, slots }) =>
      slots.flatMap((slot) =>
        slot.kind === 'number' ? [[id, slot.id, slot.usual, slot.min, slot.max]] : [],
      ),
    );
    expect(all).toEqual(SLOTS);
  });

  it.each(SLOTS)(
    '%s: %s begins at %d, and what is just under %d or over %d is refused by its name',
    (id, slot, _, min, max) => {
      const question = QUESTIONS.find((each) => each.id === id) ?? expect.fail(`no question ${id}`);
      const by = 1e-6 * Math.max(Math.abs(min), Math.abs(max), 1);
      for (const wrong of [min - by, max + by]) {
        const made = ask(question, { [slot]: `${wrong}` });
        expect(made.ok ? 'taken' : made.problems.map(({ path }) => path)).toEqual([slot]);
      }
    },
  );
});
