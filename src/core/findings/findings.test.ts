import { PHANTOM_SUPPLIES } from '../catalogue';
import {
  CASES,
  LOUDSPEAKER,
  output,
  PHANTOM,
  phono,
  STEREO,
  SUM,
  TELL_TALE,
} from '../../../tests/support/finding-cases';
import { leadFor, useOf } from '../../../tests/support/leads';
import { intentFor, MICROPHONE, type Patch } from '../../../tests/support/intents';
import { describe, expect, it } from 'vitest';
import { spanLengths } from '../assembly';
import { derive, type Edit, type Lead } from '../lead';
import { stressOf } from '../signal';
import { findings, remedied, RULES, shortedLegMilliamps } from '.';

const lead = leadFor;
const rulesOf = (of: Lead): string[] => findings(of).map((finding) => finding.rule);
/** The lead of an intent, with changes by hand. */
function made(patch: Patch, edits: readonly Edit[] = []): Lead {
  const derived = derive(intentFor(patch), edits);
  if (!derived.ok) throw new Error(JSON.stringify(derived.problems));
  expect(derived.value.because.lapsed).toEqual([]);
  return derived.value;
}
const same = (of: Lead): Lead => of;

it('two channels of a sum are unequal from 1 dB on: each arrives as what is before the node lets it', () => {
  const ohms = leadFor(SUM).assembly.bodies.flatMap(({ parts }) =>
    parts.flatMap((part) => (part.id === 'R2' && part.kind === 'resistor' ? [part.ohms] : [])),
  )[0];
  const source = useOf(leadFor(SUM)).channels.find(({ direction }) => direction === 'sends')?.port.impedance;
  const apart = (decibels: number, id = 'R1'): readonly string[] =>
    // In a node both arrive by one over what is before it: by so many dB the one has less there.
    findings(
      made(SUM, [
        {
          kind: 'change-part',
          part: {
            id,
            kind: 'resistor',
            ohms: ((ohms ?? 0) + (source ?? 0)) / 10 ** (decibels / 20) - (source ?? 0),
          },
        },
      ]),
    ).flatMap(({ rule, says }) => (rule === 'unequal' ? [says] : []));
  expect(apart(0.9)).toEqual([]);
  expect(apart(1.1)).toEqual([expect.stringContaining('1.1 dB under')]);
  expect(apart(1.4)).toEqual([expect.stringContaining('1.4 dB under')]);
  // Whichever of the two has less: it is the one that is said to be under the other.
  const [one, other] = [apart(1.4, 'R1'), apart(1.4, 'R2')].map(([says = '']) => says.split(' arrives')[0]);
  expect([one, other].sort()).toEqual(['A left', 'A right']);
  // The channel with the smaller resistor is louder.
  const [more, less] = [apart(-1.4, 'R1'), apart(-1.4, 'R2')].map(([says = '']) => says.split(' arrives')[0]);
  expect([more, less]).toEqual([other, one]);
});

