import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { remadeEnds } from '../cutting';
import { schoolsOf } from '../lead';
import type { Located } from '../proving';
import { coreFacts, repairOf } from './repair';

const MIC = leadNamed('stage-microphone');
const cut = (atMm: number, keep: 'near' | 'far') => ({ cut: { atMm, keep } }) as unknown as Located;
const refused = (is: ReturnType<typeof repairOf> | ReturnType<typeof coreFacts>): string =>
  is.ok ? '' : `${is.problems[0]?.code}: ${is.problems[0]?.says}`;

describe('what is known of a core that is broken', () => {
  it('its jacket from edge to edge, what it holds against all else, and its loop with the screen; by the cable’s entry', () => {
    const facts = coreFacts(MIC, MIC.situations[0]);
    if (!facts.ok) throw new Error(facts.problems[0]?.says);
    const [span] = MIC.assembly.spans;
    const cable = MIC.assembly.uses.cables.find(({ id }) => id === span?.cable);
    const [core] = cable?.conductors.filter(({ is }) => is === 'core') ?? [];
    const screen = cable?.conductors.find(({ is }) => is === 'screen');
    // 6000 mm from face to face, less 46 of the socket and 42 of the plug.
    const asked = MIC.assembly.lengths[0]?.mm ?? 0;
    expect(facts.value).toMatchObject({ lengthMm: asked - 46 - 42, near: 'end A', far: 'end B' });
    expect(facts.value.ohmsPerMetre).toBeCloseTo(
      ((core?.ohmsPerKm ?? 0) + (screen?.ohmsPerKm ?? 0)) / 1000,
      9,
    );
    expect(facts.value.picofaradsPerMetre).toBeGreaterThan(80);
    expect(facts.value.picofaradsPerMetre).toBeLessThan(400);
    const other = coreFacts(MIC, MIC.situations[0], { core: screen?.id, span: span?.id });
    expect(other.ok && other.value.picofaradsPerMetre).toBeGreaterThan(
      facts.value.picofaradsPerMetre ?? Infinity,
    );
  });

  it('of several cables it is said which; one that there is none of, and a core that there is none of, are refused', () => {
    const split = leadNamed('two-way-split');
    expect(refused(coreFacts(split, undefined))).toMatch(
      /^break\.span: Name the cable that it is in: this lead has W1, W2/,
    );
    expect(coreFacts(split, undefined, { span: 'W2' })).toMatchObject({ ok: true });
    expect(refused(coreFacts(MIC, undefined, { span: 'W9' }))).toMatch(/^break\.span/);
    expect(refused(coreFacts(MIC, undefined, { core: 'mauve' }))).toMatch(
      /^break\.core: That cable has \w+, /,
    );
    expect(refused(coreFacts(leadNamed('volume-box'), undefined))).toMatch(/this lead has none\.$/);
  });
});

describe('what a repair leaves', () => {
  const lost = (end: string) =>
    remadeEnds(MIC.assembly, schoolsOf(MIC)).find((each) => each.end === end)?.lostMm ?? NaN;
  const asked = MIC.assembly.lengths[0]?.mm ?? 0;

  it('behind the break the end is made again: cut, trim and strip-back are lost', () => {
    expect(lost('A')).toBeGreaterThan(15);
    const far = repairOf(MIC, cut(300, 'far'));
    if (!far.ok) throw new Error(far.problems[0]?.says);
    expect(far.value).toMatchObject({ end: 'A', askedMm: asked });
    expect(far.value.newMm).toBeCloseTo(asked - lost('A') - 300, 6);
    expect(far.value.says).toMatch(/^Cut 300 mm off at end A and make that end again: /);
    // Kept on the near side, what is beyond goes: the jacket less the cut.
    const near = repairOf(MIC, cut(5000, 'near'));
    if (!near.ok) throw new Error(near.problems[0]?.says);
    const jacket = asked - 46 - 42;
    expect(near.value.end).toBe('B');
    expect(near.value.newMm).toBeCloseTo(asked - lost('B') - (jacket - 5000), 6);
  });

  it('its steps are those of that end, without the cut of the cable', () => {
    const made = repairOf(MIC, cut(300, 'far'));
    const steps = made.ok ? made.value.steps : [];
    expect(steps.length).toBeGreaterThan(4);
    expect(steps[0]).toMatch(/^Thread on at end A: /);
    expect(steps.join(' ')).not.toMatch(/\bend B\b/);
    expect(steps.some((each) => /^Cut\b.*(?:cable|m of)/.test(each))).toBe(false);
  });

  it('a side that ends in no connector of the bench is not made again', () => {
    const split = leadNamed('two-way-split');
    expect(refused(repairOf(split, cut(300, 'near'), 'W9'))).toMatch(/^break\.span/);
    const fan = leadNamed('stereo-microphone-fan-out');
    expect(refused(repairOf(fan, cut(300, 'near'), 'W1'))).toMatch(/^break\.end/);
  });
});
