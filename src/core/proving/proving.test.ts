import type { Patch } from '../../../tests/support/intents';
import { leadFor } from '../../../tests/support/leads';
import { describe, expect, it } from 'vitest';
import { assemblyOf, buildNamed, BUILDS } from '../../../tests/builds/read';
import { builtAs, work } from '../../../tests/support/proving';
import { spanLengths, type Assembly } from '../assembly';
import { resistances } from '../model';
import {
  faultsOf,
  judge,
  lookAlikes,
  isProbe,
  proofOf,
  sayFault,
  sayWhere,
  sayExpectation,
  type Answer,
  type Check,
  type Fault,
  type Proof,
  type Variant,
  type Verdict,
  fromPlain,
  toPlain,
} from '.';

const derived = (patch: Patch = {}): Assembly => leadFor(patch).assembly;

const LEADS: readonly (readonly [string, Assembly])[] = [
  ['XLR to XLR, pair', derived()],
  ['XLR to XLR, star quad', derived({ cable: 'star-quad' })],
  ['XLR to XLR, foil, shells joined', derived({ cable: 'pair-foil', schools: { shell: 'both' } })],
  ['XLR to XLR, screen at source only', derived({ schools: { screen: 'source' } })],
  [
    'XLR to phono, ground-referenced',
    derived({
      from: { port: 'line-ground-referenced', family: 'xlr3' },
      to: { port: 'unbalanced-input', family: 'phono' },
    }),
  ],
  [
    'XLR to phono, cross-coupled',
    derived({
      from: { port: 'line-cross-coupled', family: 'xlr3' },
      to: { port: 'unbalanced-input', family: 'phono' },
    }),
  ],
  [
    'TRS to XLR',
    derived({
      from: { port: 'line-impedance-balanced', family: 'trs635' },
      to: { port: 'line-input', family: 'xlr3' },
    }),
  ],
  [
    'TS to XLR',
    derived({
      from: { port: 'unbalanced-output', family: 'ts635' },
      to: { port: 'line-input', family: 'xlr3' },
    }),
  ],
  [
    'TS to TS, coax',
    derived({
      from: { port: 'instrument', family: 'ts635' },
      to: { port: 'instrument-input', family: 'ts635' },
      cable: 'instrument-coax',
    }),
  ],
  ...BUILDS.filter((build) => !/d25|unidentified/.test(build.file)).map(
    (build) => [build.title, assemblyOf(build)] as const,
  ),
];

const prove = (assembly: Assembly): Proof => proofOf({ assembly });

const ohmsOf = (assembly: Assembly, faulty: Variant, proof = prove(assembly)): ((check: Check) => Answer) =>
  builtAs({ assembly }, proof, faulty);
const isPath = (check: Check): boolean => isProbe(check) && check.kind === 'path';

