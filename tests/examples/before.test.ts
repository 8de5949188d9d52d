import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { netlistFile, takeIn } from '../../src/core/formats';
import { difference, readLead, type Lead } from '../../src/core/lead';
import { carriedBy, pairsOf } from '../../src/core/situation';
import { findings } from '../../src/core/findings';
import { useOf } from '../support/leads';
import { leadNamed } from './read';

/** Every example as it was written by the first version of lead files. */
const FIRST = JSON.parse(
  readFileSync(fileURLToPath(new URL('../fixtures/leads-1.json', import.meta.url)), 'utf8'),
) as Record<string, { readonly name: string; readonly situation: { readonly channels: unknown[] } }>;

function opened(id: string): Lead {
  const read = readLead(FIRST[id]);
  if (!read.ok) throw new Error(`${id}: ${JSON.stringify(read.problems.slice(0, 3))}`);
  return read.value;
}

describe.each(Object.keys(FIRST).map((id) => [id]))('%s, as the first version wrote it', (id) => {
  it('opens whole, with its name, its channels and its links', () => {
    const lead = opened(id);
    const before = FIRST[id];
    expect(lead.name).toBe(before?.name);
    const use = useOf(lead);
    expect(use.channels).toHaveLength(before?.situation.channels.length ?? -1);
    expect(pairsOf(use)).toHaveLength(use.links.length);
  });

  it('has the nets and the parts that it derives to today', () => {
    const now = leadNamed(id);
    expect(netlistFile(opened(id).assembly)).toEqual(netlistFile(now.assembly));
    expect(difference(opened(id).assembly, now.assembly)).toEqual([]);
  });

  it('meets what it meets today, and the same is said against it', () => {
    const [before, now] = [opened(id), leadNamed(id)];
    expect(useOf(before)).toEqual(useOf(now));
    expect(carriedBy(before.assembly, useOf(before))).toEqual(carriedBy(now.assembly, useOf(now)));
    expect(findings(before)).toEqual(findings(now));
  });

  it('is taken in from a file, and goes out in the version of today', () => {
    const taken = takeIn(FIRST[id]);
    expect(taken.ok && taken.leads.map((each) => each.lead.version)).toEqual([2]);
  });
});
