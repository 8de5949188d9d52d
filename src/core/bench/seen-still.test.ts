import { expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { planOf, proofBy } from './whole-plan';
import { seenStill } from './seen-still';

it('a look at an end that is not opened stands; what a meter said does not, nor a look where the end is opened', () => {
  const lead = leadNamed('stage-microphone');
  const plan = planOf(lead);
  const proof = proofBy(plan, lead);
  const measured = plan.operations.filter(({ kind }) => kind === 'measure');
  const looks = measured.flatMap(({ checks = [] }) => checks);
  expect(looks.length).toBeGreaterThan(0);
  const readings = [...looks, ...plan.probes.map(({ id }) => id)].map((probe) => ({ probe }));
  const all = new Set(plan.operations.map(({ id }) => id));
  expect(seenStill(plan.operations, all, readings, proof).map(({ probe }) => probe)).toEqual(looks);
  const opened = new Set([...all].filter((id) => !measured.some((op) => op.id === id)));
  expect(seenStill(plan.operations, opened, readings, proof)).toEqual([]);
});

it('a reading of what is closed in goes with the joint at the other end: it is no look', () => {
  // The stump of a quasi-balanced lead is measured against its collar before it is closed: that goes through every core.
  const lead = leadNamed('quasi-balanced-phono');
  const plan = planOf(lead);
  const proof = proofBy(plan, lead);
  const asked = plan.operations.flatMap(({ checks = [] }) => checks).map((probe) => ({ probe }));
  const all = new Set(plan.operations.map(({ id }) => id));
  const is = (probe: string): string | undefined => proof.check(probe)?.kind;
  expect(asked.some(({ probe }) => is(probe) !== 'look')).toBe(true);
  expect(seenStill(plan.operations, all, asked, proof)).toEqual(
    asked.filter(({ probe }) => is(probe) === 'look'),
  );
});
