import { describe, expect, it } from 'vitest';
import { ANY_METER, ownInstrument, readInstrument, type OwnInstrument } from '.';
import { heard } from './answer';

const OWN: OwnInstrument = {
  testVolts: { from: 0.4, to: 3 },
  diodeVolts: 2.6,
  capacitance: true,
  leadOhms: 0.1,
  beeper: { sure: 20, never: 100 },
};

describe('a meter that nobody describes', () => {
  it('beeps surely below 20 Ω and surely not above 100 (from memory), and sees no diode and no capacitor', () => {
    const beeps = heard({ kind: 'beep' }, ANY_METER);
    const silent = heard({ kind: 'silent' }, ANY_METER);
    expect([beeps.from, beeps.to]).toEqual([0, 100]);
    expect([silent.from, silent.to]).toEqual([20, Infinity]);
    expect([ANY_METER.capacitance, ANY_METER.diodeVolts]).toEqual([false, undefined]);
  });
});

describe('a meter that somebody describes', () => {
  it('is one that can be read back', () => {
    const own = ownInstrument(OWN);
    expect(own.ok && readInstrument(own.value)).toEqual(own);
    const plain = ownInstrument({ ...OWN, diodeVolts: undefined });
    expect(plain.ok && 'diodeVolts' in plain.value).toBe(false);
    expect(plain.ok && readInstrument(plain.value).ok).toBe(true);
  });

  it.each<[string, Partial<OwnInstrument>, string]>([
    ['no volts', { testVolts: { from: Number.NaN, to: 3 } }, 'testVolts.from'],
    ['more volts than any', { testVolts: { from: 1, to: 200 } }, 'testVolts.to'],
    ['the higher range lower', { testVolts: { from: 3, to: 1 } }, 'testVolts.to'],
    ['a diode test of nothing', { diodeVolts: 0 }, 'diodeVolts'],
    ['leads below nothing', { leadOhms: -0.1 }, 'leadOhms'],
    ['no beeper', { beeper: { sure: Number.NaN, never: 100 } }, 'beeper.sure'],
    ['a beeper that never and surely beeps', { beeper: { sure: 50, never: 20 } }, 'beeper.never'],
  ])('%s is refused at its field, with what is usual', (_, wrong, path) => {
    const own = ownInstrument({ ...OWN, ...wrong });
    expect(own.ok ? [] : own.problems.map((problem) => problem.path)).toEqual([path]);
    expect(own.ok ? '' : own.problems[0]?.says).toMatch(/\.$/);
  });
});
