import { describe, expect, it } from 'vitest';
import { random, stageOf } from '../../../tests/support/lines';
import {
  cautionsAfter,
  cautionsBefore,
  darkInARow,
  judged,
  likelyPlace,
  linesFor,
  movesOf,
  nextWay,
  NO_INPUTS,
  patchOf,
  patchRows,
  readInputs,
  readPasted,
  readWays,
  sayFaults,
  standsOf,
  truthOf,
  USUAL_COSTS,
  USUAL_PLUG,
  wantsOf,
  writeWays,
  type Earlier,
  type InputList,
  type Look,
} from '.';

const TRUTH = truthOf(USUAL_PLUG);
const ids = (faults: readonly { readonly id: string }[]): readonly string[] =>
  faults.map(({ id }) => id).sort();

describe('what the lamps may mean: every fault of a line, solved', () => {
  // Handbook of the trade, special builds: what a tell-tale sees and what it cannot; with a guard diode across each lamp the one of
  // the leg that is right lights where the other is changed with 1.
  it.each([
    ['only 2', true, ['open3', 'short13', 'swap13']],
    ['only 3', true, ['open2', 'short12', 'swap12']],
    ['none', true, ['off', 'open1', 'open23', 'short123']],
    ['only 2', false, ['open3', 'short13']],
    ['only 3', false, ['open2', 'short12']],
    ['none', false, ['off', 'open1', 'open23', 'short123', 'swap12', 'swap13']],
  ] as const)('%s, guard %s', (seen, guard, may) =>
    expect(ids(truthOf({ ...USUAL_PLUG, guard }).lamps[seen])).toEqual([...may].sort()),
  );

  it('one that is not said to be either may be all of both; both lit cannot see 2 and 3 shorted or swapped, nor a bad joint', () => {
    expect(ids(TRUTH.lamps.one)).toEqual(ids([...TRUTH.lamps['only 2'], ...TRUTH.lamps['only 3']]));
    expect(ids(TRUTH.lamps.both)).toEqual(['short23', 'swap23', 'weak1', 'weak2', 'weak3']);
    expect(TRUTH.bright).toBe('lit');
  });

  it('on P12 with 10 kΩ each lamp is still seen', () =>
    expect(truthOf({ ...USUAL_PLUG, supply: 'P12', ohms: 10_000 }).bright).toBe('dim'));
});

describe('by meter', () => {
  const seen = (volts: readonly [number, number, number]) =>
    judged({ kind: 'volts', lamps: undefined, volts: [...volts] }, TRUTH);
  // Handbook of the trade, 16: with phantom on, 1–2 and 1–3 each about 48 V, 2–3 about 0.
  it.each([
    [[48, 48, 0], 'good', ['short23', 'swap23', 'weak1', 'weak2', 'weak3']],
    [[44.5, 44.3, 0.2], 'good', ['short23', 'swap23', 'weak1', 'weak2', 'weak3']],
    [[48, 0, 0], 'bad', ['open3']],
    [[0, 48, 0], 'bad', ['open2']],
    [[48, 0, 48], 'bad', ['short13']],
    [[0, 48, -48], 'bad', ['short12']],
    [[0, 0, 0], 'bad', ['off', 'open1', 'open23', 'short123']],
    [[-48, 0, -48], 'bad', ['swap12']],
    [[0, -48, 48], 'bad', ['swap13']],
    [[24, 24, 0], 'bad', ['loaded']],
    [[48, 40, 8], 'bad', ['loaded']],
    // Legs that are not even: neither a short nor a swap of the two makes that.
    [[48, 44, 4], 'bad', ['loaded']],
    [[48, 46.5, 1.5], 'good', ['short23', 'swap23', 'weak1', 'weak2', 'weak3']],
  ] as const)('%j is %s', (volts, state, may) => {
    const found = seen(volts);
    expect(found?.state).toBe(state);
    expect(ids(found?.mayBe ?? [])).toEqual([...may].sort());
  });

  it('says what was read, and what it may be, in a line', () => {
    expect(seen([48.12, 0.01, 48])?.says).toBe('2 to 1 48.1 V, 3 to 1 0 V, 2 to 3 48 V');
    expect(sayFaults(TRUTH.lamps['only 2'])).toBe('3 open, 1 and 3 shorted, or 1 and 3 swapped');
    expect(likelyPlace(TRUTH.lamps['only 2'])).toBe(
      'A break, most often at the strain relief, then at a joint; strands or solder between contacts, or a core that was crushed; a joint that was made so: compare both ends',
    );
    expect(likelyPlace(TRUTH.lamps.flicker)).toBe('Where it moves: strain relief, plug and socket');
  });
});

