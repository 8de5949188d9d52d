import { describe, expect, it } from 'vitest';
import { intentFor } from '../../../../tests/support/intents';
import { leadFor, useOf } from '../../../../tests/support/leads';
import { documentId, dress, netlist, readAssembly, type Assembly } from '../../assembly';
import { cableById, connectorById } from '../../catalogue';
import { findings } from '../../findings';
import { carriedBy } from '../../situation';
import { freeJoint } from './surgery';
import { applyEdit, derive, difference, EDIT_KINDS, readEdits, sayEdit, type Edit } from '..';

const plain = leadFor();
const sum = leadFor({
  from: { port: 'headphone-output', family: 'trs35' },
  to: { port: 'line-input', family: 'xlr3' },
  cable: 'pair-mini',
});

/** The nets of more than one contact, each as a line. */
const nets = (assembly: Assembly): readonly string[] =>
  netlist(assembly).nets.flatMap((net) => (net.contacts.length > 1 ? net.contacts.join(' ') : []));

function edited(assembly: Assembly, ...edits: readonly Edit[]): Assembly {
  return edits.reduce((so, edit) => {
    const made = applyEdit(so, edit);
    if (!made.ok) throw new Error(`${edit.kind}: ${made.problems[0]?.says ?? ''}`);
    return made.value;
  }, assembly);
}

const refused = (assembly: Assembly, edit: Edit): string => {
  const made = applyEdit(assembly, edit);
  return made.ok ? '' : (made.problems[0]?.code ?? '');
};

/** One of each kind, on the plain lead or on the sum. */
const ONE: readonly (readonly [Assembly, Edit])[] = [
  [plain.assembly, { kind: 'join', terminals: ['A.1', 'A.shell'], how: 'link' }],
  [plain.assembly, { kind: 'move', terminal: 'W1.white@a', to: 'A.3' }],
  [plain.assembly, { kind: 'cut-back', at: 'W1.white@a' }],
  [plain.assembly, { kind: 'insulate', at: 'W1.white@a' }],
  [plain.assembly, { kind: 'spare', at: 'W1.white@a' }],
  [plain.assembly, { kind: 'remove-joint', joint: 'joint-B-3' }],
  [
    plain.assembly,
    {
      kind: 'add-part',
      body: 'b',
      part: { id: 'C9', kind: 'capacitor', farads: 1e-8 },
      to: { a: 'B.1', b: 'B.shell' },
    },
  ],
  [sum.assembly, { kind: 'change-part', part: { id: 'R3', kind: 'resistor', ohms: 10_000 } }],
  [sum.assembly, { kind: 'remove-part', part: 'R3' }],
  [plain.assembly, { kind: 'identify', span: 'W1', conductor: 'white', colour: 'YE' }],
  [
    plain.assembly,
    { kind: 'put-on', dressing: dress({ id: 'ring-a', what: 'ring', over: 'A', says: 'a red ring' }) },
  ],
  [plain.assembly, { kind: 'exchange', one: 'W1.white@a', other: 'W1.black@a' }],
  [plain.assembly, { kind: 'separate', terminals: ['W1.white@a'] }],
  [
    plain.assembly,
    {
      kind: 'change-connector',
      end: 'B',
      connector: connectorById('xlr3-plug-right-angle') ?? expect.fail(),
    },
  ],
  [plain.assembly, { kind: 'change-cable', span: 'W1', cable: cableById('star-quad') ?? expect.fail() }],
  [
    plain.assembly,
    {
      kind: 'add-end',
      end: 'C',
      from: 'b',
      connector: connectorById('xlr3-plug') ?? expect.fail(),
      cable: cableById('star-quad') ?? expect.fail(),
      mm: 400,
    },
  ],
  [plain.assembly, { kind: 'remove-end', end: 'B' }],
  [plain.assembly, { kind: 'stay', end: 'B' }],
];

