import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadOf } from '../../../../tests/examples/read';
import { everySo } from '../../../../tests/support/some';
import { leadFor } from '../../../../tests/support/leads';
import { endsOf, jointsOf, netlist, readAssembly, type Assembly } from '../../assembly';
import { cableById, CABLES, COLOURS, CONNECTORS, connectorById } from '../../catalogue';
import { findings } from '../../findings';
import {
  applyEdit,
  derive,
  nextEnd,
  possibleCables,
  possibleMakings,
  readLead,
  sayEdit,
  type Edit,
  type Lead,
} from '..';

/** Which contacts meet, of the ends that are asked after; shells aside, which are one piece with a contact in one body and not in another. */
const nets = (assembly: Assembly, ends = endsOf(assembly).map(({ id }) => id)): readonly string[] =>
  netlist(assembly)
    .nets.map(({ contacts }) =>
      contacts
        .filter((each) => !each.endsWith('.shell') && ends.includes(each.split('.')[0] ?? ''))
        .sort()
        .join(' '),
    )
    .filter((net) => net.includes(' '))
    .sort();
const connector = (id: string) => connectorById(id) ?? expect.fail(id);
const cable = (id: string) => cableById(id) ?? expect.fail(id);

function made(assembly: Assembly, edit: Edit): Assembly {
  const changed = applyEdit(assembly, edit);
  if (!changed.ok) throw new Error(`${edit.kind}: ${changed.problems[0]?.says ?? ''}`);
  const read = readAssembly(JSON.parse(JSON.stringify(changed.value)));
  expect(read.ok, JSON.stringify(read)).toBe(true);
  return changed.value;
}
const refusal = (assembly: Assembly, edit: Edit): string => {
  const changed = applyEdit(assembly, edit);
  return changed.ok ? '' : (changed.problems[0]?.says ?? '');
};
/** A lead that is derived with one change, read back as a file. */
function derived(of: Lead, ...edits: readonly Edit[]): Lead {
  const lead = derive(of.intent, edits);
  if (!lead.ok) throw new Error(lead.problems[0]?.says);
  const read = readLead(JSON.parse(JSON.stringify(lead.value)));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  expect(lead.value.because.lapsed).toEqual([]);
  return lead.value;
}

const plain = leadFor();

describe('what may be put on an end', () => {
  it('a ring in each colour, said and put on in it; anything else has none', () => {
    const puts = possibleMakings(leadFor().assembly, 'A', CONNECTORS).flatMap(({ says, edit }) =>
      edit.kind === 'put-on' ? [{ ...edit.dressing, says }] : [],
    );
    const rings = puts.filter(({ what }) => what === 'ring');
    expect(rings.length).toBeGreaterThan(3);
    for (const { says, colour } of rings)
      expect(says).toBe(`a ${COLOURS[colour ?? '??']} ring`.replace(/^a (?=[aeiou])/, 'an '));
    expect(new Set(rings.map(({ colour }) => colour)).size).toBe(rings.length);
    expect(puts.filter(({ what, colour }) => what !== 'ring' && colour !== undefined)).toEqual([]);
    expect(puts.length).toBeGreaterThan(rings.length);
  });
});

describe('another connector', () => {
  it('of the same contacts: what meets what stays, and the old one is used no more', () => {
    const changed = made(plain.assembly, {
      kind: 'change-connector',
      end: 'B',
      connector: connector('xlr3-plug-right-angle'),
    });
    expect(nets(changed)).toEqual(nets(plain.assembly));
    expect(changed.uses.connectors.map(({ id }) => id)).toEqual([
      plain.assembly.uses.connectors[0]?.id,
      'xlr3-plug-right-angle',
    ]);
  });

  it('of others: refused where a contact is lacking that something is joined to', () => {
    expect(
      refusal(plain.assembly, { kind: 'change-connector', end: 'B', connector: connector('phono-plug') }),
    ).toBe('B.1 is joined to something, and Phono plug, metal shell has no such contact: part it first.');
    expect(
      refusal(plain.assembly, { kind: 'change-connector', end: 'Q', connector: connector('phono-plug') }),
    ).toBe('There is no connector at end Q in this lead any more.');
  });
});

