import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { kitFileSchema, type KitFile } from '../../src/core/formats';
import { readShape } from '../../src/core/quantity';

const antler = (...words: readonly string[]) =>
  spawnSync(process.execPath, ['bin/antler.mjs', ...words], { encoding: 'utf8' });
const kit = (...words: readonly string[]): KitFile => {
  const { status, stdout, stderr } = antler('kit', ...words);
  expect(stderr).toBe('');
  expect(status).toBe(0);
  return JSON.parse(stdout) as KitFile;
};
const LEAD = 'examples/leads/stage-microphone.json';
const SUM = 'examples/leads/stereo-sum.json';

describe('antler kit', () => {
  it('of one lead: what to lay out, the cut, the strips, the fits, the tools', () => {
    const sheet = kit(LEAD);
    expect(sheet.leads.map(({ units }) => units)).toEqual([1]);
    expect(sheet.cuts.map(({ total, count }) => [total, count])).toEqual([[5966, 1]]);
    expect(sheet.strips.map(({ end, jacketMm }) => [end, jacketMm])).toEqual([
      ['A', 22],
      ['B', 22],
    ]);
    expect(sheet.fits.every(({ verdict }) => verdict === 'fits')).toBe(true);
    expect(sheet.tools.map(({ id }) => id)).toContain('iron-cup');
  });

  it('of several, each three times', () => {
    const sheet = kit(LEAD, SUM, '--count', '3');
    expect(sheet.leads.map(({ units }) => units)).toEqual([3, 3]);
    expect(sheet.items.find(({ what }) => what === 'XLR 3 cable plug, chuck clamp')?.count).toBe(6);
  });

  it('in pairs, wherever that is said', () => {
    for (const words of [
      [LEAD, '--pairs'],
      ['--pairs', LEAD],
      [LEAD, '--pairs', '--count', '1'],
    ])
      expect(
        kit(...words)
          .items.filter(({ what }) => what.startsWith('Marking ring'))
          .map(({ count }) => count),
      ).toEqual([2, 2]);
  });

  it('with what a house pays: the cost of one, the time, and against a bought one', () => {
    const house = path.join(mkdtempSync(path.join(tmpdir(), 'antler-kit-')), 'house.json');
    writeFileSync(
      house,
      JSON.stringify({ version: 1, prices: { 'pair-braid': 2, 'xlr3-plug': 4, 'xlr3-socket': 5 } }),
    );
    const [made] =
      kit(LEAD, '--house', house, '--hourly', '30', '--bought', '45', '--count', '4').costs ?? [];
    // 5.966 × 2 + 4 + 5; 30 min and a quarter of 10 of setting up, at 30 an hour.
    expect(made?.material).toBeCloseTo(20.932, 6);
    expect(made?.labour).toBeCloseTo(16.25, 6);
    expect(made?.bought?.saving).toBeCloseTo(45 - 20.932 - 16.25, 6);
    expect(readShape(kitFileSchema, kit(LEAD, '--house', house)).ok).toBe(true);
    expect(antler('kit', LEAD, '--house', house, '--hourly', 'much').stderr).toContain('amount of money');
  });

  it.each([
    [['kit'], 'Name a lead file'],
    [['kit', LEAD, '--count', '0'], 'whole number from 1'],
    [['kit', LEAD, '--count', 'many'], 'whole number from 1'],
    [['kit', LEAD, '--many', '2'], '--many'],
    [['kit', 'examples/intents/stereo-sum.json'], 'A lead file is expected'],
    [['kit', 'examples/leads/none.json'], 'none.json'],
  ])('%j is refused, and says why', (words, says) => {
    const { status, stderr } = antler(...words);
    expect(status).toBe(2);
    expect(stderr).toContain(says);
  });

  it('what stands in the description of the formats is so', () => {
    const text = readFileSync('docs/formats.md', 'utf8');
    const [block = ''] = /### Kits[\s\S]*?```json\n([\s\S]*?)```/.exec(text)?.slice(1) ?? [];
    const said = JSON.parse(block) as KitFile;
    const made = kit(LEAD, '--count', '4');
    expect(said.items[0]?.mm).toBe(made.items.find(({ id }) => id === 'pair-braid')?.mm);
    expect(said.cuts[0]?.total).toBe(made.cuts[0]?.total);
    expect(said.fits[0]).toMatchObject({
      ...made.fits.find(({ id }) => id === 'jacket-A'),
      lead: 'Bridge mic',
      marginMm: 1.8,
    });
  });
});
describe('antler cut', () => {
  /** What the formats show, and what it prints there. */
  const shown = readFileSync('docs/formats.md', 'utf8').split('### Cutting plans')[1] ?? '';
  const [asked = '', printed = ''] = [...shown.matchAll(/```json\n([^`]*)```/g)].map(
    ([, text]) => text ?? '',
  );
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'antler-cut-')), 'cut.json');

  it('prints just what the formats show', () => {
    writeFileSync(file, asked);
    const { status, stdout } = antler('cut', file, '--seconds', '5');
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toEqual(JSON.parse(printed));
  });

  it.each([
    [['--seconds', '0'], 'number of seconds above 0'],
    [['--seconds', 'soon'], 'number of seconds above 0'],
    [['--hours', '1'], 'hours'],
  ])('%j is refused with what to do', (words, says) => {
    const { status, stderr } = antler('cut', file, ...words);
    expect(status).toBe(2);
    expect(stderr).toContain(says);
  });
});

describe('antler workbox', () => {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'antler-box-')), 'box.json');
  /** The document that the formats show. */
  const [shown = ''] =
    /```json\n(\{[^`]*"needs"[^`]*)```/.exec(readFileSync('docs/formats.md', 'utf8'))?.slice(1) ?? [];

  it('what the formats show: two leads of 3 m that serve either need', () => {
    writeFileSync(file, shown);
    const { status, stdout } = antler('workbox', file);
    expect(status).toBe(0);
    const box = JSON.parse(stdout) as { adapters: { count: number; serves: string[] }[]; kit: KitFile };
    expect(box.adapters.map(({ count, serves }) => [count, serves])).toEqual([
      [2, ['microphone lead', 'desk to loudspeaker']],
    ]);
    expect(box.kit.cuts.map(({ count }) => count)).toEqual([2]);
    expect(readShape(kitFileSchema, box.kit).ok).toBe(true);
  });

  it('a need that is not there is named', () => {
    writeFileSync(file, shown.replace('"need": "desk to loudspeaker"', '"need": "desk"'));
    const { status, stderr } = antler('workbox', file);
    expect(status).toBe(2);
    expect(stderr).toContain('No need is called “desk”');
  });
});