describe('every kind of edit', () => {
  it('is tried here, or taken back by its opposite', () =>
    expect([...new Set([...ONE.map(([, edit]) => edit.kind), 'take-off'])].sort()).toEqual(
      [...EDIT_KINDS].sort(),
    ));

  it.each(ONE.map(([assembly, edit]) => [edit.kind, assembly, edit] as const))(
    '%s leaves a document that is sound, is said in words, and travels as data',
    (_, assembly, edit) => {
      const made = edited(assembly, edit);
      expect(made).not.toEqual(assembly);
      expect(readAssembly(JSON.parse(JSON.stringify(made)))).toMatchObject({ ok: true });
      expect(sayEdit(edit, made)).toMatch(/\w+ \w+/);
      // In the builder's words: no id of a span or a body is in it.
      expect(sayEdit(edit, made)).not.toMatch(/W\d|@/);
      expect(readEdits(JSON.parse(JSON.stringify([edit])))).toEqual({ ok: true, value: [edit] });
    },
  );

  it('exchange puts each where the other is, loose ones too; separate parts what was one joint', () => {
    expect(
      nets(edited(plain.assembly, { kind: 'exchange', one: 'W1.white@a', other: 'W1.black@a' })),
    ).toEqual(['A.1 B.1', 'A.2 B.3', 'A.3 B.2']);
    const cut = edited(plain.assembly, { kind: 'cut-back', at: 'W1.white@a' });
    const turned = edited(cut, { kind: 'exchange', one: 'W1.white@a', other: 'W1.black@a' });
    expect(turned.unjoined.map(({ at, is }) => [at, is])).toEqual([['W1.black@a', 'cut back']]);
    const shorted = edited(plain.assembly, { kind: 'join', terminals: ['A.2', 'A.3'], how: 'cup' });
    expect(nets(shorted)).toEqual(['A.1 B.1', 'A.2 A.3 B.2 B.3']);
    expect(nets(edited(shorted, { kind: 'separate', terminals: ['A.3', 'W1.black@a'] }))).toEqual([
      'A.1 B.1',
      'A.2 B.2',
      'A.3 B.3',
    ]);
    expect(refused(plain.assembly, { kind: 'exchange', one: 'W1.white@a', other: 'W1.black@b' })).toBe(
      'edit.apart',
    );
    expect(refused(plain.assembly, { kind: 'exchange', one: 'W1.white@a', other: 'W1.green@a' })).toBe(
      'edit.gone',
    );
    expect(refused(plain.assembly, { kind: 'separate', terminals: ['A.2', 'A.3'] })).toBe('edit.apart');
  });

  it('a joint that is new has a name of its own that a document may have, however long its contacts are called', () => {
    const long = freeJoint(plain.assembly, `joint-${'x'.repeat(60)}+2`);
    expect(long).toHaveLength(34);
    expect(freeJoint(plain.assembly, 'joint-A-2')).toBe('joint-A-2-2');
    expect(freeJoint(plain.assembly, 'on A.1+')).toBe('on-A-1p');
    // With a number behind it, it still is one of at most 40 letters.
    const taken = {
      ...plain.assembly,
      bodies: plain.assembly.bodies.map((body, n) =>
        n > 0
          ? body
          : {
              ...body,
              joints: [...body.joints, { id: long, terminals: ['A.1', 'A.2'], how: 'link' as const }],
            },
      ),
    };
    expect(freeJoint(taken, long)).toBe(`${long}-2`);
    expect(documentId.isValidSync(`${long}-9999`)).toBe(true);
    expect(documentId.isValidSync(`${long}-99999-`)).toBe(false);
  });

  it('join makes one net of two, move takes it from one to another', () => {
    expect(
      nets(edited(plain.assembly, { kind: 'join', terminals: ['A.1', 'A.shell'], how: 'link' })),
    ).toContain('A.1 A.shell B.1');
    const crossed = edited(
      plain.assembly,
      { kind: 'move', terminal: 'W1.white@b', to: 'B.3' },
      { kind: 'move', terminal: 'W1.black@b', to: 'B.2' },
    );
    expect(nets(crossed)).toEqual(['A.1 B.1', 'A.2 B.3', 'A.3 B.2']);
  });

  it('what is dealt with is in no joint, and says how it was left', () => {
    const cut = edited(plain.assembly, { kind: 'cut-back', at: 'W1.black@b' });
    expect(nets(cut)).toEqual(['A.1 B.1', 'A.2 B.2']);
    expect(cut.unjoined.map((each) => [each.at, each.is])).toEqual([['W1.black@b', 'cut back']]);
    // Joined again it is no longer left.
    const again = edited(cut, { kind: 'join', terminals: ['W1.black@b', 'B.3'], how: 'cup' });
    expect(again.unjoined).toEqual([]);
    expect(nets(again)).toEqual(nets(plain.assembly));
  });

  it('a joint that is taken out leaves a finding, whose remedy is an edit that clears it', () => {
    const loose = derive(plain.intent, [{ kind: 'remove-joint', joint: 'joint-B-3' }]);
    if (!loose.ok) throw new Error('it can be made');
    const [found] = findings(loose.value).filter((each) => each.rule === 'loose-conductor');
    const change = found?.remedies[0]?.change;
    if (change?.kind !== 'edit') throw new Error('the remedy is an edit');
    const mended = derive(plain.intent, [...loose.value.edits, change.edit]);
    expect(mended.ok && findings(mended.value).map((each) => each.rule)).not.toContain('loose-conductor');
  });

  it('a part put in is between the nets it was put on, and the circuit has it', () => {
    const made = edited(plain.assembly, ONE[6]?.[1] as Edit);
    const { parts, netOf } = netlist(made);
    expect(parts.map(({ part, leads }) => [part.id, leads['a'], leads['b']])).toEqual([
      ['C9', netOf.get('B.1')?.name, netOf.get('B.shell')?.name],
    ]);
  });

  it('taking a series resistor out of a sum lead is seen: left is no longer carried', () => {
    const without = edited(sum.assembly, { kind: 'remove-part', part: 'R1' });
    const left = carriedBy(without, useOf(sum)).find((each) => each.out === 'A.left' && each.role === 'hot');
    expect(left?.carried).toBe(false);
    expect(difference(sum.assembly, without)).toContain('without resistor R1 470');
  });
});

