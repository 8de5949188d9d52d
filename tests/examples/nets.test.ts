import { describe, expect, it } from 'vitest';
import { HAND_NETS } from './nets';
import { EXAMPLES } from './read';

describe('the nets written by hand', () => {
  it('there is one for every example, and an example for every one', () => {
    expect(Object.keys(HAND_NETS).sort()).toEqual(EXAMPLES.map((example) => example.id).sort());
    expect(EXAMPLES.length).toBeGreaterThanOrEqual(45);
  });

  it.each(Object.entries(HAND_NETS))('%s names no contact twice and no net of one', (_, { nets, source }) => {
    const groups = nets === '' ? [] : nets.split(' | ').map((net) => net.split(' '));
    for (const group of groups) expect(group.length).toBeGreaterThan(1);
    const all = groups.flat();
    expect(new Set(all).size).toBe(all.length);
    for (const contact of all) expect(contact).toMatch(/^[A-I]\.\S+$/);
    expect(source).toMatch(/^handbook section/);
  });
});
