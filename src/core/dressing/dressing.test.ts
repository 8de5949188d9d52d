import { describe, expect, it } from 'vitest';
import { leadFor } from '../../../tests/support/leads';
import { EXAMPLES, leadNamed } from '../../../tests/examples/read';
import { dress, type Dressing } from '../assembly';
import { fitsShrink } from '../fit';
import type { Lead } from '../lead';
import { channelColour, dressed, DRESSING_RULES } from '.';
import { sized } from './sized';

const putOn = (lead: Lead): readonly Dressing[] => dressed(lead).dressings;
const ofKind = (lead: Lead, what: Dressing['what']): readonly Dressing[] =>
  putOn(lead).filter((each) => each.what === what);
const bore = ({ size }: Dressing): string => `${size?.suppliedMm}/${size?.recoveredMm}`;

describe('what is put on a lead', () => {
  it('of a sum: a sleeve over each joint with a core, 3 mm beyond its 6 mm at either side, and shrink over all three parts', () => {
    const sum = leadNamed('stereo-sum');
    expect(ofKind(sum, 'joint-sleeve').map((each) => [bore(each), each.lengthMm, each.says])).toEqual([
      ['1.2/0.6', 12, 'over the joint of the white core at end B and a leg of R1'],
      ['1.2/0.6', 12, 'over the joint of the black core at end B and a leg of R2'],
    ]);
    // Three bodies of 2.5 mm are 5.4 across; as long as a body, a bent leg and 3 mm beyond at either side.
    expect(ofKind(sum, 'heat-shrink').map((each) => [bore(each), each.lengthMm, each.over])).toEqual([
      ['6.4/3.2', 19, 'b'],
    ]);
  });

  it('a leg that hangs bare is called as the hand finds it: by its mark, or by the contact that it goes to', () => {
    const over = (example: string) => ofKind(leadNamed(example), 'joint-sleeve').map(({ says }) => says);
    // A resistor has no mark of its own; a lamp’s short leg and a diode’s plain end do.
    expect(over('tell-tale').filter((says) => !says.includes('joint'))).toEqual([
      'over the short leg of D1 to contact 1 at end A',
      'over the plain end of D3 to contact 1 at end A',
      'over the short leg of D2 to contact 1 at end A',
      'over the plain end of D4 to contact 1 at end A',
      'over a leg of R1 to contact 2 at end A',
      'over a leg of R2 to contact 3 at end A',
    ]);
    // Of two ends in one body it is said which.
    const barrel = over('pad-u-barrel').filter((says) => !says.includes('joint'));
    expect(new Set(barrel.map((says) => says.slice(-5)))).toEqual(new Set(['end A', 'end B']));
  });

  it('of a fan-out: thin shrink on each leg as long as the leg, larger over the split, a turn under each clamp, rings at both ends of a leg', () => {
    const fan = leadNamed('stereo-microphone-fan-out');
    const shrink = ofKind(fan, 'heat-shrink').map((each) => [each.id, bore(each), each.lengthMm]);
    // 390 mm of leg less the 42 inside its XLR.
    expect(shrink).toEqual([
      ['shrink-split-to', '9.5/4.8', 75],
      ['shrink-W2', '2.4/1.2', 348],
      ['shrink-W3', '2.4/1.2', 348],
      ['shrink-clamp-B', '3.2/1.6', 25],
      ['shrink-clamp-C', '3.2/1.6', 25],
    ]);
    expect(
      ofKind(fan, 'heat-shrink').flatMap(({ id, says }) => (/^shrink-W/.test(id) ? [says] : [])),
    ).toEqual(['over the leg to end B', 'over the leg to end C']);
    expect(ofKind(fan, 'ring').map(({ colour, says }) => [colour, says])).toEqual([
      ['WH', 'white ring for left at end B'],
      ['WH', 'white ring for left of end B, at the split'],
      ['RD', 'red ring for right at end C'],
      ['RD', 'red ring for right of end C, at the split'],
    ]);
  });

  it('expandable sleeve over a whole cable is cut longer than it: 15 % for swelling, 12 mm over at either end', () => {
    const plain = leadFor();
    const sleeve = dress({ id: 'sleeve', what: 'expandable-sleeve', over: 'W1', says: 'black' });
    const sleeved = { ...plain, assembly: { ...plain.assembly, dressings: [sleeve] } };
    // The jacket from edge to edge: 6000 − 46 − 42.
    expect(ofKind(sleeved, 'expandable-sleeve').map(({ lengthMm }) => lengthMm)).toEqual([
      Math.round(5912 * 1.15 + 24),
    ]);
  });

  it('eight channels have the colours of the resistor code', () => {
    const eight = ofKind(leadNamed('d25-to-eight-xlr'), 'ring').filter(({ says }) => !says.includes('split'));
    expect(eight.map(({ colour }) => colour)).toEqual(['BN', 'RD', 'OG', 'YE', 'GN', 'BU', 'VT', 'GY']);
    expect(['left', 'right', '10', '19', 'narrator'].map(channelColour)).toEqual([
      'WH',
      'RD',
      'BK',
      'WH',
      undefined,
    ]);
  });

  it('a Y of one channel has no rings, and a plain lead none', () => {
    expect(ofKind(leadNamed('two-way-split'), 'ring')).toEqual([]);
    expect(ofKind(leadFor(), 'ring')).toEqual([]);
  });

  it('what is cut back has a sleeve over its stump, at the end where it goes nowhere', () => {
    expect(ofKind(leadNamed('screen-lift'), 'stump-sleeve').map(({ says }) => says)).toEqual([
      'over the stump of the screen at end B',
    ]);
    expect(ofKind(leadNamed('three-strand-open'), 'stump-sleeve').map(({ says }) => says)).toEqual([
      'over the stump of the green core at end A',
      'over the stump of the green core at end B',
    ]);
  });

  it('a tell-tale: each leg to a contact is insulated, each joint of a resistor and its lamp sleeved, no cable’s things', () => {
    const plug = putOn(leadNamed('tell-tale-unguarded')).map(({ what, over }) => `${what} ${over}`);
    expect(plug.filter((each) => /R\d\.a|D\d\.cathode/.test(each))).toHaveLength(4);
    expect(plug.filter((each) => each.startsWith('joint-sleeve joint'))).toHaveLength(2);
    expect(plug.some((each) => /shrink|ring/.test(each))).toBe(false);
  });

  it('a volume box: box, knob, and a nut and a washer for each of two sockets and the control', () => {
    const counts = new Map<string, number>();
    for (const { what } of putOn(leadNamed('volume-box'))) counts.set(what, (counts.get(what) ?? 0) + 1);
    expect(Object.fromEntries(counts)).toEqual({ box: 1, washer: 3, nut: 3, knob: 1 });
  });

  it('a record player gets a new tie', () =>
    expect(ofKind(leadNamed('record-player-unified'), 'tie').map(({ says }) => says)).toEqual([
      'holds the new lead in the record player',
    ]));

  it('the clear shrink for the label waits at an end with a connector, and lies on the jacket', () => {
    const [label] = ofKind(leadNamed('eight-xlr-to-d25'), 'clear-shrink');
    expect(label).toMatchObject({ over: 'W1', at: 'i', goesOn: 'before', closed: 'end' });
    // A jacket of 11.5 mm.
    expect(label && bore(label)).toBe('12.7/6.4');
  });

  it('what somebody said themselves stands instead of what follows', () => {
    const lead = leadFor();
    const mine = dress({
      id: 'mine',
      what: 'drain-sleeve',
      over: 'W1.screen@a',
      at: 'a',
      lengthMm: 15,
      says: 'mine',
    });
    const own: Lead = { ...lead, assembly: { ...lead.assembly, dressings: [mine] } };
    expect(ofKind(own, 'drain-sleeve').map(({ id, lengthMm }) => [id, lengthMm])).toEqual([
      ['mine', 15],
      ['sleeve-W1-screen-b', 18],
    ]);
  });

  it.each(EXAMPLES.map(({ id }) => [id]))(
    '%s: each has a name of its own, a place that there is, and shrink a bore that does',
    (id) => {
      const lead = leadNamed(id);
      const all = putOn(lead);
      expect(new Set(all.map((each) => each.id)).size).toBe(all.length);
      const places = new Set([
        ...lead.assembly.spans.map((span) => span.id),
        ...lead.assembly.bodies.flatMap((body) => [
          body.id,
          ...body.ends.map((end) => end.id),
          ...body.joints.flatMap((joint) => [joint.id, ...joint.terminals]),
        ]),
        ...lead.assembly.unjoined.map(({ at }) => at),
      ]);
      for (const each of all) {
        expect(places, each.says).toContain(each.over);
        if (/shrink|sleeve/.test(each.what)) expect(each.size, each.says).toBeDefined();
        if (
          each.what === 'heat-shrink' &&
          each.size &&
          lead.assembly.spans.some((span) => span.id === each.over)
        )
          expect(fitsShrink(each.size, { passesMm: 0 })).toBe(true);
      }
    },
  );

  it('the same lead is dressed once, and otherwise by other schools', () => {
    const lead = leadFor();
    expect(dressed(lead)).toBe(dressed(lead));
    const bare = { ...lead, schools: { ...lead.schools, 'screen-wire': 'bare' as const } };
    expect(ofKind(bare, 'drain-sleeve')).toEqual([]);
  });

  it('every rule dresses some example, and says its source', () => {
    for (const rule of DRESSING_RULES) expect(rule.source, rule.id).not.toBe('');
    const said = new Set(EXAMPLES.flatMap(({ id }) => putOn(leadNamed(id)).map(({ what }) => what)));
    for (const what of [
      'joint-sleeve',
      'drain-sleeve',
      'stump-sleeve',
      'heat-shrink',
      'ring',
      'clear-shrink',
      'nut',
      'tie',
    ])
      expect(said).toContain(what);
  });
});

