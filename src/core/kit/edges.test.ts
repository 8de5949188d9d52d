import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import { dressed } from '../dressing';
import { schoolsOf, type Lead } from '../lead';
import { kitSheet, labelLines, pickKey, type KitLine } from '.';
import { timeLeft } from './step-pace';
import { tools } from './tools';

const line = (more: Partial<KitLine>): KitLine => ({ what: 'XLR plug', count: 3, ...more }) as KitLine;

describe('a line as it is picked', () => {
  it.each([
    [{}, '3 × XLR plug'],
    [{ mm: 1234.4 }, '3 × XLR plug, 1234 mm'],
    [{ mm: 0 }, '3 × XLR plug, 0 mm'],
    [{ count: 1 }, '1 × XLR plug'],
  ])('%j: %s', (more, key) => expect(pickKey(line(more))).toBe(key));
  it('in 400 letters at the most', () => {
    expect(pickKey(line({ what: 'x'.repeat(396) }))).toHaveLength(400);
    expect(pickKey(line({ what: 'x'.repeat(500) }))).toHaveLength(400);
  });
});

describe('what is left of the work', () => {
  const pace = (seconds: number, low: number, high: number) =>
    ({ seconds, low, high, of: 'builder' }) as const;
  it('never falls below nothing, and adds spreads as what does not hang together adds up', () => {
    expect(timeLeft([{ id: 'a' }], new Set(), { a: pace(10, 0, 25) })).toEqual({
      seconds: 10,
      low: 0,
      high: 25,
      untimed: 0,
    });
    // 30 and 40 below are 50 below; 60 and 80 above 100.
    expect(
      timeLeft(
        [{ id: 'a' }, { id: 'b' }, { id: 'c' }, { id: 'd', seconds: 90 }, { id: 'e' }],
        new Set(['e']),
        {
          a: pace(100, 70, 160),
          b: pace(100, 60, 180),
          e: pace(999, 1, 9999),
        },
      ),
    ).toEqual({ seconds: 290, low: 240, high: 390, untimed: 1 });
  });
});

describe('what closes screws, crimps and sleeves, and what strips', () => {
  const own = (lead: Lead, more: (assembly: Lead['assembly']) => Partial<Lead['assembly']> = () => ({})) => {
    const made = dressed({ ...lead, assembly: { ...lead.assembly, ...more(lead.assembly) } });
    return tools(made, schoolsOf(lead));
  };
  const withClamp = (clamp: string) =>
    own(leadFor(), (assembly) => ({
      uses: {
        ...assembly.uses,
        connectors: assembly.uses.connectors.map((each) => ({ ...each, clamp })),
      },
    }));
  const of = (all: ReturnType<typeof tools>, id: string) => all.find((each) => each.id === id);

  it('a set screw takes the driver that it is cut for; a screw that turns the other way is said', () => {
    expect(of(withClamp('chuck'), 'driver')).toBeUndefined();
    expect(of(withClamp('bar and set screw'), 'driver')).toMatchObject({
      what: 'Screwdriver for the terminals and set screws',
      because: 'Snug on the jacket, not through it.',
    });
    expect(of(withClamp('bar and set screw'), 'driver')?.set).toBeUndefined();
    expect(of(withClamp('set screw, hexagon'), 'driver')?.what).toBe('Hexagon key for the set screw');
    expect(of(withClamp('set screw, some left-hand'), 'driver')?.set).toBe(
      'some set screws have a left-hand thread',
    );
    expect(of(own(leadNamed('loudspeaker-two-pole')), 'driver')?.because).toBe(
      'The screw bites copper, never insulation.',
    );
    expect(of(withClamp('crimp tab'), 'pliers')).toBeDefined();
    expect(of(withClamp('chuck'), 'pliers')).toBeUndefined();
  });

  it('a heat gun where something with a bore is shrunk, and for nothing else', () => {
    const gun = (dressings: Lead['assembly']['dressings']) => {
      const lead = leadFor();
      const made = { ...dressed(lead), dressings };
      return tools(made, schoolsOf(lead)).some(({ id }) => id === 'heat-gun');
    };
    const [sleeve] = dressed(leadFor()).dressings.filter(({ size }) => size !== undefined);
    if (!sleeve) throw new Error('nothing is put on');
    const { size: _, ...bare } = sleeve;
    expect(gun([{ ...sleeve, closed: 'end' }])).toBe(true);
    expect(gun([{ ...sleeve, closed: 'never' }])).toBe(false);
    expect(gun([{ ...bare, closed: 'end' }])).toBe(false);
    expect(gun([])).toBe(false);
  });

  it('a notch is named where there are strands of a known gauge; a box is wired by its hook-up wire', () => {
    expect(of(own(leadNamed('stage-microphone')), 'stripper')?.set).toMatch(/^notch for \d+ AWG/);
    expect(of(own(leadNamed('volume-box')), 'stripper')?.set).toBe('the notch of the hook-up wire');
  });
});

describe('the label of a lead', () => {
  it('says its number and name, how long it is, and its ends: three or more of a kind counted', () => {
    const said = (name: string, number: number) => labelLines(leadNamed(name), number);
    const mic = said('stage-microphone', 7);
    expect(mic[0]).toMatch(/7 {2}Marionette bridge microphone$/);
    expect(mic[1]).toMatch(/^[\d.]+ m$|^\d+ ft/);
    expect(mic[2]).toMatch(/ → /);
    expect(said('eight-xlr-to-d25', 1).some((each) => /^8 × .+ → /.test(each))).toBe(true);
    expect(said('two-way-split', 1).join('\n')).not.toMatch(/\d × /);
    expect(said('stereo-microphone-fan-out', 1).at(-1)).toBe('left white, right red');
  });
});

describe('several leads in one kit', () => {
  it('of alike lines counts and lengths add up, each with the lead that it is for; a reel of solder is one', () => {
    const [one, other] = [leadNamed('stage-microphone'), leadNamed('star-quad-microphone')];
    const both = kitSheet([
      { lead: one, count: 2 },
      { lead: other, count: 3 },
    ]).items;
    const alone = (lead: Lead, count: number) => kitSheet([{ lead, count }]).items;
    const [first, second] = [alone(one, 2), alone(other, 3)];
    for (const { what, count, owned } of both) {
      const of = (items: typeof both) =>
        items.filter((each) => each.what === what && (each.owned ?? false) === (owned ?? false));
      const sum = [...of(first), ...of(second)].reduce((all, each) => all + each.count, 0);
      expect([what, count]).toEqual([what, /solder/i.test(what) ? 1 : sum]);
    }
    const shared = both.filter(
      ({ what }) => first.some((each) => each.what === what) && second.some((each) => each.what === what),
    );
    expect(shared.length).toBeGreaterThan(1);
    for (const { detail } of shared) expect(detail).toContain(`${one.name}: `);
  });
});