describe('a part of more rating is offered as it is made, a fifth over what it bears (ratings common practice)', () => {
  const offered = (of: Lead): string | undefined =>
    findings(of).find(({ rule, about }) => rule === 'part-rating' && /9$/.test(about ?? ''))?.remedies[0]
      ?.says;

  it('a resistor over a loudspeaker by its heat, V² ÷ R', () => {
    const over = (ohms: number): Lead =>
      made(LOUDSPEAKER, [
        {
          kind: 'add-part',
          body: 'b',
          part: { id: 'R9', kind: 'resistor', ohms, ratings: { watts: 1e-3 } },
          to: { a: 'B.+', b: 'B.-' },
        },
      ]);
    const bears = (of: Lead): number =>
      stressOf(of.assembly, useOf(of), { lengths: spanLengths(of.assembly) }).find(
        ({ part }) => part.id === 'R9',
      )?.watts ?? Number.NaN;
    /** With so many ohms that it bears so much: what lies before it is the cable and the amplifier. */
    const bearing = (watts: number): Lead => {
      let ohms = 100;
      for (let n = 0; n < 30; n++) ohms *= bears(over(ohms)) / watts;
      expect(bears(over(ohms)) / watts).toBeCloseTo(1, 3);
      return over(ohms);
    };
    // Alone between two wires it bears V² ÷ R, of what the amplifier gives; the cable takes less than a tenth of that.
    const sends = useOf(leadFor(LOUDSPEAKER)).channels.find(({ direction }) => direction === 'sends');
    const square = (0.7746 * 10 ** ((sends?.port.levelDbu ?? 0) / 20)) ** 2;
    expect((bears(over(1000)) * 1000) / square).toBeGreaterThan(0.9);
    expect((bears(over(1000)) * 1000) / square).toBeLessThan(1);
    const sizes = [0.25, 0.5, 1, 2, 5, 10, 20];
    sizes.forEach((watts, n) => {
      const put = (size: number | undefined): string | undefined =>
        size === undefined ? undefined : `Put one of ${size < 1 ? `${size * 1000} mW` : `${size} W`} in`;
      expect(offered(bearing((0.98 * watts) / 1.2)), `${watts} W`).toBe(put(watts));
      if (n < sizes.length - 1) expect(offered(bearing((1.02 * watts) / 1.2))).toBe(put(sizes[n + 1]));
    });
  });

  it('a capacitor from a leg to ground by what phantom stands on it', () => {
    const over = (volts: number): string | undefined =>
      offered(
        made({ from: { port: 'microphone-phantom', family: 'xlr3' }, to: PHANTOM }, [
          {
            kind: 'add-part',
            body: 'b',
            part: { id: 'C9', kind: 'capacitor', farads: 1e-9, ratings: { volts } },
            to: { a: 'B.2', b: 'B.1' },
          },
        ]),
      );
    // Up to 48 V come there, less what the microphone draws through 6.8 kΩ: more than 33 and less than 52 V, by a fifth more, take 50 or 63.
    expect(over(16)).toMatch(/^Put one of (50|63) V in$/);
    expect(over(63)).toBeUndefined();
  });
});

