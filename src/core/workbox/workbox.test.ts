import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { intentFor } from '../../../tests/support/intents';
import { cheapest, workbox, type Cover, type Workbox } from '.';

/** Every number of each kind up to a few, by trying; the cheapest that serves every occasion. */
function byTrying({ serves, costs, occasions }: Cover, most: number): number | undefined {
  const canServe = (counts: readonly number[], needs: readonly number[]): boolean => {
    const [first] = needs.flatMap((left, need) => (left > 0 ? [need] : []));
    if (first === undefined) return true;
    return serves.some(
      (able, kind) =>
        able.includes(first) &&
        (counts[kind] ?? 0) > 0 &&
        canServe(
          counts.map((count, n) => (n === kind ? count - 1 : count)),
          needs.map((left, n) => (n === first ? left - 1 : left)),
        ),
    );
  };
  let best: number | undefined;
  const each = (counts: readonly number[]): void => {
    if (counts.length < serves.length) {
      for (let n = 0; n <= most; n++) each([...counts, n]);
      return;
    }
    const cost = counts.reduce((sum, count, kind) => sum + count * (costs[kind] ?? 0), 0);
    if ((best === undefined || cost < best) && occasions.every((needs) => canServe(counts, needs)))
      best = cost;
  };
  each([]);
  return best;
}

describe('the cheapest that covers', () => {
  it('is what trying everything finds', () => {
    const cover = fc.record({
      serves: fc.array(fc.uniqueArray(fc.nat(2), { maxLength: 3 }), { minLength: 1, maxLength: 4 }),
      costs: fc.array(fc.integer({ min: 1, max: 5 }), { minLength: 4, maxLength: 4 }),
      occasions: fc.array(fc.array(fc.nat(1), { minLength: 3, maxLength: 3 }), {
        minLength: 1,
        maxLength: 3,
      }),
    });
    fc.assert(
      fc.property(cover, (asked) => {
        const { counts, optimal } = cheapest(asked);
        const cost = counts?.reduce((sum, count, kind) => sum + count * (asked.costs[kind] ?? 0), 0);
        expect(optimal).toBe(true);
        expect(cost).toBe(byTrying(asked, 3));
      }),
      { numRuns: 200, seed: 5 },
    );
  });

  it('forty needs of thirty kinds are proven', () => {
    const serves = Array.from({ length: 30 }, (_, kind) => [
      kind,
      (kind * 7 + 3) % 40,
      (kind * 11 + 5) % 40,
      30 + (kind % 10),
    ]);
    const needs = Array.from({ length: 40 }, (_, need) => need);
    const found = cheapest({
      serves,
      costs: serves.map(() => 1),
      occasions: [0, 1, 2, 3].map((o) => needs.map((need) => (need % 4 === o ? 1 : 0))),
    });
    expect(found.optimal).toBe(true);
    expect(found.counts).toBeDefined();
  });
});

const need = (name: string, more: Parameters<typeof intentFor>[0] = {}, count?: number) => ({
  name,
  intent: intentFor(more),
  ...(count === undefined ? {} : { count }),
});
const line = {
  from: [{ port: 'line-ground-referenced', family: 'xlr3' }],
  to: [{ port: 'line-input', family: 'xlr3' }],
};
const m = (metres: number) => ({ length: { mm: metres * 1000, datum: 'face' as const } });
const box = (needs: readonly object[], occasions?: readonly object[]): Workbox => {
  const made = workbox({ version: 1, needs, ...(occasions ? { occasions } : {}) });
  return made.ok ? made.value : expect.fail(made.problems.map(({ says }) => says).join(' '));
};
const apart = (...names: readonly string[]) => names.map((each) => ({ name: each, needs: [{ need: each }] }));

describe('a work box', () => {
  it('a longer microphone lead does for a line, and the shorter one is not made', () => {
    const found = box(
      [need('microphone', m(6)), need('line', { ...line, ...m(2) })],
      apart('microphone', 'line'),
    );
    expect(found.count).toBe(1);
    expect(found.adapters[0]).toMatchObject({ count: 1, serves: ['microphone', 'line'] });
    expect(found.adapters[0]?.intent.length?.mm).toBe(6000);
    expect(found.kit.cuts[0]?.count).toBe(1);
  });

  it('what is needed at once is there twice', () => {
    expect(box([need('microphone', m(6)), need('line', { ...line, ...m(2) })]).count).toBe(2);
    expect(
      box([need('microphone', m(6), 3), need('line', { ...line, ...m(2) })], apart('microphone', 'line'))
        .count,
    ).toBe(3);
  });

  it('hot and cold exchanged is not the same lead, though its ends are', () => {
    const found = box(
      [need('straight', m(2)), need('turned', { ...m(2), wiring: 'polarity-reverse' })],
      apart('straight', 'turned'),
    );
    expect(found.count).toBe(2);
  });

  it('the same between two jacks either way round is one', () => {
    const ts = (from: string, to: string) => ({
      from: [{ port: from, family: 'ts635' }],
      to: [{ port: to, family: 'ts635' }],
      cable: 'instrument-coax',
      ...m(3),
    });
    expect(
      box(
        [
          need('guitar', ts('instrument', 'instrument-input')),
          need('effect', ts('unbalanced-output', 'unbalanced-input')),
        ],
        apart('guitar', 'effect'),
      ).count,
    ).toBe(1);
  });

  it('a lead whose ends stand in another order is the same lead', () => {
    const unbalanced = (from: string, to: string) => ({
      from: [{ port: 'unbalanced-output', family: from }],
      to: [{ port: 'unbalanced-input', family: to }],
      cable: 'instrument-coax',
      ...m(2),
    });
    const found = box(
      [
        need('into the recorder', unbalanced('ts635', 'phono')),
        need('out of it', unbalanced('phono', 'ts635')),
      ],
      apart('into the recorder', 'out of it'),
    );
    expect(found.count).toBe(1);
  });

  it('so is one of four ends, left to left and right to right whichever stands first', () => {
    const both = ['left', 'right'];
    const stereo = (from: string, to: string, channels = both) => ({
      from: channels.map((channel) => ({ port: 'unbalanced-output', family: from, channel })),
      to: channels.map((channel) => ({ port: 'unbalanced-input', family: to, channel })),
      cable: 'twin-mini',
      ...m(2),
    });
    const found = box(
      [
        need('into the recorder', stereo('ts635', 'phono')),
        need('out of it', stereo('phono', 'ts635', both.toReversed())),
      ],
      apart('into the recorder', 'out of it'),
    );
    expect(found.count).toBe(1);
  });

  it.each([
    [{ version: 1, needs: [] }, 'needs'],
    [{ version: 1, needs: [need('a'), need('a')] }, 'needs[1].name'],
    [
      { version: 1, needs: [need('a')], occasions: [{ name: 'x', needs: [{ need: 'b' }] }] },
      'occasions[0].needs[0].need',
    ],
    [{ version: 1, needs: [need('a'), need('b')], occasions: apart('a') }, 'needs[1].name'],
    [
      { version: 1, needs: [need('a', { from: [{ port: 'loudspeaker-nothing', family: 'xlr3' }] })] },
      'needs[0].intent.from[0].port',
    ],
  ])('what is wrong is said where it is', (document, path) => {
    const made = workbox(document);
    expect(made.ok ? [] : made.problems.map((each) => each.path)).toContain(path);
  });
});
