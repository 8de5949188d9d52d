import { describe, expect, it } from 'vitest';
import { netlist, readAssembly, type Assembly, valueOf } from '../../src/core/assembly';
import { COLOURS } from '../../src/core/catalogue';
import { RECIPES } from '../../src/core/wiring';
import { HAND_NETS } from './nets';
import { EXAMPLES, leadOf } from './read';

/** Nets of more than one contact, each sorted, as the hand wrote them. */
const joined = (assembly: Assembly): string[] =>
  netlist(assembly)
    .nets.filter((net) => net.contacts.length > 1)
    .map((net) => [...net.contacts].sort().join(' '))
    .sort();

const handJoined = (nets: string): string[] =>
  (nets === '' ? [] : nets.split(' | ')).map((net) => net.split(' ').sort().join(' ')).sort();

/** Parts as the hand wrote them: a lead is where a contact is, or where other leads with the same inner name are. */
function handParts(text: string) {
  return text.split('; ').map((part) => {
    const [id = '', kind = '', value = '', ...leads] = part.split(' ');
    return {
      id,
      kind,
      value: Number(value),
      leads: leads.map((each) => each.split('=') as [string, string]),
    };
  });
}

describe.each(EXAMPLES.map((example) => [example.id, example] as const))('%s', (id, example) => {
  const hand = HAND_NETS[id] ?? expect.fail(`no nets were written for ${id}`);

  it('joins what the hand wrote, and nothing else', () => {
    expect(joined(leadOf(example).assembly)).toEqual(handJoined(hand.nets));
  });

  it('says of a core that it is hot or cold at both ends only where it is', () => {
    const { assembly, situations } = leadOf(example);
    const contacts = (role: string): readonly string[] =>
      situations.flatMap((use) =>
        use.channels.flatMap((channel) =>
          Object.entries(channel.roles).flatMap(([is, contact]) =>
            is === role ? [`${channel.end}.${contact}`] : [],
          ),
        ),
      );
    const joints = assembly.bodies.flatMap((body) => body.joints);
    for (const span of assembly.spans)
      for (const { because, terminals } of joints) {
        const said = /^(\w+) is hot(?: and (\w+) is cold)?, at both ends/.exec(because?.says ?? '');
        const cable = assembly.uses.cables.find((entry) => entry.id === span.cable);
        // A leg of two cores has two in the joint; what is cold is left on neither side.
        if (because?.says.includes('make a leg'))
          expect(terminals.filter((each) => each.includes('@')).length, because.says).toBeGreaterThan(1);
        const colds = (cable?.conductors ?? []).filter(
          (core) => COLOURS[core.colour].toLowerCase() === said?.[2],
        );
        for (const side of colds.length > 0 ? [span.from, span.to] : [])
          expect(
            colds.some(
              (core) => !assembly.unjoined.some((each) => each.at === `${span.id}.${core.id}@${side}`),
            ),
            because?.says,
          ).toBe(true);
        for (const [role, colour] of [
          ['hot', said?.[1]],
          ['cold', said?.[2]],
        ] as const)
          for (const core of cable?.conductors ?? []) {
            if (colour === undefined || core.is !== 'core') continue;
            if (COLOURS[core.colour].toLowerCase() !== colour.toLowerCase()) continue;
            for (const side of [span.from, span.to]) {
              const at = joints.filter((joint) => joint.terminals.includes(`${span.id}.${core.id}@${side}`));
              const meets = at.flatMap((joint) => joint.terminals).filter((each) => /^[A-Z]+\./.test(each));
              // Where a part or a core that goes on lies between, the contact is not in the same joint.
              if (at.length === 0 || meets.some((each) => contacts(role).includes(each))) continue;
              const ends = meets.filter((each) =>
                assembly.bodies.some((b) => b.ends.some((e) => each.startsWith(`${e.id}.`))),
              );
              expect(role === 'cold' || ends.length > 0 ? ends : [], `${because?.says} ${side}`).toEqual([]);
            }
          }
      }
  });

  it('has the parts that the hand wrote, where it wrote them', () => {
    const { assembly } = leadOf(example);
    const { netOf, parts } = netlist(assembly);
    const expected = hand.parts ? handParts(hand.parts) : [];
    expect(parts.map(({ part }) => part.id).sort()).toEqual(expected.map((each) => each.id).sort());
    const inner = new Map<string, string>();
    for (const each of expected) {
      const found = parts.find(({ part }) => part.id === each.id);
      expect([found?.part.kind, found && valueOf(found.part)], each.id).toEqual([each.kind, each.value]);
      for (const [lead, where] of each.leads) {
        const net = found?.leads[lead];
        if (!where.startsWith('~')) expect(net, `${each.id}.${lead}`).toBe(netOf.get(where)?.name);
        else {
          expect(net, `${each.id}.${lead}`).toBe(inner.get(where) ?? net);
          inner.set(where, net ?? '');
        }
      }
    }
    for (const name of inner.values())
      expect(netlist(assembly).nets.find((net) => net.name === name)?.contacts).toEqual([]);
  });

  it('is a whole document', () => {
    const { assembly } = leadOf(example);
    const read = readAssembly(JSON.parse(JSON.stringify(assembly)));
    expect(read.ok ? [] : read.problems).toEqual([]);
  });
});

describe('the examples together', () => {
  it('use every recipe that may be made', () => {
    const used = new Set(EXAMPLES.map((example) => leadOf(example).because.recipe?.id));
    expect(RECIPES.map((recipe) => recipe.id).filter((id) => !used.has(id))).toEqual(['bare-y']);
  });
});
