import { describe as suite, expect, it } from 'vitest';
import { EXAMPLES, leadOf } from '../../../tests/examples/read';
import { endsOf, connectorOf, netlist } from '../assembly';
import { derive } from '../lead';
import { describe, readHeld } from '.';

const told = (text: string) => {
  const held = readHeld(text);
  if (!held.ok) throw new Error(JSON.stringify(held.problems));
  const is = describe(held.value);
  if (!is.ok) throw new Error(JSON.stringify(is.problems));
  return is.value;
};
const problems = (text: string): readonly string[] => {
  const held = readHeld(text);
  return held.ok ? [] : held.problems.map(({ code, path }) => `${path} ${code}`);
};

suite('what a lead in the hand is, by which contacts beep to each other', () => {
  it.each([
    // Each as the handbook's table of builds has it, written from the hand.
    ['A xlr female\nB xlr male\nA.1 B.1\nA.2 B.2\nA.3 B.3', 'balanced-straight', 0],
    ['A xlr female\nB xlr male\nA.1 B.1\nA.2 B.3\nA.3 B.2', 'polarity-reverse', 0],
    ['A xlr female\nB 6.35 ts\nA.2 B.T\nA.1 A.3 B.S', 'balanced-to-unbalanced', 0],
    ['a XLR female\nb: 6.35 TS # a remark\na.2 b.t\n\na.1, b.s', 'balanced-to-unbalanced', 0],
    ['A 3.5 trs\nB phono\nC phono\nA.T B.C\nA.R C.C\nA.S B.K C.K', 'stereo-straight', 0],
    ['A 6.35 trs\nB 6.35 ts\nC 6.35 ts\nA.R B.T\nA.T C.T\nA.S B.S C.S', 'insert', 0],
    // The cold core has come off.
    ['A xlr female\nB xlr male\nA.1 B.1\nA.2 B.2', 'balanced-straight', 1],
    // Hot and screen are crossed: no recipe does that.
    ['A phono\nB phono\nA.C B.K\nA.K B.C', 'unbalanced-straight', 4],
  ] as const)('%j', (text, recipe, differs) => {
    const is = told(text);
    expect(is.recipe.id).toBe(recipe);
    expect(is.differs).toHaveLength(differs);
    // What is said is a lead that can be made.
    expect(derive(is.intent)).toMatchObject({ ok: true });
  });

  it('says what is otherwise, contact by contact', () =>
    expect(told('A xlr female\nB xlr male\nA.1 B.1\nA.2 B.2').differs).toEqual([
      'A.3 and B.3 do not meet, and in that lead they do.',
    ]));

  it('says nothing of a lead of which nothing is said, and claims none with parts inside', () => {
    const held = readHeld('A xlr female\nB xlr male');
    expect(held.ok && describe(held.value)).toMatchObject({
      ok: false,
      problems: [{ code: 'described.nothing' }],
    });
    // Nothing but the returns of a sum: what its resistors join beeps not.
    for (const text of ['A 3.5 trs\nB xlr male\nA.S B.1 B.3', 'A phono\nB phono\nA.K B.K'])
      expect(told(text).differs).not.toEqual([]);
    const four = readHeld('A phono\nB phono\nC xlr\nD xlr\nA.C C.2');
    expect(four.ok && describe(four.value)).toMatchObject({ problems: [{ code: 'described.unknown' }] });
  });

  it('a source’s connector is told by plug and socket, whichever letter it has', () => {
    const is = told('A xlr male\nB xlr female\nA.1 B.1\nA.2 B.2\nA.3 B.3');
    expect(is.ends).toEqual(['B', 'A']);
  });

  const plain = EXAMPLES.filter((example) => {
    const { assembly, intent } = leadOf(example);
    return (
      (intent?.form ?? 'lead') === 'lead' &&
      endsOf(assembly).length === 2 &&
      endsOf(assembly).every((end) => connectorOf(assembly, end)?.layouts) &&
      assembly.bodies.every(({ parts, ends }) => parts.length === 0 && ends.length > 0)
    );
  });
  const some = process.env['ANTLER_TEST_LONG'] ? plain : plain.filter((_, n) => n % 9 === 4);
  it.each(some.map((example) => [example.id, example] as const))(
    '%s is found by its own nets',
    (_, example) => {
      const { assembly } = leadOf(example);
      const held = {
        ends: endsOf(assembly).map((end) => {
          const connector = connectorOf(assembly, end);
          return {
            id: end.id,
            family: connector?.family ?? '',
            ...(connector?.gender && connector.gender !== 'none' ? { gender: connector.gender } : {}),
            contacts: connector?.contacts.map(({ id }) => id) ?? [],
          };
        }),
        nets: netlist(assembly).nets.flatMap(({ contacts }) =>
          contacts.length > 1 ? [[...contacts].sort()] : [],
        ),
      };
      const is = describe(held);
      expect(is.ok && is.value.differs).toEqual([]);
    },
  );
});

suite('what cannot be read names its line', () => {
  it.each([
    ['', ['ends described.ends']],
    ['A xlr', ['ends described.ends']],
    ['A xlr\nB kettle', ['line 2 described.connector']],
    ['A xlr\nA phono', ['line 2 described.ends']],
    ['A xlr\nB phono\nA.7 B.C', ['line 3 described.contact']],
    ['A xlr\nB phono\nA.1 C.1', ['line 3 described.contact']],
    ['A xlr\nB phono\nnothing', ['line 3 described.line']],
  ] as const)('%j', (text, expected) => expect(problems(text)).toEqual(expected));
});
