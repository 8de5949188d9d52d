import { describe as suite, expect, it } from 'vitest';
import { EXAMPLES, leadOf } from '../../../tests/examples/read';
import { endsOf, connectorOf, netlist } from '../assembly';
import { derive } from '../lead';
import { describe, heldEnds, readHeld, type Described, type Held } from '.';

const KNOWN = new Map<string, Described>();
/** What a text tells; what was asked before is not worked out again. */
const told = (text: string): Described => {
  const known = KNOWN.get(text);
  if (known) return known;
  const held = readHeld(text);
  if (!held.ok) throw new Error(JSON.stringify(held.problems));
  const is = describe(held.value);
  if (!is.ok) throw new Error(JSON.stringify(is.problems));
  KNOWN.set(text, is.value);
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

  it('a headphone at its pads is a headphone lead: which strand is which is still to be found, and in the hand it is no other', () => {
    const held: Held = {
      ends: [
        { id: 'A', family: 'trs35', gender: 'plug', contacts: ['T', 'R', 'S'] },
        { id: 'B', family: 'earpiece-pads', contacts: ['L+', 'L-', 'R+', 'R-'] },
      ],
      nets: [
        ['A.T', 'B.L+'],
        ['A.R', 'B.R+'],
        ['A.S', 'B.L-', 'B.R-'],
      ],
      readings: [],
    };
    const is = describe(held);
    expect(is.ok && [is.value.recipe.id, is.value.differs, is.value.edits]).toEqual([
      'headphone-lead',
      [],
      [],
    ]);
    expect(is.ok && is.value.intent.choices).toBeUndefined();
    expect(is.ok && derive(is.value.intent)).toMatchObject({ ok: true });
    // Left and right change places: the same lead, wired otherwise.
    const crossed = describe({
      ...held,
      nets: [
        ['A.T', 'B.R+'],
        ['A.R', 'B.L+'],
        ['A.S', 'B.L-', 'B.R-'],
      ],
    });
    expect(crossed.ok && crossed.value.differs).not.toEqual([]);
  });

  it.each([
    // A screen that meets nothing beyond is that of a screen lift; shells by their contacts.
    ['A xlr female\nB xlr male\nA.2 B.2\nA.3 B.3', 'screen-lift', 'open'],
    ['A xlr female\nB xlr male\nA.1 A.shell B.1 B.shell\nA.2 B.2\nA.3 B.3', 'balanced-straight', 'both'],
    ['A xlr female\nB xlr male\nA.1 B.1\nA.2 B.2\nA.3 B.3', 'balanced-straight', 'open'],
  ] as const)('%j is a %s, shells %s, and nothing is otherwise', (text, recipe, shell) => {
    const is = told(text);
    expect([is.recipe.id, is.differs]).toEqual([recipe, []]);
    expect(is.intent.schools.shell ?? 'open').toBe(shell);
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

  /** Which contacts meet in the lead that it goes on as, by the letters of the hand where those are its own. */
  const goesOnAs = ({ intent, edits }: ReturnType<typeof told>): readonly string[] => {
    const lead = derive(intent, edits);
    if (!lead.ok) throw new Error(lead.problems[0]?.says);
    expect(lead.value.because.lapsed).toEqual([]);
    return netlist(lead.value.assembly)
      .nets.map(({ contacts }) => contacts.filter((each) => !each.endsWith('.shell')).join(' '))
      .filter((net) => net.includes(' '));
  };

  it.each([
    // What is otherwise, and the changes that make it so: the fewest.
    ['A xlr female\nB xlr male\nA.1 B.1\nA.2 B.2', 1, ['A.1 B.1', 'A.2 B.2']],
    ['A phono\nB phono\nA.C B.K\nA.K B.C', 2, ['A.C B.K', 'A.K B.C']],
    ['A xlr female\nB xlr male\nA.1 B.2\nA.2 B.1\nA.3 B.3', 2, ['A.1 B.2', 'A.2 B.1', 'A.3 B.3']],
    ['A xlr female\nB xlr male\nA.1 B.1 B.3\nA.2 B.2', 2, ['A.1 B.1 B.3', 'A.2 B.2']],
  ] as const)('%j goes on as it is in the hand, by %i changes', (text, changes, nets) => {
    const is = told(text);
    expect(is.differs).not.toEqual([]);
    expect(is.edits.length).toBeLessThanOrEqual(changes);
    expect(is.changes).toHaveLength(is.edits.length);
    expect(goesOnAs(is)).toEqual(nets);
  });

  /** A D-25 to eight XLR, channel by channel, hot, cold and screen (handbook, section 5, row 11), with its channels told otherwise. */
  const FAN: readonly (readonly [hot: number, cold: number, screen: number])[] = [
    [24, 12, 25],
    [10, 23, 11],
    [21, 9, 22],
    [7, 20, 8],
    [18, 6, 19],
    [4, 17, 5],
    [15, 3, 16],
    [1, 14, 2],
  ];
  const fan = (order: readonly number[]): string =>
    [
      'A d25 plug',
      ...'BCDEFGHI'.split('').map((end) => `${end} xlr male`),
      ...order.flatMap((channel, n) => {
        const [hot, cold, screen] = FAN[channel] ?? expect.fail('no such channel');
        const end = 'BCDEFGHI'[n];
        return [`A.${hot} ${end}.2`, `A.${cold} ${end}.3`, `A.${screen} ${end}.1`];
      }),
    ].join('\n');

  it(
    'of eight channels two that are exchanged are three changes, each saying of which pair it is',
    { timeout: 60_000 },
    () => {
      const text = fan([0, 1, 3, 2, 4, 5, 6, 7]);
      const is = told(text);
      expect(is.recipe.id).toBe('fan-out');
      expect(is.differs).toHaveLength(12);
      expect(is.changes).toHaveLength(3);
      for (const says of is.changes) {
        expect(says).toMatch(/3.* and .*4.*exchanged$/);
        expect(says).not.toMatch(/the (.+) and the \1 exchanged/);
      }
      expect([...goesOnAs(is)].sort()).toEqual(text.split('\n').slice(9).sort());
    },
  );

  it(
    'what is as far off as no few changes mend is said in what it differs, at once, however many contacts it has',
    { timeout: 60_000 },
    () => {
      // One beep between two D-25; three channels by turns.
      const one = told('A d25 plug\nB d25 plug\nA.1 B.13');
      expect([one.recipe.id, one.differs.length, one.edits]).toEqual(['balanced-straight', 17, []]);
      const turned = told(fan([0, 1, 3, 4, 2, 5, 6, 7]));
      expect([turned.recipe.id, turned.differs.length, turned.edits]).toEqual(['fan-out', 18, []]);
    },
  );

  it('a lead that is found goes on without any change', () =>
    expect(told('A xlr female\nB xlr male\nA.1 B.1\nA.2 B.2\nA.3 B.3').edits).toEqual([]));

  it('a bad joint is no core that is cut back: where what is read stays otherwise, no change is said to make it so', () => {
    const is = told('A xlr female\nB xlr male\nA.1 B.1\nA.2 B.2 15\nA.3 B.3');
    expect(is.recipe.id).toBe('balanced-straight');
    expect(is.differs.join()).toContain('A.2 to B.2 reads 15 Ω');
    expect([is.edits, is.changes]).toEqual([[], []]);
  });

  it('what meets by the same contacts and is used for something else is said too', () => {
    const is = told('A 6.35 trs\nB 6.35 ts\nC 6.35 ts\nA.T B.T\nA.R C.T\nA.S B.S C.S');
    expect([is.recipe.id, ...is.also.map(({ id }) => id)].sort()).toEqual(['insert', 'stereo-straight']);
    // Of one that is only the nearest nothing is alike.
    expect(told('A xlr female\nB xlr male\nA.1 B.1\nA.2 B.2').also).toEqual([]);
  });

  it('resistors are told by what is read across them', () => {
    const sum = (ohms: string): string =>
      `A 3.5 trs\nB xlr male\nA.S B.1 B.3\nA.T B.2 ${ohms}\nA.R – B.2: ${ohms} Ω`;
    const is = told(sum('470'));
    expect([is.recipe.id, is.differs]).toEqual(['sum', []]);
    const other = told(sum('10k'));
    expect(other.recipe.id).toBe('sum');
    expect(other.differs).toEqual([
      'A.T to B.2 reads 10 kΩ, and in that lead 470 Ω.',
      'A.R to B.2 reads 10 kΩ, and in that lead 470 Ω.',
    ]);
    // Under 2 Ω it is a beep.
    expect(told('A xlr female\nB xlr male\nA.1 B.1 0.2\nA.2 B.2 0.3\nA.3 B.3').differs).toEqual([]);
    // Nothing there where something was read.
    expect(told('A xlr female\nB xlr male\nA.1 B.1\nA.2 B.2\nA.3 B.3\nA.1 A.2 47k').differs).toEqual([
      'A.1 to A.2 reads 47 kΩ, and in that lead nothing.',
    ]);
  });

  const plain = EXAMPLES.filter((example) => {
    const { assembly, intent } = leadOf(example);
    return (
      (intent?.form ?? 'lead') === 'lead' &&
      endsOf(assembly).length === 2 &&
      endsOf(assembly).every((end) => connectorOf(assembly, end)?.layouts) &&
      assembly.bodies.every(({ parts, ends }) => parts.length === 0 && ends.length > 0) &&
      // One whose strands are still to be found joins nothing yet.
      netlist(assembly).nets.some(({ contacts }) => new Set(contacts.map((each) => each[0])).size > 1)
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
        readings: [],
      };
      const is = describe(held);
      expect(is.ok && is.value.differs).toEqual([]);
    },
  );
});

suite('the ends that are said so far', () => {
  it('are those that are known, whatever else is in the lines', () =>
    expect(heldEnds('A xlr female\nB ket').map(({ id, connector }) => [id, connector.family])).toEqual([
      ['A', 'xlr3'],
    ]));
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
    ['A xlr\nB phono\nA.1 B.K 12 apples', ['line 3 resistance.unreadable']],
    ['A xlr\nB phono\nA.9 B.K 12k', ['line 3 described.contact']],
  ] as const)('%j', (text, expected) => expect(problems(text)).toEqual(expected));

  it('and says the contact as it was said, beside those there are', () => {
    const held = readHeld('A xlr\nB phono\nA.17 B.C');
    expect(held.ok ? '' : held.problems[0]?.says).toBe('End A has no contact “17”: it has 1, 2, 3, shell.');
  });
});
