import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { ANY_METER } from '../proving';
import { readShape } from '../quantity';
import { proofFile, proofFileSchema, readReadings, readingsFileSchema, type ProofFile } from './proof-file';

const MIC = leadNamed('stage-microphone');
const filed = (...args: Parameters<typeof proofFile>): ProofFile => {
  const made = proofFile(...args);
  if (!made.ok) throw new Error(made.problems[0]?.says);
  return made.value;
};
const refused = (...args: Parameters<typeof proofFile>): string => {
  const made = proofFile(...args);
  return made.ok ? '' : `${made.problems[0]?.code} ${made.problems[0]?.path}: ${made.problems[0]?.says}`;
};

describe('how a lead is proven, as a file', () => {
  it('with nothing answered: what to ask first, nothing against it, and all of it not proven', () => {
    const file = filed(MIC);
    expect(file.next).not.toBeNull();
    expect(file.readings).toEqual([]);
    expect(file.verdict.suspects).toEqual([]);
    expect(file.notProven.length).toBeGreaterThan(3);
    // Each fault that it can have stands there by its name, and each check that was not done.
    const known = new Set([...file.faults, ...file.tests, ...file.probes].map(({ id }) => id));
    expect(file.faults.length).toBeGreaterThan(10);
    for (const { fault } of file.notProven) expect(known).toContain(fault);
  });

  it('every probe has its contacts and what it should read: a path little, what must not meet open', () => {
    const { probes } = filed(MIC);
    const through = probes.filter(
      ({ red, black, stage }) => stage === 'closed' && red[0]?.slice(1) === black[0]?.slice(1),
    );
    expect(through.map(({ red }) => red[0]).sort()).toEqual(['A.1', 'A.2', 'A.3']);
    for (const { expect: should, mode } of through) {
      expect(mode).toBe('ohms');
      expect(should.lowOhms).toBeGreaterThanOrEqual(0);
      expect(should.highOhms).not.toBe('OL');
      expect(Number(should.highOhms)).toBeLessThan(5);
    }
    const apart = probes.filter(({ expect: should }) => should.highOhms === 'OL');
    expect(apart.length).toBeGreaterThan(0);
    for (const { expect: should } of apart) expect(should.lowOhms).toBeGreaterThan(1e4);
    for (const { stage, before } of probes) expect(before !== undefined).toBe(stage === 'open');
  });

  it('diodes are asked for in volts, capacitors in farads, a control at its turn', () => {
    // By a meter that has a diode test of 2.6 V and a capacitance range.
    const instrument = { ...ANY_METER, testVolts: { from: 3, to: 3 }, diodeVolts: 2.6, capacitance: true };
    const by = (name: string, mode: string) =>
      filed(leadNamed(name), undefined, { instrument }).probes.filter((probe) => probe.mode === mode);
    const lamp = by('tell-tale', 'diode');
    expect(lamp.length).toBeGreaterThan(1);
    for (const { expect: should } of lamp) expect(Object.keys(should)).toEqual(['lowVolts', 'highVolts']);
    // Guarded, it conducts either way; unguarded, only the one.
    for (const { expect: should } of lamp) {
      expect(should.lowVolts).toBeGreaterThan(0.1);
      expect(should.highVolts).toBeLessThan(2.6);
    }
    const plain = by('tell-tale-unguarded', 'diode');
    expect(plain.some(({ expect: should }) => should.highVolts === 'OL')).toBe(true);
    const capacitors = by('microphone-to-recorder', 'capacitance');
    expect(capacitors.length).toBeGreaterThan(0);
    for (const { expect: should } of capacitors) {
      expect(Object.keys(should)).toEqual(['lowFarads', 'highFarads']);
      expect(should.lowFarads).toBeGreaterThan(0);
      expect(should.highFarads).toBeGreaterThan(should.lowFarads ?? Infinity);
      expect(should.highFarads).toBeLessThan(1e-3);
    }
    const turned = filed(leadNamed('volume-box')).probes.flatMap(({ turn }) => turn ?? []);
    expect([Math.min(...turned), Math.max(...turned)]).toEqual([0, 1]);
    expect(filed(MIC).probes.every(({ turn }) => turn === undefined)).toBe(true);
  });

  it('a lead that was built as it should be is good; whatever was asked of it may be read again', () => {
    const file = filed(MIC, { built: { assembly: MIC.assembly } });
    expect(file.verdict).toMatchObject({ good: true, suspects: [] });
    expect(file.next).toBeNull();
    const again = readReadings(file);
    expect(again.ok && again.value).toHaveLength(file.readings.length);
    expect(filed(MIC, { readings: again.ok ? again.value : [] }).verdict).toEqual(file.verdict);
    const some = again.ok ? again.value.slice(0, 3) : [];
    const partly = filed(MIC, { readings: some });
    expect(partly.verdict.good).toBe(true);
    expect(partly.next).not.toBeNull();
    expect(partly.verdict.says).not.toBe(file.verdict.says);
  });

  it('every fault that it can have, asked until nothing more tells more, is named or said not to be proven', () => {
    const { faults } = filed(MIC);
    for (const { id } of faults) {
      const file = filed(MIC, { fault: id });
      expect(file.next, id).toBeNull();
      if (file.verdict.good)
        expect(
          file.notProven.some(({ fault }) => fault !== undefined),
          id,
        ).toBe(true);
      else expect(file.verdict.suspects, id).toContain(id);
      expect(readShape(proofFileSchema, JSON.parse(JSON.stringify(file))).ok, id).toBe(true);
    }
  });

  it('through another lead of its kind: each path by its other end, what it touches is not done', () => {
    const file = filed(MIC, { built: { assembly: MIC.assembly } }, { series: 'B' });
    expect(file.verdict.good).toBe(true);
    const direct = filed(MIC, { built: { assembly: MIC.assembly } });
    expect(file.readings.map(({ probe }) => probe)).not.toEqual(direct.readings.map(({ probe }) => probe));
    expect(file.readings.some(({ answer }) => answer.kind === 'skipped')).toBe(true);
  });

  it.each<[string, Parameters<typeof proofFile>]>([
    ['proof.fault fault', [MIC, { fault: 'none of them' }]],
    [
      'proof.series series: Another lead of this kind goes on end A or B.',
      [MIC, { readings: [] }, { series: 'Z' }],
    ],
    [
      'proof.series series: No other lead',
      [leadNamed('loudspeaker-two-pole'), { readings: [] }, { series: 'A' }],
    ],
    [
      'proof.built assembly: What was built has no A.',
      [MIC, { built: { assembly: leadNamed('stereo-35-to-35').assembly } }],
    ],
    [
      'proof.probe readings[1].probe',
      [
        MIC,
        {
          readings: [
            { probe: filed(MIC).next ?? '', answer: { kind: 'skipped' } },
            { probe: 'X.1~X.2', answer: { kind: 'skipped' } },
          ],
        },
      ],
    ],
  ])('%s', (begins, args) => expect(refused(...args).slice(0, begins.length)).toBe(begins));
});

