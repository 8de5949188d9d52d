import { describe, expect, it } from 'vitest';
import { intentFor } from '../../../tests/support/intents';
import { leadFor } from '../../../tests/support/leads';
import { houseCable } from '../../../tests/support/own';
import { readAssembly } from '../assembly';
import { cableSchema } from '../catalogue';
import { derive } from '../lead';

const plain = leadFor();
/** The paths at which a change to the plain lead's assembly is refused. */
function refused(change: (assembly: Record<string, unknown>) => unknown): readonly string[] {
  const read = readAssembly(change(JSON.parse(JSON.stringify(plain.assembly)) as Record<string, unknown>));
  return read.ok ? [] : read.problems.map(({ path }) => path);
}
const body = (of: Record<string, unknown>): Record<string, unknown> =>
  (of['bodies'] as Record<string, unknown>[])[0] ?? {};
const withPart = (part: object) =>
  refused((of) => {
    body(of)['parts'] = [part];
    return of;
  });

describe('how much a document may hold', () => {
  it('a reason has 400 letters at most', () => {
    const said = (letters: number) =>
      refused((of) => {
        const [joint] = body(of)['joints'] as Record<string, unknown>[];
        if (joint) joint['because'] = { says: 'x'.repeat(letters) };
        return of;
      });
    expect(said(400)).toEqual([]);
    expect(said(401)).toEqual(['bodies[0].joints[0].because.says']);
  });

  it.each([
    [{ id: 'L9', kind: 'led', ratings: { milliamps: { from: 0, to: 1e6 } } }, []],
    [
      { id: 'L9', kind: 'led', ratings: { milliamps: { from: 0, to: 1e6 + 1 } } },
      ['bodies[0].parts[0].ratings.milliamps.to'],
    ],
    [{ id: 'T9', kind: 'transformer', windingOhms: 1e9 }, []],
    [{ id: 'T9', kind: 'transformer', windingOhms: 1.1e9 }, ['bodies[0].parts[0].windingOhms']],
    [{ id: 'T9', kind: 'transformer', windingOhms: -1 }, ['bodies[0].parts[0].windingOhms']],
    [{ id: 'R9', kind: 'resistor', ohms: 470 }, []],
    [{ id: 'R9', kind: 'resistor', ohms: -470 }, ['bodies[0].parts[0].ohms']],
  ])('%j', (part, paths) =>
    expect(withPart(part).filter((path) => path.startsWith('bodies[0].parts'))).toEqual(paths),
  );

  it('a conductor and an entry are called by 40 letters at most', () => {
    const cable = houseCable();
    const valid = (patch: object): boolean =>
      cableSchema.isValidSync({ ...cable, ...patch }, { strict: true });
    const [first, ...others] = cable.conductors;
    const named = (letters: number) => ({ conductors: [{ ...first, id: 'x'.repeat(letters) }, ...others] });
    expect([valid(named(40)), valid(named(41))]).toEqual([true, false]);
    expect([valid({ name: 'x'.repeat(120) }), valid({ name: 'x'.repeat(121) })]).toEqual([true, false]);
  });

  it('an intent brings 20 cables of its own at most', () => {
    const own = (count: number) =>
      derive({
        ...intentFor(),
        own: {
          cables: Array.from({ length: count }, (_, n) => ({ ...houseCable(), id: `own-cable-${n}` })),
        },
      });
    expect(own(20).ok).toBe(true);
    const many = own(21);
    expect(many.ok ? [] : many.problems.map(({ path }) => path)).toEqual(['intent.own.cables']);
  });
});
