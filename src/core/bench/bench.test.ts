import { resolveSchools, USUAL_SCHOOLS } from '../wiring';
import { dressed } from '../dressing';
import { schoolsOf } from '../lead';
import { leadNamed } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import { describe, expect, it } from 'vitest';
import { assemblyOf, buildNamed, BUILDS } from '../../../tests/builds/read';
import type { Lead } from '../lead';
import { CONSTRAINTS } from './constraints';
import { ordered, placements, type Waits } from './sequence';
import {
  operationsOf,
  planOf,
  prerequisites,
  lastMending,
  progress,
  refusal,
  sequence,
  stateOf,
  readingsInForce,
  type BenchEvent,
  type Operation,
} from '.';

const lead = leadFor;

/** Leads that are taken without their checks. */
const KNOWN_PLAIN = new WeakSet<Lead>();

/** One lead with every kind of operation in it: links at the source, a core cut back at both ends. */
const rich = lead({
  from: { port: 'line-cross-coupled', family: 'xlr3' },
  to: { port: 'unbalanced-input', family: 'phono' },
});

/** What any good builder would hold to, written by hand from the handbook, sections 2 and 9: [earlier, later]. */
const MUST: readonly (readonly [string, string])[] = [
  ['cut-W1', 'thread-A'],
  ['cut-W1', 'thread-B'],
  ['thread-A', 'strip-A-W1'],
  ['thread-B', 'strip-B-W1'],
  ['thread-B', 'solder-joint-A-1'],
  ['thread-A', 'solder-joint-B-C'],
  ['thread-B', 'solder-link-A-3-1'],
  ['strip-A-W1', 'screen-A-W1'],
  ['strip-A-W1', 'cutback-A-black'],
  ['strip-B-W1', 'trim-B-W1'],
  ['screen-A-W1', 'sleeve-A-W1'],
  ['screen-A-W1', 'trim-A-W1'],
  ['cutback-A-black', 'tin-cores-A-W1'],
  ['trim-A-W1', 'tin-cores-A-W1'],
  ['sleeve-A-W1', 'solder-joint-A-1'],
  ['tin-cores-A-W1', 'solder-joint-A-2'],
  ['tin-contacts-A', 'solder-joint-A-2'],
  ['link-A', 'solder-joint-A-1'],
  ['solder-joint-A-1', 'solder-joint-A-2'],
  ['solder-joint-B-K', 'solder-joint-B-C'],
  ['solder-joint-A-2', 'inspect-A'],
  ['solder-joint-A-2', 'cool-A'],
  ['inspect-A', 'clamp-A'],
  ['cool-A', 'clamp-A'],
  ['clamp-A', 'prove'],
  ['clamp-B', 'prove'],
  ['inspect-A', 'measure-a'],
  ['solder-joint-B-C', 'measure-a'],
  ['measure-a', 'clamp-A'],
  ['prove', 'label'],
].map(([a, b]) => [a === 'link-A' ? 'solder-link-A-3-1' : (a ?? ''), b ?? ''] as const);

/** What only some leads have: a break-out, a tail, ends that are made on site. */
const parted = lead({
  from: [
    { port: 'line-ground-referenced', family: 'xlr3' },
    { port: 'line-ground-referenced', family: 'xlr3' },
  ],
  to: [
    { port: 'line-input', family: 'xlr3' },
    {
      port: 'line-input',
      family: 'tail-tinned',
      pinout: { hot: 'red', cold: 'black', screen: 'bare' },
    },
  ],
  cable: 'multipair-2',
  surroundings: 'wall',
  through: { mm: 12 },
});
const MUST_PARTED: readonly (readonly [string, string])[] = [
  ['cut-W1', 'part-split-from'],
  ['part-split-from', 'thread-A'],
  ['clamp-A', 'pull'],
  ['pull', 'thread-C'],
  ['finish-D', 'prove'],
];

