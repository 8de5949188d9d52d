import { describe, expect, it } from 'vitest';
import { leadFor, useOf } from '../../../tests/support/leads';
import { applyEdit } from '../lead';
import {
  carriedBy,
  FACTS,
  notCarried,
  readSituation,
  sayChannel,
  SITUATION_MIGRATIONS,
  USUAL,
  withinEnd,
  type Situation,
} from '.';

const plain = leadFor();
const use = useOf(plain);
const problems = (document: unknown): readonly (readonly [string, string])[] => {
  const read = readSituation(document, plain.assembly);
  return read.ok ? [] : read.problems.map((problem) => [problem.code, problem.path] as const);
};
const written = (patch: object = {}): unknown => JSON.parse(JSON.stringify({ ...use, ...patch }));

describe('reading what the ends meet', () => {
  it('gives back what was written', () =>
    expect(readSituation(written(), plain.assembly)).toEqual({ ok: true, value: use }));

  it.each([
    ['no object', 7, 'situation.not-an-object', ''],
    ['a newer one', written({ version: 9 }), 'situation.newer', 'version'],
    ['a link to nothing', written({ links: [{ out: 'A', in: 'Q' }] }), 'situation.link', 'links[0].in'],
    [
      'a link the wrong way round',
      written({ links: [{ out: 'B', in: 'A' }] }),
      'situation.direction',
      'links[0].out',
    ],
    [
      'a role on an absent contact',
      written({ channels: use.channels.map((each) => ({ ...each, roles: { ...each.roles, cold: '7' } })) }),
      'situation.contact',
      'channels[0].roles.cold',
    ],
    [
      'an end that the lead does not have',
      written({ channels: use.channels.map((each) => ({ ...each, end: 'Z' })) }),
      'situation.end',
      'channels[0].end',
    ],
    [
      'two channels of one name',
      written({ channels: [use.channels[0], use.channels[0], use.channels[1]] }),
      'situation.twice',
      'channels[1].name',
    ],
    [
      'a role nobody knows',
      written({ channels: use.channels.map((each) => ({ ...each, roles: { warm: '2' } })) }),
      'shape.noUnknown',
      'channels[0].roles.warm',
    ],
    ['ground differences of a bolt of lightning', written({ groundVolts: 1e6 }), 'shape.max', 'groundVolts'],
  ])('%s is refused at its place', (_, document, code, path) =>
    expect(problems(document)).toContainEqual([code, path]),
  );

  it('what had no version named its channels by their places', () => {
    const { version: _, name: __, ...rest } = use;
    const old = {
      ...rest,
      channels: use.channels.map(({ name: ___, direction, ...channel }) => ({
        ...channel,
        path: 'from[0]',
        sends: direction === 'sends',
      })),
      links: [{ out: 0, in: 1 }],
    };
    expect(readSituation(JSON.parse(JSON.stringify(old)), plain.assembly)).toEqual({ ok: true, value: use });
  });

  it('and several of one end by their labels, by number where two had the same or none', () => {
    const old = {
      channels: ['left', 'right', 'right', '', undefined].map((label) => ({
        end: 'A',
        ...(label === undefined ? {} : { label }),
        path: 'from[0]',
        sends: true,
      })),
      links: [],
    };
    const alone = { channels: [{ end: 'B', label: 'left', path: 'to[0]', sends: false }], links: [] };
    const names = (document: object): readonly unknown[] =>
      (
        SITUATION_MIGRATIONS[0]?.up(document as never) as { channels: { name: string; direction: string }[] }
      ).channels.map(({ name, direction }) => `${name} ${direction}`);
    expect(names(old)).toEqual(['A.left sends', 'A.right sends', 'A.3 sends', 'A.4 sends', 'A.5 sends']);
    expect(names(alone)).toEqual(['B receives']);
  });

  it('a channel is called within its end by what is its own', () => {
    expect(withinEnd({ name: 'A.left', end: 'A' })).toBe('left');
    expect(withinEnd({ name: 'A', end: 'A' })).toBe('');
    // Of another end whose name begins alike.
    expect(withinEnd({ name: 'AB.left', end: 'A' })).toBe('');
    expect(sayChannel({ end: 'A', label: 'left' })).toBe('A left');
    expect(sayChannel({ end: 'A', label: '' })).toBe('A');
  });
});

