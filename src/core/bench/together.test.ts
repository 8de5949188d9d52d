import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { faultsOf } from '../proving';
import { batchOf, inHands } from './batch';
import { mendingOf } from './mending';
import { refusal } from './progress';
import { reopened } from './reopen';
import { after, NEW_STATE, type BenchState } from './state';
import { nextTogether } from './together';
import { stepsOf } from './plan';
import { toolOf } from './tool';
import type { Operation } from './types';
import { planOf } from './whole-plan';

const event = (kind: 'done' | 'undo' | 'confirm', operation: string, text?: string) => ({
  id: `${kind} ${operation} ${text ?? ''}`,
  kind,
  operation,
  text,
  at: new Date(0).toISOString(),
});

/** A step done by the gate’s own rules: what is asked is confirmed first; a refusal fails the test. */
function doneBy(course: ReturnType<typeof stepsOf>, state: BenchState, operation: Operation): BenchState {
  const all = [
    ...(operation.confirm ?? []).map((each) => event('confirm', operation.id, each)),
    event('done', operation.id),
  ];
  return all.reduce((now, each) => {
    expect(refusal(course.operations, course.before, now, each)).toBeUndefined();
    return after(now, each);
  }, state);
}

/** Several of a lead worked together to the end by a hand that never waits while anything can go on. */
function worked(name: string, count: number) {
  const lead = leadNamed(name);
  const course = stepsOf(planOf(lead));
  const batch = batchOf(lead.assembly, course.operations, course.before, count);
  const runs = inHands(lead.assembly, course.operations, batch.runs);
  let nowMs = 1;
  const leads = Array.from({ length: count }, (_, n) => ({ id: `${n}`, state: NEW_STATE, lastMs: 0 }));
  const steps: { lead: string; step: Operation }[] = [];
  let waitedMs = 0;
  for (;;) {
    const next = nextTogether(
      runs,
      course,
      leads.map(({ id, state, lastMs }) => ({ id, lastMs, done: new Set(state.done) })),
      nowMs,
    );
    if (!next) break;
    nowMs += next.waitMs;
    waitedMs += next.waitMs;
    // Every step takes ten seconds.
    nowMs += 10_000;
    const one = leads.find(({ id }) => id === next.lead) ?? expect.fail();
    const step = course.operations.find(({ id }) => id === next.step) ?? expect.fail();
    one.state = doneBy(course, one.state, step);
    one.lastMs = nowMs;
    steps.push({ lead: next.lead, step });
  }
  return { lead, course, leads, steps, waitedMs, changes: batch.changes };
}

describe('leads that are worked together', () => {
  it.each(['stage-microphone', 'stereo-sum', 'volume-box', 'loudspeaker-two-pole', 'tell-tale'])(
    '%s: every gate of each is kept, by the rules that the server keeps, and all are done',
    (name) => {
      const { course, leads, steps } = worked(name, 3);
      for (const { state } of leads) expect(state.done).toHaveLength(course.operations.length);
      expect(steps).toHaveLength(3 * course.operations.length);
    },
  );

  it('of four microphone leads: all are cut before the first is threaded; tools change as often as the batch says; little is waited', () => {
    const { lead, steps, waitedMs, changes, course } = worked('stage-microphone', 4);
    expect(steps.slice(0, 4).map(({ step }) => step.kind)).toEqual(['cut', 'cut', 'cut', 'cut']);
    expect(steps.slice(0, 4).map((each) => each.lead)).toEqual(['0', '1', '2', '3']);
    const tools = steps.map(({ step }) => toolOf(lead.assembly, step)).filter((t) => t.setUpSeconds > 0);
    const taken = tools.filter(({ id }, n) => id !== tools[n - 1]?.id).length;
    expect(taken).toBe(changes);
    // One after the other each cooling is waited out: here the others are worked on meanwhile.
    const cooling = course.operations.reduce((sum, { seconds = 0 }) => sum + seconds * 1000, 0);
    expect(cooling).toBeGreaterThan(0);
    expect(waitedMs).toBeLessThan(cooling);
  });

  it('of one alone it is its own order by tools; the least wait is told where nothing can go on', () => {
    const op = (id: string, seconds?: number): Operation => ({
      id,
      kind: 'cool',
      title: id,
      detail: [],
      seconds,
    });
    const course = {
      operations: [op('a'), op('b', 60), op('c')],
      before: new Map([
        ['b', new Set(['a'])],
        ['c', new Set(['b'])],
      ]),
    };
    const runs = [{ tool: 'hands', steps: ['a', 'b', 'c'] }];
    const at = (done: readonly string[], lastMs: number, id = 'x') => ({ id, done: new Set(done), lastMs });
    expect(nextTogether(runs, course, [at([], 0)], 5)).toEqual({ lead: 'x', step: 'a', waitMs: 0 });
    expect(nextTogether(runs, course, [at(['a'], 1_000)], 21_000)).toEqual({
      lead: 'x',
      step: 'b',
      waitMs: 40_000,
    });
    // The other cools for less time, though it comes later.
    expect(nextTogether(runs, course, [at(['a'], 9_000), at(['a'], 2_000, 'y')], 21_000)).toMatchObject({
      lead: 'y',
      waitMs: 41_000,
    });
    expect(nextTogether(runs, course, [at(['a'], 9_000), at([], 0, 'y')], 21_000)).toMatchObject({
      lead: 'y',
      step: 'a',
    });
    expect(nextTogether(runs, course, [at(['a', 'b', 'c'], 0)], 0)).toBeUndefined();
  });
});