describe('readings taken elsewhere', () => {
  const one = { probe: 'p', answer: { kind: 'skipped' } };
  const read = (of: unknown): string => {
    const is = readReadings(of);
    return is.ok ? `${is.value.length}` : (is.problems[0]?.path ?? '');
  };
  it.each([
    [[], '0'],
    [[one, one], '2'],
    [{ version: 1, readings: [one] }, '1'],
    [{ version: 2, readings: [one] }, 'version'],
    [{ version: 1 }, 'readings'],
    [[{ probe: '', answer: { kind: 'skipped' } }], 'readings[0].probe'],
    [[one, { probe: 'p' }], 'readings[1].answer'],
    ['text', ''],
  ])('%j', (of, is) => expect(read(of).startsWith(is)).toBe(true));

  it('20 000 at once, a name of 2000 letters, and not one more of either', () => {
    const many = (count: number) => ({ version: 1, readings: Array.from({ length: count }, () => one) });
    expect(readShape(readingsFileSchema, many(20_000)).ok).toBe(true);
    expect(readShape(readingsFileSchema, many(20_001)).ok).toBe(false);
    const named = (letters: number) =>
      readShape(readingsFileSchema, { version: 1, readings: [{ ...one, probe: 'p'.repeat(letters) }] });
    expect([named(2000).ok, named(2001).ok]).toEqual([true, false]);
  });

  it('a figure is 0 or more, or open', () => {
    const file = filed(MIC);
    const withHigh = (highOhms: unknown) => {
      const probes = file.probes.map((probe, n) =>
        n === 0 ? { ...probe, expect: { lowOhms: 0, highOhms } } : probe,
      );
      return readShape(proofFileSchema, { ...file, probes }).ok;
    };
    expect([0, 3, 'OL', -1, 'open', '3', null].map(withHigh)).toEqual([
      true,
      true,
      true,
      false,
      false,
      false,
      false,
    ]);
    const turned = (turn: unknown) =>
      readShape(proofFileSchema, { ...file, probes: file.probes.map((probe) => ({ ...probe, turn })) }).ok;
    expect([0, 1, 0.5, -0.1, 1.1].map(turned)).toEqual([true, true, true, false, false]);
  });
});