describe('the probe list', () => {
  it('of a straight XLR lead: three paths, three shorts, two shells', () => {
    const { probes, expects } = prove(derived());
    expect(probes.map((p) => p.id)).toEqual([
      'A.1~B.1',
      'A.2~B.2',
      'A.3~B.3',
      'A.1~A.2',
      'A.1~A.3',
      'A.2~A.3',
      'A.shell~A.1+A.2+A.3',
      'B.shell~B.1+B.2+B.3',
    ]);
    const two = probes[1] ?? expect.fail('no probe');
    // 24 AWG, 84.21 Ω/km (ASTM B258 with IEC 60028), 6 m less 88 mm inside the connectors.
    expect(expects(two).nominal).toBeCloseTo(0.08421 * 5.912, 4);
    expect(sayExpectation(expects(two))).toMatch(/under 0\.9/);
    expect(sayExpectation(expects(probes[5] ?? two))).toMatch(/^open: OL, or over 20 MΩ/);
  });

  it('TRS: tip, ring and sleeve through, and none across (handbook section 10); the bonded shell is not measured twice', () => {
    const { probes } = prove(
      derived({
        from: { port: 'line-ground-referenced', family: 'trs635' },
        to: { port: 'line-input', family: 'trs635' },
      }),
    );
    expect(probes.map((p) => p.id).sort()).toEqual(
      ['A.R~A.S', 'A.R~A.T', 'A.R~B.R', 'A.S~A.T', 'A.S~B.S', 'A.T~B.T'].sort(),
    );
  });

  it('with parts between contacts it reads the parts: any of them a decade off shows in one reading at least', () => {
    const assembly = buildNamed('pad-barrel');
    const proof = prove(assembly);
    const read = proof.probes.filter(({ kind }) => kind === 'part');
    expect(read.length).toBeGreaterThan(0);
    const parts = assembly.bodies.flatMap((body) => body.parts.filter((part) => part.kind === 'resistor'));
    expect(parts).toHaveLength(3);
    for (const part of parts) {
      const off = {
        ...assembly,
        bodies: assembly.bodies.map((body) => ({
          ...body,
          parts: body.parts.map((each) => (each === part ? { ...each, ohms: (part.ohms ?? 0) * 10 } : each)),
        })),
      };
      const says = resistances(off, { lengths: spanLengths(off) });
      const shows = read.filter((probe) => {
        const { from, to } = proof.expects(probe);
        const ohms = says(probe.red, probe.black[0] ?? '');
        return ohms < from || ohms > to;
      });
      expect(shows.length, part.id).toBeGreaterThan(0);
    }
  });

  it('the one shell of a barrel is measured at each end, against what was not beside it before, and not against itself', () => {
    const { probes } = prove(buildNamed('screen-lift'));
    expect(probes.filter(({ kind }) => kind === 'shell').map(({ says }) => says)).toEqual([
      'A.shell to each of A.1, A.2, A.3',
      'B.shell to B.1',
    ]);
  });

  it('of 24 contacts: each against all the others joined together, not 276 pairs', () => {
    const { probes } = prove(buildNamed('d25'));
    expect(probes.filter((p) => p.kind === 'path')).toHaveLength(24);
    expect(probes.filter((p) => p.kind === 'short').length).toBeLessThan(26);
  });
});

describe('a perfect build passes', () => {
  it.each(LEADS)('%s', (_, assembly) => {
    const { verdict, readings } = work(prove(assembly), ohmsOf(assembly, { assembly }));
    expect(verdict.is).toBe('good');
    expect(readings).toHaveLength(prove(assembly).checks.length);
  });
});

/** The classes of the first two leads; those of the others are checked alike and would fill screens. */
const CLASSES_SHOWN = 24;

describe('every single fault', () => {
  const table: string[] = [];
  const classes: string[] = [];

  it.each(LEADS)('in %s is found, or cannot be seen and is said so', (title, assembly) => {
    const proof = prove(assembly);
    const { unseen, groups } = lookAlikes(proof);
    const faults = proof.hypotheses.flatMap(({ fault }) => fault ?? []);
    let found = 0;
    let placed = 0;
    let many = 0;
    for (const fault of faults)
      for (const variant of fault.variants()) {
        const { verdict } = work(proof, ohmsOf(assembly, variant, proof));
        if (verdict.is === 'good') {
          expect(
            verdict.unseen.map((f) => f.id),
            fault.id,
          ).toContain(fault.id);
          continue;
        }
        expect(verdict.is, `${fault.id}: ${verdict.says}`).toBe('fault');
        expect(verdict.suspects.map((f) => f.id)).toContain(fault.id);
        expect(verdict.says.length && verdict.where.length).toBeTruthy();
        found += 1 / fault.variants().length;
        if (new Set(verdict.suspects.map((f) => f.place)).size === 1) placed += 1 / fault.variants().length;
        else {
          many += 1 / fault.variants().length;
          expect(verdict.where).toMatch(/needs an eye/);
          expect(verdict.where).toMatch(/Look /);
        }
      }
    for (const fault of faults)
      expect([...unseen, ...groups.flat()].filter((f) => f.id === fault.id)).toHaveLength(1);
    const alike = groups.filter((group) => group.length > 1);
    table.push(
      `${title}: ${faults.length} faults; found ${Math.round(found)}, of these placed ${Math.round(placed)} and not placed ${Math.round(many)}; cannot be told from a good lead ${unseen.length}`,
    );
    for (const group of alike) {
      expect(sayWhere(group)).toMatch(/Look /);
      classes.push(
        `${title}: cannot be told apart: ${group.map((f) => f.id).join(', ')}\n    ${sayFault(group)} ${sayWhere(group)}`,
      );
    }
    if (unseen.length > 0)
      classes.push(
        `${title}: reads as a good lead does, within the allowance for contacts: ${unseen.map((f) => f.id).join(', ')}`,
      );
  });

  it('prints what was found', () => {
    console.info([...table, '', ...classes.slice(0, CLASSES_SHOWN)].join('\n'));
    expect(classes.length).toBeGreaterThan(CLASSES_SHOWN);
    expect(table).toHaveLength(LEADS.length);
  });
});

