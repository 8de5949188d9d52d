import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { readShape } from '../quantity';
import { boundsOf, carriedBy, FACTS, FACT_IDS, factsSchema, factsWith, notCarried, USUAL } from '.';
import { isLeftOut } from './carried';

describe('what is known better', () => {
  it('the later before the earlier, and what nobody knows as it is usually', () => {
    const [one, other] = FACT_IDS;
    if (!one || !other) throw new Error('nothing is known from memory');
    const mine = factsWith({ [one]: 1, [other]: 2 }, undefined, { [one]: 3, [other]: undefined });
    expect([mine[one], mine[other]]).toEqual([3, 2]);
    for (const id of FACT_IDS.slice(2)) expect(mine[id]).toBe(USUAL[id]);
    expect(factsWith()).toEqual(USUAL);
  });

  it('a thousandth of the lowest to a thousand times the highest, each with its unit; nothing that nobody asks', () => {
    for (const id of FACT_IDS) {
      const { least, most } = boundsOf(id);
      expect([least * 1000, most / 1000]).toEqual([
        expect.closeTo(FACTS[id].low, 9) as number,
        expect.closeTo(FACTS[id].high, 9) as number,
      ]);
      const at = (value: number) => readShape(factsSchema, { [id]: value }).ok;
      const under = least > 0 ? least * 0.99 : -1;
      expect([at(least), at(most), at(under), at(most * 1.01)]).toEqual([true, true, false, false]);
    }
    expect(readShape(factsSchema, { weather: 1 })).toMatchObject({
      ok: false,
      problems: [{ path: 'weather', says: expect.stringContaining('weather') }],
    });
    expect(readShape(factsSchema, undefined).ok).toBe(true);
  });
});

describe('what is left out on purpose', () => {
  const left = [{ out: 'A', in: 'B', role: 'cold' as const, says: 'on purpose' }];
  it.each([
    [{ out: 'A', in: 'B' }, 'cold', true],
    [{ out: 'A', in: 'B' }, 'hot', false],
    [{ out: 'A', in: 'C' }, 'cold', false],
    [{ out: 'C', in: 'B' }, 'cold', false],
  ] as const)('%j %s: %s', (link, role, is) => expect(isLeftOut(left, link, role)).toBe(is));

  it('what a lead does not carry is listed but for that', () => {
    const { assembly, situations } = leadNamed('stage-microphone');
    const [use] = situations;
    if (!use) throw new Error('it meets nothing');
    const without = {
      ...assembly,
      bodies: assembly.bodies.map((body, n) =>
        n > 0
          ? body
          : {
              ...body,
              joints: body.joints.filter(({ terminals }) => !terminals.some((each) => each === 'A.3')),
            },
      ),
    };
    const missing = notCarried(without, use);
    expect(missing.map(({ role }) => role)).toEqual(['cold']);
    const [one] = missing;
    expect(
      notCarried(without, use, [{ out: one?.out ?? '', in: one?.in ?? '', role: 'cold', says: 'x' }]),
    ).toEqual([]);
    expect(carriedBy(without, use).filter(({ carried }) => carried).length).toBe(
      carriedBy(assembly, use).length - 1,
    );
  });
});
