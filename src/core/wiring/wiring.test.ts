import fc from 'fast-check';
import { leadFor } from '../../../tests/support/leads';
import { PLAIN_INTENT } from '../../../tests/support/intents';
import { describe, expect, it } from 'vitest';
import { netlist, placeOf, readAssembly, type Assembly } from '../assembly';
import { CABLES, familiesFor, PORTS } from '../catalogue';
import { derive, RECIPES, resolveSchools, SCHOOLS, type Intent } from '.';

const base = PLAIN_INTENT;

const lead = leadFor;
const problems = (patch: Record<string, unknown>): (readonly [string, string])[] => {
  const derived = derive({ ...base, ...patch });
  return derived.ok ? [] : derived.problems.map((p) => [p.path, p.code] as const);
};
const nets = (assembly: Assembly): string[] =>
  netlist(assembly)
    .nets.filter((n) => n.contacts.length > 0)
    .map((n) => n.contacts.join(' '))
    .sort();

/** Everything that any port can be asked to feed, on every connector both come on, with every cable. */
const everyIntent: readonly Intent[] = PORTS.filter((p) => p.direction === 'out').flatMap((from) =>
  PORTS.filter((p) => p.direction === 'in').flatMap((to) =>
    familiesFor(from).flatMap((f) =>
      familiesFor(to).flatMap((t) =>
        CABLES.map((cable) => ({
          ...base,
          from: { port: from.id, family: f },
          to: { port: to.id, family: t },
          cable: cable.id,
        })),
      ),
    ),
  ),
);

describe('nets by row of the handbook, section 5', () => {
  it('row 1, balanced straight, XLR: hot to hot, cold to cold, screen to screen, shells open', () => {
    expect(nets(lead({}).assembly)).toEqual(['A.1 B.1', 'A.2 B.2', 'A.3 B.3', 'A.shell', 'B.shell']);
  });

  it('row 1, TRS to XLR: tip to 2, ring to 3, sleeve to 1', () => {
    const { assembly } = lead({
      from: { port: 'line-ground-referenced', family: 'trs635' },
      to: { port: 'line-input', family: 'xlr3' },
    });
    expect(nets(assembly)).toEqual(['A.R B.3', 'A.S A.shell B.1', 'A.T B.2', 'B.shell']);
  });

  const unbalanced = { to: { port: 'unbalanced-input', family: 'phono' } } as const;
  it.each([
    ['ground-referenced', ['A.1 B.K B.shell', 'A.2 B.C', 'A.3', 'A.shell']],
    ['impedance-balanced', ['A.1 B.K B.shell', 'A.2 B.C', 'A.3', 'A.shell']],
    ['cross-coupled', ['A.1 A.3 B.K B.shell', 'A.2 B.C', 'A.shell']],
    ['transformer', ['A.1 A.3 B.K B.shell', 'A.2 B.C', 'A.shell']],
  ])('row 2, %s output into phono', (kind, expected) => {
    expect(nets(lead({ from: { port: `line-${kind}`, family: 'xlr3' }, ...unbalanced }).assembly)).toEqual(
      expected,
    );
  });

  it('row 2: the join is at the far end for a transformer, at the source for cross-coupled', () => {
    const joint = (kind: string, terminal: string): readonly string[] =>
      lead({ from: { port: `line-${kind}`, family: 'xlr3' }, ...unbalanced })
        .assembly.bodies.flatMap((b) => b.joints)
        .find((j) => j.terminals.includes(terminal))?.terminals ?? [];
    expect(joint('transformer', 'B.K')).toEqual(['W1.screen@b', 'W1.black@b', 'B.K']);
    expect(joint('transformer', 'A.3')).toEqual(['W1.black@a', 'A.3']);
    expect(joint('cross-coupled', 'A.3')).toEqual(['A.3', 'A.1']);
  });

  it('row 3, TS into XLR: return to cold by its own core, screen joined to the return at the source', () => {
    const { assembly } = lead({
      from: { port: 'unbalanced-output', family: 'ts635' },
      to: { port: 'line-input', family: 'xlr3' },
    });
    expect(nets(assembly)).toEqual(['A.S A.shell B.1 B.3', 'A.T B.2', 'B.shell']);
    const sleeve = assembly.bodies[0]?.joints.find((j) => j.terminals.includes('A.S'));
    expect(sleeve?.terminals).toEqual(['W1.screen@a', 'W1.black@a', 'A.S']);
    expect(assembly.bodies[1]?.joints.every((j) => j.terminals.length === 2)).toBe(true);
  });

  it.each(['instrument-coax', 'pair-braid', 'star-quad'])(
    'row 4, unbalanced straight in %s: every core on the centre',
    (cable) => {
      const { assembly } = lead({
        from: { port: 'unbalanced-output', family: 'phono' },
        to: { port: 'unbalanced-input', family: 'phono' },
        cable,
      });
      expect(nets(assembly)).toEqual(['A.C B.C', 'A.K A.shell B.K B.shell']);
      expect(assembly.unjoined).toEqual([]);
    },
  );

  it('star quad: opposite cores share a contact, at both ends', () => {
    const { assembly } = lead({ cable: 'star-quad' });
    const around = CABLES.find((c) => c.id === 'star-quad')?.around ?? [];
    for (const body of assembly.bodies)
      for (const pair of [
        [around[0], around[2]],
        [around[1], around[3]],
      ])
        expect(
          body.joints.some((j) => pair.every((core) => j.terminals.includes(`W1.${core}@${body.id}`))),
        ).toBe(true);
  });
});

