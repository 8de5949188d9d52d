import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadOf } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import { jobItems, kitSheet } from '.';

const microphone = { ...leadFor(), name: 'Bridge' };
const short = { ...leadFor({ length: { mm: 3000, datum: 'face' } }), name: 'Desk' };

describe('what leads take together', () => {
  it('four of one and one of another: five plugs, five sockets, 4 × 5966 + 2966 mm of the same cable', () => {
    const items = jobItems([
      { lead: microphone, count: 4 },
      { lead: short, count: 1 },
    ]);
    const found = (item: string) => items.find((each) => each.item === item);
    expect(found('xlr3-plug')).toMatchObject({ unit: 'pieces', much: 5 });
    expect(found('pair-braid')).toMatchObject({
      unit: 'mm',
      much: 4 * 5966 + 2966,
      of: [
        { lead: 'Bridge', much: 4 * 5966 },
        { lead: 'Desk', much: 2966 },
      ],
    });
    // A reel of solder is one, whatever is made of it.
    expect(items.filter(({ item }) => item.startsWith('solder')).map(({ much }) => much)).toEqual([1]);
  });

  it('pairs count twice and bring their rings; none of a lead takes nothing', () => {
    const [pairs, none] = [
      jobItems([{ lead: microphone, count: 2, pairs: true }]),
      jobItems([{ lead: microphone, count: 0 }]),
    ];
    expect(pairs.find(({ item }) => item === 'xlr3-plug')?.much).toBe(4);
    expect(pairs.filter(({ item }) => item.startsWith('ring'))).toHaveLength(2);
    expect(none).toEqual([]);
  });

  it('law, over every example: as much as all lines of the kit of each, by item', () => {
    const wanted = EXAMPLES.map((example) => ({ lead: leadOf(example), count: 3 }));
    const items = jobItems(wanted);
    const sums = new Map<string, number>();
    for (const each of wanted)
      for (const { item, mm, count, owned, id } of kitSheet([each]).items)
        if (!owned && id !== 'solder') sums.set(item, (sums.get(item) ?? 0) + (mm ?? count));
    const solder = items.filter(({ item }) => item.startsWith('solder'));
    expect(
      new Map(items.filter((each) => !solder.includes(each)).map(({ item, much }) => [item, much])),
    ).toEqual(sums);
    for (const { much, of } of items.filter((each) => !solder.includes(each)))
      expect(of.reduce((sum, each) => sum + each.much, 0)).toBeCloseTo(much, 6);
    // One thing has one name, whatever it is cut to.
    for (const { name, unit } of items)
      if (unit === 'mm' && /shrink|sleev/i.test(name)) expect(name).not.toMatch(/each|mm, \d/);
  });
});
