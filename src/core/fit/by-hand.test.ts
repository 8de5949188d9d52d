import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadNamed, leadOf } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import { dress, type Assembly, type Dressing, type Part } from '../assembly';
import { dressed } from '../dressing';
import { fits, SHRINK, sizeOf, thinned, thicknessOf, type Fit } from '.';

describe('sizes, by hand', () => {
  const part = (more: object): Part => ({ id: 'P1', ...more }) as Part;
  it.each([
    // Watts: the smallest body that bears them; more than the largest is the largest; nothing said is a quarter.
    [0.1, 3.5, 1.9, 0.5],
    [0.125, 3.5, 1.9, 0.5],
    [0.13, 6.5, 2.5, 0.6],
    [undefined, 6.5, 2.5, 0.6],
    [0.25, 6.5, 2.5, 0.6],
    [0.26, 9, 3.2, 0.7],
    [0.5, 9, 3.2, 0.7],
    [0.6, 11.5, 4.5, 0.8],
    [1, 11.5, 4.5, 0.8],
    [1.1, 15.5, 5, 0.8],
    [2, 15.5, 5, 0.8],
    [5, 15.5, 5, 0.8],
  ] as const)('a resistor of %s W', (watts, longMm, wideMm, legMm) =>
    expect(
      sizeOf(part({ kind: 'resistor', ohms: 470, ...(watts === undefined ? {} : { ratings: { watts } }) })),
    ).toEqual({ longMm, wideMm, legMm }),
  );
  it.each([
    [{ kind: 'capacitor', farads: 0.99e-6 }, [7.2, 2.5, 0.5]],
    [{ kind: 'capacitor', farads: 1e-6 }, [11, 5, 0.5]],
    [{ kind: 'capacitor' }, [7.2, 2.5, 0.5]],
    [{ kind: 'diode' }, [4, 2, 0.5]],
    [{ kind: 'led' }, [8.6, 5, 0.5]],
    [{ kind: 'lamp' }, [24, 9.3, 0.5]],
  ])('%j', (what, [longMm, wideMm, legMm]) => expect(sizeOf(part(what))).toEqual({ longMm, wideMm, legMm }));
  it.each(['battery', 'potentiometer', 'switch', 'transformer'])('of a %s its own sheet says it', (kind) =>
    expect(sizeOf(part({ kind }))).toBeUndefined(),
  );

  it('shrink as it is sold: 2:1, 3:1 and 4:1 (SAE-AMS-DTL-23053/5 and shop lists, from memory)', () =>
    expect(
      SHRINK.map(({ ratio, bores }) => [
        ratio,
        bores.map(({ suppliedMm, recoveredMm }) => `${suppliedMm}/${recoveredMm}`).join(' '),
      ]),
    ).toEqual([
      [2, '1.2/0.6 1.6/0.8 2.4/1.2 3.2/1.6 4.8/2.4 6.4/3.2 9.5/4.8 12.7/6.4 19.1/9.5 25.4/12.7'],
      [3, '1.5/0.5 3/1 6/2 9/3 12/4 18/6 24/8 39/13'],
      [4, '4/1 8/2 12/3 16/4 24/6 32/8 52/13'],
    ]));

  it('a screen that is thin enough has nothing cut', () => {
    expect(thinned(1.8, 1.8)).toEqual({ share: 0, resistance: 1 });
    expect(thinned(1.8, 1.79).share).toBeGreaterThan(0);
    expect(thinned(1.8, -1)).toEqual({ share: 1, resistance: Infinity });
  });
});

/** A figure as the page has it. */
const mm = (value: number): string => `${Math.round(value * 10) / 10} mm`;
/** The circle round wires of these diameters (handbook, section 8; shares of the densest packings, from memory). */
function round(wires: readonly number[]): number {
  if (wires.length < 3) return wires.reduce((sum, each) => sum + each, 0);
  const share = [0, 1, 0.5, 0.6461, 0.6862, 0.6852, 0.6667, 0.7778, 0.7325, 0.6895][wires.length] ?? 0.7;
  return Math.max(...wires, Math.sqrt(wires.reduce((sum, each) => sum + each ** 2, 0) / share));
}
const verdict = (margin: number, tight: number): Fit['verdict'] =>
  margin < 0 ? 'not' : margin < tight ? 'tight' : 'fits';

