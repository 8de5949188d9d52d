import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leadFor } from '../../../tests/support/leads';
import type { Patch } from '../../../tests/support/intents';
import { EXAMPLES, leadNamed, leadOf } from '../../../tests/examples/read';
import { dress, type Assembly, type Dressing, type Part } from '../assembly';
import { CONNECTORS } from '../catalogue';
import { dressed } from '../dressing';
import { kitSheet } from '../kit';
import type { Lead } from '../lead';
import { bundleMm, fits, fitsShrink, SHRINK, shrinkFor, sizeOf, thinned, type Fit } from '.';

describe('a bundle of wires', () => {
  it('two of 0.76 mm need 1.52 mm (handbook, section 8)', () =>
    expect(bundleMm([0.76, 0.76])).toBeCloseTo(1.52, 9));

  // Circle round n equal circles of diameter 1: exact packings, worked out by hand.
  it.each([
    [1, 1],
    [2, 2],
    [3, 1 + 2 / Math.sqrt(3)],
    [4, 1 + Math.SQRT2],
    [5, 1 + 1 / Math.sin(Math.PI / 5)],
    [6, 3],
    [7, 3],
  ])('of %d alike is %f of them across', (count, across) =>
    expect(bundleMm(Array.from({ length: count }, () => 1))).toBeCloseTo(across, 2),
  );

  it('the handbook’s shares: 4 → 0.69, 7 → 0.78, 19 → 0.80', () => {
    for (const [count, share] of [
      [4, 0.69],
      [7, 0.78],
      [19, 0.8],
    ] as const)
      expect(count / bundleMm(Array.from({ length: count }, () => 1)) ** 2).toBeCloseTo(share, 2);
  });

  it('is never thinner than its thickest, nor than their areas; one more never makes it thinner by more than the packing', () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 5, noNaN: true }), { minLength: 1, maxLength: 24 }),
        (wires) => {
          const across = bundleMm(wires);
          const area = wires.reduce((sum, each) => sum + each * each, 0);
          return across >= Math.max(...wires) - 1e-9 && across ** 2 >= area - 1e-6;
        },
      ),
    ));

  it('a screen of 2.1 mm that has to be 1.8: what is left goes with the square', () => {
    const { share, resistance } = thinned(2.1, 1.8);
    expect(share).toBeCloseTo(1 - 3.24 / 4.41, 9);
    expect(resistance).toBeCloseTo(4.41 / 3.24, 9);
    expect(thinned(1.5, 1.8)).toEqual({ share: 0, resistance: 1 });
    expect(thinned(1.5, 0)).toEqual({ share: 1, resistance: Infinity });
  });
});

describe('a jacket that is too thin for its clamp', () => {
  // A turn of shrink makes it 1 mm thicker (nominal); a clamp of 3.5 to 8 mm.
  it.each([
    [3.5, undefined],
    [3.4, 'Too thin for the clamp: a turn of shrink under it.'],
    [2.4, 'Too thin for the clamp: 2 turns of shrink under it.'],
    [1.4, 'Too thin for the clamp: 3 turns of shrink under it.'],
    [8.1, 'Take a large-entry body or a thinner cable; never pare the cores.'],
  ])('%f mm: %s', (jacketMm, todo) => {
    const all = dressed(leadFor());
    const cables = all.uses.cables.map((each) => ({ ...each, jacketMm }));
    // As it comes: nothing put under the clamp yet.
    const bare = { ...all, dressings: [], uses: { ...all.uses, cables } };
    const fit = fits(bare).find(({ id }) => id === 'jacket-A');
    expect(fit?.takes).toBe('3.5 to 8 mm');
    expect(fit?.todo).toBe(todo);
  });
});

