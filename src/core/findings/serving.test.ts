import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import type { Lead } from '../lead';
import { servingOf } from '.';

/** A record player whose cartridge is to see so many pF at the least. */
const wanting = (lead: Lead, from: number): Lead => ({
  ...lead,
  situations: lead.situations.map((use) => ({
    ...use,
    channels: use.channels.map((each) =>
      each.port.wantsPicofarads
        ? { ...each, port: { ...each.port, wantsPicofarads: { from, to: 400 } } }
        : each,
    ),
  })),
});

describe('a lead that a repair leaves shorter', () => {
  it('says by how much, and that nothing speaks against it: a balanced line is no worse for being short', () => {
    // 6 m, of which 4.2 m are left (common practice, handbook section 15: write the new length).
    const { serves, says, against } = servingOf(leadNamed('stage-microphone'), {
      newMm: 4200,
      askedMm: 6000,
    });
    expect(serves).toBe(true);
    expect(says).toBe(
      'It is 1.8 m shorter than was asked, and serves where 4.2 m reach: nothing speaks against it that did not before.',
    );
    expect(against).toEqual([]);
  });

  it('is none any more where nothing is left between its connectors', () => {
    expect(servingOf(leadNamed('stage-microphone'), { newMm: 60, askedMm: 6000 })).toEqual({
      serves: false,
      says: 'No cable is left between its connectors then: renew the cable.',
      against: [],
    });
  });

  it('names what was right at its length and is not then: a cartridge that sees too little', () => {
    // Twin miniature, by its entry: some 130 pF less at half a metre than at 1.2 m beside the input’s own.
    const lead = wanting(leadNamed('record-player-unified'), 180);
    const asked = { newMm: 1200, askedMm: 1200 };
    expect(servingOf(lead, asked).against).toEqual([]);
    const { serves, says, against } = servingOf(lead, { ...asked, newMm: 400 });
    // The top a little soft is a note: it works.
    expect(serves).toBe(true);
    expect(says).toMatch(/shorter than was asked.*Not as it was before:$/);
    expect(against).toHaveLength(1);
    expect(against[0]).toMatch(/The cartridge gets \d+ pF: 180 to 400 is wanted\. The top a little soft\./);
  });
});
