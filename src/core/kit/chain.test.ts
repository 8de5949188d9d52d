import { describe, expect, it } from 'vitest';
import { chainKit, type ChainKit } from '.';

const OUT = { port: 'line-ground-referenced', family: 'trs635' };
const IN = { port: 'line-input', family: 'trs635' };
/** Invented: a recorder, a compressor 400 mm on, a desk 1200 mm from the first. */
const DEVICES = [
  { name: 'recorder', atMm: 0, out: OUT },
  { name: 'compressor', atMm: 400, in: IN, out: { ...OUT, family: 'xlr3' } },
  { name: 'desk', atMm: 1200, in: { ...IN, family: 'xlr3' } },
];
const chain = (more: object = {}): unknown => ({ version: 1, devices: DEVICES, ...more });
const made = (document: unknown): ChainKit => {
  const found = chainKit(document);
  return found.ok
    ? found.value
    : expect.fail(found.problems.map(({ path, says }) => `${path} ${says}`).join('\n'));
};
const refused = (document: unknown): readonly string[] => {
  const found = chainKit(document);
  return found.ok ? expect.fail('it was taken') : found.problems.map(({ path }) => path);
};

describe('a chain', () => {
  it('has a lead for each hop, as long as the way between them and 300 mm of slack', () => {
    expect(made(chain()).hops).toEqual([
      { name: 'recorder to compressor', mm: 700 },
      { name: 'compressor to desk', mm: 1100 },
    ]);
    expect(
      made(chain({ slackMm: 0, devices: [DEVICES[0], { ...DEVICES[1], atMm: 900 }, DEVICES[2]] })).hops.map(
        ({ mm }) => mm,
      ),
    ).toEqual([900, 300]);
  });

  it('is one kit: left and right alike, twice of everything and rings for both', () => {
    const count = (kit: ChainKit['kit'], what: string): number =>
      kit.items.filter((item) => item.what.includes(what)).reduce((sum, item) => sum + item.count, 0);
    const one = made(chain()).kit;
    const two = made(chain({ pairs: true })).kit;
    expect(count(one, '6.35 mm TRS plug')).toBe(2);
    expect(count(two, '6.35 mm TRS plug')).toBe(4);
    // Two hops, a ring at both ends of each.
    expect(count(two, 'Marking ring, white')).toBe(4);
    expect(two.leads.map(({ units, pairs }) => [units, pairs])).toEqual([
      [2, true],
      [2, true],
    ]);
  });

  it('of one cable where it is named, and in its surroundings', () => {
    const cables = made(chain({ cable: 'pair-braid', surroundings: 'studio' })).kit.cuts.map(
      ({ cable }) => cable,
    );
    expect(cables).toEqual(['pair-braid', 'pair-braid']);
  });

  it('what is missing is said at its device', () => {
    expect(
      refused(chain({ devices: [DEVICES[0], { name: 'meter', atMm: 10, in: IN }, DEVICES[2]] })),
    ).toEqual(['devices[1].out']);
    expect(
      refused(
        chain({
          devices: [
            { name: 'deck', atMm: 0 },
            { name: 'sink', atMm: 1 },
          ],
        }),
      ),
    ).toEqual(['devices[0].out']);
    expect(refused(chain({ devices: [DEVICES[0]] }))).toEqual(['devices']);
    expect(refused(chain({ devices: [{ ...DEVICES[0], atMm: -1 }, DEVICES[1]] }))).toContain(
      'devices[0].atMm',
    );
    expect(
      refused(
        chain({ devices: [DEVICES[0], { ...DEVICES[1], in: { port: 'none', family: 'xlr3' } }, DEVICES[2]] }),
      ),
    ).toEqual([expect.stringMatching(/^devices\[1\]\.in/)]);
    expect(refused(chain({ version: 2 }))).toEqual(['version']);
    expect(refused(chain({ colour: 'red' }))).not.toEqual([]);
  });
});
