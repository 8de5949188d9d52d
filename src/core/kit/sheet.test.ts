import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadNamed } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import { kitFileSchema } from '../formats';
import type { Lead } from '../lead';
import { readShape } from '../quantity';
import { kitSheet, type KitSheet, type Tool } from '.';

const named = (id: string): Lead => ({ ...leadNamed(id), name: id });
const countOf = (sheet: KitSheet, what: string): number =>
  sheet.items.filter((item) => item.what.includes(what)).reduce((sum, { count }) => sum + count, 0);
const solderOf = (lead: Lead) => kitSheet([{ lead, count: 1 }]).items.find(({ id }) => id === 'solder');
const toolOf = (lead: Lead, id: string): Tool | undefined =>
  kitSheet([{ lead, count: 1 }]).tools.find((tool) => tool.id === id);

describe('the kit of several leads', () => {
  it('four of a microphone lead: eight connectors’ worth, four pieces of 5966 mm, one reel of solder', () => {
    const sheet = kitSheet([{ lead: leadFor(), count: 4 }]);
    expect(countOf(sheet, 'XLR 3 cable')).toBe(8);
    expect(sheet.items.find(({ id }) => id === 'pair-braid')).toMatchObject({ count: 4, mm: 4 * 5966 });
    expect(sheet.items.find(({ id }) => id === 'solder')?.count).toBe(1);
    expect(sheet.cuts.map(({ total, count }) => [total, count])).toEqual([[5966, 4]]);
    expect(sheet.leads).toEqual([{ name: leadFor().name, units: 4, pairs: false }]);
  });

  it('two pairs: four leads, four white rings and four red, one at every end', () => {
    const sheet = kitSheet([{ lead: leadFor(), count: 2, pairs: true }]);
    expect(sheet.leads[0]?.units).toBe(4);
    expect(
      sheet.items.filter(({ id }) => id.startsWith('pair-ring')).map(({ what, count }) => [what, count]),
    ).toEqual([
      ['Marking ring, white', 4],
      ['Marking ring, red', 4],
    ]);
    expect(countOf(sheet, 'XLR 3 cable')).toBe(8);
  });

  it('two different leads: what is alike is one line, with what each is for; the tools of both, each once', () => {
    const [a, b] = [named('stage-microphone'), named('stereo-sum')];
    const sheet = kitSheet([
      { lead: a, count: 1 },
      { lead: b, count: 2 },
    ]);
    const plugs = sheet.items.filter(({ what }) => what === 'XLR 3 cable plug, chuck clamp');
    expect(plugs).toHaveLength(1);
    expect(plugs[0]?.count).toBe(1 + 2);
    expect(plugs[0]?.detail).toContain('stage-microphone: end B');
    expect(plugs[0]?.detail).toContain('stereo-sum: end B');
    expect(countOf(sheet, 'resistor 470')).toBe(4);
    expect(sheet.tools.filter(({ id }) => id === 'meter')).toHaveLength(1);
  });

  it('none is an empty sheet', () => expect(kitSheet([])).toMatchObject({ items: [], cuts: [], tools: [] }));

  it('more of a lead never needs less of anything; n of it n times as much of what is taken', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...EXAMPLES.map(({ id }) => id)),
        fc.integer({ min: 1, max: 9 }),
        (id, count) => {
          const lead = leadNamed(id);
          const [one, several] = [1, count].map((n) => kitSheet([{ lead, count: n }]));
          return (one?.items ?? []).every((item, n) => {
            const more = several?.items[n];
            const times = item.id === 'solder' ? 1 : count;
            return more?.what === item.what && more.count === item.count * times;
          });
        },
      ),
      { numRuns: 40 },
    ));

  it.each(EXAMPLES.map(({ id }) => [id]))('%s: is of its shape, and nothing in it is empty', (id) => {
    const sheet = kitSheet([{ lead: leadNamed(id), count: 1 }]);
    const read = readShape(kitFileSchema, JSON.parse(JSON.stringify(sheet)));
    expect(read.ok ? [] : read.problems).toEqual([]);
    for (const { what, detail, count } of sheet.items) {
      expect(what.trim()).not.toBe('');
      expect(detail.trim()).not.toBe('');
      expect(count).toBeGreaterThan(0);
    }
  });
});

describe('wire that is no cable', () => {
  const wire = (id: string): readonly (readonly [string, number, number | undefined])[] =>
    kitSheet([{ lead: leadNamed(id), count: 1 }]).items.flatMap((item) =>
      item.id === 'box-wire' || item.id === 'link-wire' ? [[item.id, item.count, item.mm] as const] : [],
    );
  it.each([
    // A leg of its third resistor is the 1–3 link of a sum (common practice).
    ['stereo-sum', []],
    ['shell-joined', [['link-wire', 2, 30]]],
    ['shorting-plug', [['link-wire', 1, 15]]],
    ['stage-microphone', []],
  ] as const)('%s: %j', (id, found) => expect(wire(id)).toEqual(found));

  it('of a volume box: a run from each lug to the next that it is joined to', () => {
    const [run] = wire('volume-box');
    expect(run?.[0]).toBe('box-wire');
    expect(run?.[1]).toBeGreaterThanOrEqual(6);
    expect(run?.[2]).toBe((run?.[1] ?? 0) * 100);
  });
});

