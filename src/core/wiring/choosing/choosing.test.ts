import { describe, expect, it } from 'vitest';
import { intentFor, PLAIN_INTENT } from '../../../../tests/support/intents';
import { derive } from '../../lead';
import { LOUDSPEAKER_SHARE, leadSignal } from '../../signal';
import { GRADES, madeOf, rankCables, readIntent, readPreference, type Intent, type Preference } from '..';

const open = (patch: object): Intent => {
  const { cable: _, ...rest } = intentFor(patch) as Record<string, unknown>;
  const read = readIntent(rest);
  return read.ok ? read.value : expect.fail(JSON.stringify(read.problems));
};
const cablesFor = (patch: object, preference?: Preference): readonly string[] =>
  rankCables(open(patch), preference).flatMap(({ can, cable }) => (can ? [cable.id] : []));
const bodiesAt = (n: number, patch: object, preference?: Preference): readonly string[] =>
  (madeOf({ ...open(patch), ...patch } as Intent, preference).ends[n]?.bodies ?? []).map(
    ({ connector }) => connector.id,
  );

const end = (port: string, family: string, more: object = {}) => ({ port, family, ...more });
const metres = (m: number) => ({ length: { mm: m * 1000, datum: 'face' } });
const XLR = { from: [end('line-transformer', 'xlr3')], to: [end('line-input', 'xlr3')], ...metres(5) };
/** A line output of 300 Ω. */
const SOFT = end('line-transformer', 'xlr3', { values: { impedance: 300 } });
const SPEAKER = {
  from: [end('amplifier', 'twist2')],
  to: [end('loudspeaker', 'twist2')],
  surroundings: 'stage',
};

describe('two leads that differ in one thing are ranked the other way round', () => {
  // What stands first in the one and behind in the other, each by the handbook of the trade, sections 3, 4, 7 and 8.
  it.each<[string, object, object, string, string, Preference?]>([
    [
      'the place: stage floor or rack',
      { ...XLR, surroundings: 'stage' },
      { ...XLR, surroundings: 'rack' },
      'pair-braid',
      'pair-foil',
    ],
    [
      'the place: vehicle or wall',
      { ...XLR, surroundings: 'vehicle' },
      { ...XLR, surroundings: 'wall' },
      'pair-mini',
      'pair-in-wall',
    ],
    [
      'the place: outdoors or studio',
      { ...XLR, surroundings: 'outdoors' },
      { ...XLR, surroundings: 'studio' },
      'pair-braid',
      'pair-spiral',
    ],
    [
      'what it is for: unbalanced or balanced at the far end',
      {
        from: [end('unbalanced-output', 'ts635')],
        to: [end('unbalanced-input', 'ts635')],
        surroundings: 'stage',
      },
      { from: [end('unbalanced-output', 'ts635')], to: [end('line-input', 'xlr3')], surroundings: 'stage' },
      'instrument-coax',
      'pair-braid',
    ],
    [
      'channels: one or four',
      { from: [end('microphone', 'xlr3')], to: [end('microphone-input', 'xlr3')], surroundings: 'stage' },
      {
        from: Array(4).fill(end('microphone', 'xlr3')),
        to: Array(4).fill(end('microphone-input', 'xlr3')),
        surroundings: 'stage',
      },
      'pair-braid',
      'multipair-4',
    ],
    [
      'channels: four or eight',
      { from: Array(4).fill(end('microphone', 'xlr3')), to: Array(4).fill(end('microphone-input', 'xlr3')) },
      { from: Array(8).fill(end('microphone', 'xlr3')), to: Array(8).fill(end('microphone-input', 'xlr3')) },
      'multipair-4',
      'multipair-8',
    ],
    [
      'length of a loudspeaker line',
      { ...SPEAKER, ...metres(10) },
      { ...SPEAKER, ...metres(40) },
      'loudspeaker-2x1-5',
      'loudspeaker-2x4',
    ],
    [
      'impedance of the loudspeaker',
      { ...SPEAKER, ...metres(6) },
      { ...SPEAKER, ...metres(6), to: [end('loudspeaker', 'twist2', { values: { impedance: 2 } })] },
      'loudspeaker-2x1-5',
      'loudspeaker-2x2-5',
    ],
    [
      'connectors: thin or thick',
      {
        from: [end('stereo-output', 'trs635')],
        to: [end('stereo-input', 'trs635')],
        surroundings: 'stage',
        wiring: 'stereo-straight',
      },
      {
        from: [end('headphone-output', 'trs35')],
        to: [end('stereo-input', 'trs35')],
        surroundings: 'stage',
        wiring: 'stereo-straight',
      },
      'pair-braid',
      'pair-mini',
    ],
    [
      'the hole that it goes through',
      { ...XLR, surroundings: 'studio' },
      { ...XLR, surroundings: 'studio', through: { mm: 5 } },
      'pair-spiral',
      'pair-mini',
    ],
    [
      'how long a liked cable with more capacitance may be',
      { ...XLR, from: [SOFT], ...metres(10), surroundings: 'studio' },
      { ...XLR, from: [SOFT], ...metres(60), surroundings: 'studio' },
      'star-quad',
      'pair-spiral',
      { prefers: ['star-quad'] },
    ],
  ])('%s', (_, one, other, first, second, preference) => {
    const [a, b] = [cablesFor(one, preference), cablesFor(other, preference)];
    expect([a[0], b[0]]).toEqual([first, second]);
    expect(b.indexOf(second)).toBeLessThan(b.includes(first) ? b.indexOf(first) : Infinity);
    expect(a.indexOf(first)).toBeLessThan(a.includes(second) ? a.indexOf(second) : Infinity);
  });

  it('what the workshop likes goes first where nothing speaks against it, and nowhere else', () => {
    const stage = { ...XLR, surroundings: 'stage' };
    expect(cablesFor(stage)[0]).toBe('pair-braid');
    expect(cablesFor(stage, { prefers: ['pair-spiral'] })[0]).toBe('pair-spiral');
    // Foil on a stage floor cracks, whoever likes it.
    expect(cablesFor(stage, { prefers: ['pair-foil'] })[0]).toBe('pair-braid');
  });

  it('of two that do as well the cheaper one goes first', () => {
    const studio = { ...XLR, surroundings: 'studio' };
    expect(cablesFor(studio)[0]).toBe('pair-spiral');
    expect(cablesFor(studio, { prices: { 'pair-braid': 1.1, 'pair-spiral': 1.4 } })[0]).toBe('pair-braid');
    expect(cablesFor(studio, { prices: { 'pair-braid': 1.4, 'pair-spiral': 1.1 } })[0]).toBe('pair-spiral');
  });
});