let n = 0;
const look = (
  way: number,
  lamps: Look['lamps'] | Look['kind'],
  minute: number,
  more: Partial<Look> = {},
): Look => ({
  id: `00000000-0000-4000-8000-${String(n++).padStart(12, '0')}`,
  at: `2026-03-02T18:${String(minute).padStart(2, '0')}:00.000Z`,
  by: 'Nell',
  way,
  volts: undefined,
  ...(lamps === 'note' || lamps === 'taken-back' || lamps === 'volts' || lamps === 'lamps'
    ? { kind: lamps }
    : { kind: 'lamps', lamps }),
  ...more,
});
const before = (state: Earlier['state']): Earlier => ({
  sweep: 's',
  at: '2026-02-01T18:00:00.000Z',
  state,
  says: state === 'good' ? 'both lit' : 'none lit',
  mayBe: [],
  by: 'Ada',
});

describe('where each line stands', () => {
  const stands = (
    looks: readonly Look[],
    earlier: readonly (readonly [number, Earlier])[] = [],
    trusts = false,
  ) =>
    standsOf([1, 2, 3, 4], looks, {
      truth: TRUTH,
      earlier: new Map(earlier.map(([way, each]) => [way, [each]])),
      trusts,
    });
  const states = (...given: Parameters<typeof stands>) => stands(...given).map(({ state }) => state);

  it('the last look counts, in whatever order they came; a note changes nothing; taken back it was not looked at', () => {
    expect(
      states([look(1, 'both', 1), look(2, 'none', 2), look(2, 'note', 3, { text: 'under the riser' })]),
    ).toEqual(['good', 'bad', 'unknown', 'unknown']);
    // The later one arrived first.
    expect(states([look(1, 'both', 9), look(1, 'none', 2)])[0]).toBe('good');
    expect(states([look(1, 'none', 1), look(1, 'taken-back', 2)])[0]).toBe('unknown');
    expect(states([look(1, 'none', 1), look(1, 'taken-back', 2), look(1, 'both', 3)])[0]).toBe('good');
    expect(stands([look(2, 'note', 3, { text: 'under the riser' })])[1]?.notes).toEqual(['under the riser']);
  });

  it('starts from the last result: bad stays bad until it is looked at, good is proven only where that counts', () => {
    const last = [
      [1, before('good')],
      [2, before('bad')],
      [3, before('bad')],
    ] as const;
    expect(states([], last)).toEqual(['unknown', 'bad', 'bad', 'unknown']);
    expect(states([], last, true)).toEqual(['good', 'bad', 'bad', 'unknown']);
    expect(states([look(2, 'both', 1)], last)).toEqual(['unknown', 'good', 'bad', 'unknown']);
    expect(states([look(2, 'both', 1), look(2, 'taken-back', 2)], last)[1]).toBe('bad');
  });

  it('goes on to the next that nobody looked at, from the first again, and then to none', () => {
    const at = (...ways: readonly number[]) => stands(ways.map((way) => look(way, 'both', way)));
    expect(nextWay(at(), undefined)).toBe(1);
    expect(nextWay(at(1, 2), 2)).toBe(3);
    expect(nextWay(at(2, 3, 4), 4)).toBe(1);
    expect(nextWay(at(1, 2, 3, 4), 4)).toBeUndefined();
    expect(nextWay(at(1, 2, 3), 4)).toBeUndefined();
    // As the venue has them, not by their number.
    const box = standsOf([5, 2, 40], [look(2, 'both', 1)], {
      truth: TRUTH,
      earlier: new Map(),
      trusts: false,
    });
    expect([nextWay(box, undefined), nextWay(box, 5), nextWay(box, 40)]).toEqual([5, 40, 5]);
    // What was bad the last time is looked at tonight all the same.
    expect(nextWay(stands([look(1, 'both', 1)], [[2, before('bad')]]), 1)).toBe(2);
  });

  it('three dark lines one after the other: is phantom on?', () => {
    const dark = [look(1, 'none', 1), look(2, 'none', 2), look(3, 'none', 3)];
    expect(darkInARow(dark)).toEqual([1, 2, 3]);
    expect(darkInARow(dark.slice(1))).toEqual([]);
    expect(darkInARow([...dark, look(4, 'both', 4)])).toEqual([]);
    // What was lit before them, and a word about one, change nothing.
    expect(darkInARow([look(4, 'both', 0), ...dark, look(3, 'note', 4, { text: 'loose' })])).toEqual([
      1, 2, 3,
    ]);
    expect(darkInARow([...dark, look(3, 'taken-back', 5)])).toEqual([]);
    // One line, looked at three times, says nothing of the others.
    expect(darkInARow([look(1, 'none', 1), look(1, 'none', 2), look(1, 'none', 3)])).toEqual([]);
  });
});

