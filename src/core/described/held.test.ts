import { describe, expect, it } from 'vitest';
import { describe as told, heldEnds, readHeld } from '.';

const read = (text: string) => {
  const held = readHeld(text);
  return held.ok ? held.value : held.problems.map(({ says }) => says).join(' ');
};
const heldOf = (text: string) => {
  const held = readHeld(text);
  if (!held.ok) throw new Error(held.problems[0]?.says);
  return held.value;
};

describe('what is said of a lead in the hand', () => {
  it('a jack of which nothing is said is a TS, and a TRS where something is on its ring', () => {
    const family = (text: string) => heldEnds(text).map(({ connector }) => connector.family);
    expect(family('A jack\nB phono\nA.T B.C\nA.S B.K')).toEqual(['ts635', 'phono']);
    expect(family('A jack\nB phono\nA.T B.C\na.r B.K')).toEqual(['trs635', 'phono']);
    // The ring of another end says nothing of this one.
    expect(family('A jack\nB 3.5 trs\nB.R A.T\nB.S A.S')).toEqual(['ts635', 'trs35']);
  });

  it('a connector has its own name in the catalogue too: what is told by it is what stands there', () => {
    const is = told(heldOf('A 3.5 trs\nB pads in a headphone\nA.T B.L+\nA.R B.R+\nA.S B.L- B.R-'));
    expect(is.ok && [is.value.recipe.id, is.value.differs]).toEqual(['headphone-lead', []]);
    expect(heldEnds('A XLR 3 cable plug, chuck clamp').map(({ connector }) => connector.id)).toEqual([
      'xlr3-plug',
    ]);
  });

  it('two ohms are read, and less is a beep', () => {
    const of = (ohms: string) => heldOf(`A xlr\nB xlr\nA.1 B.1 ${ohms}`);
    expect([of('2').nets, of('2').readings.map(({ ohms }) => ohms)]).toEqual([[], [2]]);
    expect([of('1.9').nets, of('1.9').readings]).toEqual([[['A.1', 'B.1']], []]);
  });

  it('groups that share a contact are one', () =>
    expect(heldOf('A xlr\nB xlr\nA.1 B.1\nA.3 B.3\nB.2 B.1\nA.3 A.2').nets).toEqual([
      ['A.1', 'B.1', 'B.2'],
      ['A.2', 'A.3', 'B.3'],
    ]));

  it('one end is a plug by itself; nine are a lead, ten are none', () => {
    expect(read('A xlr')).toContain('there is one: a plug by itself');
    const many = (count: number) =>
      Array.from({ length: count }, (_, n) => `${String.fromCharCode(65 + n)} phono`).join('\n');
    expect(heldOf(many(9)).ends).toHaveLength(9);
    expect(read(many(10))).toBe('A lead has two to 9 ends, and there are 10.');
  });

  it('left and right of a pair of ends, numbers of more: three outputs of one cable each by its contact', () => {
    const of = (text: string) => {
      const is = told(heldOf(text));
      return is.ok ? [...is.value.intent.from, ...is.value.intent.to].map(({ channel }) => channel) : [];
    };
    expect(of('A 3.5 trs\nB phono\nC phono\nA.T B.C\nA.R C.C\nA.S B.K C.K')).toEqual([
      undefined,
      'left',
      'right',
    ]);
  });
});