describe('heat-shrink', () => {
  it.each([
    // Over 6 mm onto 4.4: 6.4/3.2 goes over the one and grips the other.
    [{ passesMm: 6, gripsMm: 4.4 }, [6.4, 3.2]],
    // 3.1 mm and a little play does not go into 3.2.
    [{ passesMm: 3.1, gripsMm: 2.5 }, [4.8, 2.4]],
    // A connector of 19 mm over a cable of 6: no 2:1 and no 3:1 does both (24/8); 24/6 does not grip 6; 4:1 of 24/6 grips 6.2.
    [{ passesMm: 19, gripsMm: 6.2 }, [24, 6]],
    // A boot of 9 mm and a cable of 4: 2:1 leaves 4.8; a third of 12 is 4, which does not grip 4; a third of 9 does not pass.
    [{ passesMm: 9, gripsMm: 4 }, [12, 3]],
    // It only has to lie there.
    [{ passesMm: 0.5 }, [1.2, 0.6]],
  ])('over %j takes %j', (over, [suppliedMm, recoveredMm]) =>
    expect(shrinkFor(over)).toEqual({ suppliedMm, recoveredMm }),
  );

  it('nothing does the impossible', () => {
    expect(shrinkFor({ passesMm: 60, gripsMm: 50 })).toBeUndefined();
    expect(shrinkFor({ passesMm: 20, gripsMm: 1 })).toBeUndefined();
  });

  it('what is chosen always does both; no smaller one of its kind does', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.4, max: 30, noNaN: true }),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        (passesMm, share) => {
          const over = { passesMm, gripsMm: passesMm * share };
          const chosen = shrinkFor(over);
          const all = SHRINK.flatMap(({ bores }) => bores.filter((bore) => fitsShrink(bore, over)));
          if (!chosen) return all.length === 0;
          const kind = SHRINK.find(({ bores }) => bores.includes(chosen));
          return (
            fitsShrink(chosen, over) &&
            (kind?.bores ?? []).every(
              (bore) => bore.suppliedMm >= chosen.suppliedMm || !fitsShrink(bore, over),
            )
          );
        },
      ),
    ));
});

const fitOf = (lead: Lead, id: string): Fit | undefined =>
  fits(dressed(lead)).find((each) => each.id.startsWith(id));
const withPart = (lead: Lead, body: string, change: (part: Part) => Part): Lead => ({
  ...lead,
  assembly: {
    ...lead.assembly,
    bodies: lead.assembly.bodies.map((each) =>
      each.id === body ? { ...each, parts: each.parts.map(change) } : each,
    ),
  },
});