describe('connectors of one pattern', () => {
  const small = { from: [end('headphone-output', 'trs35')], to: [end('stereo-input', 'trs35')] };
  it.each<[string, object, object, string, string]>([
    [
      'the jacket',
      { ...small, cable: 'pair-mini', surroundings: 'studio' },
      { ...small, cable: 'pair-braid', surroundings: 'studio' },
      'trs35-plug',
      'trs35-plug-large',
    ],
    [
      'the place',
      { ...small, cable: 'pair-mini', surroundings: 'studio' },
      { ...small, cable: 'pair-mini', surroundings: 'stage' },
      'trs35-plug',
      'trs35-plug-clutch',
    ],
    [
      'the angle that is asked for',
      { ...small, cable: 'pair-mini', surroundings: 'studio' },
      {
        ...small,
        from: [end('headphone-output', 'trs35', { angle: 'right-angle' })],
        cable: 'pair-mini',
        surroundings: 'studio',
      },
      'trs35-plug',
      'trs35-plug-right-angle',
    ],
    [
      'one cable in it or two',
      { ...small, cable: 'pair-mini', surroundings: 'studio' },
      {
        from: small.from,
        to: ['left', 'right'].map((channel) => end('powered-loudspeaker', 'xlr3', { channel })),
        cable: 'pair-mini',
        surroundings: 'studio',
      },
      'trs35-plug',
      'trs35-plug-large',
    ],
  ])('%s decides', (_, one, other, first, second) => {
    expect([bodiesAt(0, one)[0], bodiesAt(0, other)[0]]).toEqual([first, second]);
  });

  it('into a loudspeaker that sounds at once a phono plug has a sprung collar', () => {
    const into = (port: string) => ({
      from: [end('unbalanced-output', 'phono')],
      to: [end(port, 'phono')],
      cable: 'instrument-coax',
      surroundings: 'studio',
    });
    expect(bodiesAt(1, into('powered-loudspeaker-unbalanced'))[0]).toBe('phono-plug-sprung');
    expect(bodiesAt(1, into('unbalanced-input'))[0]).toBe('phono-plug');
  });

  it('the one that is asked for is put on, and one that does not go there is refused at its field', () => {
    const asked = (body: string) => derive({ ...PLAIN_INTENT, to: [{ ...PLAIN_INTENT.to[0], body }] });
    const made = asked('xlr3-plug-set-screw');
    expect(made.ok && made.value.assembly.bodies[1]?.ends[0]?.connector).toBe('xlr3-plug-set-screw');
    const wrong = asked('phono-plug');
    expect(wrong.ok ? [] : wrong.problems.map(({ code, path }) => [code, path])).toEqual([
      ['intent.body', 'intent.to[0].body'],
    ]);
  });
});

