import { expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { jointsOf } from '../assembly';
import { madeJoints, planOf, stepsOf } from '.';

const workOf = (example: string) => {
  const { assembly, ...lead } = leadNamed(example);
  return { assembly, operations: stepsOf(planOf({ ...lead, assembly }, {})).operations };
};

it.each(['stage-microphone', 'test-tail', 'line-to-tinned-tail', 'headphone-identified', 'd25-to-eight-xlr'])(
  'of %s every joint is made when every step is done, and none that is ours before the first',
  (example) => {
    const { assembly, operations } = workOf(example);
    const all = madeJoints(assembly, operations, new Set(operations.map(({ id }) => id)));
    expect([...all].sort()).toEqual(
      [...new Set(assembly.bodies.flatMap((body) => jointsOf(body).map(({ id }) => id)))].sort(),
    );
    const was = assembly.bodies.flatMap(({ existing = [] }) => existing.map(({ id }) => id));
    expect([...madeJoints(assembly, operations, new Set())].sort()).toEqual([...was].sort());
  },
);

it('the crimps of a tail are made with its last step, and a soldered joint with its own', () => {
  const { assembly, operations } = workOf('line-to-tinned-tail');
  const atB = operations.filter(({ end }) => end === 'B').map(({ id }) => id);
  expect([...madeJoints(assembly, operations, new Set(atB))].sort()).toEqual([
    'joint-B-black',
    'joint-B-drain',
    'joint-B-red',
  ]);
  expect(madeJoints(assembly, operations, new Set(atB.slice(1))).has('joint-B-red')).toBe(false);
  const solder = operations.find(({ joint }) => joint !== undefined);
  expect([...madeJoints(assembly, operations, new Set([solder?.id ?? '']))]).toEqual([solder?.joint]);
});