describe('schools', () => {
  it.each(SCHOOLS.map((s) => [s.id, s] as const))(
    '%s has a default among its choices, with gain and cost',
    (_, school) => {
      expect(school.choices.map((c) => c.id)).toContain(school.default);
      for (const choice of school.choices) expect(choice.gains && choice.costs).toBeTruthy();
    },
  );

  it('an answer that is not a choice falls back to the default', () => {
    expect(resolveSchools({ shell: 'welded', hand: 'left' })).toMatchObject({ shell: 'open', hand: 'left' });
  });

  const contactOf = (assembly: Assembly, core: string): string | undefined =>
    assembly.bodies[0]?.joints.find((j) => j.terminals.includes(`W1.${core}@a`))?.terminals.at(-1);

  it('colour: the lighter core on 2, or the coloured one, and the same at both ends', () => {
    expect(contactOf(lead({}).assembly, 'white')).toBe('A.2');
    expect(contactOf(lead({ schools: { colour: 'coloured-hot' } }).assembly, 'white')).toBe('A.3');
    expect(
      contactOf(lead({ cable: 'star-quad', schools: { colour: 'coloured-hot' } }).assembly, 'blue-1'),
    ).toBe('A.2');
    expect(nets(lead({ schools: { colour: 'coloured-hot' } }).assembly)).toEqual(nets(lead({}).assembly));
  });

  it.each([
    ['both', ['A.1 A.shell B.1 B.shell']],
    ['source', ['A.1 A.shell B.1', 'B.shell']],
    ['destination', ['A.1 B.1 B.shell', 'A.shell']],
  ])('shell %s', (school, expected) =>
    expect(nets(lead({ schools: { shell: school } }).assembly)).toEqual(expect.arrayContaining(expected)),
  );

  it.each([
    ['source', 'B.1'],
    ['destination', 'A.1'],
  ])('screen at %s only leaves %s open', (school, open) => {
    const { assembly } = lead({ schools: { screen: school } });
    expect(nets(assembly)).toContain(open);
    expect(assembly.unjoined).toHaveLength(1);
  });

  it('a screen that is the only return is joined at both ends whatever its school', () => {
    const { assembly } = lead({
      from: { port: 'line-ground-referenced', family: 'xlr3' },
      to: { port: 'unbalanced-input', family: 'phono' },
      schools: { screen: 'source' },
    });
    expect(nets(assembly)).toContain('A.1 B.K B.shell');
  });
});

