import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assemblyOf, buildNamed, BUILDS } from '../../../tests/builds/read';
import {
  ASSEMBLY_MIGRATIONS,
  ASSEMBLY_VERSION,
  byName,
  conductorsOf,
  dressingsAt,
  dressingsOver,
  jacketLengths,
  netlist,
  readAssembly,
  spanLengths,
  type Assembly,
  valueOf,
} from '.';

const count = (names: readonly string[]): Record<string, number> =>
  names.reduce<Record<string, number>>((all, name) => ({ ...all, [name]: (all[name] ?? 0) + 1 }), {});

const contactNets = (assembly: Assembly): string[] =>
  netlist(assembly)
    .nets.filter((net) => net.contacts.length > 0)
    .map((net) => net.contacts.join(' '))
    .sort();

describe('builds written by hand', () => {
  it('are all the kinds the model must hold', () => expect(BUILDS.length).toBeGreaterThanOrEqual(14));

  it.each(BUILDS.map((build) => [build.file, build] as const))('%s', (_, build) => {
    const assembly = assemblyOf(build);
    const list = netlist(assembly);
    expect(contactNets(assembly), build.source).toEqual(
      build.expected.nets.map((net) => [...net].sort(byName).join(' ')).sort(),
    );

    for (const { part, leads } of list.parts)
      for (const [lead, contact] of Object.entries(build.expected.parts[part.id] ?? {}))
        expect(leads[lead], `${part.id}.${lead}`).toBe(list.netOf.get(contact)?.name);
    expect(list.parts.map((each) => each.part.id).sort()).toEqual(Object.keys(build.expected.parts).sort());

    const { kit } = build.expected;
    expect(count(assembly.bodies.flatMap((body) => body.ends.flatMap((end) => end.connector ?? [])))).toEqual(
      kit.connectors,
    );
    expect(
      count(assembly.bodies.flatMap((body) => body.parts.map((part) => `${part.kind} ${valueOf(part)}`))),
    ).toEqual(kit.parts);
    expect(
      Object.fromEntries(
        assembly.spans.map((span) => [span.id, conductorsOf(assembly, span).map((c) => c.id)]),
      ),
    ).toEqual(kit.conductors);
    expect(Object.fromEntries(spanLengths(assembly))).toEqual(kit.lengths);
  });
});

describe('netlist', () => {
  it('names nets by their first contact and puts inner nets last with no contacts', () => {
    const { nets } = netlist(buildNamed('tell-tale'));
    expect(nets.map((net) => net.contacts)).toEqual([['A.1'], ['A.2'], ['A.3'], ['A.shell'], [], []]);
    expect(nets.map((net) => net.name)).toEqual(['N1', 'N2', 'N3', 'N4', 'N5', 'N6']);
  });

  it('does not depend on the order of bodies, spans, joints or terminals', () => {
    for (const build of BUILDS) {
      const assembly = assemblyOf(build);
      fc.assert(
        fc.property(fc.infiniteStream(fc.nat({ max: 1_000_000 })), (dice) => {
          const shuffle = <T>(list: readonly T[]): T[] =>
            list
              .map((item) => ({ item, key: dice.next().value as number }))
              .sort((a, b) => a.key - b.key)
              .map(({ item }) => item);
          const shuffled: Assembly = {
            ...assembly,
            spans: shuffle(assembly.spans),
            bodies: shuffle(assembly.bodies).map((body) => ({
              ...body,
              joints: shuffle(body.joints).map((joint) => ({
                ...joint,
                terminals: shuffle(joint.terminals),
              })),
            })),
          };
          expect(netlist(shuffled).nets).toEqual(netlist(assembly).nets);
        }),
        { numRuns: 10 },
      );
    }
  });
});

describe('lengths', () => {
  it('take off what each connector adds at its datum', () => {
    expect(jacketLengths(buildNamed('01-straight'))[0]).toMatchObject({
      fromAdds: 46,
      toAdds: 42,
      jacket: 5912,
    });
  });

  it('leave out a span that nothing fixes', () => {
    const assembly = buildNamed('fan-out');
    expect(spanLengths({ ...assembly, lengths: assembly.lengths.slice(1) }).has('W1')).toBe(false);
  });
});