it('a jacket too thin for its clamp gets as many turns of shrink as make it thick enough, each over those before', () => {
  const lead = leadFor();
  const thick = 6;
  // Each turn of 0.5 mm of wall adds a millimetre; of 6 mm of jacket and a clamp from 8.5 mm three are asked for.
  const under = (least: number) =>
    (DRESSING_RULES.find(({ id }) => id === 'clamp-shrink') ?? expect.fail())
      .dress({
        assembly: {
          ...lead.assembly,
          uses: {
            ...lead.assembly.uses,
            cables: lead.assembly.uses.cables.map((each) => ({ ...each, jacketMm: thick })),
            connectors: lead.assembly.uses.connectors.map((each) => ({
              ...each,
              cableMm: { min: least, max: 10 },
            })),
          },
        },
      } as never)
      .filter(({ at }) => at === 'a')
      .map(({ says, over, lengthMm }) => [says, over, lengthMm]);
  const says = 'under the clamp of end A, which could not grip 6 mm';
  expect(under(6)).toEqual([]);
  expect(under(6.5)).toEqual([[says, 'W1', 25]]);
  expect(under(8.5)).toEqual([
    [says, 'W1', 25],
    [`${says}, turn 2 over the first`, 'W1', 25],
    [`${says}, turn 3 over the others`, 'W1', 25],
  ]);
});

it('shrink over the rear of a connector has its bore from what it passes over, but over a shell with parts in it, a box or nothing', () => {
  const asked = (id: string, over: string) =>
    sized(leadNamed(id).assembly, {
      id: 'mine',
      what: 'heat-shrink',
      over,
      says: 'over the rear',
      goesOn: 'before',
      closed: 'end',
    });
  const plain = asked('stage-microphone', 'A');
  expect(plain.size).toBeDefined();
  expect(plain.lengthMm).toBeGreaterThan(0);
  for (const [id, over] of [
    ['balanced-sum-transformer', 'C'],
    ['volume-box', 'A'],
    ['stage-microphone', 'nowhere'],
  ] as const)
    expect([id, asked(id, over).size, asked(id, over).lengthMm]).toEqual([id, undefined, undefined]);
});
