import fc from 'fast-check';
import { leadFor, useOf } from '../../../tests/support/leads';
import { intentFor, PLAIN_INTENT, type Patch } from '../../../tests/support/intents';
import { describe, expect, it } from 'vitest';
import { conductorsOf, jointsOf, netlist, placeOf, readAssembly, type Assembly } from '../assembly';
import { CABLES, familiesFor, layoutsFor, PORTS, type PortKind } from '../catalogue';
import { derive, type Lead } from '../lead';
import { INTENT_VERSION, offers, resolveSchools, SCHOOLS, type Intent, type IntentEnd } from '.';
import { pairsOf, roleTerminal } from '../situation';

const lead = leadFor;
const problems = (patch: Record<string, unknown>): (readonly [string, string])[] => {
  const derived = derive({ ...PLAIN_INTENT, ...patch });
  return derived.ok ? [] : derived.problems.map((p) => [p.path, p.code] as const);
};
const nets = (assembly: Assembly): string[] =>
  netlist(assembly)
    .nets.filter((n) => n.contacts.length > 0)
    .map((n) => n.contacts.join(' '))
    .sort();

/** A cable of every kind; each pair of ends gets three of them in turn. */
const KINDS = [
  'pair-braid',
  'star-quad',
  'instrument-coax',
  'twin-mini',
  'multipair-8',
  'loudspeaker-2x2-5',
  'twisted-pair',
  'braid-3',
];

/** An end for a port on a family whose order is settled, or every order where makers differ. */
const endsOf = (port: PortKind): readonly IntentEnd[] =>
  familiesFor(port).flatMap((family) =>
    layoutsFor(family, port.format).map((layout) => ({ port: port.id, family, layout: layout.id })),
  );

/** Everything that any port can be asked to feed, on every connector both come on, with a cable of every kind. */
const everyIntent: readonly Intent[] = PORTS.filter((p) => p.direction !== 'in').flatMap((from) =>
  PORTS.filter((p) => p.direction !== 'out').flatMap((to) =>
    endsOf(from).flatMap((f) =>
      endsOf(to).flatMap((t, n) =>
        KINDS.filter((_, k) => k % 4 === n % 4 || k === 0).map((cable) => ({
          ...PLAIN_INTENT,
          from: [f],
          to: [t],
          cable,
        })),
      ),
    ),
  ),
);

it('of a coax it is said that it has one core, where two and a screen are needed', () => {
  const refused = derive({ ...PLAIN_INTENT, cable: 'instrument-coax' });
  expect(refused.ok ? '' : refused.problems[0]?.says).toMatch(
    / has 1 core: this lead needs two and a screen\./,
  );
});