describe('whether a lead carries what it is for, by its nets alone', () => {
  const roles = (situation: Situation, assembly = plain.assembly): readonly string[] =>
    carriedBy(assembly, situation).map((each) => `${each.role} ${each.carried ? 'yes' : 'no'}`);

  it('a plain lead carries all three', () =>
    expect(roles(use)).toEqual(['hot yes', 'cold yes', 'screen yes']));

  it('one that somebody drew by hand with 2 and 3 crossed carries neither', () => {
    const crossed = {
      ...use,
      channels: use.channels.map((each) =>
        each.direction === 'receives' ? { ...each, roles: { hot: '3', cold: '2', screen: '1' } } : each,
      ),
    };
    expect(roles(crossed)).toEqual(['hot no', 'cold no', 'screen yes']);
    expect(notCarried(plain.assembly, crossed)).toHaveLength(2);
    const excused = { out: 'A', in: 'B', says: 'on purpose' } as const;
    expect(
      notCarried(plain.assembly, crossed, [
        { ...excused, role: 'hot' },
        { ...excused, role: 'cold' },
      ]),
    ).toEqual([]);
  });

  it('a resistor to ground is no way to ground’s neighbour: parts carry, and not through another role', () => {
    const sum = leadFor({
      from: { port: 'headphone-output', family: 'trs35' },
      to: { port: 'line-input', family: 'xlr3' },
      cable: 'pair-mini',
    });
    // Without R1 the only way left from the tip to 2 is by R2, the ring, and whatever stands there: that is no way.
    const made = applyEdit(sum.assembly, { kind: 'remove-part', part: 'R1' });
    const assembly = made.ok ? made.value : expect.fail('it can be taken out');
    const hots = (of: typeof assembly) =>
      carriedBy(of, useOf(sum))
        .filter((each) => each.role === 'hot')
        .map((each) => each.carried);
    expect(hots(sum.assembly)).toEqual([true, true]);
    expect(hots(assembly)).toEqual([false, true]);
  });

  it('a chain split is used both ways: what comes in at either end goes out at the others', () => {
    const end = (gender: 'plug' | 'socket') => ({ port: 'line-end', family: 'xlr3', gender });
    const chain = leadFor({
      from: end('socket'),
      to: [end('plug'), end('socket'), end('plug')],
      wiring: 'chain-split',
      cable: 'pair-mini',
    });
    expect(chain.situations.map((each) => each.links.map((link) => `${link.out}>${link.in}`))).toEqual([
      ['A>B', 'A>C', 'A>D'],
      ['D>A', 'D>B', 'D>C'],
    ]);
    for (const situation of chain.situations) expect(notCarried(chain.assembly, situation)).toEqual([]);
  });
});

describe('what is only known from memory', () => {
  // Between what each lies, and what it is where nobody knows better.
  it.each([
    ['capacitance', 0.75, 1, 1.3],
    ['loopMicroHenries', 0.45, 0.6, 0.8],
    ['outerMicroHenries', 0.7, 1, 1.5],
    ['leakageNanoHenries', 0, 1, 5],
    ['besidePicoFarads', 30, 55, 90],
    ['pairToPairPicoFarads', 0.01, 0.05, 0.3],
    ['screenToScreenPicoFarads', 50, 120, 250],
    ['unbalance', 0.005, 0.02, 0.05],
    ['insulationGigaOhmMetres', 1, 100, 10_000],
    ['contactMilliOhms', 1, 10, 30],
    ['jointMilliOhms', 0.2, 1, 5],
    ['earthOhms', 0.02, 0.1, 1],
    ['imbalanceOhms', 1, 10, 30],
    ['windingPicoFarads', 20, 50, 200],
    ['crossCommonKiloOhms', 5, 10, 30],
    ['microphoneKiloOhms', 12, 25.2, 80],
    ['plugInKiloOhms', 1, 2.2, 7],
  ] as const)('%s: %d, usually %d, up to %d', (id, low, usual, high) => {
    expect([FACTS[id].low, FACTS[id].usual, FACTS[id].high]).toEqual([low, usual, high]);
    expect(USUAL[id]).toBe(usual);
  });

  it('a microphone on P48 takes 3 mA through its two legs: 48 V less what its feeds drop, over 25.2 kΩ each', () =>
    expect((2 * 48) / (6.81 + USUAL.microphoneKiloOhms)).toBeCloseTo(3, 1));
});