/** A multipair with pairs to spare, which end where it parts. */
const spare = lead({
  from: [
    { port: 'line-ground-referenced', family: 'xlr3' },
    { port: 'line-ground-referenced', family: 'xlr3' },
  ],
  to: [
    { port: 'line-input', family: 'xlr3' },
    { port: 'line-input', family: 'xlr3' },
  ],
  cable: 'multipair-4',
});
/** A sum lead: its parts are joined in the air, each joint in a sleeve, and shrink over all. */
const summed = lead({
  from: { port: 'headphone-output', family: 'trs35' },
  to: { port: 'line-input', family: 'xlr3' },
  cable: 'pair-mini',
});
const MUST_SHRUNK: readonly (readonly [string, string])[] = [
  ['strip-B-W1', 'sleeves-B'],
  ['sleeves-B', 'solder-joint-R1-a'],
  ['inspect-B', 'shrink-B'],
  ['shrink-B', 'cool-B'],
  ['shrink-B', 'clamp-B'],
  ['clamp-A', 'shrink-split-from'],
  ['shrink-split-from', 'prove'],
  ['shrink-A', 'clamp-A'],
  ['measure-b', 'prove'],
];
/** All under screws, so that nothing has to cool; two of its cores go nowhere. */
const screwed = lead({
  from: { port: 'amplifier', family: 'twist2' },
  to: { port: 'loudspeaker', family: 'twist2' },
  cable: 'loudspeaker-4x2-5',
});
/** Nothing that has to be looked at before it is closed, and nothing to shrink. */
const simple = dressedDown(lead());
/** A tail with cores that go nowhere: it is looked at, and there is nothing to close or to shrink. */
const tailed = lead({
  from: { port: 'line-ground-referenced', family: 'xlr3' },
  to: {
    port: 'line-input',
    family: 'tail-tinned',
    pinout: { hot: 'red', cold: 'black', screen: 'drain' },
  },
  cable: 'star-quad',
  schools: { screen: 'source', 'spare-cores': 'spare' },
});
const MUST_SPARE: readonly (readonly [string, string])[] = [
  ['part-split-from', 'measure-split-from'],
  ['measure-split-from', 'prove'],
];

/** By the examples, what holds of a kind of lead and no other: handbook, sections 2, 15 and 16. */
const OF_ITS_KIND: readonly (readonly [lead: string, earlier: string, later: string])[] = [
  ['vehicle-braid', 'cut-W1', 'braid-W1'],
  ['vehicle-braid', 'braid-W1', 'thread-A'],
  ['record-player-unified', 'open-A', 'unsolder-A'],
  ['record-player-unified', 'unsolder-A', 'feed-A'],
  ['record-player-unified', 'unsolder-A', 'tin-contacts-A'],
  ['record-player-unified', 'thread-A', 'feed-A'],
  ['record-player-unified', 'part-split-to', 'feed-A'],
  ['record-player-unified', 'feed-A', 'strip-A-W1'],
  // Hots first, then the strap, then both screens onto it.
  ['record-player-unified', 'solder-joint-A-Rp', 'solder-link-A-Lm-A-Rm-a-case'],
  ['record-player-unified', 'solder-link-A-Lm-A-Rm-a-case', 'solder-joint-A-Lm'],
  ['continuity-lamp', 'cut-W1', 'feed-A'],
  ['continuity-lamp', 'drill-A', 'feed-A'],
  // Wires through the cover before soldering.
  ['continuity-lamp', 'feed-A', 'solder-joint-A-1'],
  ['headphone-unidentified', 'trim-A-W1', 'identify-A'],
  ['headphone-unidentified', 'identify-A', 'clamp-A'],
  ['volume-box', 'drill-box', 'solder-joint-A-T'],
  ['volume-box', 'inspect-B', 'mount-box'],
  ['volume-box', 'mount-box', 'clamp-box'],
  ['pad-u-barrel', 'inspect-B', 'clamp-barrel'],
  // Parts to the cores first, away from the connector; screen alone in 1, the twisted legs in 2, the last resistor afterwards.
  ['stereo-sum', 'solder-joint-R1-a', 'twist-B'],
  ['stereo-sum', 'solder-joint-R2-a', 'twist-B'],
  ['stereo-sum', 'twist-B', 'solder-joint-B-1'],
  ['stereo-sum', 'solder-joint-B-1', 'solder-joint-B-2'],
  ['stereo-sum', 'solder-joint-B-2', 'solder-over-R3'],
  ['stereo-sum', 'solder-over-R3', 'inspect-B'],
];

