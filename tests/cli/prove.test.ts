import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { afterAll, describe, expect, it } from 'vitest';
import { jsonSchemas, type ProofFile } from '../../src/core/formats';
import { applyEdit } from '../../src/core/lead';
import { leadNamed } from '../examples/read';

const root = fileURLToPath(new URL('../../', import.meta.url));
const folder = mkdtempSync(path.join(tmpdir(), 'antler-prove-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Runs `antler prove`, or another of its kind, as a shell would. */
function prove(args: readonly string[], input = '', command = 'prove') {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [`${root}bin/antler.mjs`, command, ...args],
    { cwd: root, input, encoding: 'utf8', maxBuffer: 1 << 26, env: { PATH: process.env['PATH'] ?? '' } },
  );
  return { status, stdout, stderr, json: () => JSON.parse(stdout) as ProofFile };
}
const lead = (id: string): string => `examples/leads/${id}.json`;
function kept(name: string, document: unknown): string {
  const file = path.join(folder, name);
  writeFileSync(file, JSON.stringify(document));
  return file;
}
const fits = new Ajv2020({ strict: false }).compile(jsonSchemas()['proof.schema.json'] ?? {});

describe('antler prove', () => {
  it('of a lead alone: what is asked, what may be wrong, and where to begin', () => {
    const run = prove([lead('stage-microphone')]);
    expect(run.status).toBe(0);
    const proof = run.json();
    expect(fits(proof), JSON.stringify(fits.errors)).toBe(true);
    const two = proof.probes.find(({ id }) => id === 'A.2~B.2');
    expect(two).toMatchObject({ stage: 'closed', red: ['A.2'], black: ['B.2'], mode: 'ohms' });
    // 24 AWG, 84.21 Ω/km (ASTM B258 with IEC 60028), 6 m less 88 mm inside the connectors.
    const ohms = 0.08421 * 5.912;
    expect(two?.expect.lowOhms).toBeLessThan(ohms);
    expect(two?.expect.highOhms).toBeGreaterThan(ohms);
    expect(proof.probes.find(({ id }) => id === 'A.1~A.2')?.expect.highOhms).toBe('OL');
    expect(proof.tests).toMatchObject([{ kind: 'look', stage: 'open', before: 'a' }]);
    expect(proof.faults.map(({ id }) => id)).toContain('open:W1.white@a');
    // Nothing is measured yet: whatever may be wrong is not proven.
    expect(proof.readings).toEqual([]);
    expect(proof.verdict).toMatchObject({ good: true, says: expect.stringMatching(/^Good, except/) });
    expect(new Set(proof.notProven.map(({ fault }) => fault))).toContain('open:W1.white@a');
    expect(proof.next).toBe('look:a');
  });

  it('--fault: the lead with that fault is read until it is named; exit 1', () => {
    const run = prove([lead('stage-microphone'), '--fault', 'reversed:W1.white@b~W1.black@b']);
    expect(run.status).toBe(1);
    const { verdict, readings, next } = run.json();
    expect(verdict.good).toBe(false);
    expect(verdict.says).toBe('2 and 3 are reversed at one end.');
    expect(verdict.suspects).toContain('reversed:W1.white@b~W1.black@b');
    expect(readings.find(({ probe }) => probe === 'A.2~B.3')?.answer ?? readings[2]?.answer).toBeDefined();
    expect(next).toBeNull();
  });

  it('--built: what was really made, another lead file', () => {
    const { assembly, ...rest } = leadNamed('quasi-balanced-phono');
    const made = applyEdit(assembly, { kind: 'separate', terminals: ['W1.screen@a'] });
    if (!made.ok) return expect.fail('no edit');
    const file = kept('built.json', { ...rest, assembly: made.value });
    const run = prove([lead('quasi-balanced-phono'), '--built', file]);
    expect(run.status).toBe(1);
    expect(run.json().verdict.says).toMatch(/^Screen is open/);
    const right = prove([lead('quasi-balanced-phono'), '--built', lead('quasi-balanced-phono')]);
    expect(right.status).toBe(0);
    expect(right.json()).toMatchObject({
      notProven: [],
      verdict: { good: true, says: 'Every path carries, and nothing else does.' },
      next: null,
    });
  });

  it('--series: through a proven lead on an end, and what that hides is said before the verdict', () => {
    const good = prove([lead('stage-microphone'), '--built', lead('stage-microphone'), '--series', 'B']);
    expect(good.status).toBe(0);
    const { readings, verdict, notProven } = good.json();
    expect(readings.map(({ probe }) => probe)).toContain('A.2~B.2 series B');
    expect(readings.map(({ probe }) => probe)).not.toContain('A.2~B.2');
    expect(verdict.says).toMatch(
      /^Good, except that this was not proven: B\.shell to each of B\.1, B\.2, B\.3;/,
    );
    expect(notProven.map(({ fault }) => fault)).toEqual([
      'B.shell~B.1+B.2+B.3',
      'short:B.1~B.shell',
      'short:B.2~B.shell',
      'short:B.3~B.shell',
    ]);
    const wrong = prove([
      lead('stage-microphone'),
      '--fault',
      'reversed:W1.white@b~W1.black@b',
      '--series',
      'B',
    ]);
    expect(wrong.status).toBe(1);
    const other = prove([lead('stage-microphone'), '--series', 'C']);
    expect(other.status).toBe(2);
    expect(other.stderr).toContain('series: Another lead of this kind goes on end A or B.');
    expect(prove([lead('patch-lead'), '--series', 'B']).stderr).toContain('its ends do not mate');
  });

  it('--readings: an earlier proof, a file of readings, or a bare list; what is left out is not proven', () => {
    const whole = prove([lead('stage-microphone'), '--built', lead('stage-microphone')]).json();
    expect(prove([lead('stage-microphone'), '--readings', kept('proof.json', whole)]).json().verdict).toEqual(
      whole.verdict,
    );
    const { readings } = whole;
    const bare = prove([lead('stage-microphone'), '--readings', '-'], JSON.stringify(readings));
    expect(bare.json().verdict).toEqual(whole.verdict);
    const fewer = prove(
      [lead('stage-microphone'), '--readings', '-'],
      JSON.stringify({ version: 1, readings: readings.slice(0, 3) }),
    ).json();
    expect(fewer.verdict).toMatchObject({ good: true, says: expect.stringMatching(/^Good, except/) });
    expect(fewer.next).toBe(readings[3]?.probe);
    const off = prove(
      [lead('stage-microphone'), '--readings', '-'],
      JSON.stringify([{ probe: 'A.2~B.2', answer: { kind: 'ohms', ohms: 'OL' } }]),
    );
    expect(off.status).toBe(1);
    expect(off.json().verdict.suspects).toContain('open:W1.white@a');
  });

  it('--meter: what it can do is asked of it, and expected by what it shows', () => {
    const meter = {
      version: 1,
      testVolts: { from: 3, to: 3 },
      diodeVolts: 2.6,
      capacitance: true,
      leadOhms: 0.3,
      beeper: { sure: 20, never: 100 },
    };
    const file = kept('meter.json', meter);
    const blocked = prove([lead('microphone-to-recorder'), '--meter', file]).json();
    const farads = blocked.probes.filter(({ mode }) => mode === 'capacitance');
    // 10 µF, 20 % either way, within 5 % of the meter.
    expect(farads.length).toBeGreaterThan(0);
    for (const { expect: wanted } of farads) {
      expect(wanted.lowFarads).toBeCloseTo(10e-6 * 0.8 * 0.95, 12);
      expect(wanted.highFarads).toBeCloseTo(10e-6 * 1.2 * 1.05 + 2e-9, 12);
    }
    // Leads that are not nulled add what they are.
    const [nulled, added] = [[], ['--meter', file]].map(
      (more) =>
        prove([lead('stage-microphone'), ...more])
          .json()
          .probes.find(({ id }) => id === 'A.2~B.2')?.expect.highOhms as number,
    );
    expect((added ?? 0) - (nulled ?? 0)).toBeCloseTo(0.3, 9);
  });

  it.each([
    [
      'a fault that it cannot have',
      ['--fault', 'melted:W9'],
      '',
      'fault: This lead has no fault “melted:W9”',
    ],
    ['another lead altogether', ['--built', lead('volume-box')], '', 'assembly: What was built has no'],
    [
      'a reading of nothing',
      ['--readings', '-'],
      '[{"probe":"X.1~Y.1","answer":{"kind":"beep"}}]',
      'readings[0].probe',
    ],
    [
      'an answer that is none',
      ['--readings', '-'],
      '[{"probe":"A.2~B.2","answer":{"kind":"ohms","ohms":-1}}]',
      'readings[0].answer',
    ],
    ['a meter of no volts', ['--meter', '-'], '{"version":1}', 'testVolts'],
    [
      'a meter whose volts fall',
      ['--meter', '-'],
      '{"version":1,"testVolts":{"from":3,"to":1},"capacitance":false,"leadOhms":0,"beeper":{"sure":1,"never":2}}',
      'testVolts',
    ],
    ['two places for answers', ['--fault', 'x', '--built', 'y'], '', 'Give one of'],
    ['an option that it does not have', ['--loud', '1'], '', '“--loud” is not understood'],
    ['an option with nothing after it', ['--fault'], '', '--fault wants something after it'],
  ])('bad input, %s: exit 2, nothing on standard output', (_, args, input, says) => {
    const run = prove([lead('stage-microphone'), ...args], input);
    expect(run.status).toBe(2);
    expect(run.stdout).toBe('');
    expect(run.stderr).toContain(says);
  });

  it('the examples on the page of formats are what it prints', () => {
    const text = readFileSync(`${root}docs/formats.md`, 'utf8');
    const [, whole = ''] = /### Proofs[\s\S]*?```json\n([\s\S]*?)```/.exec(text) ?? [];
    const shown = JSON.parse(whole) as ProofFile;
    expect(fits(shown), JSON.stringify(fits.errors)).toBe(true);
    const real = prove([lead('stage-microphone')]).json();
    expect(shown.tests).toEqual(real.tests);
    expect(real.faults).toContainEqual(shown.faults[0]);
  });
});

describe('antler break', () => {
  const locate = (readings: object, ...more: readonly string[]) =>
    prove(['-', ...more], JSON.stringify(readings), 'break');
  const OPEN = {
    version: 1,
    is: 'open',
    lengthMm: 10_000,
    readings: [
      { at: 'near', farads: 200e-12 },
      { at: 'far', farads: 600e-12 },
    ],
  };

  it('places a break by itself, with its range and where to cut', () => {
    const run = locate(OPEN);
    expect(run.status).toBe(0);
    expect(JSON.parse(run.stdout)).toMatchObject({
      mm: 2500,
      cut: { keep: 'far' },
      says: expect.stringMatching(
        /^The break lies about 2\.5 m from the near end, between 2\.\d+ m and 2\.\d+ m\.$/,
      ),
    });
  });

  it('with the lead: its length and its cable are known, and what a repair leaves of it', () => {
    const { lengthMm: _, ...readings } = OPEN;
    const found = JSON.parse(locate(readings, '--lead', lead('stage-microphone')).stdout) as {
      mm: number;
      toMm: number;
      near: string;
      repair: { end: string; newMm: number; askedMm: number; says: string; steps: string[] };
    };
    const asked = leadNamed('stage-microphone').assembly.lengths[0]?.mm ?? 0;
    expect(found.near).toBe('end A');
    // A quarter of the jacket is before it; the cut is 20 mm beyond its range, 5 mm are trimmed off, and 22 mm more of jacket come off (handbook, section 7).
    expect(found.repair).toMatchObject({ end: 'A', askedMm: asked });
    expect(found.repair.newMm).toBeCloseTo(asked - (found.toMm + 20) - 5 - 22, 6);
    expect(found.repair.steps.filter((step) => /^Solder/.test(step))).toHaveLength(3);
    expect(found.repair.steps.join(' ')).not.toMatch(/end B/);
    // From one end the capacitance of a metre comes from the cable.
    const one = locate(
      { ...readings, readings: [{ at: 'near', farads: 300e-12 }] },
      '--lead',
      lead('stage-microphone'),
    );
    expect(one.status).toBe(0);
  });

  it.each([
    ['no length', { ...OPEN, lengthMm: undefined }, [], 'lengthMm'],
    [
      'one capacitance and no cable',
      { ...OPEN, readings: OPEN.readings.slice(0, 1) },
      [],
      'picofaradsPerMetre',
    ],
    [
      'a cable that the lead has not',
      OPEN,
      ['--lead', lead('stage-microphone'), '--span', 'W9'],
      'span: Name the cable',
    ],
    [
      'a core that the cable has not',
      OPEN,
      ['--lead', lead('stage-microphone'), '--core', 'pink'],
      'core: That cable has',
    ],
  ])('bad input, %s: exit 2', (_, readings, more, says) => {
    const run = locate(readings, ...more);
    expect(run.status).toBe(2);
    expect(run.stdout).toBe('');
    expect(run.stderr).toContain(says);
  });
});
