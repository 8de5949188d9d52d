import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadNamed, leadOf } from '../../../tests/examples/read';
import { netlist, terminalsOf } from '../assembly';
import { mainUse } from '../lead';
import { linesOf, reasonsOf } from '.';

const said = (id: string): readonly string[] => {
  const lead = leadNamed(id);
  return linesOf(lead.assembly, mainUse(lead)).flatMap(({ channel, lines }) =>
    lines.map(({ says, from, to, carries, uncut }) =>
      [channel, says, from, to, carries, uncut > 0 ? 'uncut' : undefined].filter(Boolean).join(' · '),
    ),
  );
};

describe('the drawing in words', () => {
  it('of a plain lead has a line a core, with both its ends', () =>
    expect(said('stage-microphone')).toEqual([
      'white · A.2 · B.2 · hot',
      'black · A.3 · B.3 · cold',
      'screen · A.1 · B.1 · screen',
    ]));

  it('goes by channel where there are several, on through a break-out', () => {
    const lines = said('d25-to-eight-xlr');
    // Channel 3 of eight on a D-25: hot 21, cold 9, screen 22 (AES59, as the handbook’s table has it).
    expect(lines.filter((each) => each.startsWith('3 · '))).toEqual([
      '3 · orange, pair 3 · A.21 · D.2 · hot · uncut',
      '3 · white, pair 3 · A.9 · D.3 · cold · uncut',
      '3 · drain, pair 3 · A.22 · D.1 · screen · uncut',
    ]);
    expect(lines.filter((each) => /uncut/.test(each))).toHaveLength(24);
  });

  it('says what is in the air, what is left, and what is linked', () => {
    const sum = said('stereo-sum');
    expect(sum.some((each) => /with leg [ab] of R\d/.test(each))).toBe(true);
    expect(sum.some((each) => each.startsWith('link') || / – /.test(each))).toBe(true);
    expect(said('screen-source-only').some((each) => /cut back|insulated/.test(each))).toBe(true);
  });

  it.each(EXAMPLES.map((example) => [example.id, example] as const))(
    '%s: every conductor is in one line, and what a line joins is one net',
    (_, example) => {
      const lead = leadOf(example);
      const { assembly } = lead;
      const { netOf } = netlist(assembly);
      const lines = linesOf(assembly, mainUse(lead)).flatMap((group) => group.lines);
      const inLines = lines.flatMap(({ terminals }) => terminals.filter((each) => each.includes('@')));
      expect([...new Set(inLines)].sort()).toEqual(
        terminalsOf(assembly)
          .filter((each) => each.includes('@'))
          .sort(),
      );
      expect(inLines).toHaveLength(new Set(inLines).size);
      for (const { says, from, to, terminals } of lines) {
        const contacts = [from, to].flatMap((each) =>
          /^(?:with|cut|insulated|spare|loose|stump)/.test(each) ? [] : each.split(' – '),
        );
        expect(
          new Set([...terminals, ...contacts].map((each) => netOf.get(each)?.name)).size,
          `${says}: ${from} to ${to}`,
        ).toBe(1);
      }
    },
  );

  it('goes from the source’s end on, whichever side the cable parts at', () =>
    expect(said('eight-xlr-to-d25')[0]).toBe('1 · brown, pair 1 · A.2 · I.24 · hot · uncut'));

  it('says each reason once, with the contacts it is about', () => {
    const { assembly } = leadNamed('d25-to-eight-xlr');
    const reasons = reasonsOf(assembly);
    expect(new Set(reasons.map(({ says }) => says)).size).toBe(reasons.length);
    expect(reasons.length).toBeLessThan(10);
    const screen = reasons.find(({ school }) => school === 'screen');
    expect(screen?.contacts).toContain('I.1');
  });
});