describe('what the builder has already', () => {
  const owned = (id: string): readonly string[] =>
    kitSheet([{ lead: leadNamed(id), count: 1 }]).items.flatMap((item) => (item.owned ? [item.what] : []));
  it.each([
    ['record-player-unified', ['pads in a record player']],
    ['headphone-identified', ['pads in a headphone']],
    ['stage-microphone', []],
  ])('%s: %j', (id, what) => expect(owned(id)).toEqual(what));
});

describe('tools', () => {
  it('iron by joint (handbook, section 15)', () => {
    expect(toolOf(leadNamed('stage-microphone'), 'iron-cup')?.set).toBe(
      '2 to 3 mm chisel; 350 to 370 °C, 2 to 3 s',
    );
    expect(toolOf(leadNamed('stereo-35-to-35'), 'iron-tab')?.set).toBe('needle; 330 to 350 °C, 1 to 2 s');
    expect(toolOf(leadNamed('quasi-balanced-phono'), 'iron-phono')?.set).toContain('343 °C');
    expect(toolOf(leadNamed('record-player-unified'), 'iron-pad')?.set).toContain('50 W');
  });

  it('lead-free is a little hotter, silver on a phono plug 350 to 400; the alloy is that of the school', () => {
    const phono = leadNamed('quasi-balanced-phono');
    const by = (solder: 'lead-free' | 'silver', id: string) =>
      toolOf({ ...phono, schools: { ...phono.schools, solder } }, id);
    expect(by('lead-free', 'iron-phono')?.set).toContain('363 °C');
    expect(by('silver', 'iron-phono')?.set).toContain('350 to 400 °C');
    expect(solderOf({ ...phono, schools: { ...phono.schools, solder: 'silver' } })?.what).toBe(
      'Silver-bearing rosin-cored solder',
    );
  });

  it('a lead of screws has no iron and no solder, and a screwdriver; some screws turn the other way', () => {
    const screws = kitSheet([{ lead: leadNamed('loudspeaker-two-pole'), count: 1 }]).tools;
    expect(screws.some(({ id }) => id.startsWith('iron'))).toBe(false);
    expect(solderOf(leadNamed('loudspeaker-two-pole'))).toBeUndefined();
    expect(screws.find(({ id }) => id === 'driver')).toMatchObject({
      set: 'some set screws have a left-hand thread',
      because: 'The screw bites copper, never insulation.',
    });
    expect(toolOf(leadNamed('stage-microphone'), 'driver')).toBeUndefined();
    const setScrew = leadFor({ from: { port: 'microphone', family: 'xlr3', body: 'xlr3-socket-set-screw' } });
    expect(toolOf(setScrew, 'driver')?.because).toBe('Snug on the jacket, not through it.');
  });

  it('a clip where plastic is small, thin solder for small tabs, the gauges of the cores', () => {
    const small = leadNamed('stereo-35-to-35');
    expect(toolOf(small, 'heat-sink')).toBeDefined();
    expect(toolOf(leadNamed('stage-microphone'), 'heat-sink')).toBeUndefined();
    expect(solderOf(small)?.detail).toBe('0.7 mm; never acid flux');
    expect(solderOf(leadNamed('stereo-sum'))?.detail).toBe(
      '1 mm for cups, 0.7 mm for what is small; never acid flux',
    );
    expect(toolOf(small, 'stripper')?.set).toBe('notch for 28 AWG');
    // No cable, but wires from lug to lug.
    expect(toolOf(leadNamed('volume-box'), 'stripper')?.set).toBe('the notch of the hook-up wire');
    expect(toolOf(leadNamed('volume-box'), 'cutters')).toBeDefined();
    expect(toolOf(leadNamed('stage-microphone'), 'stripper')?.set).toBe('notch for 24 AWG');
    // 2.5 mm² of at most 7.98 Ω/km is nearest to 14 AWG (8.285).
    expect(toolOf(leadNamed('loudspeaker-two-pole'), 'stripper')?.set).toBe('notch for 14 AWG');
  });

  it('drills for a box, a crimper for spades, a hotter blob for lacquer, none of them elsewhere', () => {
    expect(toolOf(leadNamed('volume-box'), 'drills')?.set).toContain('9.5 mm');
    expect(toolOf(leadNamed('record-player-separate-earth'), 'crimper')).toBeDefined();
    expect(toolOf(leadNamed('headphone-identified'), 'iron-lacquer')?.set).toContain('370 to 400 °C');
    for (const id of ['drills', 'crimper', 'iron-lacquer'])
      expect(toolOf(leadNamed('stage-microphone'), id), id).toBeUndefined();
  });
});