const SMALL = EXAMPLES.filter((example) => {
  const { bodies } = leadOf(example).assembly;
  return bodies.reduce((sum, { joints }) => sum + joints.length, 0) < 60;
});
/** The diameter of the copper of a conductor or a leg, or of a link of clipped wire. */
function copper(assembly: Assembly, terminal: string): readonly number[] {
  const [name = '', rest = ''] = [
    terminal.slice(0, terminal.indexOf('.')),
    terminal.slice(terminal.indexOf('.') + 1),
  ];
  const span = assembly.spans.find(({ id }) => id === name);
  if (span) {
    const cable = assembly.uses.cables.find(({ id }) => id === span.cable);
    const wide = cable?.conductors.find(({ id }) => id === rest.split('@')[0])?.copperMm;
    return wide === undefined ? [] : [wide];
  }
  const part = assembly.bodies.flatMap(({ parts }) => parts).find(({ id }) => id === name);
  return part ? [sizeOf(part)?.legMm ?? 0.6] : [];
}

describe('copper in contacts, each of every small example once more', () => {
  it('says how many wires, how much room, and what that comes to', () => {
    let [seen, several] = [0, 0];
    for (const example of SMALL) {
      const lead = leadOf(example);
      const assembly = dressed(lead);
      const said = fits(assembly, {}).filter(({ pair }) => pair === 'bundle-in-contact');
      const by = new Map(said.map((each) => [each.id, each]));
      const expected = new Set<string>();
      for (const body of assembly.bodies)
        for (const end of body.ends)
          for (const contact of assembly.uses.connectors.find(({ id }) => id === end.connector)?.contacts ??
            []) {
            const terminal = `${end.id}.${contact.id}`;
            const here = body.joints.filter(({ terminals }) => terminals.includes(terminal));
            const how = here.map((joint) => joint.how).find((each) => /^(cup|tab|lug|screw)$/.test(each));
            const wires = here.flatMap(({ terminals, how: made }) => [
              ...terminals.flatMap((each) => copper(assembly, each)),
              ...(made === 'link' ? [0.6] : []),
            ]);
            if (contact.boreMm === undefined || !how || wires.length === 0) continue;
            seen++;
            if (wires.length > 1) several++;
            expected.add(`bundle-${terminal}`);
            const isCup = contact.takes === 'cup';
            const margin = contact.boreMm - (isCup ? 0.2 : 0) - round(wires);
            const is = verdict(margin, 0.1);
            const found = by.get(`bundle-${terminal}`);
            expect(found, `${example.id} ${terminal}`).toMatchObject({
              at: end.id,
              says: `${wires.length === 1 ? 'Wire' : `${wires.length} wires`} in the ${how === 'tab' || how === 'lug' ? `hole of the ${how}` : how === 'screw' ? 'screw terminal' : 'cup'} of ${terminal}`,
              has: mm(round(wires)),
              takes: `${contact.boreMm} mm${isCup ? ', a little of it for solder' : ''}`,
              verdict: contact.takes === 'lug' && is === 'not' ? 'tight' : is,
            });
            expect(found?.marginMm).toBeCloseTo(margin, 9);
            expect(found?.todo === undefined).toBe(is === 'fits');
          }
      expect([...by.keys()].sort()).toEqual([...expected].sort());
    }
    expect(seen).toBeGreaterThan(150);
    expect(several).toBeGreaterThan(10);
  });
});