/** A sum by answers that few builders give: tinned, then cut blunt; shrink when all joints are made; plugs glued shut. */
const byOthers = ((): Lead => {
  const of = leadNamed('stereo-sum');
  return {
    ...of,
    schools: { ...schoolsOf(of), 'trim-order': 'tin-first', 'shrink-time': 'last', closing: 'glued' },
  };
})();
const MUST_BY_OTHERS: readonly (readonly [string, string])[] = [
  ['tin-cores-A-W1', 'blunt-A-W1'],
  ['blunt-A-W1', 'solder-joint-A-T'],
  ['inspect-A', 'shrink-B'],
  ['prove', 'seal-A'],
  ['clamp-A', 'seal-A'],
  ['seal-B', 'label'],
];

/** What is also waited for by itself, though other things that are waited for wait for it too: it is taken back with it. */
const DIRECTLY: readonly (readonly [string, string])[] = [['clamp-A', 'seal-A']];

/** An assembly without a lead round it, with what is put on it. */
const dressedBuild = (assembly: Lead['assembly']) => dressed({ assembly, situations: [], schools: {} });

const KNOWN = new WeakMap<Lead, ReturnType<typeof operationsOf>>();

/** All operations of a lead, with those of its proof. */
const operationsFor = (of: Lead): ReturnType<typeof operationsOf> => {
  const { probes, trials } = KNOWN.has(of) || KNOWN_PLAIN.has(of) ? { probes: [], trials: [] } : planOf(of);
  const found = KNOWN.get(of) ?? operationsOf(dressed(of), schoolsOf(of), [...probes, ...trials]);
  KNOWN.set(of, found);
  return found;
};

/** Whether the constraints force one before the other in every order they allow. */
function forces(of: Lead, constraints: typeof CONSTRAINTS): (a: string, b: string) => boolean {
  const before = prerequisites(operationsFor(of), constraints);
  const reach = (from: string, to: string, seen = new Set<string>()): boolean =>
    [...(before.get(from) ?? [])].some((id) => id === to || (!seen.has(id) && reach(id, to, seen.add(id))));
  return (a, b) => reach(b, a);
}

/** A list of one of these that is waited for, by whichever constraint. */
const waitingFor = (earlier: Operation, all: readonly Operation[]): Waits =>
  CONSTRAINTS.slice(0, 1).map((by) => [{ n: all.indexOf(earlier), earlier, by }]);

