import { expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { slotOf } from './slot';

it('ends stand in their intent in their order: those it comes from, then those it goes to', () => {
  const of = (name: string) => {
    const { intent } = leadNamed(name);
    return ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'I', 'J'].map((end) => slotOf(intent, end));
  };
  expect(of('stage-microphone').slice(0, 3)).toEqual(['from[0]', 'to[0]', undefined]);
  expect(of('two-way-split').slice(0, 4)).toEqual(['from[0]', 'to[0]', 'to[1]', undefined]);
  expect(of('eight-xlr-to-d25')).toEqual([
    ...Array.from({ length: 8 }, (_, n) => `from[${n}]`),
    'to[0]',
    undefined,
  ]);
  expect(slotOf(undefined, 'A')).toBeUndefined();
});
