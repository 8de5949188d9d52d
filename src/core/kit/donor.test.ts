import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import { netlist, readAssembly } from '../assembly';
import { planOf } from '../bench';
import { cableCuts, cuts, strips } from '../cutting';
import { kitFileSchema } from '../formats';
import { peel } from '../drawing';
import { dressed } from '../dressing';
import { findings } from '../findings';
import { fits } from '../fit';
import { applyEdit, derive, schoolsOf, type Edit, type Lead } from '../lead';
import { USUAL_SCHOOLS } from '../wiring';
import { readShape } from '../quantity';
import { kitPages } from '../vice';
import { kit, kitSheet } from '.';

/** A lead that is derived with these changes. */
function changed(of: Lead, ...edits: readonly Edit[]): Lead {
  const made = derive(of.intent, edits);
  if (!made.ok) throw new Error(made.problems[0]?.says);
  expect(made.value.because.lapsed).toEqual([]);
  return made.value;
}
const kept = (end: string): Edit => ({ kind: 'stay', end });
const lines = (lead: Lead) => kit(dressed(lead), schoolsOf(lead));
const refusal = (of: Lead, ...edits: readonly Edit[]): string =>
  edits.reduce<{ assembly: Lead['assembly']; says: string }>(
    ({ assembly, says }, edit) => {
      const made = applyEdit(assembly, edit);
      return made.ok ? { assembly: made.value, says } : { assembly, says: made.problems[0]?.says ?? '' };
    },
    { assembly: of.assembly, says: '' },
  ).says;

const whole = leadFor();
const donor = changed(whole, kept('B'));

