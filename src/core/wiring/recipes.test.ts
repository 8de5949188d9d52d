import { describe, expect, it } from 'vitest';
import { intentFor, MICROPHONE, MICROPHONE_INPUT, type Patch } from '../../../tests/support/intents';
import { leadFor } from '../../../tests/support/leads';
import { endsOf, jointsOf, netlist, spanLengths, type Assembly, valueOf } from '../assembly';
import { findings } from '../findings';
import { labelLines } from '../kit';
import { derive } from '../lead';
import { endName, NAMED, offers, RECIPES, type IntentEnd } from '.';

const LINE: IntentEnd = { port: 'line-input', family: 'xlr3' };
const LINE_OUT: IntentEnd = { port: 'line-ground-referenced', family: 'xlr3' };
const PHONO_OUT: IntentEnd = { port: 'unbalanced-output', family: 'phono' };
const PHONO_IN: IntentEnd = { port: 'unbalanced-input', family: 'phono' };
const DECK: Patch = {
  from: { port: 'record-player', family: 'cartridge-pads' },
  to: [
    { port: 'record-player-input', family: 'phono', channel: 'left' },
    { port: 'record-player-input', family: 'phono', channel: 'right' },
  ],
  cable: 'twin-mini',
};
const together = (assembly: Assembly, a: string, b: string): boolean => {
  const { netOf } = netlist(assembly);
  return netOf.get(a) !== undefined && netOf.get(a) === netOf.get(b);
};

describe('every recipe', () => {
  it('has a name and a source, and ids are unique', () => {
    expect(new Set(RECIPES.map((recipe) => recipe.id)).size).toBe(RECIPES.length);
    for (const recipe of RECIPES) expect(recipe.name && recipe.source).toBeTruthy();
  });
});

describe('what is offered', () => {
  const offered = (patch: Patch): readonly (readonly [string, string])[] => {
    const all = offers(intentFor(patch));
    return all.ok ? all.value.map((offer) => [offer.recipe, offer.is] as const) : [];
  };

  it('for a plain microphone line: straight, and what can be done on purpose', () =>
    expect(offered({})).toEqual([
      ['balanced-straight', 'right'],
      ['pad', 'possible'],
      ['transformer', 'possible'],
      ['polarity-reverse', 'possible'],
      ['screen-lift', 'possible'],
    ]));

  it('a line output into a microphone input is 44 dB too hot: the pad is right as well', () =>
    expect(offered({ from: LINE_OUT, to: MICROPHONE_INPUT }).slice(0, 2)).toEqual([
      ['balanced-straight', 'right'],
      ['pad', 'right'],
    ]));

  it('for stereo into one balanced input: the sum; left minus right and the bare Y are refused', () =>
    expect(
      offered({ from: { port: 'headphone-output', family: 'trs35' }, to: LINE, cable: 'pair-mini' }),
    ).toEqual([
      ['sum', 'right'],
      ['stereo-into-balanced', 'wrong'],
      ['bare-y', 'wrong'],
    ]));

  it('a cable that does not carry it is told with the recipe', () => {
    const all = offers(intentFor({ cable: 'instrument-coax' }));
    expect(all.ok && all.value[0]?.lacks?.path).toBe('intent.cable');
  });
});

describe('deliberate exceptions say so on themselves', () => {
  it.each([
    ['polarity-reverse', 'polarity reversed'],
    ['screen-lift', 'screen lifted at the input end; stops phantom'],
  ])('%s', (wiring, says) => {
    const of = leadFor({ from: LINE_OUT, to: LINE, wiring });
    expect(labelLines(of, 1)).toContain(says);
  });

  it('a turnaround, of itself, where both ends are alike', () => {
    const end: IntentEnd = { port: 'line-end', family: 'xlr3', gender: 'socket' };
    const turned = leadFor({ from: end, to: end });
    expect(turned.because.recipe?.id).toBe('turnaround');
    expect(labelLines(turned, 1)).toContain('turnaround');
    expect(findings(turned)).toEqual([]);
  });

  it('a quasi-balanced lead has its arrow', () => {
    const { assembly } = leadFor({ from: PHONO_OUT, to: PHONO_IN, wiring: 'quasi-balanced' });
    expect(assembly.dressings.map((each) => each.what)).toEqual(['arrow']);
    expect(assembly.unjoined.map((each) => each.at)).toEqual(['W1.screen@b']);
  });
});

describe('record-player leads', () => {
  it('a separate earth goes from the chassis to a spade, and touches no return', () => {
    const { assembly } = leadFor(DECK);
    const spade = endsOf(assembly).find((end) => end.loose);
    expect(together(assembly, 'a.case', `${spade?.id}.spade`)).toBe(true);
    expect(together(assembly, 'a.case', 'A.L-')).toBe(false);
    expect(together(assembly, 'A.L-', 'A.R-')).toBe(false);
  });

  it('unified, the returns are joined to the chassis inside and there is no earth wire', () => {
    const { assembly } = leadFor({ ...DECK, schools: { 'record-player-earth': 'unified' } });
    expect(endsOf(assembly).some((end) => end.loose)).toBe(false);
    for (const contact of ['A.L-', 'A.R-', 'B.K', 'C.K'])
      expect(together(assembly, 'a.case', contact)).toBe(true);
  });
});

