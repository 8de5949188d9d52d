import { describe, expect, it } from 'vitest';
import { leadFor } from '../../../../tests/support/leads';
import { spanLengths } from '../../assembly';
import { proofOf } from '..';

/** The ids of the faults that a lead is proven against, by their kind: what stands before the colon. */
function modelled(cable: string): ReadonlyMap<string, readonly string[]> {
  const { assembly } = leadFor({ cable });
  const kinds = new Map<string, string[]>();
  for (const { fault } of proofOf(assembly, spanLengths(assembly)).hypotheses) {
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

  it('of a star quad: the four cores one by one, and single cores taken for those of the other pair', () => {
    const found = modelled('star-quad');
    const cores = ['white-1', 'white-2', 'blue-1', 'blue-2'];
    expect(found.get('open')).toEqual(
      both((_, body) => ['screen', ...cores].map((core) => `W1.${core}@${body}`)),
    );
    expect(found.get('high')).toEqual(found.get('open'));
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
    expect([...found.values()].flat()).toHaveLength(10 + 10 + 12 + 4 + 16 + 2 + 1 + 4 + 2);
  });
});