describe('another cable', () => {
  const change = (id: string, span = 'W1'): Edit => ({ kind: 'change-cable', span, cable: cable(id) });

  it('each core goes where the one that it stands for went, by name or by colour', () => {
    for (const id of ['pair-spiral', 'pair-foil', 'star-quad']) {
      const changed = made(plain.assembly, change(id));
      expect(nets(changed), id).toEqual(nets(plain.assembly));
      expect(changed.uses.cables.map((each) => each.id)).toEqual([id]);
    }
    // What a star quad has more is cut back at both sides.
    const quad = made(plain.assembly, change('star-quad'));
    expect(quad.unjoined.filter(({ is }) => is === 'cut back')).toHaveLength(4);
  });

  it('one with too few cores is refused, naming the core', () =>
    expect(refusal(plain.assembly, change('instrument-coax'))).toMatch(
      /has nothing to go where the (white|black) core goes: part it first, or take a cable with as many cores\.$/,
    ));

  it('of a fan-out it is the trunk and its legs', () => {
    const fan = leadOf(EXAMPLES.find(({ id }) => id === 'stereo-microphone-fan-out') ?? expect.fail());
    const changed = made(fan.assembly, change('multipair-4'));
    expect(nets(changed)).toEqual(nets(fan.assembly));
    expect(new Set(changed.spans.map((span) => span.cable))).toEqual(new Set(['multipair-4']));
  });
});

describe('an end more, an end less', () => {
  const more: Edit = {
    kind: 'add-end',
    end: 'C',
    from: 'b',
    connector: connector('xlr3-plug'),
    cable: cable('pair-braid'),
    mm: 400,
  };

  it('a new end is joined to nothing until it is; joined by hand it makes a split', () => {
    const grown = made(plain.assembly, more);
    expect(endsOf(grown).map(({ id }) => id)).toEqual(['A', 'B', 'C']);
    expect(nets(grown)).toEqual(nets(plain.assembly));
    const contacts: Readonly<Record<string, string>> = { screen: '1', white: '2', black: '3' };
    const joined = Object.entries(contacts).reduce(
      (so, [core, contact]) =>
        made(made(so, { kind: 'move', terminal: `W2.${core}@b`, to: `B.${contact}` }), {
          kind: 'move',
          terminal: `W2.${core}@c`,
          to: `C.${contact}`,
        }),
      grown,
    );
    expect(nets(joined)).toEqual(['A.1 B.1 C.1', 'A.2 B.2 C.2', 'A.3 B.3 C.3']);
    // Both cables come in through the one entry.
    expect(joined.bodies[1]?.entries).toEqual([{ gland: 'cable entry', spans: ['W1', 'W2'] }]);
    expect(nets(made(joined, { kind: 'remove-end', end: 'C' }))).toEqual(nets(plain.assembly));
  });

  it('an end taken off goes with its cable, its parts and what it meets; what that leaves open is said', () => {
    const y = leadOf(EXAMPLES.find(({ id }) => id === 'two-way-split') ?? expect.fail());
    const lead = derived(y, { kind: 'remove-end', end: 'C' });
    expect(endsOf(lead.assembly).map(({ id }) => id)).toEqual(['A', 'B']);
    expect(lead.situations.flatMap(({ channels }) => channels.map(({ end }) => end))).not.toContain('C');
    expect(nets(lead.assembly)).toEqual(nets(y.assembly, ['A', 'B']));
    const sum = leadOf(EXAMPLES.find(({ id }) => id === 'stereo-sum') ?? expect.fail());
    const less = derived(sum, { kind: 'remove-end', end: 'B' });
    expect(less.assembly.bodies.flatMap(({ parts }) => parts)).toEqual([]);
    expect(less.assembly.spans).toEqual([]);
  });

  it('refused: an end that is there, the last one, what was there before', () => {
    expect(refusal(plain.assembly, { ...more, end: 'A' } as Edit)).toBe('There is an end A already.');
    expect(refusal(plain.assembly, { ...more, from: 'z' } as Edit)).toMatch(/no such end to start from/);
    const plug = leadOf(EXAMPLES.find(({ id }) => id === 'tell-tale') ?? expect.fail());
    expect(refusal(plug.assembly, { kind: 'remove-end', end: 'A' })).toBe(
      'End A is the only one: a lead has at least one.',
    );
  });

  it('said in words', () => {
    expect(sayEdit(more, plain.assembly)).toBe('end C added: XLR 3 cable plug, chuck clamp');
    expect(sayEdit({ kind: 'remove-end', end: 'B' }, plain.assembly)).toBe('end B taken off');
  });
});