describe('every lead that can be asked for', () => {
  it('derives to a valid assembly or says which field to change', () => {
    let made = 0;
    for (const intent of everyIntent) {
      const derived = derive(intent);
      if (derived.ok) {
        made++;
        expect(readAssembly(JSON.parse(JSON.stringify(derived.value.assembly))).ok).toBe(true);
      } else for (const problem of derived.problems) expect(problem.path).toBe('intent.cable');
    }
    expect(made).toBeGreaterThan(everyIntent.length / 2);
    expect(
      new Set(
        everyIntent.flatMap((i) => {
          const d = derive(i);
          return d.ok ? [d.value.recipe.id] : [];
        }),
      ).size,
    ).toBe(RECIPES.length);
  });

  it('joins hot to hot, never hot to ground, and gives every conductor a place or a reason', () => {
    for (const intent of everyIntent) {
      const derived = derive(intent);
      if (!derived.ok) continue;
      const { assembly, situation } = derived.value;
      const [from, to] = situation.channels;
      const { netOf } = netlist(assembly);
      const hot = netOf.get(`A.${from?.roles.hot}`)?.name;
      expect(netOf.get(`B.${to?.roles.hot}`)?.name).toBe(hot);
      for (const channel of situation.channels)
        for (const ground of [channel.roles.screen, channel.roles.return])
          if (ground) expect(netOf.get(`${channel.end}.${ground}`)?.name).not.toBe(hot);
      for (const body of assembly.bodies)
        for (const conductor of assembly.uses.cables[0]?.conductors ?? []) {
          const terminal = `W1.${conductor.id}@${body.id}`;
          expect(placeOf(assembly, terminal)).toBeDefined();
          expect(
            body.joints.filter((j) => j.terminals.includes(terminal)).length +
              assembly.unjoined.filter((u) => u.at === terminal).length,
          ).toBe(1);
        }
    }
  });

  it('same intent, same document; every joint has its reason', () => {
    fc.assert(
      fc.property(fc.constantFrom(...everyIntent), (intent) => {
        const first = derive(intent);
        expect(derive(JSON.parse(JSON.stringify(intent)))).toEqual(first);
        if (first.ok)
          for (const joint of first.value.assembly.bodies.flatMap((b) => b.joints))
            expect(joint.because?.says).toBeTruthy();
      }),
      { numRuns: 60 },
    );
  });
});

describe('what cannot be made is refused at its field', () => {
  it.each([
    ['intent.from.port', 'intent.port', { from: { port: 'kazoo', family: 'xlr3' } }],
    ['intent.from.port', 'intent.direction', { from: { port: 'line-input', family: 'xlr3' } }],
    ['intent.to.family', 'intent.family', { to: { port: 'microphone-input', family: 'phono' } }],
    ['intent.cable', 'intent.cable', { cable: 'string' }],
    ['intent.cable', 'wiring.two-cores', { cable: 'instrument-coax' }],
    ['intent.length.mm', 'shape.min', { length: { mm: 20, datum: 'face' } }],
    ['intent.length.mm', 'intent.length', { length: { mm: 110, datum: 'face' } }],
    ['intent.length.mm', 'shape.max', { length: { mm: 9e6, datum: 'face' } }],
    ['intent.surroundings', 'shape.oneOf', { surroundings: 'moon' }],
    [
      'intent.from.gender',
      'intent.gender',
      { from: { port: 'unbalanced-output', family: 'phono', gender: 'socket' } },
    ],
    ['intent.version', 'shape.oneOf', { version: 2 }],
  ])('%s %s', (path, code, patch) => {
    const found = problems(patch);
    expect(
      found.some(([p, c]) => p === path && c === code),
      JSON.stringify(found),
    ).toBe(true);
  });
});