const LIST: InputList = {
  version: 1,
  costs: USUAL_COSTS,
  inputs: [
    { id: 'n', name: 'Narrator', weight: 5, way: 1, port: 'microphone-phantom' },
    { id: 'r', name: 'Old ribbon', weight: 3, way: 2, port: 'microphone-ribbon' },
    { id: 'kl', name: 'Keys left', weight: 1, way: 3, pair: 'keys', port: 'line-ground-referenced' },
    { id: 'kr', name: 'Keys right', weight: 1, way: 4, pair: 'keys', port: 'line-ground-referenced' },
    { id: 't', name: 'Talkback', weight: 1 },
  ],
};
const WAYS = [1, 2, 3, 4, 5, 6, 7].map((way) => ({ way }));

describe('planned anew, and why', () => {
  const planned = (
    looks: readonly Look[],
    venue: readonly { way: number; phantom?: boolean }[] = WAYS,
    list = LIST,
  ) => {
    const stands = standsOf(
      venue.map(({ way }) => way),
      looks,
      { truth: TRUTH, earlier: new Map(), trusts: false },
    );
    const lines = linesFor(venue, stands, list);
    const patch = patchOf(lines);
    return { known: { lines, list, patch, stands }, moves: movesOf({ lines, list, patch, stands }) };
  };
  const allGood = (...bad: readonly number[]) =>
    WAYS.map(({ way }) => look(way, bad.includes(way) ? 'only 2' : 'both', way));

  it('nothing moves where every line is good, and what has no way gets one', () => {
    const { moves } = planned(allGood());
    expect(moves.map(({ name, to, because }) => [name, to, because])).toEqual([
      ['Narrator', 1, ''],
      ['Old ribbon', 2, ''],
      ['Keys left', 3, ''],
      ['Keys right', 4, ''],
      ['Talkback', expect.any(Number), 'no way was printed for it'],
    ]);
  });

  it('a pair moves together, each with its reason', () => {
    const { moves } = planned(allGood(3));
    const told = new Map(moves.map(({ name, to, because }) => [name, { to, because }]));
    expect(told.get('Keys left')?.because).toBe(
      'way 3 is struck: only 2 lit (3 open, 1 and 3 shorted, or 1 and 3 swapped)',
    );
    // Beside 4 only 5 is free: one moves, the other stays.
    expect(told.get('Keys left')?.to).toBe(5);
    expect(told.get('Keys right')).toEqual({ to: 4, because: '' });
  });

  it('where there is room for both elsewhere alone, the one that could stay goes with the other', () => {
    const told = new Map(
      planned(allGood(3, 5)).moves.map(({ name, to, because }) => [name, { to, because }]),
    );
    expect([told.get('Keys left')?.to, told.get('Keys right')?.to].sort()).toEqual([6, 7]);
    expect(told.get('Keys right')?.because).toBe('to stand beside Keys left, which moves');
  });

  it('one that makes room says for whom', () => {
    // Two ways, one bad: the important one takes the other’s, which is left.
    const list = { ...LIST, inputs: LIST.inputs.slice(0, 2) };
    const { moves } = planned([look(1, 'none', 1), look(2, 'both', 2)], [{ way: 1 }, { way: 2 }], list);
    expect(moves.map(({ name, to }) => [name, to])).toEqual([
      ['Narrator', 2],
      ['Old ribbon', undefined],
    ]);
    expect(moves[1]?.because).toBe('every line that it may stand on is wanted more by others');
  });

  it('one whose way is taken says by whom; one that only fits better elsewhere that all together cost least', () => {
    // Way 1 is bad, and way 2 is the only one without phantom: the ribbon takes it from the talkback, which takes another.
    const list: InputList = {
      ...LIST,
      inputs: [
        { id: 'r', name: 'Old ribbon', weight: 3, way: 1, port: 'microphone-ribbon' },
        { id: 't', name: 'Talkback', weight: 1, way: 2 },
      ],
    };
    const venue = [
      { way: 1, phantom: true },
      { way: 2, phantom: false },
      { way: 3, phantom: true },
    ];
    const { moves } = planned(
      [look(1, 'none', 1), look(2, 'both', 2), look(3, 'both', 3)],
      venue.map(({ way, phantom }) => (phantom ? { way, phantom: true } : { way })),
      list,
    );
    const told = new Map(moves.map(({ name, to, because }) => [name, [to, because]]));
    expect(told.get('Talkback')).toEqual([3, 'to make room for Old ribbon']);
    expect(told.get('Old ribbon')?.[0]).toBe(2);
  });

  it('what phantom harms stands on no line whose phantom stays on, and it is said', () => {
    const { moves } = planned(allGood(), [
      { way: 1 },
      { way: 2, phantom: true },
      { way: 3 },
      { way: 4 },
      { way: 5 },
      { way: 6 },
    ]);
    expect(moves.find(({ name }) => name === 'Old ribbon')).toMatchObject({
      from: 2,
      because: 'the phantom of way 2 cannot be switched off and would harm it',
    });
  });

  it('what is left without a way says so', () => {
    const { moves } = planned([look(1, 'both', 1), look(2, 'none', 2)], [{ way: 1 }, { way: 2 }]);
    const left = moves.filter(({ to }) => to === undefined);
    expect(left.map(({ name }) => name).sort()).toEqual([
      'Keys left',
      'Keys right',
      'Old ribbon',
      'Talkback',
    ]);
    expect(left.find(({ name }) => name === 'Old ribbon')?.because).toBe(
      'way 2 is struck: none lit, and every line that it may stand on is wanted more by others',
    );
    expect(left.find(({ name }) => name === 'Keys left')?.because).toBe(
      'there is no way 3 here, and every line that it may stand on is wanted more by others',
    );
  });

  it('the list goes way by way, with what is struck and where phantom belongs', () => {
    const { known } = planned(allGood(3));
    const rows = patchRows(WAYS, known, wantsOf);
    expect(rows.map(({ way }) => way)).toEqual([1, 2, 3, 4, 5, 6, 7]);
    expect(rows[0]).toMatchObject({ input: 'Narrator', phantom: 'on' });
    expect(rows[1]).toMatchObject({ input: 'Old ribbon', phantom: 'harmed', note: 'no phantom: harms it' });
    expect(rows[2]).toMatchObject({ state: 'bad', note: 'only 2 lit' });
    expect(rows[2]?.input).toBeUndefined();
    expect(rows[4]).toMatchObject({ input: 'Keys left', from: 3, note: 'from 3, no phantom: harms it' });
  });

  it('every move of 60 stages has its reason, and nothing that stays has one', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const lines = stageOf(seed, 6 + (seed % 12), 4 + (seed % 9));
      const next = random(seed);
      const list: InputList = {
        version: 1,
        costs: lines.costs,
        inputs: lines.inputs.map(({ phantom, ...input }) => ({
          ...input,
          weight: input.weight ?? 1,
          name: input.id,
          ...(phantom === undefined ? {} : { phantom: phantom ? ('needs' as const) : ('harmed' as const) }),
        })),
      };
      const looks = lines.lines.flatMap(({ way, state }) =>
        state === 'unknown'
          ? []
          : [look(way, state === 'good' ? 'both' : next() < 0.5 ? 'none' : 'flicker', 1)],
      );
      const stands = standsOf(
        lines.lines.map(({ way }) => way),
        looks,
        { truth: TRUTH, earlier: new Map(), trusts: false },
      );
      // What was judged by its look is what the stage was made of.
      const again = linesFor(
        lines.lines.map(({ way, phantom }) => ({ way, ...(phantom === undefined ? {} : { phantom }) })),
        stands,
        list,
      );
      expect(again.lines).toEqual(lines.lines);
      const patch = patchOf(again);
      for (const { id, from, to, because } of movesOf({ lines: again, list, patch, stands })) {
        const stays = from !== undefined && from === to;
        expect(because === '', `${seed} ${id}: ${because}`).toBe(stays);
      }
    }
  });
});