describe('every rule', () => {
  it('has a case here, and every case has a rule', () => {
    expect([...new Set(CASES.map((each) => each.rule))].sort()).toEqual(RULES.map((rule) => rule.id).sort());
  });

  it.each(CASES.map((each) => [each.rule, each] as const))(
    '%s fires, not on its neighbour, and its remedy clears it',
    (rule, { fires, neighbour, edits, beside, damage = same, mends }) => {
      const fired = damage(made(fires, edits));
      const found = findings(fired).filter((finding) => finding.rule === rule);
      expect(found.length).toBeGreaterThan(0);
      expect(found[0]?.because && found[0].hear && found[0].says).toBeTruthy();
      expect(rulesOf(made(neighbour, beside))).not.toContain(rule);

      const remedies = found[0]?.remedies ?? [];
      expect(remedies.length > 0).toBe(mends !== false);
      for (const { change, says } of remedies) {
        const mended = remedied(fired, change);
        if (!mended.ok) throw new Error(JSON.stringify(mended.problems));
        const after = findings(damage(mended.value));
        expect(
          after.map((finding) => finding.rule),
          says,
        ).not.toContain(rule);
        // Nothing is worse: no stop that was not there before.
        const stops = after.filter((each) => each.severity === 'stop').map((each) => each.rule);
        expect(
          stops.filter((id) => !rulesOf(fired).includes(id)),
          says,
        ).toEqual([]);
      }
    },
  );

  it.each([
    ['caution', {}, 'W1.screen@b'],
    ['stop', { from: output('ground-referenced'), to: phono }, 'W1.screen@b'],
  ] as const)(
    'a screen that comes off is a %s: at a balanced input it screens, elsewhere it is the return',
    (severity, patch, core) => {
      const found = findings(made(patch, [{ kind: 'separate', terminals: [core] }]));
      expect(found.filter((each) => each.rule === 'not-carried').map((each) => each.severity)).toEqual([
        severity,
      ]);
    },
  );

  it('a short under phantom says what is driven into it, and no figure that nobody reads', () => {
    const found = findings(
      made({ from: { port: 'microphone-phantom', family: 'xlr3' }, to: PHANTOM }, [
        { kind: 'join', terminals: ['B.2', 'B.1'], how: 'cup' },
      ]),
    ).find(({ rule }) => rule === 'shorted');
    expect(found?.says).toBe('The hot of A is shorted to the screen of A: A.2 and A.1 are one.');
    expect(found?.because).toContain('Phantom of 48 V drives 7.05 mA into it.');
    const stereo = findings(made(STEREO, [{ kind: 'join', terminals: ['A.T', 'A.S'], how: 'tab' }]));
    expect(stereo.find(({ rule }) => rule === 'shorted')?.because).toContain('next to nothing arrives');
  });

  it('what is wired wrongly is said once, with its remedy, of a lead without an intent too', () => {
    const { intent: _, ...plain } = made({}, [{ kind: 'exchange', one: 'W1.white@b', other: 'W1.black@b' }]);
    const found = findings(plain);
    expect(found.map((each) => [each.rule, each.severity])).toEqual([['crossed', 'stop']]);
    expect(found[0]?.says).toBe(
      'Hot and cold are exchanged between A and B: A.2 gets to B.3, and A.3 to B.2.',
    );
    const [remedy] = found[0]?.remedies ?? [];
    expect(remedy?.says).toMatch(/^Exchange the (white|black) core at end [AB] and the (white|black) core/);
    const mended = remedied(plain, remedy?.change ?? expect.fail('no remedy'));
    expect(mended.ok && findings(mended.value)).toEqual([]);
  });

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
      /By the circuit next to nothing arrives\./,
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

  it('what an unbalanced run hums, and loses where its source is one that loses', () => {
    const run = (impedance: number) =>
      because(
        {
          from: { port: 'unbalanced-output', family: 'phono', values: { impedance } },
          to: phono,
          length: { mm: 12_000, datum: 'face' },
        },
        'unbalanced-run',
      );
    expect(run(10_000)).toMatch(
      /eats the top\. By the circuit 10 mV .* hums [\d.]+ dB under the signal, and 20 kHz is at −[\d.]+ dB/,
    );
    expect(run(100)).toMatch(/hums [\d.]+ dB under the signal\.$/);
    expect(run(100)).not.toContain('the top');
  });

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

describe('the lamps of a tell-tale', () => {
  const lamps = (...edits: readonly Edit[]): readonly string[] =>
    findings(made(TELL_TALE, edits)).flatMap(({ rule, severity, says }) =>
      rule === 'lamps' ? `${severity}: ${says}` : [],
    );
  const resistor = (id: string, ohms: number): Edit => ({
    kind: 'change-part',
    part: { id, kind: 'resistor', ohms },
  });

  it('are right as they are made', () => expect(lamps()).toEqual([]));

  it('take no more than the supply gives: (48 − 2) V ÷ (6.81 + 1) kΩ a leg is 11.8 mA', () =>
    expect(lamps(resistor('R1', 1000), resistor('R2', 1000))).toEqual([
      'caution: It takes 11.8 mA, and the supply gives 10 mA at most.',
    ]));

  it('are alike: 46 V over 16.81 and 11.51 kΩ are 2.7 and 4.0 mA, and 46 V over 13 kΩ is near enough', () => {
    expect(lamps(resistor('R1', 10_000))).toEqual([
      'caution: The lamps are not alike: 4.0 mA in one, 2.7 mA in the other.',
    ]);
    expect(lamps(resistor('R1', 6200))).toEqual([]);
  });

  it('prove each its own leg: both on one leg, the other may be open and nobody sees it, and that is said once', () =>
    expect(lamps({ kind: 'move', terminal: 'R2.a', to: 'A.2' })).toEqual([
      'stop: Both lamps are lit on a line with 3 open, or 1 and 3 shorted.',
    ]));

  it('hang on contact 1: one that goes to the shell is lit though 1 is open, and the other through its guard diode', () =>
    expect(lamps({ kind: 'move', terminal: 'D1.cathode', to: 'A.shell' })).toEqual([
      'stop: Both lamps are lit on a line with 1 open.',
    ]));
});