describe('a cable that is left open', () => {
  it('is chosen, and the lead is the same as with that cable named', () => {
    const intent = open({ ...XLR, surroundings: 'rack' });
    const chosen = derive(intent);
    const named = derive({ ...intent, cable: 'pair-foil' });
    expect(chosen.ok && named.ok && chosen.value.assembly).toEqual(named.ok && named.value.assembly);
    expect(chosen.ok && chosen.value.intent).not.toHaveProperty('cable');
    expect(chosen.ok && chosen.value.because.reasons[0]?.says).toMatch(
      /^Rack cable, one pair, foil and drain, chosen for it\.$/,
    );
  });

  it('is never loudspeaker cable for a microphone, nor microphone cable for a loudspeaker', () => {
    expect(cablesFor({ ...XLR, surroundings: 'stage' }).filter((id) => id.startsWith('loudspeaker'))).toEqual(
      [],
    );
    expect(cablesFor({ ...SPEAKER, ...metres(5) }).filter((id) => !id.startsWith('loudspeaker'))).toEqual([]);
  });

  it('where none can be used, says what keeps the likeliest, at its field', () => {
    const nothing = derive({ ...open({ ...XLR, surroundings: 'stage' }), through: { mm: 3 } });
    expect(nothing.ok ? [] : nothing.problems.map(({ path }) => path)).toEqual(['intent.through.mm']);
    const wrongPort = derive(open({ ...XLR, to: [end('toaster', 'xlr3')], surroundings: 'stage' }));
    expect(wrongPort.ok ? [] : wrongPort.problems.map(({ path }) => path)).toEqual(['intent.to[0].port']);
  });

  it('every place has its reason, those that cannot be used last, and the cable that is named plays no part', () => {
    for (const patch of [
      { ...XLR, surroundings: 'stage' },
      { ...SPEAKER, ...metres(5) },
    ]) {
      const ranked = rankCables(open(patch));
      expect(ranked.every(({ because }) => because.length > 10)).toBe(true);
      expect(ranked.map(({ can }) => can)).toEqual(
        [...ranked.map(({ can }) => can)].sort((a, b) => Number(b) - Number(a)),
      );
      for (const { reasons } of ranked)
        for (const { grade, source } of reasons)
          expect([GRADES.includes(grade), source.length > 3]).toEqual([true, true]);
      const named = { ...open(patch), cable: 'multipair-48' };
      expect(rankCables(named).map(({ cable }) => cable.id)).toEqual(ranked.map(({ cable }) => cable.id));
    }
  });

  it('a workshop’s preference is read, and what is wrong in it is named at its field', () => {
    expect(readPreference({ version: 1, prefers: ['star-quad'], prices: { 'star-quad': 2.1 } }).ok).toBe(
      true,
    );
    const wrong = readPreference({ version: 1, prices: { 'star-quad': 'dear' } });
    expect(wrong.ok ? [] : wrong.problems.map(({ path }) => path)).toEqual(['prices.star-quad']);
  });
});

