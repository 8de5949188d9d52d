import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import { builtAs, work } from '../../../tests/support/proving';
import { provenOf } from '../bench';
import { applyEdit, type Edit, type Lead } from '../lead';
import {
  ANY_METER,
  answersOf,
  faultsOf,
  isProbe,
  proofOf,
  sayExpectation,
  type Instrument,
  type Probe,
  type Proof,
} from '.';

const meterOf = (volts: number, more: Partial<Instrument> = {}): Instrument => ({
  ...ANY_METER,
  testVolts: { from: volts, to: volts },
  ...more,
});
const PROOFS = new WeakMap<Lead, Map<string, Proof>>();
/** The proof of a lead on a meter, worked out once. */
function proofFor(lead: Lead, instrument?: Instrument): Proof {
  const known = PROOFS.get(lead) ?? new Map<string, Proof>();
  PROOFS.set(lead, known);
  const on = JSON.stringify(instrument ?? null);
  const proof = known.get(on) ?? proofOf(provenOf(lead), instrument ? { instrument } : {});
  known.set(on, proof);
  return proof;
}
const probeNamed = (lead: Lead, id: string, instrument?: Instrument): Probe =>
  proofFor(lead, instrument).probes.find((each) => each.id === id) ?? expect.fail(`no probe ${id}`);
const built = (lead: Lead, edit: Edit): Lead => {
  const made = applyEdit(lead.assembly, edit);
  return made.ok ? { ...lead, assembly: made.value } : expect.fail(made.problems[0]?.says);
};
const verdictOn = (lead: Lead, wrong: Lead, instrument?: Instrument) => {
  const proof = proofFor(lead, instrument);
  return work(proof, builtAs(provenOf(lead), proof, wrong)).verdict;
};

describe('a junction on a meter, in closed form', () => {
  const VT = (1.380649e-23 * 300.15) / 1.602176634e-19;
  /** I through a resistance and a junction of this forward voltage at so many A, by halving: V = I·R + n·Vt·ln(I ÷ Is + 1). */
  function shown(
    meterVolts: number,
    ohms: number,
    { volts, amps, n }: { volts: number; amps: number; n: number },
  ): number {
    const is = amps / (Math.exp(volts / (n * VT)) - 1);
    for (let range = 0; range < 6; range++) {
      const inside = meterVolts / (1e-3 / 10 ** range);
      let [low, high] = [0, meterVolts / (inside + ohms)];
      for (let round = 0; round < 200; round++) {
        const i = (low + high) / 2;
        if (i * (inside + ohms) + n * VT * Math.log1p(i / is) > meterVolts) high = i;
        else low = i;
      }
      const reads = (meterVolts - low * inside) / low;
      if (reads <= 600 * 10 ** range && reads <= 20e6) return reads;
    }
    return Infinity;
  }
  const GUARD = { volts: 0.6, amps: 1e-3, n: 1.8 };
  const LAMP = { volts: 2, amps: 4e-3, n: 2 };
  const tellTale = leadNamed('tell-tale');

  it.each([0.5, 3])('guard diode behind 4.7 kΩ on a meter of %s V: what the closed form says', (volts) => {
    const instrument = meterOf(volts);
    const proof = proofFor(tellTale, instrument);
    const reads = answersOf(provenOf(tellTale), proof, tellTale)(probeNamed(tellTale, 'A.1~A.2', instrument));
    const hand = shown(volts, 4700, GUARD);
    expect(Number.isFinite(hand)).toBe(true);
    expect((reads ?? 0) / hand).toBeCloseTo(1, 4);
  });

  it.each([0.5, 3])(
    'a lamp behind 4.7 kΩ on a meter of %s V reads open, either way, where it has no guard (handbook, section 10)',
    (volts) => {
      const plain = leadNamed('tell-tale-unguarded');
      const proof = proofFor(plain, meterOf(volts));
      const says = answersOf(provenOf(plain), proof, plain);
      expect(shown(volts, 4700, LAMP)).toBe(Infinity);
      for (const probe of proof.probes.filter(({ id }) => /^A\.[12]~A\.[12]$/.test(id)))
        expect(says(probe)).toBe(Infinity);
    },
  );

  it.each([0.5, 3])(
    'a good tell-tale is good on a meter of %s V; an empty plug, a lamp turned round, a guard left out are not',
    (volts) => {
      const instrument = meterOf(volts);
      expect(verdictOn(tellTale, tellTale, instrument)).toMatchObject({ is: 'good', notProven: [] });
      const empty = {
        ...tellTale,
        assembly: {
          ...tellTale.assembly,
          bodies: tellTale.assembly.bodies.map((body) => ({ ...body, parts: [], joints: [] })),
        },
      };
      expect(verdictOn(tellTale, empty, instrument).is).not.toBe('good');
      const lampRound = built(tellTale, { kind: 'exchange', one: 'D1.anode', other: 'D1.cathode' });
      expect(verdictOn(tellTale, lampRound, instrument).is).toBe('fault');
      const guardRound = built(tellTale, { kind: 'exchange', one: 'D3.anode', other: 'D3.cathode' });
      expect(verdictOn(tellTale, guardRound, instrument).says).toMatch(/D3/);
    },
  );

  it('a diode test on the open legs shows forward volts one way and OL the other', () => {
    const instrument = meterOf(3, { diodeVolts: 2.6 });
    const proof = proofFor(tellTale, instrument);
    const says = answersOf(provenOf(tellTale), proof, tellTale);
    const guard = proof.probes.filter(({ mode, red }) => mode === 'diode' && red.startsWith('D3'));
    for (const probe of guard) {
      const volts = says(probe) ?? 0;
      // At 1 mA: 0.6 V through the guard; through the lamp beside it what it takes at 1 mA, n·Vt·ln 4 under 2 V.
      if (probe.red === 'D3.anode') expect(volts).toBeCloseTo(0.6, 2);
      else expect(volts).toBeCloseTo(2 - 2 * VT * Math.log(4), 2);
    }
  });
});

