import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../../tests/examples/read';
import { leadFor } from '../../../../tests/support/leads';
import { netlist, type Assembly } from '../../assembly';
import { applyEdit, type Edit } from '../../lead';
import { faultsOf, proofOf } from '..';

/** The ids of the faults that a lead is proven against, by their kind: what stands before the colon. */
function modelled(cable: string): ReadonlyMap<string, readonly string[]> {
  const { assembly } = leadFor({ cable });
  const kinds = new Map<string, string[]>();
  for (const { fault } of proofOf({ assembly }).hypotheses) {
    if (!fault) continue;
    const [kind = '', place = ''] = fault.id.split(':');
    kinds.set(kind, [...(kinds.get(kind) ?? []), place]);
  }
  return kinds;
}
const both = (of: (end: string, body: string) => readonly string[]): readonly string[] => [
  ...of('A', 'a'),
  ...of('B', 'b'),
];
/** Every two of a row. */
const pairs = (all: readonly string[]): readonly (readonly [string, string])[] =>
  all.flatMap((one, n) => all.slice(n + 1).map((other) => [one, other] as const));

const shorts = both((end) => pairs(['1', '2', '3', 'shell']).map(([a, b]) => `${end}.${a}~${end}.${b}`));

/** By hand, from what goes wrong again and again (handbook, section 1): not from what the models list. */
describe('which faults are modelled', () => {
  it('of a pair between two XLRs', () => {
    const found = modelled('pair-braid');
    const joints = both((_, body) => ['screen', 'white', 'black'].map((core) => `W1.${core}@${body}`));
    // Each joint off, each joint poor; each two contacts bridged, the shell too; each core melted through to the screen.
    expect(found.get('open')).toEqual(joints);
    expect(found.get('high')).toEqual(joints);
    expect(found.get('short')).toEqual(shorts);
    expect(found.get('melted')).toEqual(['W1.white@a~screen', 'W1.black@a~screen']);
    // Two conductors in each other’s place at one end, or at both: the colours reversed, or a core and the screen.
    expect(found.get('reversed')).toEqual(both((_, body) => [`W1.white@${body}~W1.black@${body}`]));
    expect(found.get('reversed twice')).toEqual(['W1.white@a~W1.black@a']);
    const withScreen = (body: string) =>
      ['white', 'black'].map((core) => `W1.screen@${body}~W1.${core}@${body}`);
    expect(found.get('crossed')).toEqual(both((_, body) => withScreen(body)));
    expect(found.get('crossed twice')).toEqual(withScreen('a'));
    expect([...found.values()].flat()).toHaveLength(6 + 6 + 12 + 2 + 2 + 1 + 4 + 2);
  });

  it('a contact that has a name is called by it', () => {
    const says = (example: string): readonly string[] =>
      faultsOf(leadNamed(example).assembly).flatMap(({ id, says }) =>
        id.startsWith('open:W') ? [says] : [],
      );
    expect(says('rack-trs-to-trs')[0]).toMatch(/is open: it does not carry the (?:tip|ring|sleeve)$/);
    expect(says('stage-microphone')).toContain('White is open: it does not carry 2');
    expect(says('two-phono-sum')).toContain('White is open: it does not carry the centre');
  });

  it('of a star quad: the four cores one by one, and single cores taken for those of the other pair', () => {
    const found = modelled('star-quad');
    const cores = ['white-1', 'white-2', 'blue-1', 'blue-2'];
    expect(found.get('open')).toEqual(
      // Two that share a contact may hold each other and not it.
      both((end, body) => [
        ...['screen', ...cores].map((core) => `W1.${core}@${body}`),
        `${end}.2`,
        `${end}.3`,
      ]),
    );
    expect(found.get('high')).toEqual(
      both((_, body) => ['screen', ...cores].map((core) => `W1.${core}@${body}`)),
    );
    expect(found.get('short')).toEqual(shorts);
    expect([...(found.get('melted') ?? [])].sort()).toEqual(
      cores.map((core) => `W1.${core}@a~screen`).sort(),
    );
    // One core of each pair: two whites and two blues; and the screen with each of four.
    const exchanged = (body: string) =>
      [
        ...['white-1', 'white-2'].flatMap((white) =>
          ['blue-1', 'blue-2'].map((blue) => [white, blue] as const),
        ),
        ...cores.map((core) => ['screen', core] as const),
      ].map(([one, other]) => `W1.${one}@${body}~W1.${other}@${body}`);
    expect([...(found.get('exchanged') ?? [])].sort()).toEqual(
      both((_, body) => exchanged(body))
        .slice()
        .sort(),
    );
    expect([...found.values()].flat()).toHaveLength(14 + 10 + 12 + 4 + 16 + 2 + 1 + 4 + 2);
  });
});

describe('what a fault of a part makes of the lead', () => {
  const tellTale = leadFor({
    form: 'plug',
    from: [],
    to: { port: 'microphone-input-phantom', family: 'xlr3' },
  }).assembly;
  const faults = proofOf({ assembly: tellTale }).hypotheses.flatMap(({ fault }) => fault ?? []);
  const madeBy = (id: string): Assembly => {
    const [variant] = faults.find((fault) => fault.id === id)?.variants() ?? [];
    return (
      variant?.assembly ?? expect.fail(`no fault ${id} among ${faults.map((each) => each.id).join(', ')}`)
    );
  };
  const nets = (assembly: Assembly): readonly string[] =>
    netlist(assembly)
      .nets.map((net) => [...net.terminals].sort().join(' '))
      .sort();
  const byHand = (edit: Edit): Assembly => {
    const made = applyEdit(tellTale, edit);
    return made.ok ? made.value : expect.fail(made.problems[0]?.says);
  };
  const parts = (assembly: Assembly) => assembly.bodies.flatMap((body) => body.parts);

  it('turned round: its two legs in each other’s place, and nothing else', () =>
    expect(nets(madeBy('part reversed:D1'))).toEqual(
      nets(byHand({ kind: 'exchange', one: 'D1.anode', other: 'D1.cathode' })),
    ));

  it('bridged: its two legs on one net', () => {
    const { netOf } = netlist(madeBy('part bridged:R1'));
    expect(netOf.get('R1.a')).toBe(netOf.get('R1.b'));
    expect(netlist(tellTale).netOf.get('R1.a')).not.toBe(netlist(tellTale).netOf.get('R1.b'));
  });

  it('open: it has no value, and the others keep theirs', () => {
    const ohms = parts(madeBy('part open:R1')).flatMap((each) =>
      each.kind === 'resistor' ? [[each.id, each.ohms]] : [],
    );
    expect(ohms).toEqual([
      ['R1', undefined],
      ['R2', 4700],
    ]);
    expect(nets(madeBy('part open:R1'))).toEqual(nets(tellTale));
  });

  it('of another decade: ten times its value and a tenth, and no other part', () => {
    for (const ohms of [47_000, 470])
      expect(
        parts(madeBy(`part ${ohms}:R1`)).flatMap((each) => (each.kind === 'resistor' ? each.ohms : [])),
      ).toEqual([ohms, 4700]);
  });
});