describe('laws of every example', () => {
  it.each(everySo(2, EXAMPLES).map((example) => [example.id, leadOf(example)] as const))(
    '%s: another cable or connector changes no net; an end taken off changes none among the others; a new one none at all',
    (_, lead) => {
      const { assembly } = lead;
      const before = nets(assembly);
      let tried = 0;
      for (const end of endsOf(assembly)) {
        const now = assembly.uses.connectors.find(({ id }) => id === end.connector);
        for (const other of CONNECTORS.filter((each) => each.family === now?.family && each.id !== now.id)) {
          const changed = applyEdit(assembly, { kind: 'change-connector', end: end.id, connector: other });
          if (!changed.ok) continue;
          tried++;
          expect(nets(changed.value), `${end.id} ${other.id}`).toEqual(before);
        }
        const less = applyEdit(assembly, { kind: 'remove-end', end: end.id });
        if (!less.ok) continue;
        tried++;
        expect(readAssembly(less.value).ok).toBe(true);
        const others = endsOf(less.value).map(({ id }) => id);
        // What met through the end alone does so no more; nothing new meets.
        const still = new Set(nets(assembly, others));
        for (const net of nets(less.value))
          expect(
            [...still].some((was) => net.split(' ').every((each) => was.split(' ').includes(each))),
          ).toBe(true);
        for (const body of less.value.bodies)
          for (const { terminals } of jointsOf(body)) expect(terminals.length).toBeGreaterThan(1);
      }
      for (const { id } of assembly.spans.slice(0, 1))
        for (const other of CABLES) {
          const changed = applyEdit(assembly, { kind: 'change-cable', span: id, cable: other });
          if (!changed.ok) continue;
          tried++;
          expect(nets(changed.value), other.id).toEqual(before);
          expect(readAssembly(changed.value).ok, other.id).toBe(true);
        }
      const [first] = assembly.bodies;
      const grown = made(assembly, {
        kind: 'add-end',
        end: 'Z',
        from: first?.id ?? '',
        connector: connector('phono-plug'),
        cable: cable('instrument-coax'),
        mm: 500,
      });
      expect(nets(grown)).toEqual(before);
      expect(tried).toBeGreaterThan(0);
    },
  );

  it('a lead with an end less is judged like any other: what does not arrive any more is said', () => {
    const found = findings(derived(plain, { kind: 'move', terminal: 'W1.white@b', to: 'B.3' }));
    expect(found.some(({ severity }) => severity === 'stop')).toBe(true);
    expect(() => findings(derived(plain, { kind: 'remove-end', end: 'B' }))).not.toThrow();
  });
});

describe('what can be made otherwise', () => {
  const said = (assembly: Assembly, end: string): readonly string[] =>
    possibleMakings(assembly, end, CONNECTORS).map(({ group, says }) => `${group}: ${says}`);

  it('of a plug: its other bodies, rings and the like, and being taken off', () => {
    const all = said(plain.assembly, 'B');
    expect(all).toContain('another connector: XLR 3 cable plug, right angle');
    expect(all).toContain('put on: a red ring');
    expect(all).toContain('the end: take end B off');
    expect(all.filter((each) => each.startsWith('take off'))).toEqual([]);
    // No panel socket on a cable, and not the one that it has.
    expect(all.join()).not.toMatch(/panel/);
    expect(all).not.toContain(`another connector: ${plain.assembly.uses.connectors[1]?.name ?? ''}`);
  });

  it('what was put on can be taken off, and a second of a kind has a name of its own', () => {
    const ring = possibleMakings(plain.assembly, 'B', CONNECTORS).find(({ says }) => says === 'a red ring');
    const once = made(plain.assembly, ring?.edit ?? expect.fail());
    expect(said(once, 'B')).toContain('take off: a red ring on end B');
    const again = possibleMakings(once, 'B', CONNECTORS).find(({ says }) => says === 'a white ring');
    expect(made(once, again?.edit ?? expect.fail()).dressings.map(({ id }) => id)).toEqual([
      'ring-b',
      'ring-b-2',
    ]);
  });

  it('of the cable: those with as many cores; of a lead with none, none', () => {
    const names = possibleCables(plain.assembly, 'W1', CABLES).map(({ edit }) =>
      edit.kind === 'change-cable' ? edit.cable.id : '',
    );
    expect(names).toContain('star-quad');
    expect(names).not.toContain('instrument-coax');
    expect(names).not.toContain('pair-braid');
    expect(possibleCables(plain.assembly, 'W9', CABLES)).toEqual([]);
  });

  it('a new end is called by the first letter that is free', () => {
    expect(nextEnd(plain.assembly)).toBe('C');
    expect(nextEnd(made(plain.assembly, { kind: 'remove-end', end: 'A' }))).toBe('A');
  });

  it.each(everySo(2, EXAMPLES).map((example) => [example.id, leadOf(example)] as const))(
    '%s: everything offered can be done, is said once, and leaves a sound document',
    (_, { assembly }) => {
      for (const { id } of endsOf(assembly).slice(0, 3)) {
        const makings = possibleMakings(assembly, id, CONNECTORS);
        const keys = makings.map(({ group, says }) => `${group} ${says}`);
        expect(new Set(keys).size).toBe(keys.length);
        for (const { edit } of makings) made(assembly, edit);
      }
    },
  );
});
