import { expect, it } from 'vitest';
import { leadFor } from '../../../tests/support/leads';
import { planOf } from '../bench';
import { readUnits } from './unit-file';

const lead = leadFor();
const unit = (more: object = {}): object => ({
  lead: 0,
  number: 1,
  builder: 'Nell',
  startedAt: '2026-03-01T10:00:00.000Z',
  plan: JSON.parse(JSON.stringify(planOf(lead))) as unknown,
  records: [],
  ...more,
});
const told = (more: object = {}): readonly string[] => {
  const read = readUnits([unit(), unit(more)], 1);
  return read.ok ? [] : read.problems.map(({ path }) => path);
};

it('a unit of a file: of a lead that the file has, by a plan and a lead that can be read; else its own field is named', () => {
  expect(told()).toEqual([]);
  expect(told({ lead: 1 })).toEqual(['units[1].lead']);
  expect(told({ plan: {} }).every((path) => path.startsWith('units[1].plan.'))).toBe(true);
  expect(told({ plan: {} })).not.toEqual([]);
  expect(
    told({ pinned: { ...lead, version: 99 } }).every((path) => path.startsWith('units[1].pinned.')),
  ).toBe(true);
  expect(told({ pinned: { ...lead, version: 99 } })).not.toEqual([]);
});

it('is pinned to the lead as it was, or to none where it is the same today', () => {
  const was = { ...lead, name: 'As it was' };
  const read = readUnits([unit(), unit({ pinned: JSON.parse(JSON.stringify(was)) as unknown })], 1);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  expect(read.value.map(({ pinned }) => pinned?.name)).toEqual([undefined, 'As it was']);
});
