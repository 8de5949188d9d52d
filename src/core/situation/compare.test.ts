import { describe, expect, it } from 'vitest';
import { leadFor, useOf } from '../../../tests/support/leads';
import type { Patch } from '../../../tests/support/intents';
import { applyEdits, type Edit } from '../lead';
import { miswired, type Miswiring } from '.';

/** In what a lead differs from what its first use asks, each as a line: the kind, and what it is between. */
function wrong(patch: Patch, ...edits: readonly Edit[]): readonly string[] {
  const lead = leadFor(patch);
  const { assembly, lapsed } = applyEdits(lead.assembly, edits);
  expect(lapsed).toEqual([]);
  return miswired(assembly, useOf(lead), { leftOut: lead.because.leftOut, uses: lead.situations }).map(line);
}

function line(each: Miswiring): string {
  switch (each.is) {
    case 'open':
      return `open ${each.role} ${each.from} ${each.to}${each.lands ? ` on ${each.lands.at}` : ''}`;
    case 'closed':
      return `closed ${each.from} ${each.to}`;
    case 'crossed':
      return `crossed ${each.legs.map(({ role }) => role).join(' ')}`;
    case 'exchanged':
      return `exchanged ${
        each.whole
          ? 'whole'
          : each.legs
              .flat()
              .map(({ role }) => role)
              .join(' ')
      }`;
    case 'stray':
      return `stray ${each.contact}`;
    case 'joined':
    case 'outputs':
    case 'twice':
      return `${each.is} ${each.one.at} ${each.other.at}`;
  }
}

const exchange = (one: string, other: string): Edit => ({ kind: 'exchange', one, other });
const join = (...terminals: readonly string[]): Edit => ({
  kind: 'join',
  terminals: [...terminals],
  how: 'cup',
});
const D25: Patch = {
  from: { port: 'line-eight', family: 'd25' },
  to: { port: 'line-input-eight', family: 'd25' },
  cable: 'multipair-8',
  surroundings: 'rack',
};
const PAD: Patch = {
  from: { port: 'line-ground-referenced', family: 'xlr3' },
  to: { port: 'line-input', family: 'xlr3' },
  wiring: 'pad',
  choices: { pad: 'matched-t' },
};
const TRANSFORMER: Patch = {
  from: { port: 'line-ground-referenced', family: 'xlr3' },
  to: { port: 'unbalanced-input', family: 'phono' },
  wiring: 'transformer',
};