describe('the order of work', () => {
  it.each(MUST)('%s before %s', (a, b) => expect(forces(rich, CONSTRAINTS)(a, b)).toBe(true));
  it.each(MUST_PARTED)('%s before %s', (a, b) => expect(forces(parted, CONSTRAINTS)(a, b)).toBe(true));

  it.each(MUST_SPARE)('%s before %s', (a, b) => expect(forces(spare, CONSTRAINTS)(a, b)).toBe(true));

  it.each(MUST_SHRUNK)('%s before %s, where there is shrink', (a, b) =>
    expect([summed, parted, screwed, tailed].some((each) => forces(each, CONSTRAINTS)(a, b))).toBe(true),
  );

  it.each(MUST_BY_OTHERS)('%s before %s, by other schools', (a, b) => {
    expect(operationsFor(byOthers).operations.map(({ id }) => id)).toEqual(expect.arrayContaining([a, b]));
    expect(forces(byOthers, CONSTRAINTS)(a, b)).toBe(true);
  });

  it.each(OF_ITS_KIND)('%s: %s before %s', (name, a, b) => {
    const of = leadNamed(name);
    const ids = operationsFor(of).operations.map(({ id }) => id);
    expect(ids).toEqual(expect.arrayContaining([a, b]));
    expect(forces(of, CONSTRAINTS)(a, b)).toBe(true);
  });

  it('what ends up along a leg is threaded on at that leg’s end, since there its connector is in the way later', () => {
    const eight = lead({
      from: { port: 'line-eight', family: 'd25' },
      to: Array.from({ length: 8 }, (_, n) => ({
        port: 'line-input',
        family: 'xlr3',
        channel: `${n + 1}`,
      })),
      cable: 'multipair-8',
      legs: { mm: 500 },
      surroundings: 'rack',
    });
    const all = sequence(dressed(eight), schoolsOf(eight));
    const put = (id: string): readonly string[] => all.find((op) => op.id === id)?.dressings ?? [];
    expect([...put('thread-B')].sort()).toEqual([
      'ring-B-b',
      'ring-B-split-to',
      'shrink-W2',
      'shrink-clamp-B',
    ]);
    expect(put('part-split-to')).toEqual(['shrink-split-to']);
    expect(put('label')).toEqual([]);
  });

  it('an end that is made on site is not threaded before the bench end is soldered', () =>
    expect(forces(parted, CONSTRAINTS)('thread-C', 'solder-joint-A-2')).toBe(false));

  it('but before anything is soldered at itself, whatever else has to be done there', () => {
    const before = prerequisites(operationsFor(parted));
    expect(before.get('solder-joint-C-2')?.has('thread-C')).toBe(true);
    // The bench end is threaded before either is soldered.
    expect(before.get('solder-joint-C-2')?.has('thread-A')).toBe(true);
  });

  // Some constraints only bite where an operation is missing: a strip with no screen work, a solder with no sleeve.
  const leads = [
    rich,
    { ...rich, assembly: noScreen(rich) },
    parted,
    spare,
    summed,
    screwed,
    tailed,
    simple,
    lead(),
    byOthers,
  ].map((each) => ({ each, withAll: forces(each, CONSTRAINTS) }));

  it.each(CONSTRAINTS.map((c) => [c.id]))('without “%s” something that must hold no longer does', (id) => {
    const rest = CONSTRAINTS.filter((c) => c.id !== id);
    const without = new Map(
      [...new Set(OF_ITS_KIND.map(([name]) => name))].map((name) => [name, forces(leadNamed(name), rest)]),
    );
    const kinds = OF_ITS_KIND.some(([name, a, b]) => without.get(name)?.(a, b) === false);
    const broken = leads.some(({ each, withAll }) => {
      const ids = new Set(operationsFor(each).operations.map((op) => op.id));
      const withRest = forces(each, rest);
      return [...MUST, ...MUST_PARTED, ...MUST_SPARE, ...MUST_SHRUNK, ...MUST_BY_OTHERS]
        .filter(([a, b]) => ids.has(a) && ids.has(b))
        .some(([a, b]) => withAll(a, b) && !withRest(a, b));
    });
    const waits = (constraints: typeof CONSTRAINTS): boolean =>
      DIRECTLY.every(([a, b]) => prerequisites(operationsFor(byOthers), constraints).get(b)?.has(a));
    expect(kinds || broken || (waits(CONSTRAINTS) && !waits(rest))).toBe(true);
  });

  it('is met by the sequence, in every lead and build', () => {
    const all = [rich, parted, lead(), lead({ cable: 'star-quad' })].map(
      (l) => [dressed(l), schoolsOf(l)] as const,
    );
    for (const [assembly, schools] of [
      ...all,
      ...BUILDS.map((b) => [dressedBuild(assemblyOf(b)), USUAL_SCHOOLS] as const),
    ]) {
      const order = sequence(assembly, schools).map((op) => op.id);
      for (const [later, earlier] of prerequisites(operationsOf(assembly, schools)))
        for (const id of earlier)
          expect(order.indexOf(id), `${id} before ${later}`).toBeLessThan(order.indexOf(later));
      expect(new Set(order).size).toBe(order.length);
    }
  });

  it('threads both ends before any joint, then works one end at a time', () => {
    const order = sequence(dressed(lead()), schoolsOf(lead()));
    expect(order.slice(0, 3).map((op) => op.kind)).toEqual(['cut', 'thread', 'thread']);
    const ends = order.slice(3, -2).map((op) => op.end);
    expect(ends.join('')).toMatch(/^(A+B+|B+A+)$/);
  });

  const joints = (of: Lead, end: string): string[] =>
    sequence(dressed(of), schoolsOf(of))
      .filter((op) => op.kind === 'solder' && op.end === end)
      .map((op) => op.id.slice(-1));
  // A socket's solder side, latch up: 1 left, 3 centre, 2 right; a plug's: 2 left, 3 centre, 1 right (handbook section 3).
  it.each([
    [{ 'solder-order': 'screen-first' }, '123', '123'],
    [{ 'solder-order': 'lowest-first' }, '123', '123'],
    [{ 'solder-order': 'by-hand', hand: 'right' }, '132', '231'],
    [{ 'solder-order': 'by-hand', hand: 'left' }, '231', '132'],
  ] as const)('soldering goes by the school: %j', (schools, a, b) => {
    expect(joints(lead({ schools }), 'A').join('')).toBe(a);
    expect(joints(lead({ schools }), 'B').join('')).toBe(b);
  });

  it('phono: the return before the centre, whatever the school', () => {
    const of = lead({
      from: { port: 'unbalanced-output', family: 'phono' },
      to: { port: 'unbalanced-input', family: 'phono' },
      cable: 'instrument-coax',
      schools: { 'solder-order': 'lowest-first' },
    });
    expect(joints(of, 'A').join('')).toBe('KC');
    expect(
      sequence(dressed(of), schoolsOf(of)).some((op) =>
        op.detail.some((line) => line.includes('conductive layer')),
      ),
    ).toBe(true);
  });

  it('a barrel with no cable has nothing to cut, strip or thread over a jacket', () => {
    const kinds = new Set(
      sequence(dressedBuild(buildNamed('screen-lift')), USUAL_SCHOOLS).map((op) => op.kind),
    );
    for (const kind of ['cut', 'strip', 'screen', 'trim'] as const) expect(kinds.has(kind)).toBe(false);
    expect(kinds.has('link')).toBe(true);
  });

  it('the jacket is stripped of a cable, and the conductors freed of a leg beyond a break-out', () => {
    const trunk = leadFor({
      from: { port: 'microphone-stereo', family: 'xlr5' },
      to: [
        { port: 'microphone-input', family: 'xlr3', channel: 'left' },
        { port: 'microphone-input', family: 'xlr3', channel: 'right' },
      ],
      cable: 'multipair-2',
      legs: { mm: 400 },
      length: { mm: 3000, datum: 'face' },
    });
    const titles = sequence(dressed(trunk), schoolsOf(trunk)).flatMap(({ kind, title }) =>
      kind === 'strip' ? title : [],
    );
    expect([...titles].sort()).toEqual([
      'Free 22 mm of the leg’s conductors at end B',
      'Free 22 mm of the leg’s conductors at end C',
      'Strip 22 mm of jacket at end A',
    ]);
  });

  it('a joint is said by colour, screen, pair and part', () => {
    const titles = (patch: Parameters<typeof leadFor>[0]): readonly string[] => {
      const of = leadFor(patch);
      return sequence(dressed(of), schoolsOf(of)).flatMap(({ kind, title }) =>
        kind === 'solder' ? title : [],
      );
    };
    expect(titles({}).filter((title) => title.endsWith('end A'))).toEqual([
      'Solder screen to contact 1 at end A',
      'Solder white to contact 2 at end A',
      'Solder black to contact 3 at end A',
    ]);
    // Both cores of a leg of a star quad on one cup.
    expect(titles({ cable: 'star-quad' })).toContain('Solder both white cores to contact 2 at end A');
    const eight = titles({
      from: { port: 'line-eight', family: 'd25' },
      to: Array.from({ length: 8 }, (_, n) => ({ port: 'line-input', family: 'xlr3', channel: `${n + 1}` })),
      cable: 'multipair-8',
      legs: { mm: 500 },
    });
    expect(eight.filter((title) => title.endsWith('at end B')).sort()).toEqual([
      'Solder brown of pair 1 to contact 2 at end B',
      'Solder drain of pair 1 to contact 1 at end B',
      'Solder white of pair 1 to contact 3 at end B',
    ]);
  });

  it('conductors are trimmed alike, or the screen longer; what is put on last is named at the clamp', () => {
    const steps = (patch: Parameters<typeof leadFor>[0]) => {
      const of = leadFor(patch);
      return (kind: string) =>
        sequence(dressed(of), schoolsOf(of)).flatMap((op) =>
          op.kind === kind && op.end === 'A' ? op.detail[0] : [],
        );
    };
    expect(steps({})('trim')).toEqual(['From the jacket’s edge: all 22 mm, 3 mm bare.']);
    expect(steps({ schools: { 'conductor-lengths': 'screen-longer' } })('trim')).toEqual([
      'From the jacket’s edge: white and black 22 mm, 3 mm bare; screen 25 mm, 3 mm bare.',
    ]);
    const loudspeaker = leadFor({
      from: { port: 'amplifier', family: 'twist2' },
      to: { port: 'loudspeaker', family: 'twist2' },
      cable: 'loudspeaker-2x1-5',
    });
    const clamps = sequence(dressed(loudspeaker), schoolsOf(loudspeaker)).filter(
      ({ kind }) => kind === 'clamp',
    );
    for (const { end, detail } of clamps) {
      const entry = loudspeaker.assembly.uses.connectors.find(({ family }) => family === 'twist2');
      const after = entry?.bodyParts?.filter(({ goesOn }) => goesOn === 'after') ?? [];
      expect(
        detail.some((line) => line.startsWith('Now put on ')),
        end,
      ).toBe(after.length > 0);
    }
  });

  it('a house that proves by spot checks may pass the proof by, and is told so', () => {
    const proof = (proving: 'every' | 'spot') =>
      sequence(dressed(leadFor()), resolveSchools({ proving })).find(({ kind }) => kind === 'prove');
    expect(proof('spot')?.mayPass).toBe(true);
    expect(proof('spot')?.detail).toHaveLength(2);
    expect(proof('every')?.mayPass).toBeUndefined();
    expect(proof('every')?.detail).toHaveLength(1);
  });

  it('constraints that go round in a circle are named by the steps that are in it', () => {
    const all = operationsOf(dressed(leadFor()), USUAL_SCHOOLS);
    const [first, second] = all.operations;
    if (!first || !second) throw new Error('there are no steps');
    const before = new Map([
      ...placements(all),
      [first.id, waitingFor(second, all.operations)],
      [second.id, waitingFor(first, all.operations)],
    ]);
    const caught = (): string => {
      try {
        ordered(all, before);
        return 'nothing';
      } catch (error) {
        return String(error);
      }
    };
    const named = caught().split('among ')[1]?.split(', ') ?? [];
    expect(named).toContain(first.id);
    expect(named).toContain(second.id);
    // What could be done without them is in order, and not blamed.
    expect(named.length).toBeLessThan(all.operations.length);
  });

  it('a link step says which contacts, what with, and why', () => {
    const links = sequence(dressed(rich), schoolsOf(rich)).filter((op) => op.kind === 'link');
    expect(links.map(({ title, detail }) => [title, detail.length, detail[0]])).toEqual([
      ['Link contact 3 and contact 1 at end A', 2, 'A short piece of bare wire, in before the conductors.'],
    ]);
    // One that nobody gave a reason for says no more than what to do.
    const bare = sequence(
      dressedBuild({
        ...rich.assembly,
        bodies: rich.assembly.bodies.map((body) => ({
          ...body,
          joints: body.joints.map(({ because: _, ...joint }) => joint),
        })),
      }),
      schoolsOf(rich),
    );
    expect(bare.find((op) => op.kind === 'link')?.detail).toEqual([
      'A short piece of bare wire, in before the conductors.',
    ]);
  });

  it('the last resistor of a sum goes over the cups, and its leg is the link', () => {
    const last = sequence(dressed(summed), schoolsOf(summed)).find(({ id }) => id === 'solder-over-R3');
    expect(last?.title).toBe('Last, R3 over contact 1 and contact 2 at end B');
    expect(last?.detail.slice(0, 2)).toEqual([
      'One leg round contact 2, the other past contact 1 and round contact 3: that leg is the link between them.',
      'R3: 20 kΩ, red black orange gold, either way round.',
    ]);
  });
});

