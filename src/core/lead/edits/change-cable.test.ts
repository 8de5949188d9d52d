import { expect, it } from 'vitest';
import { leadNamed } from '../../../../tests/examples/read';
import { netlist } from '../../assembly';
import { CABLES, type CableEntry } from '../../catalogue';
import { applyEdit } from '.';

const plain = leadNamed('stage-microphone').assembly;
const braid = CABLES.find(({ id }) => id === 'pair-braid') ?? expect.fail();

/** The same pair under other names, in the order that is asked for. */
function renamedPair(order: readonly ('white' | 'black' | 'screen')[]): CableEntry {
  const called = { white: 'first', black: 'second', screen: 'round' } as const;
  return {
    ...braid,
    id: 'pair-other',
    conductors: order.map((id) => ({
      ...(braid.conductors.find((each) => each.id === id) ?? expect.fail(id)),
      id: called[id],
    })),
  };
}

it.each([
  [['white', 'black', 'screen']],
  [['black', 'white', 'screen']],
  [['screen', 'black', 'white']],
  [['black', 'screen', 'white']],
] as const)('cores of other names go by their colour, the screen by what it is: %j', (order) => {
  const changed = applyEdit(plain, { kind: 'change-cable', span: 'W1', cable: renamedPair(order) });
  if (!changed.ok) return expect.fail(changed.problems[0]?.says);
  // By hand: white on 2, black on 3, the screen on 1, at both ends.
  const joined = new Map(
    changed.value.bodies.flatMap(({ joints }) =>
      joints.map(({ id, terminals }) => [id, terminals.join(' ')]),
    ),
  );
  for (const end of ['A', 'B'])
    for (const [contact, core] of [
      ['1', 'round'],
      ['2', 'first'],
      ['3', 'second'],
    ] as const)
      expect(joined.get(`joint-${end}-${contact}`), `${end}.${contact}`).toContain(`W1.${core}@`);
  expect(
    netlist(changed.value)
      .nets.map(({ contacts }) => contacts.join(' '))
      .sort(),
  ).toEqual(
    netlist(plain)
      .nets.map(({ contacts }) => contacts.join(' '))
      .sort(),
  );
});
