import { PHANTOM_SUPPLIES } from '../catalogue';
import { leadFor } from '../../../tests/support/leads';
import { MICROPHONE, MICROPHONE_INPUT, type Patch } from '../../../tests/support/intents';
import { describe, expect, it } from 'vitest';
import type { Assembly } from '../assembly';
import type { Lead } from '../lead';
import { type IntentEnd } from '../wiring';
import { applyEdit } from '../lead';
import { findings, remedied, RULES, shortedLegMilliamps } from '.';

interface Case {
  readonly rule: string;
  readonly fires: Patch;
  readonly neighbour: Patch;
  /** A change to the document that no intent can ask for; made before the rule looks. */
  readonly damage?: (assembly: Assembly) => Assembly;
}

const phono = { port: 'unbalanced-input', family: 'phono' } as const;
const phonoOf = (channel: string): IntentEnd => ({
  port: 'record-player-input',
  family: 'phono',
  channel,
});
const output = (kind: string): IntentEnd => ({ port: `line-${kind}`, family: 'xlr3' });

/** For each rule: a smallest lead that fires it, and its nearest neighbour that does not. */
const CASES: readonly Case[] = [
  {
    rule: 'not-carried',
    fires: {},
    neighbour: { schools: { screen: 'source' } },
    // The hot core comes off its contact at the receiving end.
    damage: (assembly) => ({
      ...assembly,
      bodies: assembly.bodies.map((body) => ({
        ...body,
        joints: body.joints.filter((joint) => !joint.terminals.includes('B.2')),
      })),
    }),
  },
  {
    rule: 'direction',
    fires: { from: { ...MICROPHONE, gender: 'plug' } },
    neighbour: { from: { ...MICROPHONE, gender: 'socket' } },
  },
  {
    rule: 'direction',
    fires: { to: { ...MICROPHONE_INPUT, gender: 'socket' } },
    neighbour: { to: { ...MICROPHONE_INPUT, gender: 'plug' } },
  },
  {
    rule: 'phantom-harm',
    fires: {
      from: { port: 'microphone-ribbon', family: 'xlr3' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    },
    neighbour: { to: { port: 'microphone-input-phantom', family: 'xlr3' } },
  },
  {
    rule: 'phantom-harm',
    fires: {
      from: { port: 'unbalanced-output', family: 'ts635' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    },
    neighbour: { from: { port: 'unbalanced-output', family: 'ts635' } },
  },
  {
    rule: 'phantom-stopped',
    fires: {
      from: { port: 'microphone-phantom', family: 'xlr3' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
      schools: { screen: 'source' },
    },
    neighbour: {
      from: { port: 'microphone-phantom', family: 'xlr3' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    },
  },
  {
    rule: 'phantom-missing',
    fires: { from: { port: 'microphone-phantom', family: 'xlr3' } },
    neighbour: {
      from: { port: 'microphone-phantom', family: 'xlr3' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    },
  },
  {
    rule: 'screen-return',
    fires: { schools: { screen: 'destination' } },
    neighbour: { schools: { screen: 'both' } },
  },
  {
    rule: 'cold-leg',
    fires: { from: output('ground-referenced'), to: phono, cold: 'source' },
    neighbour: { from: output('ground-referenced'), to: phono, cold: 'open' },
  },
  {
    rule: 'cold-leg',
    fires: { from: output('ground-referenced'), to: phono, cold: 'far' },
    neighbour: { from: output('impedance-balanced'), to: phono, cold: 'far' },
  },
  {
    rule: 'cold-leg',
    fires: { from: output('cross-coupled'), to: phono, cold: 'open' },
    neighbour: { from: output('cross-coupled'), to: phono },
  },
  {
    rule: 'cold-leg',
    fires: { from: output('cross-coupled'), to: phono, cold: 'far' },
    neighbour: { from: output('transformer'), to: phono, cold: 'far' },
  },
  {
    rule: 'cold-leg',
    fires: { from: output('transformer'), to: phono, cold: 'open' },
    neighbour: { from: output('transformer'), to: phono },
  },
  {
    rule: 'treble-lost',
    fires: {
      from: { port: 'unbalanced-output', family: 'phono', values: { impedance: 10_000 } },
      to: phono,
      cable: 'instrument-coax',
      length: { mm: 40_000, datum: 'face' },
    },
    neighbour: {
      from: { port: 'unbalanced-output', family: 'phono', values: { impedance: 1000 } },
      to: phono,
      cable: 'instrument-coax',
      length: { mm: 40_000, datum: 'face' },
    },
  },
  {
    // 100 pF of the input and the lead's own, 300 pF at most (common practice).
    rule: 'coil',
    fires: {
      from: { port: 'record-player', family: 'cartridge-pads' },
      to: [phonoOf('left'), phonoOf('right')],
      cable: 'twin-mini',
      surroundings: 'studio',
      legs: { mm: 200 },
      length: { mm: 3000, datum: 'face' },
    },
    neighbour: {
      from: { port: 'record-player', family: 'cartridge-pads' },
      to: [phonoOf('left'), phonoOf('right')],
      cable: 'twin-mini',
      surroundings: 'studio',
      legs: { mm: 200 },
      length: { mm: 1200, datum: 'face' },
    },
  },
  {
    rule: 'coil',
    fires: {
      from: { port: 'instrument', family: 'ts635' },
      to: { port: 'instrument-input', family: 'ts635' },
      cable: 'instrument-coax',
      length: { mm: 30_000, datum: 'face' },
    },
    neighbour: {
      from: { port: 'instrument-active', family: 'ts635' },
      to: { port: 'instrument-input', family: 'ts635' },
      cable: 'instrument-coax',
      length: { mm: 30_000, datum: 'face' },
    },
  },
  {
    rule: 'overload',
    fires: {
      from: { ...output('ground-referenced'), values: { levelDbu: 24 } },
      to: { port: 'line-input', family: 'xlr3' },
    },
    neighbour: {
      from: { ...output('ground-referenced'), values: { levelDbu: 20 } },
      to: { port: 'line-input', family: 'xlr3' },
    },
  },
  {
    // 1.5 mm², 13.3 Ω/km (IEC 60228): 5 % of 8 Ω is 15 m, less what the contacts add.
    rule: 'loudspeaker-loss',
    fires: {
      from: { port: 'amplifier', family: 'plug4' },
      to: { port: 'loudspeaker', family: 'plug4' },
      cable: 'loudspeaker-2x1-5',
      length: { mm: 16_000, datum: 'face' },
    },
    neighbour: {
      from: { port: 'amplifier', family: 'plug4' },
      to: { port: 'loudspeaker', family: 'plug4' },
      cable: 'loudspeaker-2x1-5',
      length: { mm: 13_000, datum: 'face' },
    },
  },
  {
    rule: 'hum-level',
    fires: {
      from: { port: 'unbalanced-output', family: 'phono' },
      to: phono,
      cable: 'pair-mini',
      wiring: 'quasi-balanced',
      length: { mm: 2000, datum: 'face' },
    },
    neighbour: {
      from: output('transformer'),
      to: phono,
      cable: 'pair-mini',
      length: { mm: 2000, datum: 'face' },
    },
  },
  {
    rule: 'unbalanced-run',
    fires: {
      from: { port: 'unbalanced-output', family: 'phono' },
      to: phono,
      length: { mm: 5001, datum: 'face' },
    },
    neighbour: {
      from: { port: 'unbalanced-output', family: 'phono' },
      to: phono,
      length: { mm: 5000, datum: 'face' },
    },
  },
  {
    rule: 'unbalanced-run',
    fires: { from: output('transformer'), to: phono, length: { mm: 20_000, datum: 'face' } },
    neighbour: {
      from: output('transformer'),
      to: { port: 'line-input', family: 'xlr3' },
      length: { mm: 20_000, datum: 'face' },
    },
  },
  {
    rule: 'overruled',
    fires: {
      from: { port: 'headphone-output', family: 'trs35' },
      to: { port: 'line-input', family: 'xlr3' },
      cable: 'pair-mini',
      anyway: ['stereo-into-balanced'],
      wiring: 'stereo-into-balanced',
    },
    neighbour: {
      from: { port: 'headphone-output', family: 'trs35' },
      to: { port: 'line-input', family: 'xlr3' },
      cable: 'pair-mini',
    },
  },
  {
    rule: 'supply-harm',
    fires: {
      from: MICROPHONE,
      to: { port: 'recorder-input', family: 'trs35' },
      cable: 'pair-mini',
      choices: { block: 'none' },
    },
    neighbour: { from: MICROPHONE, to: { port: 'recorder-input', family: 'trs35' }, cable: 'pair-mini' },
  },
  {
    rule: 'supply-harm',
    fires: { to: { port: 'microphone-input-t-power', family: 'xlr3' } },
    neighbour: { to: MICROPHONE_INPUT },
  },
  {
    rule: 'supply-missing',
    fires: { from: { port: 'microphone-t-power', family: 'xlr3' } },
    neighbour: {
      from: { port: 'microphone-t-power', family: 'xlr3' },
      to: { port: 'microphone-input-t-power', family: 'xlr3' },
    },
  },
  {
    rule: 'cables-abreast',
    fires: { to: [MICROPHONE_INPUT, MICROPHONE_INPUT] },
    neighbour: { to: [MICROPHONE_INPUT, MICROPHONE_INPUT], cable: 'pair-mini' },
  },
  {
    rule: 'foil-on-stage',
    fires: { cable: 'pair-foil' },
    neighbour: { cable: 'pair-foil', surroundings: 'rack' },
  },
  {
    rule: 'loose-conductor',
    fires: {},
    neighbour: {},
    damage: (assembly) => ({
      ...assembly,
      bodies: assembly.bodies.map((body) => ({
        ...body,
        joints: body.joints.filter((joint) => joint.id !== 'joint-B-3'),
      })),
    }),
  },
  {
    rule: 'cable-diameter',
    fires: {},
    neighbour: {},
    // A plug whose boot takes no more than 6 mm, against a 6.2 mm cable.
    damage: (assembly) => ({
      ...assembly,
      uses: {
        ...assembly.uses,
        connectors: assembly.uses.connectors.map((entry) =>
          entry.gender === 'plug' ? { ...entry, cableMm: { min: 3.5, max: 6 } } : entry,
        ),
      },
    }),
  },
];

const lead = leadFor;
const rulesOf = (of: Lead): string[] => findings(of).map((finding) => finding.rule);
const damaged = (of: Lead, damage: Case['damage']): Lead =>
  damage ? { ...of, assembly: damage(of.assembly) } : of;

describe('every rule', () => {
  it('has a case here, and every case has a rule', () => {
    expect([...new Set(CASES.map((each) => each.rule))].sort()).toEqual(RULES.map((rule) => rule.id).sort());
  });

  it.each(CASES.map((each) => [each.rule, each] as const))(
    '%s fires, not on its neighbour, and its remedy clears it',
    (rule, { fires, neighbour, damage }) => {
      const fired = damaged(lead(fires), damage);
      const found = findings(fired).filter((finding) => finding.rule === rule);
      expect(found).toHaveLength(1);
      expect(found[0]?.because && found[0].hear && found[0].says).toBeTruthy();
      expect(rulesOf(lead(neighbour))).not.toContain(rule);

      const change = found[0]?.remedies[0]?.change ?? expect.fail('no remedy');
      if (change.kind === 'edit') {
        // What was damaged here cannot be derived again: the edit is made to it as it is.
        const mended = applyEdit(fired.assembly, change.edit);
        if (!mended.ok) throw new Error(JSON.stringify(mended.problems));
        expect(rulesOf({ ...fired, assembly: mended.value })).not.toContain(rule);
      } else {
        const mended = remedied(fired, change);
        if (!mended.ok) throw new Error(JSON.stringify(mended.problems));
        expect(rulesOf(damaged(mended.value, damage))).not.toContain(rule);
      }
    },
  );

  it('cores that are crossed by hand are a stop, and no remedy shorts them', () => {
    const plain = lead({});
    const swapped = plain.assembly.bodies.map((body) => ({
      ...body,
      joints: body.joints.map((joint) => ({
        ...joint,
        terminals: joint.terminals.map((each) => (each === 'B.2' ? 'B.3' : each === 'B.3' ? 'B.2' : each)),
      })),
    }));
    const found = findings({ ...plain, assembly: { ...plain.assembly, bodies: swapped } }).filter(
      (finding) => finding.rule === 'not-carried',
    );
    expect(found.map((each) => [each.severity, each.remedies])).toEqual([
      ['stop', []],
      ['stop', []],
    ]);
  });

  it.each([
    ['caution', {}, 'B.1'],
    ['stop', { from: output('ground-referenced'), to: phono }, 'B.K'],
  ] as const)(
    'a screen that comes off is a %s: between balanced sides it screens, elsewhere it is the return',
    (severity, patch, contact) => {
      const whole = lead(patch);
      const bodies = whole.assembly.bodies.map((body) => ({
        ...body,
        joints: body.joints.filter((joint) => !joint.terminals.includes(contact)),
      }));
      const found = findings({ ...whole, assembly: { ...whole.assembly, bodies } });
      expect(found.filter((each) => each.rule === 'not-carried').map((each) => each.severity)).toEqual([
        severity,
      ]);
    },
  );

  it('without an intent only edits are offered, and nothing that would change one', () => {
    const { intent: _, ...harmed } = lead({ from: { ...MICROPHONE, gender: 'plug' } });
    expect(findings(harmed).map((each) => [each.rule, each.remedies])).toEqual([['direction', []]]);
  });

  it('a clean stage lead has nothing against it', () => expect(rulesOf(lead({}))).toEqual([]));

  it('worst first', () => {
    const worse = lead({ cable: 'pair-foil', from: { ...MICROPHONE, gender: 'plug' } });
    expect(findings(worse).map((finding) => finding.severity)).toEqual(['stop', 'caution']);
  });

  it('P48 into a leg tied to 1 is 7.05 mA (handbook section 5, row 3; IEC 61938)', () => {
    expect(shortedLegMilliamps(PHANTOM_SUPPLIES.P24)).toBeCloseTo(20, 9);
    expect(shortedLegMilliamps(PHANTOM_SUPPLIES.P48)).toBeCloseTo(7.05, 2);
    const harmed = lead({
      from: { port: 'unbalanced-output', family: 'ts635' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    });
    expect(findings(harmed)[0]?.because).toContain('7.05 mA');
  });
});

describe('what the circuit says of a finding', () => {
  const because = (patch: Patch, rule: string): string => {
    const of = leadFor(patch);
    return findings(of).find((each) => each.rule === rule)?.because ?? '';
  };

  it('how much a ground-referenced output drives into its shorted cold leg: half of +4 dBu into half of 100 Ω', () => {
    const says = because({ from: output('ground-referenced'), to: phono, cold: 'source' }, 'cold-leg');
    const amps = (Math.sqrt(0.6) * 10 ** (4 / 20)) / 2 / 50;
    const said = Number(/([\d.]+) mA goes into that short/.exec(says)?.[1]);
    // Ten ohms are taken off one leg and put on the other, as sources are.
    expect(said / (1000 * amps)).toBeGreaterThan(0.9);
    expect(said / (1000 * amps)).toBeLessThan(1.12);
    expect(says).toMatch(/By the circuit −6\.\d+ dB arrives/);
  });

  it('how little a winding gives whose cold leg is open', () =>
    expect(because({ from: output('transformer'), to: phono, cold: 'open' }, 'cold-leg')).toMatch(
      /By the circuit −[4-9]\d\.\d+ dB arrives/,
    ));

  it('T-power through a moving coil of 200 Ω: 12 V ÷ (2 · 180 + 200) Ω is 21.4 mA (IEC 61938)', () =>
    expect(because({ to: { port: 'microphone-input-t-power', family: 'xlr3' } }, 'supply-harm')).toContain(
      '21.4 mA goes through it',
    ));

  it('that no phantom is left where the screen is cut', () =>
    expect(
      because(
        {
          from: { port: 'microphone-phantom', family: 'xlr3' },
          to: { port: 'microphone-input-phantom', family: 'xlr3' },
          schools: { screen: 'source' },
        },
        'phantom-stopped',
      ),
    ).toContain('the microphone gets 0 V on both legs'));

  it('what an unbalanced run hums and loses', () =>
    expect(
      because(
        {
          from: { port: 'unbalanced-output', family: 'phono' },
          to: phono,
          length: { mm: 12_000, datum: 'face' },
        },
        'unbalanced-run',
      ),
    ).toMatch(/hums [\d.]+ dB under the signal, and 20 kHz is at −[\d.]+ dB against 1 kHz/));

  it('a pickup that rings too low, and how long its lead may be', () => {
    const of = leadFor({
      from: { port: 'instrument', family: 'ts635' },
      to: { port: 'instrument-input', family: 'ts635' },
      cable: 'instrument-coax',
      length: { mm: 30_000, datum: 'face' },
    });
    const found = findings(of).find((each) => each.rule === 'coil');
    expect(found?.says).toMatch(/rings at 1\.\d+ kHz/);
    // 3 H ring at 2 kHz with 2.11 nF, of which 110 pF are its own and 95 pF a metre the lead's: 21 m, less a margin.
    const most = Number(/Keep it to ([\d.]+) m/.exec(found?.remedies[0]?.says ?? '')?.[1]);
    expect(most).toBeGreaterThan(19);
    expect(most).toBeLessThan(21);
  });
});