describe('a control', () => {
  const box = leadNamed('volume-box');

  it('logarithmic, half up: 15 of 100 Ω lie under the wiper (common practice: 10 to 20 %), and a linear one is told from it', () => {
    const probe = probeNamed(box, 'B.S~B.T turned 0.5');
    const proof = proofFor(box);
    const { nominal, from, to } = proof.expects(probe);
    expect(nominal).toBeCloseTo(15, 9);
    expect(from).toBeLessThan(0.8 * 10);
    expect(to).toBeGreaterThan(1.2 * 20);
    expect(to).toBeLessThan(50);
    const linear = {
      ...box,
      assembly: {
        ...box.assembly,
        bodies: box.assembly.bodies.map((body) => ({
          ...body,
          parts: body.parts.map((part) =>
            part.kind === 'potentiometer' ? { ...part, taper: 'linear' as const } : part,
          ),
        })),
      },
    };
    expect(verdictOn(box, linear).is).not.toBe('good');
  });

  it('is turned as seldom as may be: all that asks for no turn, then down, then up, then half up where a wiper is on its stop', () => {
    const asked = proofFor(box).probes.map(({ id, turn }) => [turn, id.replace(/ turned .*/, '')]);
    const turns = asked.map(([turn]) => turn);
    expect([...new Set(turns)]).toEqual([undefined, 0, 1, 0.5]);
    expect(turns.filter((turn, n) => n === 0 || turn !== turns[n - 1])).toEqual([undefined, 0, 1, 0.5]);
    const at = (turn: number) => asked.flatMap(([at, id]) => (at === turn ? [id] : []));
    // Halfway up: each wiper to its own stop, and the two wipers; from end to end the track gives the way in.
    expect(at(0.5)).toEqual(['B.S~B.R', 'B.S~B.T', 'B.R~B.T']);
    expect(at(0)).toEqual(at(0.5));
    for (const each of at(0)) expect(at(1)).toContain(each);
  });

  it('is read at its stops: nothing below the wiper at the bottom, all of it at the top', () => {
    const proof = proofFor(box);
    const at = (turn: number) => proof.expects(probeNamed(box, `B.S~B.T turned ${turn}`)).nominal;
    expect(at(0)).toBeCloseTo(0, 9);
    expect(at(1)).toBeCloseTo(100, 9);
    expect(verdictOn(box, box)).toMatchObject({ is: 'good', notProven: [] });
  });

  it.each([
    ['a wiper off', { kind: 'separate', terminals: ['RV1.left.wiper'] }],
    ['a gang turned round', { kind: 'exchange', one: 'RV1.left.cw', other: 'RV1.left.ccw' }],
    ['left and right exchanged', { kind: 'exchange', one: 'RV1.left.wiper', other: 'RV1.right.wiper' }],
  ] as const)('%s is found', (_, edit) =>
    expect(verdictOn(box, built(box, edit as unknown as Edit)).is).not.toBe('good'),
  );
});