describe('an input list', () => {
  const codes = (inputs: readonly object[]): readonly string[] => {
    const read = readInputs({ ...NO_INPUTS, inputs });
    return read.ok ? [] : read.problems.map(({ code, path }) => `${code} ${path ?? ''}`);
  };
  const one = { id: 'a', name: 'Bass', weight: 1 };
  it.each([
    [[one], []],
    [[one, { ...one, name: 'Other' }], ['patch.twice inputs[1].id']],
    [
      [
        { ...one, way: 4 },
        { ...one, id: 'b', way: 4 },
      ],
      ['patch.twice inputs[1].way'],
    ],
    [[{ ...one, pair: 'keys' }], ['patch.pair inputs[0].pair']],
    [[{ ...one, port: 'kettle' }], ['patch.port inputs[0].port']],
    [[{ ...one, weight: 11 }], ['shape.max inputs[0].weight']],
    [[{ ...one, name: ' ' }], ['shape.trim inputs[0].name']],
    [[{ ...one, way: 1.5 }], ['shape.integer inputs[0].way']],
  ] as const)('%j', (inputs, expected) => expect(codes(inputs)).toEqual(expected));

  it('what a thing is says how it stands to phantom, unless it is known better', () => {
    expect(wantsOf({ port: 'microphone-phantom' })).toBe('needs');
    expect(wantsOf({ port: 'microphone-ribbon' })).toBe('harmed');
    expect(wantsOf({ port: 'microphone-ribbon', phantom: 'unhurt' })).toBe('unhurt');
    expect(wantsOf({})).toBe('unhurt');
  });

  it('cautions come in their order, and name what they are about', () => {
    expect(cautionsBefore(LIST, [{ way: 1 }, { way: 2, phantom: true }])).toEqual([
      { id: 'mute', says: expect.stringContaining('Mute'), names: [] },
      // A desk’s or a synthesizer’s own output is harmed too: the catalogue says so.
      {
        id: 'unplug',
        says: 'Unplug what phantom harms:',
        names: ['Old ribbon (way 2)', 'Keys left (way 3)', 'Keys right (way 4)'],
      },
      { id: 'untold', says: expect.stringContaining('does not say'), names: ['Talkback'] },
      { id: 'on', says: 'Then phantom on for every way. It cannot be switched off on way 2.', names: [] },
    ]);
    expect(cautionsAfter(LIST).map(({ id }) => id)).toEqual(['off', 'plug', 'on again', 'unmute']);
    expect(cautionsAfter(LIST)[2]?.names).toEqual(['Narrator']);
    expect(cautionsAfter(NO_INPUTS).map(({ id }) => id)).toEqual(['off', 'plug', 'none', 'unmute']);
  });
});

