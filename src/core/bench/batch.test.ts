import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { dressed } from '../dressing';
import { schoolsOf } from '../lead';
import { batchOf } from './batch';
import { operationsOf, ordered, placements, prerequisites } from './sequence';
import { toolOf, type SetUps } from './tool';
import { TOOL_NAMES } from './tool-names';

const courseOf = (name: string) => {
  const lead = leadNamed(name);
  const assembly = dressed(lead);
  const all = operationsOf(assembly, schoolsOf(lead));
  const before = prerequisites(all);
  return { assembly, operations: ordered(all, placements(all)), before };
};

/** The least setting up over every order that the constraints allow: by trying each, step by step. */
function byHand({ assembly, operations, before }: ReturnType<typeof courseOf>, setUps: SetUps = {}): number {
  const tools = operations.map((op) => toolOf(assembly, op, setUps));
  const known = new Map<string, number>();
  const left = (done: number, held: string): number => {
    if (done === 2 ** operations.length - 1) return 0;
    const key = `${done} ${held}`;
    const seen = known.get(key);
    if (seen !== undefined) return seen;
    let best = Infinity;
    operations.forEach(({ id }, n) => {
      if (Math.floor(done / 2 ** n) % 2 === 1) return;
      const waits = [...(before.get(id) ?? [])].some(
        (each) => Math.floor(done / 2 ** operations.findIndex((op) => op.id === each)) % 2 === 0,
      );
      if (waits) return;
      const { id: tool, setUpSeconds } = tools[n] ?? { id: '', setUpSeconds: 0 };
      const cost = setUpSeconds === 0 || tool === held ? 0 : setUpSeconds;
      best = Math.min(best, cost + left(done + 2 ** n, setUpSeconds === 0 ? held : tool));
    });
    known.set(key, best);
    return best;
  };
  return left(0, '');
}

describe('a batch of alike leads', () => {
  it.each([['tell-tale'], ['shorting-plug'], ['pad-u-barrel'], ['test-tail'], ['loudspeaker-two-pole']])(
    '%s: no order has less setting up, by trying all of them',
    (name) => {
      const course = courseOf(name);
      const batch = batchOf(course.assembly, course.operations, course.before, 4);
      expect(batch.optimal).toBe(true);
      expect(batch.setUpSeconds).toBe(byHand(course));
    },
  );

  it('by the house’s own times for laying hands on a tool: no order has less by these', () => {
    const others = fc.sample(
      fc.record(Object.fromEntries(TOOL_NAMES.map((tool) => [tool, fc.integer({ min: 1, max: 600 })]))),
      { numRuns: 8, seed: 4 },
    );
    for (const name of ['tell-tale', 'pad-u-barrel', 'test-tail', 'shorting-plug'])
      for (const setUps of others) {
        const course = courseOf(name);
        const batch = batchOf(course.assembly, course.operations, course.before, 4, { setUps });
        expect(batch.setUpSeconds, name).toBe(byHand(course, setUps));
        expect(batch.optimal).toBe(true);
      }
  });

  it('goes by them: of two things that wait crosswise, the tool that is sooner at hand is taken up twice', () => {
    const of = (id: string, kind: 'solder' | 'measure') => ({ id, kind, title: id, detail: [] });
    const operations = [
      of('join', 'solder'),
      of('read', 'measure'),
      of('read first', 'measure'),
      of('join then', 'solder'),
    ];
    const before = new Map([
      ['read', new Set(['join'])],
      ['join then', new Set(['read first'])],
    ]);
    const { assembly } = courseOf('stage-microphone');
    const by = (setUps: SetUps) => {
      const { runs, setUpSeconds } = batchOf(assembly, operations, before, 4, { setUps });
      return [runs.map(({ tool }) => tool.split(',')[0]), setUpSeconds];
    };
    expect(by({ iron: 100, meter: 10 })).toEqual([['meter', 'iron', 'meter'], 120]);
    expect(by({ iron: 10, meter: 100 })).toEqual([['iron', 'meter', 'iron'], 120]);
  });

  it('every step is in it once, each after all that it waits for', () => {
    for (const name of ['stage-microphone', 'stereo-sum', 'volume-box', 'chain-split']) {
      const { assembly, operations, before } = courseOf(name);
      const order = batchOf(assembly, operations, before, 3).runs.flatMap(({ steps }) => steps);
      expect([...order].sort()).toEqual(operations.map(({ id }) => id).sort());
      order.forEach((id, n) => {
        for (const earlier of before.get(id) ?? [])
          expect(order.indexOf(earlier), `${name} ${id}`).toBeLessThan(n);
      });
    }
  });

  it('of microphone leads: both ends stripped in one go and soldered in one; four save three times the setting up and more', () => {
    const { assembly, operations, before } = courseOf('stage-microphone');
    const batch = batchOf(assembly, operations, before, 4);
    expect(batch.runs.filter(({ tool }) => tool.startsWith('iron'))).toHaveLength(1);
    expect(batch.changes).toBeLessThan(batch.oneByOne.changes / 4 + 1);
    expect(batch.savesSeconds).toBeGreaterThan(3 * batch.setUpSeconds);
  });

  it('stopped early it is whole all the same, dearer or as dear, and does not say that nothing is better', () => {
    const { assembly, operations, before } = courseOf('chain-split');
    const [best, hasty] = [undefined, { most: 1 }].map((how) =>
      batchOf(assembly, operations, before, 3, how),
    );
    expect(best?.optimal).toBe(true);
    expect(hasty?.optimal).toBe(false);
    expect(hasty?.runs.flatMap(({ steps }) => steps)).toHaveLength(operations.length);
    expect(hasty?.setUpSeconds).toBeGreaterThanOrEqual(best?.setUpSeconds ?? Infinity);
  });

  it('of eight channels is found while nobody waits', () => {
    const { assembly, operations, before } = courseOf('d25-to-eight-xlr');
    const from = performance.now();
    const batch = batchOf(assembly, operations, before, 2);
    expect(performance.now() - from).toBeLessThan(5000);
    expect(batch.runs.flatMap(({ steps }) => steps)).toHaveLength(operations.length);
  });
});