describe('what cannot be done says why', () => {
  it.each([
    ['a terminal that is not there', { kind: 'join', terminals: ['A.9', 'A.1'], how: 'cup' }, 'edit.gone'],
    ['two ends at once', { kind: 'join', terminals: ['A.1', 'B.1'], how: 'cup' }, 'edit.apart'],
    ['a contact cut back', { kind: 'cut-back', at: 'A.1' }, 'edit.gone'],
    ['a joint that is not there', { kind: 'remove-joint', joint: 'joint-Z-1' }, 'edit.gone'],
    ['a part that is not there', { kind: 'remove-part', part: 'R7' }, 'edit.gone'],
    [
      'a lead that its kind does not have',
      { kind: 'add-part', body: 'b', part: { id: 'D9', kind: 'led' }, to: { a: 'B.1' } },
      'edit.lead',
    ],
    [
      'a dressing over nothing',
      { kind: 'put-on', dressing: dress({ id: 'x', what: 'boot', over: 'Z', says: 'a boot' }) },
      'reference.dressing',
    ],
  ] as readonly (readonly [string, Edit, string])[])('%s', (_, edit, code) =>
    expect(refused(plain.assembly, edit)).toBe(code),
  );

  it('a part is changed for one with the same legs, and the others stay', () => {
    const parts = (assembly: Assembly) => assembly.bodies.flatMap((body) => body.parts);
    const changed = edited(sum.assembly, {
      kind: 'change-part',
      part: { id: 'R2', kind: 'resistor', ohms: 1000 },
    });
    expect(parts(changed).map((each) => [each.id, each.kind === 'resistor' ? each.ohms : 0])).toEqual([
      ['R1', 470],
      ['R2', 1000],
      ['R3', 20_000],
    ]);
    expect(refused(sum.assembly, { kind: 'change-part', part: { id: 'R2', kind: 'led' } })).toBe(
      'edit.leads',
    );
    expect(refused(sum.assembly, { kind: 'change-part', part: { id: 'R9', kind: 'resistor' } })).not.toBe('');
  });

  it('a dressing is taken off where it is, and nowhere else', () => {
    const ringed = edited(plain.assembly, {
      kind: 'put-on',
      dressing: dress({ id: 'ring-a', what: 'ring', over: 'A', says: 'a red ring' }),
    });
    expect(edited(ringed, { kind: 'take-off', dressing: 'ring-a' }).dressings).toEqual(
      plain.assembly.dressings,
    );
    expect(refused(plain.assembly, { kind: 'take-off', dressing: 'ring-a' })).not.toBe('');
    expect(refused(ringed, { kind: 'take-off', dressing: 'ring-b' })).not.toBe('');
  });

  it('joints that were there before are not ours to undo', () => {
    const headphones = leadFor({
      from: { port: 'headphone-output', family: 'trs35' },
      to: { port: 'headphone-cups', family: 'earpiece-pads' },
      cable: 'litz-headphone',
      surroundings: 'studio',
    });
    const at = headphones.assembly.bodies.flatMap((body) => body.existing ?? [])[0]?.terminals[0] ?? '';
    expect(refused(headphones.assembly, { kind: 'cut-back', at })).toBe('edit.existing');
    // Nor is the end that they are in, though there were but one of them.
    const one = {
      ...headphones.assembly,
      bodies: headphones.assembly.bodies.map((body) => ({
        ...body,
        ...(body.existing ? { existing: body.existing.slice(0, 1) } : {}),
      })),
    };
    const end = one.bodies.find(({ existing }) => existing?.length === 1)?.ends[0]?.id ?? '';
    expect(refused(one, { kind: 'remove-end', end })).toBe('edit.existing');
  });

  it('an edit that is none is refused at its field', () => {
    const read = readEdits([
      { kind: 'paint', colour: 'red' },
      { kind: 'cut-back', at: 'nowhere' },
    ]);
    expect(read.ok ? [] : read.problems.map((problem) => problem.path)).toEqual([
      'edits[0].kind',
      'edits[1].at',
    ]);
  });
});