/** By hand, contact by contact, from what handbook section 5 says each lead is. */
describe('what the nets say against what they should', () => {
  it.each<readonly [string, Patch, readonly Edit[], readonly string[]]>([
    ['a right lead, nothing', {}, [], []],
    ['a core that comes off', {}, [{ kind: 'separate', terminals: ['W1.white@b'] }], ['open hot A.2 B.2']],
    [
      'a core in the wrong cup',
      {},
      [{ kind: 'move', terminal: 'W1.white@b', to: 'B.3' }],
      ['open hot A.2 B.2 on B.3', 'joined A.2 A.3'],
    ],
    ['two cores crossed', {}, [exchange('W1.white@a', 'W1.black@a')], ['crossed hot cold']],
    ['crossed on purpose', { wiring: 'polarity-reverse' }, [], []],
    [
      'crossed on purpose, and straight',
      { wiring: 'polarity-reverse' },
      [exchange('W1.white@a', 'W1.black@a')],
      ['crossed hot cold'],
    ],
    ['two contacts bridged', {}, [join('B.2', 'B.3')], ['joined A.2 A.3']],
    ['a leg on the shell', {}, [join('B.2', 'B.shell')], ['stray B.shell']],
    [
      'a screen that was to be open',
      { schools: { screen: 'source' } },
      [join('W1.screen@b', 'B.1')],
      ['closed A.1 B.1'],
    ],
    // Behind a pad of two stages each leg gets to both contacts: the nearer is the one it goes to.
    ['the legs of a pad crossed', PAD, [exchange('W1.white@b', 'W1.black@b')], ['crossed hot cold']],
    ['a pad', PAD, [], []],
    ['a winding turned round', TRANSFORMER, [exchange('T1.p1', 'T1.p2')], ['crossed hot cold']],
    ['both windings turned round', TRANSFORMER, [exchange('T1.p1', 'T1.p2'), exchange('T1.s1', 'T1.s2')], []],
  ])('%s', (_, patch, edits, expected) => expect(wrong(patch, ...edits)).toEqual(expected));

  it('a contact is used twice where two signals are on it, and not where grounds share one', () => {
    const lead = leadFor();
    const use = useOf(lead);
    const found = (roles: Record<string, string>): readonly string[] =>
      miswired(
        lead.assembly,
        {
          ...use,
          channels: use.channels.map((each) => (each.end === 'B' ? { ...each, roles } : each)),
        },
        { leftOut: [], uses: lead.situations },
      )
        .map(line)
        .filter((each) => each.startsWith('twice'));
    expect(found({ hot: '2', cold: '3', screen: '1', return: '1' })).toEqual([]);
    expect(found({ hot: '2', cold: '2', screen: '1' })).toEqual(['twice B.2 B.2']);
    expect(found({ hot: '2', return: '2' })).toEqual(['twice B.2 B.2']);
    // A cold that is on the ground is another rule’s.
    expect(found({ hot: '2', cold: '1', screen: '1' })).toEqual([]);
  });

  it('channels of a loom that change places, whole, by one leg, and by their screens', () => {
    expect(wrong(D25)).toEqual([]);
    // Channels 1 and 2: 24/12/25 and 10/23/11 (AES59, from memory).
    expect(wrong(D25, exchange('B.24', 'B.10'), exchange('B.12', 'B.23'), exchange('B.25', 'B.11'))).toEqual([
      'exchanged whole',
    ]);
    expect(wrong(D25, exchange('B.24', 'B.10'))).toEqual(['exchanged hot hot']);
    expect(wrong(D25, exchange('B.25', 'B.11'))).toEqual(['exchanged screen screen']);
    expect(wrong(D25, join('B.25', 'B.11'))).toEqual(['joined A.25 A.11']);
    expect(wrong(D25, join('B.13', 'B.11'))).toEqual(['stray B.13']);
  });

  it('left and right that come back by one contact are exchanged by their hots alone', () => {
    const stereo: Patch = {
      from: { port: 'headphone-output', family: 'trs35' },
      to: { port: 'stereo-input', family: 'trs35' },
      cable: 'pair-mini',
    };
    expect(wrong(stereo, exchange('W1.white@b', 'W1.black@b'))).toEqual(['exchanged whole']);
    expect(wrong(stereo, join('A.T', 'A.R'))).toEqual(['joined A.T A.R', 'outputs A.T A.R']);
  });

  it('send and return of an insert change places at the end that they share, and nowhere else', () => {
    const insert: Patch = {
      from: { port: 'insert', family: 'trs635', layout: 'insert-tip-send' },
      to: [
        { port: 'unbalanced-input', family: 'ts635' },
        { port: 'unbalanced-output', family: 'ts635' },
      ],
      cable: 'instrument-coax',
    };
    expect(wrong(insert)).toEqual([]);
    expect(wrong(insert, exchange('A.T', 'A.R'))).toEqual(['exchanged whole']);
    // At one of the others two live contacts of one channel cannot change places: hot and return are crossed.
    expect(wrong(insert, exchange('B.T', 'B.S'))).toEqual([expect.stringContaining('crossed hot return')]);
  });

  it('two pairs with screens of their own are exchanged whole only where their screens went with them', () => {
    const [hots, colds] = [exchange('B.24', 'B.10'), exchange('B.12', 'B.23')];
    expect(wrong(D25, hots, colds)).toEqual(['exchanged hot hot cold cold']);
  });
});