describe('verdicts', () => {
  const assembly = derived();
  const proof = prove(assembly);
  const faultNamed = (id: string): Fault =>
    faultsOf(assembly).find((f) => f.id === id) ?? expect.fail(`no fault ${id}`);
  const verdictOf = (id: string): Verdict =>
    work(proof, ohmsOf(assembly, faultNamed(id).variants()[0] ?? { assembly })).verdict;

  it('2 and 3 reversed: at one end, look for white on 3 (handbook section 10)', () => {
    const verdict = verdictOf('reversed:W1.white@a~W1.black@a');
    expect(verdict.says).toBe('2 and 3 are reversed at one end.');
    expect(verdict.where).toContain('Look for white on 3');
    // A meter cannot tell at which end; the look into end A does.
    expect([...new Set(verdict.suspects.map((f) => f.place))]).toEqual(['a']);
    expect([...new Set(verdictOf('reversed:W1.white@b~W1.black@b').suspects.map((f) => f.place))]).toEqual([
      'b',
    ]);
  });

  it('mirrored contacts 1 and 2: crossed (handbook section 10)', () => {
    expect(verdictOf('crossed:W1.screen@a~W1.white@a').says).toBe('1 and 2 are crossed at one end.');
  });

  it('an open cold names the core, its contact and the strain relief', () => {
    const verdict = verdictOf('open:W1.black@b');
    expect(verdict.says).toBe('Black is open: it does not carry 3.');
    expect(verdict.where).toContain('where the clamp grips');
  });

  it('a strand bridge from 2 to the shell is at its own end; the place is told', () => {
    const verdict = verdictOf('short:B.2~B.shell');
    expect(verdict.says).toBe('The shell touches 2, against the school chosen.');
    expect([...new Set(verdict.suspects.map((f) => f.place))]).toEqual(['b']);
  });

  it('colours swapped alike at both ends read perfect: an eye tells them, and where none looked the verdict says so', () => {
    const swapped = faultNamed('reversed twice:W1.white@a~W1.black@a').variants()[0] ?? { assembly };
    const says = ohmsOf(assembly, swapped);
    const seen = work(proof, says).verdict;
    expect(seen.says).toBe('White and black are swapped alike at both ends.');
    const unlooked = work(proof, (check) => (isProbe(check) ? says(check) : { kind: 'skipped' })).verdict;
    expect(unlooked.is).toBe('good');
    expect(unlooked.says).toMatch(/^Good, except .*white and black are swapped alike at both ends/);
    expect(unlooked.notProven.find(({ what }) => /swapped alike/.test(what))?.why).toMatch(
      /^This was not done: Look into end A: /,
    );
  });

  it('a beeper misses a joint of 15 Ω, and the good verdict says that too; ohms find it', () => {
    const beeps = work(proof, (check) => ({
      kind: !isProbe(check) ? 'yes' : isPath(check) ? 'beep' : 'silent',
    })).verdict;
    expect(beeps.is).toBe('good');
    expect(beeps.unseen.some((f) => f.kind === 'high resistance')).toBe(true);
    expect(
      work(proof, (probe) =>
        probe.id === 'A.2~B.2' ? { kind: 'ohms', ohms: 15 } : ohmsOf(assembly, { assembly })(probe),
      ).verdict.says,
    ).toMatch(/high resistance/);
  });

  it('a reading that jumps while wiggling is a bad joint, not a good one', () => {
    const verdict = work(proof, (probe) =>
      probe.id === 'A.2~B.2' ? { kind: 'unsteady' } : ohmsOf(assembly, { assembly })(probe),
    ).verdict;
    expect(verdict.is).toBe('fault');
    expect(verdict.suspects.every((f) => f.says.includes('White'))).toBe(true);
  });

  it('star quad: both cores of a leg on the other contact is a reversal; one core of each is a join of the two', () => {
    const quad = derived({ cable: 'star-quad' });
    const quadProof = prove(quad);
    const says = (id: string): string => {
      const fault = faultsOf(quad).find((f) => f.id === id) ?? expect.fail(id);
      return work(quadProof, ohmsOf(quad, fault.variants()[0] ?? { assembly: quad })).verdict.says;
    };
    expect(says('reversed:W1.white-1@a~W1.blue-1@a')).toBe('2 and 3 are reversed at one end.');
    expect(says('exchanged:W1.white-2@b~W1.blue-1@b')).toMatch(/exchanged at one end, which joins 2 and 3/);
  });

  it('a short of no ohms is at the end it is measured at; one through the cable reads what the cable adds', () => {
    expect(new Set(verdictOf('short:A.1~A.2').suspects.map((f) => f.place))).toEqual(new Set(['a', 'W1']));
    expect(new Set(verdictOf('short:B.1~B.2').suspects.map((f) => f.place))).toEqual(new Set(['b', 'W1']));
  });

  it('a broken core of a star-quad pair doubles that leg: seen on a long lead only (handbook section 10)', () => {
    const seen = (metres: number): boolean => {
      const quad = derived({ cable: 'star-quad', length: { mm: metres * 1000, datum: 'face' } });
      return !lookAlikes(prove(quad)).unseen.some((f) => f.id === 'open:W1.white-1@a');
    };
    expect(seen(3)).toBe(false);
    expect(seen(60)).toBe(true);
  });

  it('two faults at once: nothing single explains it, and what is off is listed', () => {
    const verdict = judge(
      proof,
      proof.checks.map((check) => ({
        probe: check.id,
        answer: isProbe(check) ? { kind: 'ohms', ohms: isPath(check) ? Infinity : 0 } : { kind: 'yes' },
      })),
    );
    expect(verdict.is).toBe('unclear');
    expect(verdict.off.length).toBeGreaterThan(5);
  });

  it('a reading of a probe that this lead does not have changes nothing', () => {
    expect(judge(proof, [{ probe: 'X.1~Y.1', answer: { kind: 'beep' } }])).toEqual(judge(proof, []));
  });

  it('a joint mended and measured again clears the fault', () => {
    const mended = [
      ...work(proof, ohmsOf(assembly, faultNamed('open:W1.black@b').variants()[0] ?? { assembly })).readings,
      ...work(proof, ohmsOf(assembly, { assembly })).readings,
    ];
    const verdict = judge(proof, [...mended, { probe: 'A.3~B.3', answer: { kind: 'ohms', ohms: 0.5 } }]);
    expect(verdict.off).toEqual([]);
    expect(verdict.is).toBe('good');
  });
});

describe('an answer as JSON carries it', () => {
  it.each([
    [
      { kind: 'ohms', ohms: Infinity },
      { kind: 'ohms', ohms: 'OL' },
    ],
    [
      { kind: 'ohms', ohms: 0.2 },
      { kind: 'ohms', ohms: 0.2 },
    ],
    [{ kind: 'beep' }, { kind: 'beep' }],
    [{ kind: 'silent' }, { kind: 'silent' }],
    [{ kind: 'unsteady' }, { kind: 'unsteady' }],
  ] as const)('%j: %j, and back', (answer, plain) => {
    expect(toPlain(answer)).toEqual(plain);
    expect(fromPlain(plain)).toEqual(answer);
  });
});