describe('edits and the intent', () => {
  const crossing: Edit = { kind: 'move', terminal: 'W1.white@b', to: 'B.3' };

  it('are made again when the intent changes: ids come from roles and places', () => {
    const longer = derive(intentFor({ length: { mm: 9000, datum: 'face' }, cable: 'pair-spiral' }), [
      crossing,
    ]);
    expect(longer.ok && longer.value.because.lapsed).toEqual([]);
    expect(longer.ok && nets(longer.value.assembly)).toContain('A.2 A.3 B.3');
  });

  it('those that can no longer be made are listed, and the others are made', () => {
    const quad = derive(intentFor({ cable: 'star-quad' }), [
      { kind: 'cut-back', at: 'W1.black@b' },
      { kind: 'join', terminals: ['B.1', 'B.shell'], how: 'link' },
    ]);
    if (!quad.ok) throw new Error(JSON.stringify(quad.problems));
    expect(quad.value.because.lapsed).toMatchObject([{ edit: 0 }]);
    expect(quad.value.because.lapsed[0]?.says).toBe('The black core at end B is not in this lead any more.');
    expect(nets(quad.value.assembly)).toContain('A.1 B.1 B.shell');
    expect(quad.value.edits).toHaveLength(2);
  });

  it('the same intent and edits derive the same lead again', () =>
    expect(derive(plain.intent, [crossing])).toEqual(derive(plain.intent, [crossing])));
});
