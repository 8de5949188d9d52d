import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  courseFileSchema,
  heatFileSchema,
  patchFileSchema,
  type CourseFile,
  type HeatFile,
  type PatchFile,
} from '../../src/core/formats';
import { readShape } from '../../src/core/quantity';

const run = (words: readonly string[], input?: string) =>
  spawnSync(process.execPath, ['bin/antler.mjs', ...words], {
    encoding: 'utf8',
    ...(input === undefined ? {} : { input }),
  });
const said = (words: readonly string[], input?: string): unknown => {
  const { status, stdout, stderr } = run(words, input);
  expect(stderr).toBe('');
  expect(status).toBe(0);
  return JSON.parse(stdout);
};
const SUM = 'examples/leads/stereo-sum.json';
const STAGE = 'examples/leads/stage-microphone.json';

describe('antler bench', () => {
  it('prints the course, of several with how they are made together, by other schools in another order', () => {
    const course = said(['bench', SUM]) as CourseFile;
    expect(readShape(courseFileSchema, course).ok).toBe(true);
    expect(course.batch).toBeUndefined();
    const last = course.steps.find(({ id }) => id === 'solder-over-R3');
    expect(last?.after.map(({ constraint }) => constraint)).toContain('solder-in-order');
    const four = said(['bench', SUM, '--count', '4']) as CourseFile;
    expect(four.batch).toMatchObject({ count: 4, optimal: true });
    const slow = said(['bench', SUM, '--count', '4', '--set-up', 'iron=160,heat gun=20']) as CourseFile;
    const irons = slow.batch?.runs.filter(({ tool }) => tool.startsWith('iron')).length ?? 0;
    expect((slow.batch?.setUpSeconds ?? 0) - (four.batch?.setUpSeconds ?? 0)).toBe(100 * irons);
    const solders = (schools: string): readonly string[] =>
      (said(['bench', STAGE, '--schools', schools]) as CourseFile).steps.flatMap(({ kind, id, end }) =>
        kind === 'solder' && end === 'A' ? [id] : [],
      );
    expect(solders('solder-order=screen-first')).toEqual([
      'solder-joint-A-1',
      'solder-joint-A-2',
      'solder-joint-A-3',
    ]);
    expect(solders('solder-order=screen-last')).toEqual([
      'solder-joint-A-2',
      'solder-joint-A-3',
      'solder-joint-A-1',
    ]);
  });

  it.each([
    [['--count', '0'], 'cli.number'],
    [['--set-up', 'lathe=3'], 'cli.tool'],
    [['--set-up', 'iron=0'], 'cli.number'],
    [['--set-up', 'iron'], 'cli.number'],
    [['--set-up', 'iron=3601'], 'cli.number'],
    [['--set-up', 'iron=10,iron=20'], 'cli.tool'],
    [['--schools', 'tea=green'], 'cli.school'],
    [['--schools', 'hand=third'], 'cli.school'],
  ])('%j is refused with what to do', (words, code) => {
    const { status, stderr } = run(['bench', SUM, ...words]);
    expect(status).toBe(2);
    expect(stderr).toContain(code);
  });
});

describe('antler heat', () => {
  it('prints tip, setting, dwell and the temperatures', () => {
    const heat = said(['heat', STAGE, '--joint', 'joint-A-2', '--setting', '370', '--clip']) as HeatFile;
    expect(readShape(heatFileSchema, heat).ok).toBe(true);
    expect(heat).toMatchObject({ settingC: 370, watts: 50, clip: true });
    expect(heat.curve[0]).toEqual({ s: 0, jointC: 20, insulationC: 20 });
    for (const [n, { jointC }] of heat.curve.entries())
      expect(jointC).toBeGreaterThanOrEqual((heat.curve[n - 1]?.jointC ?? 0) - 40);
  });

  it.each([
    [[], 'cli.option'],
    [['--joint', 'joint-Z'], 'heat.joint'],
    [['--joint', 'joint-A-2', '--watts', 'many'], 'cli.number'],
    [['--joint', 'joint-A-2', '--setting', '900'], 'heat.setting'],
    [['--joint', 'joint-A-2', '--melt', '0.001'], 'heat.melt'],
  ])('%j is refused with what to do', (words, code) => {
    const { status, stderr } = run(['heat', STAGE, ...words]);
    expect(status).toBe(2);
    expect(stderr).toContain(code);
  });
});

describe('antler patch', () => {
  const [lines, patched] = [
    ...readFileSync('docs/formats.md', 'utf8')
      .split('### Lines and patch lists')
      .slice(1)
      .join('')
      .matchAll(/```json\n([\s\S]*?)```/g),
  ].map((found) => found[1] ?? '');

  it('what the formats show comes out as they show it', () => {
    const list = said(['patch', '-'], lines) as PatchFile;
    expect(readShape(patchFileSchema, list).ok).toBe(true);
    expect(list).toEqual(JSON.parse(patched ?? ''));
  });

  it('a way that stands there twice is named with its place', () => {
    const twice = JSON.parse(lines ?? '') as { lines: object[] };
    const { status, stderr } = run(
      ['patch', '-'],
      JSON.stringify({ ...twice, lines: [...twice.lines, twice.lines[0]] }),
    );
    expect(status).toBe(2);
    expect(stderr).toContain('lines[5].way');
  });
});

describe('antler sweep', () => {
  it('what each look may mean, on a supply and with a plug; what is none of them is named', () => {
    const truth = said(['sweep', '--supply', 'P24', '--guard', 'no']) as {
      lamps: Record<string, { id: string }[]>;
      volts: { id: string; volts: number[] }[];
    };
    // Handbook of the trade: none lit: 1 open, both open or shorted to 1, 1 changed with 2 or 3, or phantom off.
    expect(truth.lamps['none']?.map(({ id }) => id).sort()).toEqual(
      ['off', 'open1', 'open23', 'short123', 'swap12', 'swap13'].sort(),
    );
    const [two, three, between] = truth.volts[0]?.volts ?? [];
    expect([two, three]).toEqual([expect.closeTo(24, 1), expect.closeTo(24, 1)]);
    expect(between).toBeCloseTo(0, 6);
    expect(run(['sweep', '--guard', 'perhaps'])).toMatchObject({ status: 2 });
    expect(run(['sweep', '--supply', 'P99']).stderr).toContain('P48, P24 or P12');
    expect(run(['sweep', '--ohms', 'many']).stderr).toContain('--ohms wants a number');
  });
});