describe('headphones on their pads', () => {
  const phones = leadNamed('headphone-identified');
  const of = (ohms: number): Lead => ({
    ...phones,
    situations: phones.situations.map((situation) => ({
      ...situation,
      channels: situation.channels.map((channel) =>
        channel.direction === 'receives'
          ? { ...channel, port: { ...channel.port, impedance: ohms } }
          : channel,
      ),
    })),
  });

  it.each([30, 63, 300])(
    'of %s Ω are good: the driver is a reading, not an open or a short (handbook, section 10)',
    (ohms) => {
      const proof = proofFor(phones);
      const says = builtAs(provenOf(of(ohms)), proof, phones);
      const { verdict, readings } = work(proof, says);
      expect(verdict.is).toBe('good');
      expect(readings.find(({ probe }) => probe === 'A.S~A.T')?.answer).toMatchObject({ kind: 'ohms' });
      const read = readings.find(({ probe }) => probe === 'A.S~A.T')?.answer;
      // The two cores there and back, 0.6 Ω each, are in it.
      expect(read?.kind === 'ohms' && read.ohms).toBeGreaterThan(ohms);
      expect(read?.kind === 'ohms' && read.ohms).toBeLessThan(ohms + 2);
    },
  );

  it('a shorted and an open side are found on the closed lead', () => {
    const proof = proofFor(phones);
    const good = builtAs(provenOf(phones), proof, phones);
    for (const ohms of [0.8, Infinity])
      expect(
        work(proof, (check) => (check.id === 'A.S~A.T' ? { kind: 'ohms', ohms } : good(check))).verdict.is,
      ).not.toBe('good');
  });
});

describe('a record player', () => {
  const player = leadNamed('record-player-separate-earth');

  it('has its earth wire probed from its spade to the chassis, and an earth left off is found', () => {
    const earth = proofFor(player).probes.find(
      ({ red, black }) => red === 'D.spade' && black.includes('a.case'),
    );
    expect(earth).toBeDefined();
    const off = built(player, { kind: 'separate', terminals: ['WE.earth@a'] });
    expect(verdictOn(player, off).is).toBe('fault');
  });

  it('is measured at its pads before it is closed: nothing reaches them afterwards', () => {
    const proof = proofFor(player);
    for (const probe of proof.probes)
      expect(probe.before === 'a', probe.says).toBe(
        [probe.red, ...probe.black].some((each) => /^A\./.test(each)),
      );
  });
});

describe('a quasi-balanced pair of 2 m', () => {
  const pair = leadFor({
    from: { port: 'unbalanced-output', family: 'phono' },
    to: { port: 'unbalanced-input', family: 'phono' },
    cable: 'pair-braid',
    wiring: 'quasi-balanced',
    length: { mm: 2000, datum: 'face' },
    surroundings: 'studio',
  });

  it('its stump reads braid and return core to the collar beside it, about 0.22 Ω, and open to the centre (handbook, section 15)', () => {
    const proof = proofFor(pair);
    const [path, clear] = proof.probes.filter(({ before }) => before === 'b');
    if (!path || !clear) return expect.fail('the stump is not probed');
    expect(path.black).toEqual(['B.K']);
    expect(Math.abs(proof.expects(path).nominal - 0.22)).toBeLessThan(0.04);
    expect(clear.black).toEqual(['B.C']);
    expect(sayExpectation(proof.expects(clear))).toMatch(/^open/);
  });

  it('with its one screen joint missing it is never called good, though the closed lead reads as it should', () => {
    const loose = built(pair, { kind: 'separate', terminals: ['W1.screen@a'] });
    const verdict = verdictOn(pair, loose);
    expect(verdict.is).toBe('fault');
    expect(verdict.says).toMatch(/^Screen is open/);
    // Where nobody measured before closing, the verdict says what that leaves.
    const proof = proofFor(pair);
    const says = builtAs(provenOf(pair), proof, loose);
    const late = work(proof, (check) =>
      isProbe(check) && check.before === undefined ? says(check) : { kind: 'skipped' },
    ).verdict;
    expect(late.is).toBe('good');
    expect(late.says).toMatch(/^Good, except/);
    expect(late.notProven.some(({ what }) => /^Screen is open/.test(what))).toBe(true);
  });
});