describe('what is done again', () => {
  it.each(['stage-microphone', 'stereo-sum', 'chain-split'])(
    '%s: whatever step is found wrong when all is done, taking back what is named, in that order, is never refused, and nothing that hangs on it stays done',
    (name) => {
      const course = stepsOf(planOf(leadNamed(name)));
      const whole = course.operations.reduce((state, op) => doneBy(course, state, op), NEW_STATE);
      for (const { id } of course.operations) {
        const again = reopened(course, new Set(whole.done), id);
        let state = whole;
        for (const { id: each } of again) {
          expect(refusal(course.operations, course.before, state, event('undo', each))).toBeUndefined();
          state = after(state, event('undo', each));
        }
        const done = new Set(state.done);
        expect(done.has(id)).toBe(false);
        // What is done still hangs on nothing that is not; a joint stands though another is made anew.
        const opOf = (step: string) => course.operations.find((op) => op.id === step) ?? expect.fail();
        for (const each of done)
          for (const earlier of course.before.get(each) ?? [])
            if (!done.has(earlier)) {
              const [a, b] = [opOf(each), opOf(earlier)];
              const isJoint = a.kind === 'solder' && b.kind === 'solder';
              expect(
                isJoint || ((a.kind === 'measure' || b.kind === 'thread') && a.end !== b.end),
                `${each} after ${earlier}`,
              ).toBe(true);
            }
        // No more than must: each of them waits for the step, through others or itself.
        const waits = (from: string): boolean =>
          from === id || [...(course.before.get(from) ?? [])].some(waits);
        for (const op of again) expect(waits(op.id)).toBe(true);
        expect(done.size + again.length).toBe(whole.done.length);
      }
    },
  );

  it('of a microphone lead whose joint at B.2 is dull: it is inspected, closed, proven and labelled again; end A stays', () => {
    const course = stepsOf(planOf(leadNamed('stage-microphone')));
    const joint =
      course.operations.find(({ title }) => title === 'Solder white to contact 2 at end B') ?? expect.fail();
    const again = reopened(course, new Set(course.operations.map(({ id }) => id)), joint.id);
    const kinds = again.map(({ kind }) => kind);
    expect([...kinds].reverse()).toEqual(['solder', 'inspect', 'cool', 'clamp', 'prove', 'label']);
    expect(again.at(-1)?.id).toBe(joint.id);
    expect(kinds).not.toContain('cut');
    expect(kinds).not.toContain('strip');
    expect(again.filter(({ end }) => end !== undefined && end !== joint.end)).toEqual([]);
  });

  it('a fault that the meter found opens the joints at its place and what waits for them, and none elsewhere', () => {
    const lead = leadNamed('stage-microphone');
    const course = stepsOf(planOf(lead));
    const done = new Set(
      course.operations.filter(({ kind }) => kind !== 'prove' && kind !== 'label').map(({ id }) => id),
    );
    // Contact 2 of A to that of B reads open: by hand, the white core’s joint at either end, or the core.
    const open = faultsOf(lead.assembly, lead.situations[0]).filter(
      ({ kind, says }) => kind === 'open' && /\b2\b/.test(says),
    );
    expect(open.length).toBeGreaterThanOrEqual(2);
    const mended = open.map((fault) => {
      const again = mendingOf(lead.assembly, course, done, fault);
      return [
        fault.place,
        again.filter(({ kind }) => kind === 'solder').map(({ title }) => title),
        again.map(({ end }) => end),
      ] as const;
    });
    const bodies = lead.assembly.bodies.map(({ id }) => id);
    for (const [place, solder, ends] of mended) {
      if (!bodies.includes(place)) {
        expect(solder).toEqual([]);
        continue;
      }
      const end = lead.assembly.bodies.find(({ id }) => id === place)?.ends[0]?.id;
      expect(solder).toEqual([`Solder white to contact 2 at end ${end}`]);
      expect(new Set(ends)).toEqual(new Set([end]));
    }
    expect(mended.filter(([, solder]) => solder.length > 0)).toHaveLength(2);
    // Of a place where there is no joint nothing is opened.
    const [first] = open;
    if (first) expect(mendingOf(lead.assembly, course, done, { ...first, place: 'W1' })).toEqual([]);
  });

  it('of what is not done nothing is taken back', () => {
    const course = stepsOf(planOf(leadNamed('stage-microphone')));
    expect(reopened(course, new Set(), course.operations[0]?.id ?? '')).toEqual([]);
  });
});