describe('reading', () => {
  const straight = (): Record<string, unknown> =>
    structuredClone(BUILDS[0]?.assembly) as Record<string, unknown>;
  const codes = (document: unknown): (readonly [string, string])[] => {
    const read = readAssembly(document);
    return read.ok ? [] : read.problems.map((problem) => [problem.code, problem.path] as const);
  };

  it('gives back what was written', () => {
    for (const build of BUILDS) {
      const assembly = assemblyOf(build);
      const again = readAssembly(JSON.parse(JSON.stringify(assembly)));
      expect(again.ok && again.value).toEqual(assembly);
    }
  });

  it('an assembly of version 1 loses the roles that its connectors named, and nothing else', () => {
    const old = straight() as { uses: { connectors: Record<string, unknown>[] } };
    for (const entry of old.uses.connectors) entry['roles'] = { balanced: { hot: '2' } };
    const read = readAssembly(old);
    expect(read.ok && JSON.parse(JSON.stringify(read.value))).toEqual({
      ...straight(),
      version: ASSEMBLY_VERSION,
    });
  });

  it('each step of what is brought up goes to the next version, the last to today’s', () => {
    ASSEMBLY_MIGRATIONS.forEach(({ from, to }, n) => expect([from, to]).toEqual([n + 1, n + 2]));
    expect(ASSEMBLY_MIGRATIONS.at(-1)?.to).toBe(ASSEMBLY_VERSION);
  });

  it('ratings that were words become numbers, and what is no number stays words', () => {
    const old = (rating: string) => {
      const document = straight() as { bodies: Record<string, unknown>[] };
      document.bodies[0] = {
        ...document.bodies[0],
        parts: [{ id: 'R1', kind: 'resistor', leads: ['a', 'b'], value: 470, rating }],
      };
      const step = ASSEMBLY_MIGRATIONS.find(({ from }) => from === 2)?.up({
        ...document,
        version: 2,
      } as never);
      const [body] = (
        step as { bodies: { parts: { ratings?: unknown; marks?: unknown; ohms?: unknown }[] }[] }
      ).bodies;
      const { ratings, marks, ohms } = body?.parts[0] ?? {};
      return [ohms, ratings, marks];
    };
    expect(old('0.25 W')).toEqual([470, { watts: 0.25 }, undefined]);
    expect(old('16 V, plus toward the input')).toEqual([470, { volts: 16 }, 'plus toward the input']);
    expect(old('2 to 20 mA')).toEqual([470, { milliamps: { from: 2, to: 20 } }, undefined]);
    expect(old('3 V, 0.2 A')).toEqual([470, { volts: 3, milliamps: { from: 0, to: 200 } }, undefined]);
    expect(old('signal diode')).toEqual([470, undefined, 'signal diode']);
  });

  it('refuses a newer version, and what is no object', () => {
    expect(codes({ ...straight(), version: ASSEMBLY_VERSION + 1 })).toEqual([['assembly.newer', 'version']]);
    expect(codes([])).toEqual([['assembly.not-an-object', '']]);
    expect(codes(null)).toEqual([['assembly.not-an-object', '']]);
  });

  it('names the field that is missing or of the wrong kind', () => {
    expect(codes({ ...straight(), spans: 'none' })[0]?.[1]).toBe('spans');
    expect(codes({ ...straight(), colour: 'red' })[0]?.[0]).toBe('shape.noUnknown');
  });

  it.each([
    [
      'reference.terminal',
      'bodies[0].joints[0].terminals[0]',
      (t: string) => t.replace('"W1.screen@a"', '"W1.shield@a"'),
    ],
    ['reference.elsewhere', 'bodies[0].joints[0].terminals[1]', (t: string) => t.replace('"A.1"', '"B.1"')],
    ['reference.twice', 'bodies[1].id', (t: string) => t.replace('"id":"b"', '"id":"a"')],
    ['reference.cable', 'spans[0].cable', (t: string) => t.replace('"cable":"pair-braid"', '"cable":"rope"')],
    [
      'reference.connector',
      'bodies[0].ends[0].connector',
      (t: string) => t.replace('"connector":"xlr3-socket"', '"connector":"hose"'),
    ],
    ['reference.length', 'lengths[0].to', (t: string) => t.replace('"to":"B","datum"', '"to":"Z","datum"')],
    ['reference.body', 'spans[0].to', (t: string) => t.replace('"from":"a","to":"b"', '"from":"a","to":"z"')],
  ])('%s at %s', (code, path, damage) => {
    const text = JSON.stringify(straight());
    expect(damage(text)).not.toBe(text);
    expect(codes(JSON.parse(damage(text)))).toContainEqual([code, path]);
  });

  it('refuses a conductor that is both joined and cut back, but admits one that is neither', () => {
    const because = { says: 'test' };
    expect(codes({ ...straight(), unjoined: [{ at: 'W1.white@a', is: 'cut back', because }] })).toEqual([
      ['reference.joined', 'unjoined[0]'],
    ]);
    const loose = JSON.parse(
      JSON.stringify(straight()).replace('"W1.white@a","A.2"', '"A.2","A.3"'),
    ) as unknown;
    expect(codes(loose)).toEqual([]);
  });
});

describe('what is put on', () => {
  const put = (id: string, over: string, at?: string) =>
    ({ id, what: 'ring', over, ...(at === undefined ? {} : { at }), says: id, goesOn: 'before' }) as const;
  const assembly = {
    ...buildNamed('d25'),
    dressings: [put('one', 'W1', 'a'), put('two', 'A', 'a'), put('three', 'W1', 'b'), put('four', 'a')],
  } as unknown as Assembly;
  const ids = (found: readonly { readonly id: string }[]) => found.map(({ id }) => id);

  it('is found by what it is over, of several in the order of the document, which is the order on the cable', () => {
    expect(ids(dressingsOver(assembly, 'W1'))).toEqual(['one', 'three']);
    expect(ids(dressingsOver(assembly, 'a', 'A', 'W1'))).toEqual(['one', 'two', 'three', 'four']);
    expect(dressingsOver(assembly, 'B')).toEqual([]);
  });

  it('is found by the side of the body at which it is', () => {
    expect(ids(dressingsAt(assembly, 'a'))).toEqual(['one', 'two']);
    expect(dressingsAt(assembly, 'split')).toEqual([]);
  });
});
