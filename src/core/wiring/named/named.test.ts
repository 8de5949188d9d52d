import { describe, expect, it } from 'vitest';
import { isMeant, tradeTerms } from '../../catalogue';
import { derive } from '../../lead';
import { findings } from '../../findings';
import { leadsCalled, NAMED } from '.';

/** What stands at each end: port, connector, and its gender where it is not the usual. */
const first = (text: string): string => {
  const [lead] = leadsCalled(text);
  if (!lead) return 'none';
  const side = (ends: typeof lead.intent.from): string =>
    ends.map(({ family, gender }) => `${family}${gender ? ` ${gender}` : ''}`).join(' + ');
  const derived = derive(lead.intent, [], lead.name);
  const wired = derived.ok ? (derived.value.because.recipe?.id ?? '') : derived.problems[0]?.code;
  return `${side(lead.intent.from)} → ${side(lead.intent.to)}: ${wired}`;
};

describe('what a builder calls a lead', () => {
  // Other words: handbook sections 3, 5 (row 10) and 16; the rest common practice.
  it.each([
    ['XLR female to jack', 'xlr3 → trs635: balanced-straight'],
    ['xlr male to phono', 'phono → xlr3: unbalanced-to-balanced'],
    ['RCA to XLR', 'phono → xlr3: unbalanced-to-balanced'],
    ['XLR socket to 2 RCA', 'xlr3 → phono + phono: split'],
    ['phone to 2 RCA', 'trs35 → phono + phono: stereo-straight'],
    ['mini jack to two XLR', 'trs35 → xlr3 + xlr3: stereo-to-balanced-pair'],
    ['laptop to two active speakers', 'trs35 → xlr3 + xlr3: stereo-to-balanced-pair'],
    ['double-Y', 'xlr3 plug → xlr3 socket + xlr3 plug + xlr3 socket: chain-split'],
    ['W lead', 'xlr3 plug → xlr3 socket + xlr3 plug + xlr3 socket: chain-split'],
    ['Y', 'xlr3 → xlr3 + xlr3: split'],
    ['gender changer', 'xlr3 plug → xlr3 plug: turnaround'],
    ['XLR male to XLR male', 'xlr3 plug → xlr3 plug: turnaround'],
    ['female to female', 'xlr3 socket → xlr3 socket: turnaround'],
    ['phase reverse', 'xlr3 → xlr3: polarity-reverse'],
    ['positive and neutral', 'xlr3 → xlr3: polarity-reverse'],
    ['ground lift', 'xlr3 → xlr3: screen-lift'],
    ['attenuator', 'xlr3 → xlr3: pad'],
    ['insert', 'trs635 → ts635 + ts635: insert'],
    ['stereo to mono', 'trs35 → xlr3: sum'],
    ['mono to stereo', 'xlr3 → trs35: mono-to-both'],
    ['guitar cable', 'ts635 → ts635: unbalanced-straight'],
    ['mic cable', 'xlr3 → xlr3: balanced-straight'],
    ['speaker cable', 'twist2 → twist2: loudspeaker'],
    ['turntable', 'cartridge-pads → phono + phono: record-player'],
    ['D-sub to eight XLR', 'd25 → xlr3 + xlr3 + xlr3 + xlr3 + xlr3 + xlr3 + xlr3 + xlr3: fan-out'],
    ['5-pin XLR to 2 XLR', 'xlr5 → xlr3 + xlr3: fan-out'],
    ['phantom tester', ' → xlr3: tell-tale'],
    ['headphone volume control', 'trs635 → trs635: volume-box'],
    ['something else entirely', 'none'],
    ['   ', 'none'],
  ])('“%s” is %s', (text, lead) => {
    expect(first(text)).toBe(lead);
  });

  // What of it is asked for first: from memory, common practice; the tail of a stereo microphone is the handbook's 390 mm (section 5).
  it('begins as long as such a lead mostly is, where it mostly lies', () => {
    expect(
      NAMED.map(({ id, intent: { length, legs, surroundings } }) =>
        [id, length && length.mm / 1000, legs && legs.mm / 1000, surroundings].filter(Boolean).join(' '),
      ),
    ).toEqual([
      'microphone 6 stage',
      'extension 6 stage',
      'trs-patch 1 studio',
      'xlr-to-trs 3 stage',
      'trs-to-xlr 3 stage',
      'instrument 5 stage',
      'unbalanced-to-balanced 3 stage',
      'balanced-to-phono 3 rack',
      'phono 1 rack',
      'quasi-balanced 1 rack',
      'stereo 2 studio',
      'stereo-to-phono 2 studio',
      'stereo-to-ts 2 studio',
      'stereo-to-xlr 3 stage',
      'sum 3 stage',
      'both 2 studio',
      'recorder 1 stage',
      'split 1 stage',
      'chain 0.5 stage',
      'headphone-split 0.5 studio',
      'turnaround-plugs stage',
      'turnaround-sockets stage',
      'polarity stage',
      'lift stage',
      'transformer 2 stage',
      'pad stage',
      'insert 2 studio',
      'stereo-microphone 3 0.39 stage',
      'stereo-microphone-extension 6 stage',
      'd25 3 0.5 rack',
      'd25-in 3 0.5 rack',
      'loom 15 0.4 stage',
      'loudspeaker 10 stage',
      'loudspeaker-four 3 studio',
      'record-player 1.2 0.2 studio',
      'headphone-lead 1.5 studio',
      'headphone-extension 3 studio',
      'volume-box stage',
      'headset-extension 1.5 studio',
      'headset-split 0.3 studio',
      'intercom 3 stage',
      'data 2 studio',
      'vehicle 4 vehicle',
      'tell-tale stage',
      'shorting studio',
      'continuity-lamp 1 stage',
      'test-tail 0.8 stage',
    ]);
  });

  it.each(NAMED)('$name can be made as it stands, and nothing forbids it', ({ name, intent }) => {
    const derived = derive(intent, [], name);
    expect(derived).toMatchObject({ ok: true });
    if (derived.ok) expect(findings(derived.value).filter(({ severity }) => severity === 'stop')).toEqual([]);
  });

  it.each(NAMED)('$name is found by its own name', ({ id, name }) => {
    expect(leadsCalled(name).map((each) => each.id)).toContain(id);
  });

  it('a word that is being typed finds what it will, a letter or sign only itself', () => {
    expect(isMeant(tradeTerms('turnar'), 'Turnaround, plug to plug')).toBe(true);
    expect(isMeant(tradeTerms('x'), 'XLR lead')).toBe(false);
    expect(isMeant(tradeTerms('jack to jack'), 'XLR to 6.35 TRS')).toBe(false);
    expect(isMeant(tradeTerms('jack to jack'), '6.35 TRS to 6.35 TRS')).toBe(true);
    expect(isMeant(tradeTerms('cab'), 'loudspeaker')).toBe(true);
    expect(isMeant(tradeTerms('speaker cable'), 'fan-out through one cable')).toBe(false);
  });
});