describe('loudspeakers', () => {
  const amplifier: IntentEnd = { port: 'amplifier', family: 'plug4' };
  it('in parallel divide the impedance: two of 8 Ω are 4 Ω', () => {
    const split = leadFor({
      from: amplifier,
      to: [
        { port: 'loudspeaker', family: 'twist2' },
        { port: 'loudspeaker', family: 'twist2' },
      ],
      cable: 'loudspeaker-2x1-5',
    });
    expect(split.because.recipe?.why).toContain('4.0 Ω together');
  });

  it.each(['pair-braid', 'instrument-coax', 'star-quad'])('never in %s', (cable) => {
    const derived = derive(
      intentFor({ from: amplifier, to: { port: 'loudspeaker', family: 'twist2' }, cable }),
    );
    expect(derived.ok ? '' : derived.problems[0]?.code).toBe('wiring.loudspeaker-cable');
  });

  it('no bridged leg ever meets a shell or a sleeve', () => {
    const { assembly } = leadFor({
      from: { port: 'amplifier-bridged', family: 'twist4', layout: 'bridged-1-2' },
      to: { port: 'loudspeaker', family: 'plug4' },
      cable: 'loudspeaker-2x2-5',
    });
    for (const net of netlist(assembly).nets)
      if (net.contacts.includes('A.1+') || net.contacts.includes('A.2+'))
        expect(net.contacts.every((contact) => /[+-]$/.test(contact))).toBe(true);
  });
});

describe('test tails', () => {
  it('every contact of the typed pin list has its own pin; those that carry nothing meet nothing', () => {
    const { assembly } = leadFor({
      from: {
        port: 'microphone',
        family: 'tail-pin',
        pinout: { screen: '1', hot: '2', cold: '4', unused1: '3', unused2: '5' },
      },
      to: MICROPHONE_INPUT,
      cable: 'hook-up-5',
    });
    expect(endsOf(assembly)[0]?.loose?.map((pin) => pin.id)).toEqual(['1', '2', '4', '3', '5']);
    expect(new Set(endsOf(assembly)[0]?.loose?.map((pin) => pin.colour)).size).toBe(5);
    const joined = netlist(assembly).nets.filter((net) => net.contacts.length > 1);
    expect(joined.map((net) => net.contacts)).toEqual([
      ['A.1', 'B.1'],
      ['A.2', 'B.2'],
      ['A.4', 'B.3'],
    ]);
  });
});

describe('headphone leads', () => {
  const cups: Patch = {
    from: { port: 'headphone-output', family: 'trs35' },
    to: { port: 'headphone-cups', family: 'earpiece-pads' },
    cable: 'litz-headphone',
  };
  it('nothing is joined until every strand has been found, each another', () => {
    for (const choices of [
      {},
      { left: 'a' },
      { left: 'a', 'left-return': 'a', right: 'b', 'right-return': 'c' },
    ]) {
      const { assembly } = leadFor({ ...cups, choices });
      expect(together(assembly, 'A.T', 'B.L+')).toBe(false);
      expect(assembly.unjoined).toHaveLength(4);
    }
  });
  it('another cable than litz is refused', () => {
    const derived = derive(intentFor({ ...cups, cable: 'pair-mini' }));
    expect(derived.ok ? '' : derived.problems[0]?.code).toBe('wiring.litz');
  });
});

