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