describe('what is said of a cable', () => {
  const saidOf = (patch: object, cable: string): Readonly<Record<string, string>> =>
    Object.fromEntries(
      (rankCables(open(patch)).find((each) => each.cable.id === cable)?.reasons ?? []).map(({ id, says }) => [
        id,
        says,
      ]),
    );

  it('the worked example of a loudspeaker lead, by hand', () => {
    // 10 m of 2 × 2.5 mm² (IEC 60228 class 5: 7.98 Ω/km), less what two twist-locks add (2 × 50 mm): 2 × 7.98 × 9.9 / 1000 = 0.158 Ω; of 8 Ω that is 2.0 %, 0.17 dB.
    expect(saidOf({ ...SPEAKER, ...metres(10) }, 'loudspeaker-2x2-5')['gauge']).toBe(
      'Its copper is 0.158 Ω, 2.0 % of the load: 0.17 dB are lost.',
    );
    expect(LOUDSPEAKER_SHARE).toBe(0.05);
  });

  it('10 kΩ and 500 pF pass half the power at 31.8 kHz (handbook, section 11), and so lose 1.5 dB at 20 kHz', () => {
    // A lead whose core has 500 pF to the screen: 5.263 m of 95 pF/m; into 100 MΩ the source stays 10 kΩ.
    const said = saidOf(
      {
        from: [end('unbalanced-output', 'ts635', { values: { impedance: 10_000 } })],
        to: [end('unbalanced-input', 'ts635', { values: { impedance: 1e8 } })],
        length: { mm: 5263, datum: 'jacket' },
        surroundings: 'stage',
      },
      'instrument-coax',
    )['capacitance'];
    expect(said).toBe(
      `Its 500 pF take ${(10 * Math.log10(1 + (20 / 31.83) ** 2)).toFixed(1)} dB at 20 kHz from this source.`,
    );
  });

  it('as much treble as the circuit of the whole lead loses', () => {
    const intent = {
      from: [end('unbalanced-output', 'ts635', { values: { impedance: 10_000 } })],
      to: [end('unbalanced-input', 'ts635', { values: { impedance: 1e8 } })],
      ...metres(10),
      surroundings: 'stage',
    };
    const made = derive({ ...open(intent), cable: 'instrument-coax' });
    const lead = made.ok ? made.value : expect.fail();
    const use = lead.situations[0] ?? expect.fail();
    const signal = leadSignal(lead.assembly, use);
    const treble = signal.ok ? signal.value.figures.find(({ kind }) => kind === 'treble') : undefined;
    const said = Number(/take ([\d.]+) dB/.exec(saidOf(intent, 'instrument-coax')['capacitance'] ?? '')?.[1]);
    expect(Math.abs(-(treble?.value ?? 0) - said)).toBeLessThan(0.15);
  });
});

describe('several cables in one connector', () => {
  const grades = (outputs: number, cable: string): string | undefined => {
    const from = Array.from({ length: outputs }, () => end('line-transformer', 'xlr3'));
    const found = rankCables(open({ ...XLR, from })).find((each) => each.cable.id === cable);
    return found?.reasons.find(({ id }) => id === 'abreast')?.grade;
  };

  // An XLR takes 8 mm: 2 × 3.6 go in; 3 × 3.6 are 1.35 times that, over an opened boot; 2 × 6.2 are 1.55 times: they do not.
  it('are worse the more they are over what it takes; one alone is not spoken of', () => {
    expect([grades(1, 'pair-mini'), grades(2, 'pair-mini')]).toEqual([undefined, 'fair']);
    expect([grades(3, 'pair-mini'), grades(2, 'pair-braid')]).toEqual(['poor', 'wrong']);
  });

  it('do not hide that one of them is too thick by itself', () => {
    const reasons = (cable: string): readonly string[] =>
      (
        rankCables(
          open({
            from: [end('headset-socket', 'trrs35', { layout: 'headset-common-r2' })],
            to: [
              end('headphones', 'trs635', { gender: 'socket' }),
              end('microphone-plug-in', 'ts35', { gender: 'socket' }),
            ],
            ...metres(3),
          }),
        ).find((each) => each.cable.id === cable)?.reasons ?? []
      ).flatMap(({ id, grade }) => (grade === 'wrong' ? [id] : []));
    expect(reasons('pair-braid')).toContain('diameter');
    expect(reasons('pair-mini')).not.toContain('diameter');
  });
});