describe('how the cable goes', () => {
  const spans = (assembly: Assembly): readonly string[] =>
    assembly.spans.map((span) => `${span.id} ${span.from} ${span.to}`);

  it('a cable of one channel goes to each end by itself, into one connector', () => {
    const { assembly } = leadFor({ to: [MICROPHONE_INPUT, MICROPHONE_INPUT], cable: 'pair-mini' });
    expect(spans(assembly)).toEqual(['W1 a b', 'W2 a c']);
    expect(assembly.bodies[0]?.entries).toEqual([{ gland: 'cable entry', spans: ['W1', 'W2'] }]);
  });

  it('a multipair goes together to where it parts, on both sides where there are several ends', () => {
    const four = leadFor({
      from: [MICROPHONE, MICROPHONE],
      to: [MICROPHONE_INPUT, MICROPHONE_INPUT],
      cable: 'multipair-2',
      length: { mm: 5000, datum: 'jacket' },
      legs: { mm: 400 },
    });
    expect(spans(four.assembly)).toEqual([
      'W1 split-from split-to',
      'W2 a split-from',
      'W3 b split-from',
      'W4 split-to c',
      'W5 split-to d',
    ]);
    // 5 m jacket to jacket is 4.2 m of trunk and a leg of 400 mm at either end.
    expect([...spanLengths(four.assembly)]).toEqual([
      ['W2', 400],
      ['W3', 400],
      ['W4', 400],
      ['W5', 400],
      ['W1', 4200],
    ]);
  });

  it('cores go on uncut: every joint at a break-out continues one of the trunk', () => {
    const { assembly } = leadFor({
      from: { port: 'line-eight', family: 'd25' },
      to: Array.from({ length: 8 }, () => LINE),
      cable: 'multipair-8',
    });
    const split = assembly.bodies.find((body) => body.kind === 'breakout');
    expect(split?.joints).toHaveLength(24);
    expect(split?.joints.every((joint) => joint.how === 'continues' && joint.terminals.length === 2)).toBe(
      true,
    );
  });

  it('24 ways and more have their names: A to Z, then AA', () => {
    expect([0, 25, 26, 47, 52].map(endName)).toEqual(['A', 'Z', 'AA', 'AV', 'BA']);
    const { assembly } = leadFor({
      from: Array.from({ length: 24 }, () => MICROPHONE),
      to: Array.from({ length: 24 }, () => MICROPHONE_INPUT),
      cable: 'multipair-24',
      length: { mm: 20_000, datum: 'face' },
      surroundings: 'rack',
    });
    expect(endsOf(assembly)).toHaveLength(48);
    expect(together(assembly, 'X.2', 'AV.2')).toBe(true);
    expect(together(assembly, 'X.2', 'AU.2')).toBe(false);
  });

  it('two cores in one cup are one joint', () => {
    const { assembly } = leadFor({ to: [MICROPHONE_INPUT, MICROPHONE_INPUT], cable: 'pair-mini' });
    const cup = assembly.bodies.flatMap(jointsOf).find((joint) => joint.terminals.includes('A.2'));
    expect(cup?.terminals).toEqual(['W1.white@a', 'W2.white@a', 'A.2']);
  });
});

describe('what is known better of the equipment', () => {
  it('an input of its own impedance asks for its own pad', () => {
    const shunt = (impedance: number): number | undefined => {
      const last = leadFor({
        from: LINE_OUT,
        to: { ...MICROPHONE_INPUT, values: { impedance } },
        wiring: 'pad',
      })
        .assembly.bodies.flatMap((body) => body.parts)
        .at(-1);
      return last && valueOf(last);
    };
    expect([shunt(2000), shunt(10_000)]).toEqual([150, 750]);
  });

  it('an output that is said to be harmed by phantom is', () => {
    const lead = leadFor({
      from: { ...MICROPHONE, values: { phantom: 'harmed' } },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    });
    expect(findings(lead).map((finding) => finding.rule)).toEqual(['phantom-harm']);
  });
});

describe('continuity lamp', () => {
  const lamp = {
    from: { port: 'battery-lamp', family: 'switch-pads' },
    to: { port: 'lead-under-test', family: 'probes' },
  };

  it('has its battery and bulb in series where the switch was, and nothing for us to solder inside', () => {
    const { assembly, because } = leadFor({ ...lamp, cable: 'probe-wire' });
    expect(because.recipe?.id).toBe('continuity-lamp');
    const [device] = assembly.bodies;
    expect(device?.existing?.map((joint) => joint.terminals.join(' '))).toEqual([
      'BT1.pos A.1',
      'BT1.neg LA1.a',
      'LA1.b A.2',
    ]);
    expect(device?.joints.flatMap((joint) => joint.terminals)).toEqual([
      'W1.red@a',
      'A.1',
      'W1.black@a',
      'A.2',
    ]);
  });

  it('does not take a screened cable, and says which field', () => {
    const refused = derive(intentFor({ ...lamp, cable: 'pair-braid' }));
    expect(refused.ok ? [] : refused.problems.map(({ code, path }) => [code, path])).toEqual([
      ['wiring.probe-wire', 'intent.cable'],
    ]);
  });
});

it('a volume box asks for its control by the tracks there are, in Ω and kΩ, the one that suits its headphones first', () => {
  const box = NAMED.find(({ id }) => id === 'volume-box') ?? expect.fail('no volume box');
  const asked = derive(box.intent);
  if (!asked.ok) throw new Error(asked.problems[0]?.says);
  const [control] = asked.value.because.asks.filter(({ id }) => id === 'control');
  // Three times 32 Ω is 96: the next track is 100 Ω (handbook, section 12: match the control to the headphones).
  expect(control?.answer).toBe('100');
  expect(Object.values(control?.options ?? {})).toEqual([
    '50 Ω, dual, logarithmic',
    '100 Ω, dual, logarithmic',
    '220 Ω, dual, logarithmic',
    '470 Ω, dual, logarithmic',
    '1 kΩ, dual, logarithmic',
    '2.2 kΩ, dual, logarithmic',
    '4.7 kΩ, dual, logarithmic',
    '10 kΩ, dual, logarithmic',
    '22 kΩ, dual, logarithmic',
    '47 kΩ, dual, logarithmic',
    '100 kΩ, dual, logarithmic',
  ]);
});