describe('a donor lead whose far end stays', () => {
  it('joins what it joined, and says nothing else of it', () => {
    expect(netlist(donor.assembly)).toEqual(netlist(whole.assembly));
    expect(findings(donor).map(({ rule }) => rule)).toEqual(findings(whole).map(({ rule }) => rule));
    expect(readAssembly(JSON.parse(JSON.stringify(donor.assembly))).ok).toBe(true);
  });

  it('its kit is of its shape in the shell’s format, with the end that it is cut from', () => {
    const sheet = kitSheet([{ lead: donor, count: 1 }]);
    const read = readShape(kitFileSchema, JSON.parse(JSON.stringify(sheet)));
    expect(read.ok ? read.value.cuts.map(({ from }) => from?.end) : read.problems).toEqual(['B']);
    expect(sheet.remade.map(({ end }) => end)).toEqual(['A']);
  });

  it('is cut from its own face: 6000 − 46 in the new connector + 22 strip-back + 5 trim; the end that stays adds nothing', () => {
    const [cut] = cuts(donor.assembly, schoolsOf(donor));
    expect(cut?.total).toBe(6000 - 46 + 22 + 5);
    expect(cut?.from).toEqual({ end: 'B', datum: 'face' });
    const other = changed(whole, kept('A'));
    expect(cuts(other.assembly, schoolsOf(other))[0]?.total).toBe(6000 - 42 + 22 + 5);
    const jacket = changed(leadFor({ length: { mm: 6000, datum: 'jacket' } }), kept('B'));
    expect(cuts(jacket.assembly, schoolsOf(jacket))[0]?.total).toBe(6000 + 22 + 5);
    const longer = changed(leadFor({ schools: { 'conductor-lengths': 'screen-longer' } }), kept('B'));
    expect(cuts(longer.assembly, schoolsOf(longer))[0]?.total).toBe(6000 - 46 + 22 + 5 + 3);
  });

  it('takes no reel, and its end is not stripped', () => {
    expect(cableCuts(whole.assembly, USUAL_SCHOOLS)).toHaveLength(1);
    expect(cableCuts(donor.assembly, USUAL_SCHOOLS)).toEqual([]);
    expect(strips(donor.assembly, schoolsOf(donor)).map(({ end }) => end)).toEqual(['A']);
  });

  it('stands under what the builder has, connector and cable; the new connector is still wanted', () => {
    expect(
      lines(donor).map(({ item, count, owned, detail }) => [item, count, owned ?? false, detail]),
    ).toEqual(
      expect.arrayContaining([
        ['xlr3-socket', 1, false, 'end A; chuck closed by the boot'],
        ['xlr3-plug', 1, true, 'end B, as it came'],
        ['pair-braid', 1, true, 'at least 5.981 m of it, from the face of end B'],
      ]),
    );
    const taken = kitSheet([{ lead: donor, count: 3 }]).items.filter(({ owned }) => !owned);
    expect(taken.some(({ item }) => item === 'pair-braid' || item === 'xlr3-plug')).toBe(false);
  });

  it('whichever end stays, what waits on the cable comes on from the other; paper says what is cut', () => {
    for (const [end, other] of [
      ['A', 'b'],
      ['B', 'a'],
    ] as const) {
      const from = changed(whole, kept(end));
      const label = dressed(from).dressings.find(({ what }) => what === 'clear-shrink');
      expect(label?.at).toBe(other);
      const text = kitPages(from, kitSheet([{ lead: from, count: 1 }]), 'a4')
        .flatMap((sheet) => sheet.lines.map((line) => line.text))
        .join(' ');
      expect(text).toContain(`of the donor lead, from the face of end ${end}`);
    }
  });

  it('two ends of one kind: one to take, one that is there', () => {
    const patch = leadNamed('patch-lead');
    const one = changed(patch, kept('B'));
    const [connector] = patch.assembly.uses.connectors;
    expect(
      lines(patch)
        .filter(({ item }) => item === connector?.id)
        .map(({ count }) => count),
    ).toEqual([2]);
    expect(
      lines(one)
        .filter(({ item }) => item === connector?.id)
        .map(({ count, owned }) => [count, owned ?? false]),
    ).toEqual([
      [1, false],
      [1, true],
    ]);
  });

  it('is proven before it is cut; nothing is threaded, soldered or closed at its end; all of it is measured at last', () => {
    const steps = planOf(donor).operations;
    expect(steps.filter(({ end }) => end === 'B').map(({ id }) => id)).toEqual([]);
    expect(steps.filter(({ end }) => end === 'A').length).toBeGreaterThan(8);
    expect(steps[0]?.title).toBe('Cut the donor lead to 5.981 m, from the face of end B');
    expect(steps[0]?.detail.join(' ')).toMatch(/Measure it through first/);
    expect(steps.some(({ kind }) => kind === 'prove')).toBe(true);
    expect(
      steps
        .flatMap(({ joint }) => joint ?? [])
        .every((id) => donor.assembly.bodies.some(({ joints }) => joints.some((each) => each.id === id))),
    ).toBe(true);
  });

  it('is drawn as it is in the hand: each core on its contact', () => {
    const at = (lead: Lead) =>
      peel(lead.assembly, 'B')?.conductors.map(({ terminal, joint }) => [terminal, joint]);
    expect(at(donor)?.length).toBe(3);
    expect(at(donor)).toEqual(at(whole));
  });

  it('a braid is braided already: one cut, no wires by colour, no braiding', () => {
    const braid = leadNamed('vehicle-braid');
    const from = changed(braid, kept('B'));
    expect(planOf(braid).operations.some(({ kind }) => kind === 'braid')).toBe(true);
    expect(planOf(from).operations.some(({ kind }) => kind === 'braid')).toBe(false);
    const [cut] = cuts(from.assembly, schoolsOf(from));
    expect(cut?.wires).toBeUndefined();
    // 4 m less the 20 in the new plug, 12 of free wire and 5 of trim.
    expect(cut?.total).toBe(4000 - 20 + 12 + 5);
  });

  it('the plug of a donor stays on headphones’ new lead; in the cups it is made', () => {
    const cord = changed(leadNamed('headphone-cord'), kept('A'));
    const ends = new Set(planOf(cord).operations.flatMap(({ end }) => end ?? []));
    expect(ends.has('A')).toBe(false);
    expect(ends.size).toBeGreaterThan(0);
    expect(lines(cord).find(({ id }) => id.endsWith('-donor'))?.owned).toBe(true);
  });

  it('that is pulled through a wall keeps its connector on its side: the other end is made on site', () => {
    const pulled = changed(leadNamed('through-the-wall'), kept('B'));
    const titles = planOf(pulled).operations.map(({ title }) => title);
    expect(titles).toContain('Pull the cable through, then make end A there');
    expect(titles.join(' ')).not.toMatch(/make end B/);
    expect(fits(dressed(pulled), { holeMm: 10 }).find(({ id }) => id === 'through-B')?.todo).toMatch(
      /this end stays on its side of the hole/,
    );
  });

  it('is not asked whether its end fits', () => {
    const at = (lead: Lead) => fits(dressed(lead), {}).map((each) => each.at);
    expect(at(whole)).toContain('B');
    expect(at(donor)).not.toContain('B');
    const through = fits(dressed(donor), { holeMm: 10 }).filter(({ pair }) => pair === 'pulled-through');
    expect(through.find(({ at: end }) => end === 'B')?.verdict).toBe('not');
  });

  it('cannot stay at both ends, twice, in a box, or with the leg of a break-out', () => {
    expect(refusal(whole, kept('A'), kept('B'))).toMatch(
      /End A at the other end of this cable stays as it came/,
    );
    expect(refusal(whole, kept('B'), kept('B'))).toMatch(/stays as it came already/);
    // The cord hangs in the cups already: its plug is all that is made.
    expect(refusal(leadNamed('headphone-identified'), kept('A'))).toMatch(/nothing would be left to make/);
    expect(refusal(whole, kept('Z'))).toMatch(/no end Z/);
    expect(refusal(leadNamed('volume-box'), kept('A'))).toMatch(/no donor lead has it/);
    expect(refusal(leadNamed('chain-split'), kept('A'), kept('B'), kept('C'))).not.toBe('');
    expect(refusal(donor, { kind: 'cut-back', at: 'W1.red@B' })).not.toBe('');
  });
});