describe('lines and inputs as they are typed', () => {
  it('ways in groups, each with where it comes out; written again they are the same', () => {
    const text = '1-3 stage left\n5, 7 bridge\n23-24 gallery, phantom stays on\n30';
    const read = readWays(text);
    expect(read).toMatchObject({ ok: true });
    const lines = read.ok ? read.value : [];
    expect(lines).toEqual([
      { way: 1, name: 'stage left' },
      { way: 2, name: 'stage left' },
      { way: 3, name: 'stage left' },
      { way: 5, name: 'bridge' },
      { way: 7, name: 'bridge' },
      { way: 23, name: 'gallery', phantom: true },
      { way: 24, name: 'gallery', phantom: true },
      { way: 30 },
    ]);
    const again = readWays(writeWays(lines));
    expect(again.ok && again.value).toEqual(lines);
    expect(writeWays(lines).split('\n')[0]).toBe('1-3 stage left');
  });
  it.each([
    ['', 'line 1'],
    ['stage left', 'line 1'],
    ['1-4\n8-5 bridge', 'line 2'],
    ['1-200', 'line 1'],
    ['1-4\n4 bridge', 'lines[4].way'],
  ] as const)('%j cannot be: %s', (text, path) => {
    const read = readWays(text);
    expect(read.ok ? undefined : read.problems[0]?.path).toBe(path);
  });
  it('a list that is pasted: way and name, however they are parted', () =>
    expect(
      readPasted('1 Bass\n2. Keys, left\n\n03\tKeys right\nTalkback\n12) 58 on the floor\n808 Kick'),
    ).toEqual([
      { way: 1, name: 'Bass' },
      { way: 2, name: 'Keys, left' },
      { way: 3, name: 'Keys right' },
      { name: 'Talkback' },
      { way: 12, name: '58 on the floor' },
      { way: 808, name: 'Kick' },
    ]));
});