describe('one step beside', () => {
  it.each([
    [
      'a drained strand that touches the collar at the end where it must not',
      'three-strand-drained',
      [{ kind: 'join', terminals: ['W1.green@b', 'B.K'], how: 'tab' }],
      /green core at end B touches K/,
    ],
    [
      'a lifted screen that was joined after all',
      'screen-lift',
      [{ kind: 'join', terminals: ['W1.screen@b', 'B.1'], how: 'cup' }],
      /screen at end B touches 1/,
    ],
    [
      'send and return exchanged where they part',
      'insert-tip-send',
      [{ kind: 'exchange', one: 'A.T', other: 'A.R' }],
      /send and return are exchanged|T and R are reversed/,
    ],
    [
      'left and right of a stereo microphone exchanged whole',
      'stereo-microphone-fan-out',
      [
        { kind: 'exchange', one: 'A.2', other: 'A.4' },
        { kind: 'exchange', one: 'A.3', other: 'A.5' },
      ],
      /Left and right are exchanged/,
    ],
    [
      'a transformer taken from its other side',
      'transformer-line-to-recorder',
      [{ kind: 'exchange', one: 'T1.p1', other: 'T1.p2' }],
      /T1 is the wrong way round/,
    ],
    [
      'the third resistor of a sum forgotten',
      'stereo-sum',
      [{ kind: 'separate', terminals: ['R3.a'] }],
      /R3 is open or was left out/,
    ],
  ] as const)('%s is named', (_, id, edits, says) => {
    const lead = leadNamed(id);
    const wrong = edits.reduce((so, edit) => built(so, edit as unknown as Edit), lead);
    const verdict = verdictOn(lead, wrong);
    expect(verdict.is).toBe('fault');
    expect(verdict.says).toMatch(says);
  });

  it('a broken core of a doubled leg: seen over 60 m, and said not to be proven over 3 m (handbook, section 10)', () => {
    const quad = (metres: number): Lead =>
      leadFor({ cable: 'star-quad', length: { mm: metres * 1000, datum: 'face' } });
    const broken = (lead: Lead): Lead => built(lead, { kind: 'separate', terminals: ['W1.white-1@a'] });
    expect(verdictOn(quad(60), broken(quad(60))).says).toMatch(/White/);
    const short = verdictOn(quad(3), broken(quad(3)));
    expect(short.says).toMatch(/^Good, except/);
    expect(short.notProven.map(({ why }) => why).join(' ')).toMatch(/which of the two is broken/);
  });
});

describe('what no modelled fault is, and two hands may do', () => {
  it('in and out of a pad exchanged across its barrel, and one path shorted there: neither is called good', () => {
    const pad = leadNamed('pad-u-barrel');
    expect(verdictOn(pad, built(pad, { kind: 'exchange', one: 'A.3', other: 'B.2' } as Edit)).is).not.toBe(
      'good',
    );
    const lift = leadNamed('screen-lift-barrel');
    const shorted = { kind: 'join', terminals: ['A.1', 'B.1'], how: 'air' } as unknown as Edit;
    expect(verdictOn(lift, built(lift, shorted)).is).not.toBe('good');
  });

  it('what is screwed is not said to be soldered', () => {
    const { assembly } = leadFor({
      from: { port: 'line-ground-referenced', family: 'xlr3' },
      to: { port: 'line-input', family: 'screw3', pinout: { hot: '1', cold: '2', screen: '3' } },
      cable: 'star-quad',
    });
    const off = faultsOf(assembly).filter(({ says }) => /^Contact .* is open/.test(says));
    const [soldered, screwed] = ['a', 'b'].map((body) => off.filter(({ place }) => place === body));
    expect([soldered?.length, screwed?.length]).toEqual([2, 2]);
    for (const { cause, remedy } of soldered ?? []) expect(`${cause} ${remedy}`).toMatch(/solder/);
    for (const { cause, remedy } of screwed ?? [])
      expect(`${cause} ${remedy}`).not.toMatch(/solder|tinned|[Hh]eat/);
  });
});

describe('a path that reads a little too much', () => {
  const lead = leadNamed('stage-microphone');
  const proof = proofFor(lead);
  const says = builtAs(provenOf(lead), proof, lead);
  it.each([0.05, 0.2, 0.5, 0.9, 1.5, 40])(
    'is a joint of high resistance, whether %d Ω over what is good or more (handbook, section 10: a cold joint)',
    (over) => {
      const { verdict } = work(proof, (check) => {
        if (!isProbe(check) || check.id !== 'A.2~B.2') return says(check);
        return { kind: 'ohms', ohms: proof.expects(check).to + over };
      });
      expect(verdict.is).toBe('fault');
      expect(verdict.says).toMatch(/high resistance on the way to 2/);
    },
  );
});
