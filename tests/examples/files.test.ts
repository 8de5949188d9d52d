import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Assembly } from '../../src/core/assembly';
import { operationsOf, sequence } from '../../src/core/bench';
import { viewOf } from '../../src/core/catalogue';
import { jsonSchemas, netlistFile, takeIn } from '../../src/core/formats';
import { kit, labelLines } from '../../src/core/kit';
import { dressed } from '../../src/core/dressing';
import { derive, schoolsOf } from '../../src/core/lead';
import { EXAMPLES, leadOf } from './read';

const root = fileURLToPath(new URL('../../', import.meta.url));
const plain = <T>(value: T): unknown => JSON.parse(JSON.stringify(value));
const cases = EXAMPLES.map((example) => [example.id, example] as const);

describe('the files that lie in the repository', () => {
  it.each(cases)('%s: the lead is what its intent derives to today', (id, example) => {
    const file = JSON.parse(readFileSync(`${root}examples/leads/${id}.json`, 'utf8')) as unknown;
    expect(file).toEqual(plain(leadOf(example)));
  });

  it('no lead lies there without its intent', () =>
    expect(readdirSync(`${root}examples/leads`).sort()).toEqual(
      EXAMPLES.map((example) => `${example.id}.json`).sort(),
    ));

  it('the schemas are those of the code', () => {
    for (const [file, schema] of Object.entries(jsonSchemas()))
      expect(JSON.parse(readFileSync(`${root}docs/schemas/${file}`, 'utf8'))).toEqual(plain(schema));
  });
});

describe('the schemas', () => {
  const ajv = new Ajv2020({ strict: true, allErrors: true });
  const [isIntent, isLead, isAssembly, isNetlist] = (['intent', 'lead', 'assembly', 'netlist'] as const).map(
    (name) => ajv.compile(jsonSchemas()[`${name}.schema.json`] ?? {}),
  );

  it.each(cases)('%s is of their shape, as intent, lead, assembly and netlist', (_, example) => {
    const lead = leadOf(example);
    for (const [check, value] of [
      [isIntent, example.intent],
      [isLead, lead],
      [isAssembly, lead.assembly],
      [isNetlist, netlistFile(lead.assembly)],
    ] as const)
      expect(check?.(plain(value)) ? [] : check?.errors).toEqual([]);
  });

  const whole = EXAMPLES.find((each) => each.id === 'stereo-sum')?.intent as Record<string, unknown>;
  it.each([
    ['no ends', { from: undefined }],
    ['an end without a port', { from: [{ family: 'xlr3' }] }],
    ['a field nobody knows', { colour: 'red' }],
    ['a length of nothing', { length: { mm: 0, datum: 'face' } }],
    ['a datum nobody knows', { length: { mm: 500, datum: 'middle' } }],
    ['no schools', { schools: undefined }],
    ['a version from before', { version: 0 }],
    ['ends that are no list', { to: 'everywhere' }],
    ['a surrounding nobody knows', { surroundings: 'moon' }],
  ])('say of %s what the code says', (_, patch) => {
    const document = plain({ ...whole, ...patch });
    expect(isIntent?.(document)).toBe(false);
    expect(derive(document).ok).toBe(false);
  });
});

describe.each(cases)('%s', (_, example) => {
  const lead = leadOf(example);

  it('goes out as a file and comes back the same', () => {
    const taken = takeIn(plain(lead));
    expect(taken.ok && taken.leads.map((each) => [each.lead.name, each.same])).toEqual([
      [example.name, true],
    ]);
    expect(taken.ok && plain(taken.leads[0]?.lead)).toEqual(plain(lead));
  });

  it('has the same ids when it is derived again, and nets that do not hang on the order of joints', () => {
    expect(leadOf(example)).toEqual(lead);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e9 }), (seed) => {
        const shuffled: Assembly = {
          ...lead.assembly,
          bodies: lead.assembly.bodies.map((body) => ({
            ...body,
            joints: [...body.joints]
              .map((joint, n) => ({ joint, key: (seed * (n + 7)) % 101 }))
              .sort((a, b) => a.key - b.key)
              .map(({ joint }) => ({ ...joint, terminals: [...joint.terminals].reverse() })),
          })),
        };
        expect(netlistFile(shuffled)).toEqual(netlistFile(lead.assembly));
      }),
      { numRuns: 5 },
    );
  });

  it('is drawn from views whose two sides are mirrors unless its entry gives both', () => {
    for (const connector of lead.assembly.uses.connectors) {
      const [mating, solder] = [viewOf(connector, 'mating'), viewOf(connector, 'solder')];
      expect(mating.map((place) => place.contact).sort()).toEqual(
        connector.contacts.map((contact) => contact.id).sort(),
      );
      if (!connector.views?.solder)
        for (const place of mating)
          expect(solder).toContainEqual({ ...place, x: place.x === 0 ? 0 : -place.x });
    }
  });

  it('has a course of work in which every joint is made once, a kit and a label', () => {
    const { assembly } = lead;
    const schools = schoolsOf(lead);
    const whole = dressed(lead);
    const operations = sequence(whole, schools);
    expect(new Set(operations.map((op) => op.id)).size).toBe(operations.length);
    expect(operations).toHaveLength(operationsOf(whole, schools).operations.length);
    const toMake = assembly.bodies
      .filter((body) => body.ends.some((end) => end.connector))
      .flatMap((body) => body.joints)
      .filter((joint) => joint.how !== 'continues')
      .map((joint) => joint.id);
    expect(operations.flatMap((op) => op.joint ?? []).sort()).toEqual(toMake.sort());
    const lines = kit(whole, schools);
    expect(lines.length).toBeGreaterThan(2);
    // What the bench puts on is in the kit, and the other way round; each of it once.
    const put = operations.filter(({ kind }) => kind !== 'shrink').flatMap(({ dressings = [] }) => dressings);
    const shrunk = operations
      .filter(({ kind }) => kind === 'shrink')
      .flatMap(({ dressings = [] }) => dressings);
    expect(put.sort()).toEqual(lines.flatMap((line) => line.dressings ?? []).sort());
    expect(put).toEqual(expect.arrayContaining(shrunk));
    expect(labelLines({ ...lead, name: example.name }, 1)[0]).toContain(example.name);
  });
});

describe('a whole job', () => {
  it('goes out and comes back with all its leads', () => {
    const leads = EXAMPLES.map(leadOf);
    const taken = takeIn(plain({ antler: 'job', version: 1, name: 'All', note: '', leads }));
    expect(taken.ok && taken.leads).toHaveLength(EXAMPLES.length);
  });
});