describe('jackets in entries, each of every small example once more', () => {
  it('says jacket or leg, with what is on it, and what that comes to', () => {
    const kinds = new Set<string>();
    for (const example of SMALL) {
      const assembly = dressed(leadOf(example));
      const said = fits(assembly, {}).filter(({ pair }) => pair === 'jacket-in-entry');
      for (const body of assembly.bodies)
        for (const end of body.ends) {
          const range = assembly.uses.connectors.find(({ id }) => id === end.connector)?.cableMm;
          const spans = assembly.spans.filter(({ from, to }) => from === body.id || to === body.id);
          const found = said.find(({ id }) => id === `jacket-${end.id}`);
          if (!range || spans.length === 0) {
            expect(found, `${example.id} ${end.id}`).toBeUndefined();
            continue;
          }
          const widths = spans.map((span) => {
            const bare = thicknessOf(assembly, span);
            const on = assembly.dressings.filter(({ over }) => over === span.id);
            const turns = on.filter(
              ({ what, at }) => what === 'heat-shrink' && (span.carries !== undefined || at === body.id),
            ).length;
            return bare === undefined
              ? undefined
              : bare + turns + (on.some(({ what }) => what === 'expandable-sleeve') ? 1.2 : 0);
          });
          if (widths.some((each) => each === undefined)) continue;
          const has = widths.reduce((sum: number, each) => sum + (each ?? 0), 0);
          const kind =
            spans.length > 1 ? `${spans.length} cables abreast` : spans[0]?.carries ? 'Leg' : 'Jacket';
          kinds.add(kind.replace(/^\d+ /, ''));
          const margin = Math.min(has - range.min, range.max - has);
          expect(found, `${example.id} ${end.id}`).toMatchObject({
            says: `${kind} in the entry of end ${end.id}`,
            takes: `${range.min} to ${range.max} mm`,
            verdict: verdict(margin, 0.3),
          });
          expect(found?.marginMm).toBeCloseTo(margin, 9);
          expect(found?.has.startsWith(mm(has))).toBe(true);
          expect(found?.todo !== undefined).toBe(has < range.min || has > range.max);
        }
    }
    expect([...kinds].sort()).toEqual(['Jacket', 'Leg', 'cables abreast']);
  });
});

describe('what was put on by hand, on both sides of its limit', () => {
  const LEAD = leadFor();
  const jacket = thicknessOf(LEAD.assembly, LEAD.assembly.spans[0] as (typeof LEAD.assembly.spans)[0]) ?? 0;
  const withIt = (more: Partial<Dressing>): Assembly => ({
    ...LEAD.assembly,
    dressings: [dress({ id: 'mine', what: 'boot', over: 'W1', at: 'a', says: 'on it', ...more })],
  });
  const one = (assembly: Assembly, pair: string) => fits(assembly, {}).find((each) => each.pair === pair);

  it.each([
    [-0.1, 'not', true],
    [0, 'tight', false],
    [0.29, 'tight', false],
    [0.31, 'fits', false],
  ] as const)('a boot with %f mm to spare: %s', (spare, is, todo) => {
    const fit = one(withIt({ size: { suppliedMm: jacket + spare } }), 'boot-over');
    expect(fit?.verdict).toBe(is);
    expect(fit?.todo !== undefined).toBe(todo);
    expect(fit?.has).toBe(`${mm(jacket)} in it`);
  });

  it.each([
    // As supplied over the jacket, recovered below it: 0.2 mm of play to push it on.
    [0.19, -1, 'not', false],
    [0.21, -0.21, 'fits', false],
    [0.21, -0.19, 'tight', false],
    [1, 0, 'not', true],
    [1, 0.5, 'not', true],
    [-0.1, -1, 'not', true],
  ] as const)('shrink of %f mm more, recovered %f: %s', (supplied, recovered, is, todo) => {
    const fit = one(
      withIt({
        what: 'heat-shrink',
        size: { suppliedMm: jacket + supplied, recoveredMm: jacket + recovered },
      }),
      'shrink-over',
    );
    expect(fit?.verdict).toBe(is);
    expect(fit?.todo !== undefined).toBe(todo);
    expect(fit?.marginMm).toBeCloseTo(Math.min(supplied, -recovered), 9);
  });

  it('a hole on the way: the cable with a millimetre to spare, and no cable no words of it', () => {
    const cable = (holeMm: number) =>
      fits(LEAD.assembly, { holeMm }).find(({ id }) => id === 'through-cable');
    expect(cable(jacket - 0.1)).toMatchObject({ verdict: 'not', todo: expect.stringContaining('thinner') });
    expect(cable(jacket)).toMatchObject({ verdict: 'tight', says: 'The cable through the hole on the way' });
    expect(cable(jacket + 0.9)?.verdict).toBe('tight');
    expect(cable(jacket + 1.1)?.verdict).toBe('fits');
    expect(cable(jacket)?.todo).toBeUndefined();
    const box = leadNamed('volume-box').assembly;
    const none = fits(box, { holeMm: 20, inWall: true });
    expect(none.filter(({ id }) => id === 'through-cable' || id === 'wall')).toEqual([]);
    expect(fits(LEAD.assembly, {}).filter(({ pair }) => pair === 'pulled-through')).toEqual([]);
    expect(fits(LEAD.assembly, { inWall: true }).filter(({ id }) => id === 'wall')).toHaveLength(1);
  });
});