it('a reason says that it was the builder who asked for the other gender, at the end where it is so', () => {
  const says = (patch: Patch): string =>
    leadFor(patch)
      .because.reasons.map((each) => each.says)
      .join(' ');
  const { from, to } = PLAIN_INTENT;
  const asked = says({ from: { ...from[0], gender: 'plug' } });
  expect(asked).toContain('A plug at the source end, as the builder asked.');
  expect(asked).toContain('XLR inputs are on holes, so it ends with a plug.');
  expect(asked).not.toContain('it starts with a socket');
  // Asked for as it is usual anyway, nothing was asked for.
  expect(says({ to: { ...to[0], gender: 'plug' } })).not.toContain('as the builder asked');
});

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

  it('a school that nobody answered has its default', () => {
    expect(resolveSchools({ hand: 'left', shell: undefined })).toMatchObject({ shell: 'open', hand: 'left' });
  });

  it('an answer that is not a choice, and a school that nobody knows, are refused at their field', () => {
    const paths = (schools: unknown): readonly string[] => {
      const read = derive({ ...intentFor({}), schools });
      return read.ok ? [] : read.problems.map((problem) => problem.path);
    };
    expect(paths({ shell: 'welded' })).toEqual(['intent.schools.shell']);
    expect(paths({ varnish: 'two coats' })).toEqual(['intent.schools.varnish']);
    expect(paths(null)).toEqual(['intent.schools']);
  });

  const roleTerminal = (assembly: Assembly, core: string): string | undefined =>
    assembly.bodies[0]?.joints.find((j) => j.terminals.includes(`W1.${core}@a`))?.terminals.at(-1);

  it('colour: the lighter core on 2, or the coloured one, and the same at both ends', () => {
    expect(roleTerminal(lead({}).assembly, 'white')).toBe('A.2');
    expect(roleTerminal(lead({ schools: { colour: 'coloured-hot' } }).assembly, 'white')).toBe('A.3');
    expect(
      roleTerminal(lead({ cable: 'star-quad', schools: { colour: 'coloured-hot' } }).assembly, 'blue-1'),
    ).toBe('A.2');
    expect(nets(lead({ schools: { colour: 'coloured-hot' } }).assembly)).toEqual(nets(lead({}).assembly));
  });

  it.each([
    ['both', ['A.1 A.shell B.1 B.shell']],
    ['source', ['A.1 A.shell B.1', 'B.shell']],
    ['destination', ['A.1 B.1 B.shell', 'A.shell']],
  ] as const)('shell %s', (school, expected) =>
    expect(nets(lead({ schools: { shell: school } }).assembly)).toEqual(
      expect.arrayContaining([...expected]),
    ),
  );

  it.each([
    ['source', 'B.1'],
    ['destination', 'A.1'],
  ] as const)('screen at %s only leaves %s open', (school, open) => {
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

const tried = everyIntent.filter((_, n) => n % 3 === 0).map((intent) => derive(intent));
/** The leads that those come to. */
const made: readonly Lead[] = tried.flatMap((derived) => (derived.ok ? [derived.value] : []));

describe('every lead with two ends that can be asked for', () => {
  it('what has no cable has none, though one is named', () => {
    for (const form of ['barrel', 'plug', 'box'] as const) {
      const made = derive({
        version: 5,
        ...(form === 'barrel'
          ? {
              from: [{ port: 'line-end', family: 'xlr3', gender: 'socket' }],
              to: [{ port: 'line-end', family: 'xlr3', gender: 'plug' }],
            }
          : form === 'plug'
            ? { from: [], to: [{ port: 'microphone-input-phantom', family: 'xlr3' }] }
            : {
                from: [{ port: 'headphone-output', family: 'trs35' }],
                to: [{ port: 'headphones', family: 'trs35' }],
              }),
        form,
        cable: 'pair-braid',
        surroundings: 'stage',
        schools: {},
      });
      expect(made.ok && [made.value.assembly.spans, made.value.assembly.uses.cables], form).toEqual([[], []]);
    }
  });

  it('derives to a valid assembly or says which field to change', () => {
    const paths = new Set(
      tried.flatMap((derived) => (derived.ok ? [] : derived.problems.map((problem) => problem.path))),
    );
    expect([...paths].sort()).toEqual([
      'intent',
      'intent.cable',
      'intent.from[0].port',
      'intent.to[0].port',
      'intent.wiring',
    ]);
    expect(made.length).toBeGreaterThan(800);
    for (const { assembly } of made.filter((_, n) => n % 23 === 0))
      expect(readAssembly(JSON.parse(JSON.stringify(assembly))).ok).toBe(true);
  });

  it('joins hot to hot where nothing is in between, never hot to ground, and no two signals', () => {
    for (const lead of made) {
      const { assembly } = lead;
      const situation = useOf(lead);
      const recipe = lead.because.recipe?.id;
      const { netOf, parts } = netlist(assembly);
      const net = (terminal: string | undefined): string | undefined =>
        terminal === undefined ? undefined : netOf.get(terminal)?.name;
      for (const pair of pairsOf(situation)) {
        const role = 'plus' in pair.out.roles ? 'plus' : 'hot';
        const hot = net(roleTerminal(pair.out, role));
        if (parts.length === 0 && recipe !== 'headphone-lead')
          expect(
            net(roleTerminal(pair.in, role)),
            JSON.stringify([recipe, pair.out.port.id, pair.in.port.id]),
          ).toBe(hot);
        for (const channel of [pair.out, pair.in])
          for (const ground of ['screen', 'return', 'minus'] as const) {
            const terminal = roleTerminal(channel, ground);
            if (terminal) expect(net(terminal)).not.toBe(hot);
          }
      }
      const hots = situation.channels
        .filter((c) => c.direction === 'sends')
        .map((c) => net(roleTerminal(c, 'hot')) ?? c);
      expect(new Set(hots).size).toBe(hots.length);
    }
  });

  it('gives every conductor at both its ends one place or one reason', () => {
    for (const { assembly } of made)
      for (const span of assembly.spans)
        for (const conductor of conductorsOf(assembly, span))
          for (const body of [span.from, span.to]) {
            const terminal = `${span.id}.${conductor.id}@${body}`;
            expect(placeOf(assembly, terminal)).toBeDefined();
            const joints = assembly.bodies.flatMap(jointsOf).filter((j) => j.terminals.includes(terminal));
            const left = assembly.unjoined.filter((u) => u.at === terminal);
            expect(joints.length + left.length, terminal).toBe(1);
          }
  });

  it('offers what can be done, best first, with why', () => {
    for (const intent of everyIntent.filter((_, n) => n % 31 === 0)) {
      const offered = offers(intent);
      if (!offered.ok) continue;
      const order = offered.value.map((offer) => ['right', 'possible', 'wrong'].indexOf(offer.is));
      expect(order).toEqual([...order].sort());
      for (const offer of offered.value) expect(offer.why).toBeTruthy();
    }
  });

  it('same intent, same document; every joint has its reason', () => {
    fc.assert(
      fc.property(fc.constantFrom(...everyIntent), (intent) => {
        const first = derive(intent);
        expect(derive(JSON.parse(JSON.stringify(intent)))).toEqual(first);
        if (first.ok)
          for (const joint of first.value.assembly.bodies.flatMap((b) => b.joints))
            if (joint.how !== 'continues') expect(joint.because?.says).toBeTruthy();
      }),
      { numRuns: 60 },
    );
  });
});

describe('what cannot be made is refused at its field', () => {
  // A cable socket takes 46 mm of the way from face to face and a plug 42; 30 mm of jacket is the least (from memory).
  it.each([
    [118, 'face', 'The two connectors take up 88 mm of that by themselves: ask for more than 118 mm.'],
    [118.4, 'face', undefined],
    [118, 'tip', 'The two connectors take up 88 mm of that by themselves: ask for more than 118 mm.'],
    [118, 'jacket', undefined],
  ] as const)('%d mm from %s: %s', (mm, datum, says) => {
    const made = derive({ ...PLAIN_INTENT, length: { mm, datum } });
    expect(made.ok ? undefined : made.problems.map((each) => [each.code, each.path, each.says])).toEqual(
      says && [['intent.length', 'intent.length.mm', says]],
    );
  });

  it('of a lead that parts, its legs take up their length too', () => {
    const parted = (mm: number) =>
      derive({
        ...PLAIN_INTENT,
        from: [{ port: 'microphone-stereo', family: 'xlr5' }],
        to: [
          { port: 'microphone-input-phantom', family: 'xlr3', channel: 'left' },
          { port: 'microphone-input-phantom', family: 'xlr3', channel: 'right' },
        ],
        cable: 'multipair-2',
        legs: { mm: 390 },
        length: { mm, datum: 'face' },
      });
    const says = (made: ReturnType<typeof derive>) => (made.ok ? [] : made.problems.map((each) => each.says));
    expect(says(parted(508))).toEqual([
      'Connectors and legs take up 478 mm of that by themselves: ask for more than 508 mm.',
    ]);
    expect(says(parted(509))).toEqual([]);
  });

  const mic: IntentEnd = { port: 'microphone', family: 'xlr3' };
  it.each([
    ['intent.from[0].port', 'intent.port', { from: [{ port: 'kazoo', family: 'xlr3' }] }],
    ['intent.from[0].port', 'intent.direction', { from: [{ port: 'line-input', family: 'xlr3' }] }],
    ['intent.to[0].family', 'intent.family', { to: [{ port: 'microphone-input', family: 'phono' }] }],
    [
      'intent.to[0].layout',
      'intent.layout',
      { to: [{ port: 'microphone-input', family: 'xlr3', layout: 'mirrored' }] },
    ],
    ['intent.from[0].layout', 'intent.layout', { from: [{ port: 'insert', family: 'trs635' }] }],
    ['intent.to[0].pinout', 'intent.pinout', { to: [{ port: 'line-input', family: 'screw3' }] }],
    [
      'intent.to[0].pinout',
      'intent.pinout',
      { to: [{ port: 'line-input', family: 'screw3', pinout: { hot: '1' } }] },
    ],
    [
      'intent.to[0].pinout',
      'intent.pinout',
      { to: [{ port: 'line-input', family: 'screw3', pinout: { hot: '1', cold: '9' } }] },
    ],
    [
      'intent.to[0].pinout',
      'intent.pinout',
      { to: [{ port: 'line-input', family: 'screw3', pinout: { hot: '1', cold: '2', glow: '3' } }] },
    ],
    [
      'intent.to[0].pinout',
      'intent.pinout-twice',
      { to: [{ port: 'line-input', family: 'screw3', pinout: { hot: '1', cold: '1', screen: '3' } }] },
    ],
    [
      'intent.to[0].pinout',
      'intent.pinout-twice',
      { to: [{ port: 'line-input', family: 'screw3', pinout: { hot: '1', cold: '2', screen: '2' } }] },
    ],
    ['intent.choices.volume', 'intent.choice-unknown', { choices: { volume: 'loud' } }],
    ['intent.choices.constructor', 'intent.choice-unknown', { choices: { constructor: 'x' } }],
    ['intent.anyway[0]', 'intent.anyway', { anyway: ['physics'] }],
    ['intent.schools.screen', 'shape.oneOf', { schools: { screen: 'sideways' } }],
    [
      'intent.to[0].channel',
      'intent.channel',
      {
        from: ['one', 'two'].map((channel) => ({ ...mic, channel })),
        to: ['three', 'four'].map((channel) => ({ ...PLAIN_INTENT.to[0], channel })),
        cable: 'multipair-8',
      },
    ],
    [
      'intent.from[0].channel',
      'intent.channel',
      {
        from: [{ port: 'headphone-output', family: 'trs35', channel: 'narrator' }],
        to: [{ port: 'headphones', family: 'trs35' }],
      },
    ],
    [
      'intent.from[1].port',
      'intent.insert',
      {
        from: [{ port: 'insert', family: 'trs635', layout: 'insert-tip-send' }, mic],
        to: [
          { port: 'unbalanced-input', family: 'ts635' },
          { port: 'unbalanced-output', family: 'ts635' },
          { port: 'microphone-input', family: 'xlr3' },
        ],
        cable: 'multipair-4',
      },
    ],
    ['intent.cable', 'intent.cable', { cable: 'string' }],
    ['intent.cable', 'wiring.two-cores', { cable: 'instrument-coax' }],
    ['intent.cable', 'wiring.unscreened', { cable: 'loudspeaker-2x2-5' }],
    ['intent.cable', 'wiring.apart', { from: [mic, mic], to: [PLAIN_INTENT.to[0], PLAIN_INTENT.to[0]] }],
    [
      'intent.cable',
      'wiring.too-few-cores',
      { from: [mic, mic, mic], to: Array(3).fill(PLAIN_INTENT.to[0]), cable: 'multipair-2' },
    ],
    ['intent.length.mm', 'intent.length', { length: undefined }],
    ['intent.length.mm', 'shape.min', { length: { mm: 20, datum: 'face' } }],
    ['intent.length.mm', 'intent.length', { length: { mm: 110, datum: 'face' } }],
    ['intent.length.mm', 'shape.max', { length: { mm: 9e6, datum: 'face' } }],
    ['intent.surroundings', 'shape.oneOf', { surroundings: 'moon' }],
    ['intent.through.mm', 'intent.through', { through: { mm: 5 } }],
    ['intent.from', 'intent.ends', { from: [] }],
    ['intent.form', 'intent.ends', { form: 'plug' }],
    [
      'intent',
      'wiring.none',
      { from: [mic, mic], to: [PLAIN_INTENT.to[0], PLAIN_INTENT.to[0], PLAIN_INTENT.to[0]] },
    ],
    ['intent.wiring', 'wiring.unsuited', { wiring: 'loudspeaker' }],
    ['intent.wiring', 'wiring.unsuited', { wiring: 'wand' }],
    ['intent.wiring', 'wiring.refused', { from: [mic, mic], wiring: 'bare-y' }],
    [
      'intent.to[0].gender',
      'intent.gender',
      {
        from: [{ port: 'amplifier', family: 'twist2' }],
        to: [{ port: 'loudspeaker', family: 'twist2', gender: 'socket' }],
      },
    ],
    [
      'intent.to[0].gender',
      'shape.oneOf',
      { to: [{ port: 'line-input', family: 'xlr3', gender: 'sideways' }] },
    ],
    [
      'intent.choices.resistors',
      'intent.choice',
      { from: [{ port: 'headphone-output', family: 'trs35' }], choices: { resistors: 'nowhere' } },
    ],
    ['intent.version', 'intent.newer', { version: INTENT_VERSION + 1 }],
  ])('%s %s', (path, code, patch) => {
    const found = problems(patch);
    expect(
      found.some(([p, c]) => p === path && c === code),
      JSON.stringify(found),
    ).toBe(true);
  });
});

describe('what is known better than from memory', () => {
  it('goes with the intent into the situation, and moves what the lead does', () => {
    const known = lead({ facts: { earthOhms: 0.5 } });
    expect(useOf(known).facts).toEqual({ earthOhms: 0.5 });
    expect(useOf(lead()).facts).toBeUndefined();
    expect(known.assembly).toEqual(lead().assembly);
  });

  it.each([
    [{ earthOhms: 1e9 }, 'intent.facts.earthOhms'],
    [{ earthOhms: 'little' }, 'intent.facts.earthOhms'],
    [{ contactMilliOhms: -1 }, 'intent.facts.contactMilliOhms'],
    [{ colour: 3 }, 'intent.facts.colour'],
  ])('%j is refused at its field, with what it may be', (facts, path) => {
    const derived = derive({ ...PLAIN_INTENT, facts });
    if (derived.ok) expect.fail('it was let in');
    expect(derived.problems.map((each) => each.path)).toContain(path);
    expect(derived.problems[0]?.says).toMatch(/a number from .* to |by the name of colour/);
  });
});

describe('refusals', () => {
  const refusals = (intent: unknown): readonly string[] => {
    const offered = offers(intent);
    return offered.ok ? offered.value.flatMap((offer) => offer.refusal?.id ?? []) : [];
  };
  const tablet: IntentEnd = { port: 'headphone-output', family: 'trs35' };
  const line: IntentEnd = { port: 'line-input', family: 'xlr3' };

  // Handbook section 5: two outputs on one wire; sending stereo into a balanced input; rows 2 and 13.
  it.each([
    ['bare-y', intentFor({ from: tablet, to: line })],
    ['stereo-into-balanced', intentFor({ from: tablet, to: line })],
    [
      'lift-under-phantom',
      intentFor({
        from: { port: 'microphone-phantom', family: 'xlr3' },
        to: { port: 'microphone-input-phantom', family: 'xlr3' },
      }),
    ],
    [
      'ts-at-trs',
      intentFor({
        from: { port: 'line-ground-referenced', family: 'ts635' },
        to: { port: 'unbalanced-input', family: 'ts635' },
        cable: 'instrument-coax',
      }),
    ],
  ])('%s is refused with its reason', (id, intent) => expect(refusals(intent)).toContain(id));

  it('two outputs of 10 Ω on one wire: 2 V ÷ 20 Ω is 100 mA; of 50 Ω 20 mA (handbook section 5)', () => {
    const says = (impedance: number): string => {
      const end = (channel: string): IntentEnd => ({
        port: 'unbalanced-output',
        family: 'phono',
        channel,
        values: { impedance },
      });
      const offered = offers(intentFor({ from: [end('left'), end('right')], to: line, cable: 'pair-mini' }));
      return offered.ok ? (offered.value.find((offer) => offer.recipe === 'bare-y')?.why ?? '') : '';
    };
    expect(says(50)).toContain('20 mA');
    expect(says(10)).toContain('100 mA');
  });

  it('what a competent person may have is had, and stays said; what nobody may have is not', () => {
    const stereo = intentFor({ from: tablet, to: line, wiring: 'stereo-into-balanced' });
    const asked = derive(stereo);
    expect(asked.ok ? '' : asked.problems[0]?.code).toBe('wiring.refused');
    const anyway = derive({ ...stereo, anyway: ['stereo-into-balanced'] });
    expect(anyway.ok && useOf(anyway.value).overruled.map((each) => each.id)).toEqual([
      'stereo-into-balanced',
    ]);
    const never = derive({ ...stereo, wiring: 'bare-y', anyway: ['bare-y'] });
    expect(never.ok ? '' : never.problems[0]?.code).toBe('wiring.refused');
  });
});

describe('what is kept from before', () => {
  it('an intent of version 1 reads as one end on each side, and its cold leg as a choice', () => {
    const first = {
      version: 1,
      from: { port: 'line-transformer', family: 'xlr3' },
      to: { port: 'unbalanced-input', family: 'phono' },
      length: { mm: 2000, datum: 'face' },
      surroundings: 'studio',
      cable: 'pair-braid',
      cold: 'open',
      schools: {},
    };
    const derived = derive(first);
    expect(derived.ok && derived.value.intent).toMatchObject({
      version: 5,
      from: [first.from],
      to: [first.to],
      choices: { cold: 'open' },
    });
    expect(derived.ok && nets(derived.value.assembly)).toContain('A.3');
  });
});

describe('cores', () => {
  it.each([
    ['doubled', 0],
    ['cut-back', 4],
    ['spare', 4],
  ] as const)('a star quad with its spare cores %s', (school, left) => {
    const { assembly } = lead({ cable: 'star-quad', schools: { 'spare-cores': school } });
    expect(assembly.unjoined).toHaveLength(left);
    expect(nets(assembly)).toEqual(['A.1 B.1', 'A.2 B.2', 'A.3 B.3', 'A.shell', 'B.shell']);
  });

  // Pairs by the resistor code: 1 brown, 2 red, 3 orange … 8 grey; cold is white (handbook section 4; IEC 60062).
  it('multipair: channel n is on pair n, hot in the colour of its number, cold white, both ends alike', () => {
    const { assembly } = lead({
      from: { port: 'line-eight', family: 'd25' },
      to: { port: 'line-input-eight', family: 'd25' },
      cable: 'multipair-8',
    });
    const colours = ['BN', 'RD', 'OG', 'YE', 'GN', 'BU', 'VT', 'GY'];
    const hots = ['24', '10', '21', '7', '18', '4', '15', '1'];
    for (const side of ['a', 'b'] as const)
      hots.forEach((contact, n) => {
        const joint = assembly.bodies
          .flatMap((b) => b.joints)
          .find((j) => j.terminals.includes(`${side.toUpperCase()}.${contact}`));
        const place = placeOf(assembly, joint?.terminals[0] ?? '');
        expect(place?.kind === 'conductor' && place.conductor.colour).toBe(colours[n]);
      });
  });

  it('pairs that no channel needs are cut back at both ends of the trunk', () => {
    const mic: IntentEnd = { port: 'microphone', family: 'xlr3' };
    const to: IntentEnd = { port: 'microphone-input', family: 'xlr3' };
    const { assembly } = lead({ from: [mic, mic], to: [to, to], cable: 'multipair-4' });
    expect(
      assembly.unjoined
        .map((each) => each.at)
        .filter((at) => at.startsWith('W1.4-'))
        .sort(),
    ).toEqual([
      'W1.4-cold@split-from',
      'W1.4-cold@split-to',
      'W1.4-drain@split-from',
      'W1.4-drain@split-to',
      'W1.4-hot@split-from',
      'W1.4-hot@split-to',
    ]);
  });
});

describe('through a hole', () => {
  const site = (mm: number, family: string): readonly string[] => {
    const { assembly } = lead({
      to: { port: 'line-input', family },
      from: { port: 'line-transformer', family: 'xlr3' },
      through: { mm },
      cable: 'pair-foil',
      surroundings: 'wall',
    });
    return assembly.bodies.flatMap((body) =>
      body.ends.filter((end) => end.madeOn === 'site').map((end) => end.id),
    );
  };
  it('the receiving end is made on site where neither connector goes through', () =>
    expect(site(12, 'xlr3')).toEqual(['B']));
  it('none is where one goes through as it is', () => {
    expect(site(16, 'trs635')).toEqual([]);
    expect(site(30, 'xlr3')).toEqual([]);
  });
});
