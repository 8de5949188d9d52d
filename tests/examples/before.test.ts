import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { netlistFile, takeIn } from '../../src/core/formats';
import { difference, readLead, type Lead } from '../../src/core/lead';
import { carriedBy, pairsOf } from '../../src/core/situation';
import { findings } from '../../src/core/findings';
import { useOf } from '../support/leads';
import { leadNamed } from './read';

interface Written {
  readonly name: string;
  readonly situation?: { readonly channels: unknown[] };
  readonly situations?: readonly { readonly channels: unknown[] }[];
}
const written = (file: string): Record<string, Written> =>
  JSON.parse(readFileSync(fileURLToPath(new URL(`../fixtures/${file}`, import.meta.url)), 'utf8')) as Record<
    string,
    Written
  >;

/** Every example as it was written by the first version of lead files. */
const FIRST = written('leads-1.json');
/** Those of the second whose links ask something that was written nowhere then, and some of the plain ones. */
const SECOND = written('leads-2.json');

/** What is wired otherwise today, on purpose: a core for each contact where there was a link in the plug; a braid that is drained to the chassis. */
const OTHERWISE: ReadonlySet<string> = new Set([
  'line-to-both-channels',
  'microphone-to-recorder',
  'three-strand-drained',
]);

/** What is plugged into other channels today, on purpose: the microphone of a headset goes the other way than its earphones. */
const MEETS_OTHERWISE: ReadonlySet<string> = new Set(['headset-extension', 'intercom-extension']);

const contactNets = ({ assembly }: Lead): unknown =>
  Object.values(netlistFile(assembly).nets).filter((net) => net.length > 1);

function opened(document: unknown, id: string): Lead {
  const read = readLead(document);
  if (!read.ok) throw new Error(`${id}: ${JSON.stringify(read.problems.slice(0, 3))}`);
  return read.value;
}

describe.each([
  ...Object.entries(FIRST).map(([id, document]) => [id, 'first', document] as const),
  ...Object.entries(SECOND).map(([id, document]) => [id, 'second', document] as const),
])('%s, as the %s version wrote it', (id, _, document) => {
  it('opens whole, with its name, its channels and its links', () => {
    const lead = opened(document, id);
    expect(lead.name).toBe(document.name);
    const use = useOf(lead);
    const channels = (document.situation ?? document.situations?.[0])?.channels;
    expect(use.channels).toHaveLength(channels?.length ?? -1);
    expect(pairsOf(use)).toHaveLength(use.links.length);
  });

  it('has the nets and the parts that it derives to today', () => {
    const now = leadNamed(id);
    if (OTHERWISE.has(id)) {
      // The contacts meet as they did; the cores between them go another way.
      expect(contactNets(opened(document, id))).toEqual(contactNets(now));
      return;
    }
    expect(netlistFile(opened(document, id).assembly)).toEqual(netlistFile(now.assembly));
    expect(difference(opened(document, id).assembly, now.assembly)).toEqual([]);
  });

  it('meets what it meets today, and the same is said against it', () => {
    const [before, now] = [opened(document, id), leadNamed(id)];
    if (MEETS_OTHERWISE.has(id)) {
      const turned = ({ links }: ReturnType<typeof useOf>): unknown =>
        links.map(({ out, in: to }) => (/microphone/.test(out) ? { out: to, in: out } : { out, in: to }));
      expect(turned(useOf(before))).toEqual(expect.arrayContaining(useOf(now).links as unknown[]));
      return;
    }
    expect(useOf(before)).toEqual(useOf(now));
    expect(carriedBy(before.assembly, useOf(before))).toEqual(carriedBy(now.assembly, useOf(now)));
    // What was written before does not say how its loose wires end: nothing is said of that.
    const said = findings(now).filter(({ rule }) => rule !== 'solder-under-screw');
    const bodies = ({ assembly }: Lead): unknown =>
      assembly.bodies.map(({ ends }) => ends.map(({ connector }) => connector));
    // Where another body is chosen today, what goes into it is another matter.
    const same = JSON.stringify(bodies(before)) === JSON.stringify(bodies(now));
    const differs = (rule: string): boolean =>
      (!same && rule === 'cables-abreast') || (OTHERWISE.has(id) && rule === 'cold-leg');
    expect(findings(before).filter(({ rule }) => !differs(rule))).toEqual(
      said.filter(({ rule }) => !differs(rule)),
    );
  });

  it('is taken in from a file, and goes out in the version of today', () => {
    const taken = takeIn(document);
    expect(taken.ok && taken.leads.map((each) => each.lead.version)).toEqual([3]);
  });
});