/** A lead of which nothing is asked at the bench. */
function dressedDown(of: Lead): Lead {
  KNOWN_PLAIN.add(of);
  return of;
}

/** The same lead in a cable that has no screen to twist or sleeve: unscreened pair. */
function noScreen(of: Lead): Lead['assembly'] {
  return {
    ...of.assembly,
    bodies: of.assembly.bodies,
    uses: {
      ...of.assembly.uses,
      cables: of.assembly.uses.cables.map((cable) => ({ ...cable, screen: 'none' as const })),
    },
  };
}

describe('progress', () => {
  const assembly = dressed(lead());
  const schools = schoolsOf(lead());
  const operations = sequence(assembly, schools);
  const before = prerequisites(operationsOf(assembly, schools));
  let clock = Date.parse('2026-03-02T10:00:00Z');
  const event = (kind: BenchEvent['kind'], operation?: string, text?: string): BenchEvent => ({
    id: `e${clock}`,
    kind,
    operation,
    text,
    at: new Date((clock += 30_000)).toISOString(),
  });
  const refused = (events: readonly BenchEvent[], next: BenchEvent): string | undefined =>
    refusal(operations, before, stateOf(events), next)?.code;
  const finish = (op: Operation): BenchEvent[] => [
    ...(op.confirm ?? []).map((what) => event('confirm', op.id, what)),
    event('done', op.id),
  ];

  it('soldering is gated by threading on what cannot go on later, and by nothing else', () => {
    const cut = finish(operations[0] ?? expect.fail());
    expect(refused(cut, event('done', 'solder-joint-A-1'))).toBe('bench.gate');
    expect(refused(cut, event('done', 'thread-A'))).toBe('bench.confirm');
    // Clear shrink for over the label: no connector goes through it later.
    const [label = ''] = operations.find((op) => op.id === 'thread-A')?.confirm ?? [];
    expect(label).toBe('clear heat-shrink, 6.4/3.2 mm, 40 mm: for over the label');
    const some = [...cut, event('confirm', 'thread-A', 'boot')];
    expect(refused(some, event('done', 'thread-A'))).toBe('bench.confirm');
    const one = [...some, event('confirm', 'thread-A', label)];
    expect(refused(one, event('done', 'thread-A'))).toBeUndefined();
    // The chuck goes on after soldering: a gate that asked for it now would be wrong (handbook, section 16).
    expect(refused(one, event('confirm', 'thread-A', 'chuck clamp'))).toBe('bench.confirm');
    expect(operations.find((op) => op.id === 'clamp-A')?.detail[0]).toBe(
      'Now put on the chuck clamp, from the side, then the shell, from the front.',
    );
    expect(refused(cut, event('confirm', 'thread-A', 'hat'))).toBe('bench.confirm');
  });

  it('in sequence nothing is refused, and then it can be logged; afterwards nothing is taken', () => {
    const events: BenchEvent[] = [event('open')];
    expect(refused(events, event('logged'))).toBe('bench.unfinished');
    for (const op of operations)
      for (const next of finish(op)) {
        expect(refused(events, next), next.operation).toBeUndefined();
        events.push(next);
      }
    expect(progress(operations, events).current).toBeUndefined();
    expect(refused(events, event('logged'))).toBeUndefined();
    events.push(event('logged'));
    expect(refused(events, event('note', 'prove', 'late'))).toBe('bench.logged');
  });

  it('undo takes back the last step and its confirmations, but not a step that others stand on', () => {
    const [cut, threadA] = operations;
    if (!cut || !threadA) return expect.fail();
    const events = [...finish(cut), ...finish(threadA)];
    expect(refused(events, event('undo', cut.id))).toBe('bench.under');
    expect(refused(events, event('undo', 'label'))).toBe('bench.not-done');
    const undone = [...events, event('undo', threadA.id)];
    expect(progress(operations, undone).current?.id).toBe(threadA.id);
    expect(refused(undone, event('done', threadA.id))).toBe('bench.confirm');
    expect(refused(events, event('done', cut.id))).toBe('bench.twice');
    expect(refused(events, event('done', 'weld'))).toBe('bench.unknown');
  });

  it('times each step from the last one, and leaves out time away from the bench', () => {
    clock = Date.parse('2026-03-02T10:00:00Z');
    const [cut, threadA] = operations;
    if (!cut || !threadA) return expect.fail();
    const events = [event('open'), event('done', cut.id)];
    clock += 3_600_000;
    events.push(event('open'), ...finish(threadA));
    const { seconds } = progress(operations, events);
    expect(seconds.get(cut.id)).toBe(30);
    // Two confirmations and the step itself.
    expect(seconds.get(threadA.id)).toBe(90);
  });

  it('readings from before a mend no longer stand', () => {
    const readings = [{ id: 'before' }, { id: 'between', after: 'm1' }, { id: 'last', after: 'm2' }];
    const mended = (id: string, at: string): BenchEvent => ({ id, kind: 'mended', operation: 'prove', at });
    expect(readingsInForce(undefined, readings)).toEqual(readings.slice(0, 1));
    expect(readingsInForce(lastMending([mended('m1', '2026-03-02T10:00:00Z')]), readings)).toEqual([
      readings[1],
    ]);
    // A clock of the year 2099 decides nothing: the order of the events does.
    expect(
      readingsInForce(
        lastMending([mended('m1', '2099-01-01T00:00:00Z'), mended('m2', '2026-03-02T10:00:00Z')]),
        readings,
      ),
    ).toEqual([readings[2]]);
    expect(readingsInForce(lastMending([mended('m3', '2026-03-02T10:00:00Z')]), readings)).toEqual([]);
  });

  it('keeps notes and troubles with their step', () => {
    const state = progress(operations, [
      event('note', 'cut-W1', 'drum nearly empty'),
      event('wrong', 'cut-W1', 'nicked'),
    ]);
    expect(state.remarks.map((r) => [r.kind, r.text])).toEqual([
      ['note', 'drum nearly empty'],
      ['wrong', 'nicked'],
    ]);
  });
});

