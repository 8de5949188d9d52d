import { spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { beforeAll, describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('../../', import.meta.url));

function draw(...args: readonly string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [`${root}bin/antler.mjs`, 'draw', ...args], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1 << 26,
    env: { PATH: process.env['PATH'] ?? '' },
  });
  return { status, stdout, stderr };
}
const lead = (id: string): string => `examples/leads/${id}.json`;
const size = (svg: string): readonly number[] =>
  [...svg.matchAll(/(?:width|height)="([\d.]+)mm"/g)].map(([, mm]) => Number(mm));

beforeAll(() => void draw(lead('stage-microphone')), 60_000);

describe('antler draw', () => {
  it('gives both ends of a lead as one SVG, with every core said', () => {
    const { status, stdout, stderr } = draw(lead('stage-microphone'));
    expect([status, stderr]).toEqual([0, '']);
    expect(stdout).toMatch(/^<svg xmlns="http:\/\/www.w3.org\/2000\/svg"/);
    for (const says of ['white to A.2', 'black to A.3', 'screen to A.1', 'white to B.2'])
      expect(stdout).toContain(`<title>${says}</title>`);
  });

  it('one end, from the front, for the left hand, turned, one channel', () => {
    const [width = 0, height = 0] = size(draw(lead('stereo-sum'), '--end', 'B').stdout);
    const turned = size(draw(lead('stereo-sum'), '--end', 'B', '--turn', '90').stdout);
    expect(width).toBeGreaterThan(height);
    expect(turned[0]).toBeLessThan(turned[1] ?? 0);
    expect(draw(lead('stereo-sum'), '--end', 'B', '--side', 'mating').stdout).not.toContain('white');
    const left = draw(lead('stereo-sum'), '--end', 'B', '--hand', 'left').stdout;
    expect(left).not.toBe(draw(lead('stereo-sum'), '--end', 'B').stdout);
    const labels = (svg: string): number => svg.match(/<text/g)?.length ?? 0;
    expect(labels(draw(lead('d25-to-eight-xlr'), '--channel', '3').stdout)).toBeLessThan(
      labels(draw(lead('d25-to-eight-xlr')).stdout) / 2,
    );
  });

  it('on paper it is as large as the paper', () => {
    expect(size(draw(lead('volume-box'), '--page', 'a4').stdout)).toEqual([210, 297]);
    expect(size(draw(lead('volume-box'), '--page', 'letter').stdout)).toEqual([215.9, 279.4]);
  });

  it.each([
    [['--end', 'Q'], 'end: There is no end “Q” to draw: there is A, B. (drawing.end)'],
    [['--turn', '30'], 'turn: “30” is no turn: it is 0, 90, 180 or 270. (drawing.view)'],
    [['--sheet', '2'], 'sheet: There is one sheet, and “2” is not it. (cli.number)'],
    [['--fold', '2'], '“--fold” is not understood here'],
  ])('%j is refused with what there is', (args, says) => {
    const { status, stdout, stderr } = draw(lead('stage-microphone'), ...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toContain(says);
  });

  it('refuses a file that is no lead', () => {
    const { status, stderr } = draw('examples/intents/stereo-sum.json');
    expect(status).toBe(2);
    expect(stderr).toContain('A lead file is expected');
  });
});