describe('what has to fit, with both figures', () => {
  it('a jacket of 6.2 mm in an entry of 3.5 to 8: 1.8 mm to spare', () => {
    const found = fitOf(leadFor(), 'jacket-A');
    expect(found).toMatchObject({ takes: '3.5 to 8 mm', verdict: 'fits' });
    expect(found?.has).toBe('6.2 mm, Microphone cable, one pair, woven braid');
    expect(found?.marginMm).toBeCloseTo(1.8, 9);
  });

  it('a jacket of 8 mm in an entry of 4 to 8 goes in with nothing to spare, and nothing has to be done; of 9 mm there has', () => {
    const lead = leadNamed('loudspeaker-two-pole');
    const at = (jacketMm: number) =>
      fitOf(
        {
          ...lead,
          assembly: {
            ...lead.assembly,
            uses: {
              ...lead.assembly.uses,
              cables: lead.assembly.uses.cables.map((each) => ({ ...each, jacketMm })),
            },
          },
        },
        'jacket-A',
      );
    expect(at(8)).toMatchObject({ verdict: 'tight', marginMm: 0, takes: '4 to 8 mm' });
    expect(at(8)?.todo).toBeUndefined();
    expect(at(9)).toMatchObject({ verdict: 'not' });
    expect(at(9)?.todo).toBe('Take a large-entry body or a thinner cable; never pare the cores.');
  });

  it('sleeving adds two walls of 0.6: 6.2 becomes 7.4', () => {
    const lead = leadFor();
    const sleeved: Lead = {
      ...lead,
      assembly: {
        ...lead.assembly,
        dressings: [
          dress({ id: 'sleeving', what: 'expandable-sleeve', over: 'W1', says: 'over the whole lead' }),
        ],
      },
    };
    expect(fitOf(sleeved, 'jacket-A')?.has).toContain('7.4 mm');
    expect(fitOf(sleeved, 'jacket-A')?.marginMm).toBeCloseTo(0.6, 9);
    // It is cut longer than the lead and trimmed last: (6000 − 46 − 42) × 1.15 + 2 × 12.
    expect(dressed(sleeved).dressings.find(({ id }) => id === 'sleeving')?.lengthMm).toBe(
      Math.round(5912 * 1.15 + 24),
    );
  });

  it('two cables abreast count both: 6 + 6 mm do not go into 4 to 7', () =>
    expect(fitOf(leadNamed('insert-tip-send'), 'jacket-A')).toMatchObject({
      has: '12 mm (6 + 6), Instrument cable, one core, low capacitance',
      verdict: 'not',
      marginMm: -5,
    }));

  it('a leg of a fan-out: 1.9 mm, its own shrink and one turn under the clamp make 3.9', () => {
    const found = fitOf(leadNamed('stereo-microphone-fan-out'), 'jacket-B');
    expect(found?.has).toContain('3.9 mm');
    expect(found?.verdict).toBe('fits');
  });

  it('a braid of 2.1 mm and a link of 0.6 in cup 1 of 2.6: 2.7, so about 30 % of it is cut (common practice: about 30 %)', () => {
    const found = fitOf(leadNamed('shell-joined'), 'bundle-A.1');
    expect(found?.has).toBe('2.7 mm');
    // 2.4 − 0.6 = 1.8 of 2.1 may stay: 1 − (1.8/2.1)² = 27 %, by steps of 5: 30; 1.36 times its resistance.
    expect(found?.todo).toBe(
      'Cut about 30 % of the strands of the screen: 1.4 times its resistance, over a few millimetres.',
    );
  });

  it('a braid of which too little would be left is not thinned: up to four fifths of it go', () => {
    const lead = leadNamed('shell-joined');
    const said = (boreMm: number): string | undefined => {
      const connectors = lead.assembly.uses.connectors.map((each) => ({
        ...each,
        contacts: each.contacts.map((contact) => ({ ...contact, boreMm })),
      }));
      const assembly = { ...lead.assembly, uses: { ...lead.assembly.uses, connectors } };
      return fitOf({ ...lead, assembly }, 'bundle-A.1')?.todo;
    };
    // Beside a link of 0.6 and 0.2 of solder 1.05 mm are left of 2.1: three quarters go. With 0.8 left it would be 85 %.
    expect(said(1.85)).toContain('Cut about 75 % of the strands');
    expect(said(1.6)).toMatch(/^With the others there it is too fat/);
  });

  it('under a screw nothing is ever said of tin', () => {
    const found = fits(dressed(leadNamed('two-loudspeakers-parallel'))).filter(({ says }) =>
      says.includes('screw'),
    );
    expect(found.length).toBeGreaterThan(0);
    for (const { todo = '' } of found) expect(todo).not.toMatch(/tin them|tin it/i);
  });

  it('a sum’s three resistors in an XLR: 12.5 × 5.4 mm in 30 × 13; of 2 W they do not go in', () => {
    const sum = leadNamed('stereo-sum');
    // A body of 6.5 and 3 mm of leg at either side; three of 2.5 abreast: 2.5 × 2.1547.
    expect(fitOf(sum, 'parts-b')).toMatchObject({ has: '12.5 mm long, 5.4 mm across', verdict: 'fits' });
    const large = withPart(sum, 'b', (part) =>
      part.kind === 'resistor' ? { ...part, ratings: { watts: 2 } } : part,
    );
    // 15.5 + 6 long; 5 × 2.1547 = 10.8 across.
    expect(fitOf(large, 'parts-b')).toMatchObject({ has: '21.5 mm long, 10.8 mm across', verdict: 'fits' });
    const jack: Assembly = {
      ...large.assembly,
      uses: {
        ...large.assembly.uses,
        connectors: large.assembly.uses.connectors.map((each) => ({
          ...each,
          innerMm: CONNECTORS.find(({ id }) => id === 'trs35-plug')?.innerMm,
        })),
      },
    };
    expect(fitOf({ ...large, assembly: jack }, 'parts-b')).toMatchObject({
      verdict: 'not',
      todo: 'Take smaller parts, a longer body, or build them into a barrel or a box of their own.',
    });
  });

  it('parts that follow each other count their lengths, parts abreast their widths', () => {
    // Resistor 6.5, lamp 8.6 and three legs of 3: 24.1; its guard diode lies on the same point, so it is beside them.
    const plain = fitOf(leadNamed('tell-tale-unguarded'), 'parts-');
    expect(plain?.has).toContain('24.1 mm long, 10 mm across');
    expect(plain?.has).toContain('rear opening');
  });

  it('what no size is known of is measured, and said so', () =>
    expect(fitOf(leadNamed('transformer-line-to-recorder'), 'parts-b')).toMatchObject({
      verdict: 'measure',
      todo: 'Measure T1: no size of it is known here.',
    }));

  it('shrink from the boot to the jacket passes over the one and grips the other, by what is worked out and by hand', () => {
    const lead = leadFor();
    const put = (size?: { suppliedMm: number; recoveredMm: number }): Lead => ({
      ...lead,
      assembly: {
        ...lead.assembly,
        dressings: [
          dress({
            id: 'glued',
            what: 'adhesive-shrink',
            over: 'A',
            ...(size ? { size } : {}),
            says: 'from the boot of end A to the jacket',
          }),
        ],
      },
    });
    // A boot of 14 and a jacket of 6.2: 19.1 halves to 9.5 and does not grip; a third of 18 is 6 and does.
    const found = dressed(put()).dressings.find(({ id }) => id === 'glued');
    expect(found).toMatchObject({ size: { suppliedMm: 18, recoveredMm: 6 }, lengthMm: 50 });
    expect(fitOf(put(), 'shrink-glued')).toMatchObject({
      has: '14 mm to pass over, 6.2 mm to grip',
      takes: '18 mm as supplied, 6 mm recovered',
    });
    // 4 mm to pass, 0.2 to grip.
    expect(fitOf(put(), 'shrink-glued')?.marginMm).toBeCloseTo(0.2, 9);
    expect(fitOf(put({ suppliedMm: 12, recoveredMm: 4 }), 'shrink-glued')).toMatchObject({
      verdict: 'not',
      marginMm: -2,
      todo: 'It does not go over: the next size up.',
    });
    expect(fitOf(put({ suppliedMm: 19.1, recoveredMm: 9.5 }), 'shrink-glued')?.todo).toBe(
      'It does not grip: the next size down, or one that shrinks to a third.',
    );
  });

  it('a boot of its own goes over the jacket, and over sleeving where that is on it: 6.2 and 7.4 mm in 7', () => {
    const lead = leadFor();
    const boot = dress({
      id: 'boot-A',
      what: 'boot',
      over: 'A',
      size: { suppliedMm: 7 },
      says: 'at end A',
    });
    const sleeve = dress({ id: 's', what: 'expandable-sleeve', over: 'W1', says: 'over the lead' });
    const of = (dressings: readonly Dressing[]): Fit | undefined =>
      fitOf({ ...lead, assembly: { ...lead.assembly, dressings: [...dressings] } }, 'boot-boot-A');
    expect(of([boot])).toMatchObject({ has: '6.2 mm in it', takes: '7 mm', verdict: 'fits' });
    expect(of([boot, sleeve])).toMatchObject({
      has: '7.4 mm in it, two walls of sleeving with it',
      verdict: 'not',
      todo: 'End the sleeving before the boot and put shrink over its end, or take a larger boot.',
    });
  });

  it('a hole on the way: the cable, and each connector by its widest; which end is made on site follows', () => {
    const through = (mm: number | undefined, patch: Patch = {}) => {
      const lead = leadFor({ ...(mm === undefined ? {} : { through: { mm } }), ...patch });
      const { fits: all } = kitSheet([{ lead, count: 1 }]);
      return new Map(all.filter(({ pair }) => pair === 'pulled-through').map((each) => [each.id, each]));
    };
    expect(through(undefined).size).toBe(0);
    // 6.2 mm of jacket; a cable socket is 19 mm at its widest, a plug 18 or 19.
    const narrow = through(10);
    expect(narrow.get('through-cable')).toMatchObject({ has: '6.2 mm', takes: '10 mm', verdict: 'fits' });
    expect(narrow.get('through-A')).toMatchObject({ has: '19 mm', marginMm: -9, verdict: 'not' });
    expect(narrow.get('through-B')).toMatchObject({
      verdict: 'measure',
      todo: 'It is made on site: pull the bare cable through first, the other end finished.',
    });
    expect(through(25).get('through-B')).toMatchObject({ verdict: 'fits' });
    // Such a lead is not derived; one that was made for no hole may still meet one.
    expect(fits(dressed(leadFor()), { holeMm: 5 }).find(({ id }) => id === 'through-cable')).toMatchObject({
      verdict: 'not',
      todo: 'Nothing goes through: a thinner cable, a larger hole or another way.',
    });
    const wall = through(30, { surroundings: 'wall', cable: 'pair-in-wall' });
    expect(wall.get('wall')?.todo).toContain('local code and licensed people decide');
    expect(through(30).has('wall')).toBe(false);
  });

  it('shrink that was put on by hand and does not fit says which way', () => {
    const lead = leadFor();
    const put = (suppliedMm: number, recoveredMm: number): Fit | undefined =>
      fitOf(
        {
          ...lead,
          assembly: {
            ...lead.assembly,
            dressings: [
              dress({
                id: 'mine',
                what: 'heat-shrink',
                over: 'W1',
                at: 'a',
                size: { suppliedMm, recoveredMm },
                says: 'mine',
              }),
            ],
          },
        },
        'shrink-mine',
      );
    expect(put(4.8, 2.4)).toMatchObject({ verdict: 'not', todo: 'It does not go over: the next size up.' });
    expect(put(19.1, 9.5)?.todo).toContain('does not grip');
    expect(put(9.5, 4.8)?.verdict).toBe('fits');
  });

  it('a box’s sockets say their holes', () =>
    expect(fitOf(leadNamed('volume-box'), 'hole-A')).toMatchObject({
      takes: 'a hole of 9.5 mm',
      verdict: 'measure',
    }));

  it('what does not fit comes first; every one has an id of its own', () => {
    const all = fits(dressed(leadNamed('insert-tip-send')));
    expect(all[0]?.verdict).toBe('not');
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
  });

  it('sizes grow with ratings', () => {
    const wide = (watts: number): number =>
      sizeOf({ id: 'R1', kind: 'resistor', ohms: 470, ratings: { watts } })?.wideMm ?? 0;
    expect([0.125, 0.25, 0.5, 1, 2, 5].map(wide)).toEqual([1.9, 2.5, 3.2, 4.5, 5, 5]);
  });
});

it('what does not fit is told first, then what is tight, then what has to be measured, and what fits last', () => {
  const ORDER = ['not', 'tight', 'measure', 'fits'];
  let mixed = 0;
  for (const example of EXAMPLES) {
    const told = fits(dressed(leadOf(example))).map(({ verdict }) => ORDER.indexOf(verdict));
    expect(told, example.id).toEqual([...told].sort((a, b) => a - b));
    if (new Set(told).size > 1) mixed++;
  }
  expect(mixed).toBeGreaterThan(20);
});