describe('the order of the hands', () => {
  const op = (id: string, end: string, kind: Operation['kind'] = 'solder'): Operation => ({
    id,
    end,
    kind,
    title: id,
    detail: [],
  });
  const inOrder = (operations: readonly Operation[], before: Readonly<Record<string, string>>) =>
    ordered(
      { operations, rank: () => 0 },
      new Map(
        operations.map(({ id }) => [
          id,
          operations
            .filter((earlier) => earlier.id === before[id])
            .flatMap((earlier) => waitingFor(earlier, operations)),
        ]),
      ),
    ).map(({ id }) => id);

  it('stays at the end at hand while there is something to do at it', () =>
    // A1 comes free while B is in the vice: B is finished first.
    expect(inOrder([op('A1', 'A'), op('B1', 'B'), op('B2', 'B')], { A1: 'B1' })).toEqual(['B1', 'B2', 'A1']));

  it('threads wherever it can before anything else', () =>
    expect(inOrder([op('A1', 'A'), op('B1', 'B'), op('thread', 'C', 'thread')], { thread: 'A1' })).toEqual([
      'A1',
      'thread',
      'B1',
    ]));

  it('goes by end, then by the course of the work, then as they were made', () =>
    expect(
      inOrder(
        [op('A2', 'A', 'cool'), op('B1', 'B', 'strip'), op('A1', 'A', 'strip'), op('A3', 'A', 'cool')],
        {},
      ),
    ).toEqual(['A1', 'A2', 'A3', 'B1']));
});
