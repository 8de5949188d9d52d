import { PORTS } from '../../src/core/catalogue';
import type { Edit, Lead } from '../../src/core/lead';
import type { IntentEnd } from '../../src/core/wiring';
import { MICROPHONE, MICROPHONE_INPUT, type Patch } from './intents';

/** A smallest lead that fires a rule, and its nearest neighbour that does not. */
export interface Case {
  readonly rule: string;
  readonly fires: Patch;
  readonly neighbour: Patch;
  /** Changes by hand that make it fire, and those of the neighbour. */
  readonly edits?: readonly Edit[];
  readonly beside?: readonly Edit[];
  /** A change to the document that no intent can ask for; made before the rule looks. */
  readonly damage?: (lead: Lead) => Lead;
  /** What is offered clears it: some things have no remedy but doing it over. */
  readonly mends?: false;
}

export const phono = { port: 'unbalanced-input', family: 'phono' } as const;
const phonoOf = (channel: string): IntentEnd => ({
  port: 'record-player-input',
  family: 'phono',
  channel,
});
export const output = (kind: string): IntentEnd => ({ port: `line-${kind}`, family: 'xlr3' });

export const LOUDSPEAKER: Patch = {
  from: { port: 'amplifier', family: 'plug4' },
  to: { port: 'loudspeaker', family: 'plug4' },
  cable: 'loudspeaker-2x1-5',
};
export const LINE: Patch = { from: output('transformer'), to: { port: 'line-input', family: 'xlr3' } };
const TAIL = { hot: 'red', cold: 'black', screen: 'drain' };
export const SCREWED: Patch = {
  ...LINE,
  to: { port: 'line-input', family: 'screw3', pinout: { hot: '1', cold: '2', screen: '3' } },
  cable: 'pair-foil',
};
export const LIFT_BARREL: Patch = {
  form: 'barrel',
  from: { port: 'line-end', family: 'xlr3', gender: 'socket' },
  to: { port: 'line-end', family: 'xlr3', gender: 'plug' },
  wiring: 'screen-lift',
};
const TRANSFORMER_SUM: Patch = {
  from: [output('ground-referenced'), output('ground-referenced')],
  to: { port: 'line-input', family: 'xlr3' },
  cable: 'pair-foil',
  surroundings: 'rack',
  choices: { by: 'transformer' },
};
/** Every shell with this room, mm, and every resistor of this rating, W. */
export const roomOf =
  (innerMm: { readonly long: number; readonly wide: number }, watts: number) =>
  (of: Lead): Lead => ({
    ...of,
    assembly: {
      ...of.assembly,
      bodies: of.assembly.bodies.map((body) => ({
        ...body,
        parts: body.parts.map((part) => (part.kind === 'resistor' ? { ...part, ratings: { watts } } : part)),
      })),
      uses: {
        ...of.assembly.uses,
        connectors: of.assembly.uses.connectors.map((entry) => ({ ...entry, innerMm })),
      },
    },
  });
export const INSERT: Patch = {
  from: { port: 'insert', family: 'trs635', layout: 'insert-tip-send' },
  to: [
    { port: 'unbalanced-input', family: 'ts635' },
    { port: 'unbalanced-output', family: 'ts635' },
  ],
  cable: 'instrument-coax',
};
export const ON_JACKS: Patch = {
  ...LOUDSPEAKER,
  from: { port: 'amplifier', family: 'ts635' },
  to: { port: 'loudspeaker', family: 'ts635' },
};
export const PHANTOM = { port: 'microphone-input-phantom', family: 'xlr3' } as const;
export const QUASI: Patch = {
  from: { port: 'unbalanced-output', family: 'phono' },
  to: phono,
  cable: 'pair-mini',
  wiring: 'quasi-balanced',
};
/** An end that meets something else than what the lead was made for, as a lead from elsewhere may. */
export const meets =
  (end: string, id: string): NonNullable<Case['damage']> =>
  (of) => ({
    ...of,
    situations: of.situations.map((use) => ({
      ...use,
      channels: use.channels.map((each) =>
        each.end === end ? { ...each, port: PORTS.find((port) => port.id === id) ?? each.port } : each,
      ),
    })),
  });
export const STEREO: Patch = {
  from: { port: 'headphone-output', family: 'trs35' },
  to: { port: 'stereo-input', family: 'trs35' },
  cable: 'pair-mini',
  length: { mm: 2000, datum: 'face' },
};
export const SUM: Patch = {
  from: { port: 'headphone-output', family: 'trs35' },
  to: { port: 'line-input', family: 'xlr3' },
  cable: 'pair-mini',
};
export const PLAYER: Patch = {
  from: { port: 'record-player', family: 'cartridge-pads' },
  to: [phonoOf('left'), phonoOf('right')],
  cable: 'twin-mini',
  surroundings: 'studio',
  legs: { mm: 200 },
  length: { mm: 1200, datum: 'face' },
};
export const TELL_TALE: Patch = {
  form: 'plug',
  from: [],
  to: { port: 'microphone-input-phantom', family: 'xlr3' },
};
/** What is put on the far end of a lead on the meter: a socket on its plug. */
const SHORTING_PLUG: Patch = {
  form: 'plug',
  from: [],
  to: { port: 'balanced-under-test', family: 'xlr3', gender: 'socket' },
};
export const PAD: Patch = {
  from: output('ground-referenced'),
  to: { port: 'line-input', family: 'xlr3' },
  wiring: 'pad',
};
export const BOX: Patch = {
  form: 'box',
  from: { port: 'headphone-output', family: 'trs35' },
  to: { port: 'headphones', family: 'trs35' },
  wiring: 'volume-box',
};
export const RECORDER: Patch = {
  from: MICROPHONE,
  to: { port: 'recorder-input', family: 'trs35' },
  cable: 'pair-mini',
};

/** For each rule: a smallest lead that fires it, and its nearest neighbour that does not. */
export const CASES: readonly Case[] = [
  {
    rule: 'not-carried',
    fires: {},
    neighbour: { schools: { screen: 'source' } },
    // The hot core comes off its contact at the receiving end.
    edits: [{ kind: 'separate', terminals: ['W1.white@b'] }],
  },
  {
    rule: 'crossed',
    fires: {},
    edits: [{ kind: 'exchange', one: 'W1.white@b', other: 'W1.black@b' }],
    neighbour: { wiring: 'polarity-reverse' },
  },
  {
    // Hot and screen: not a matter of polarity.
    rule: 'crossed',
    fires: {},
    edits: [{ kind: 'exchange', one: 'W1.white@a', other: 'W1.screen@a' }],
    neighbour: {},
  },
  {
    rule: 'crossed',
    fires: LOUDSPEAKER,
    edits: [{ kind: 'exchange', one: 'B.+', other: 'B.-' }],
    neighbour: LOUDSPEAKER,
  },
  {
    rule: 'exchanged',
    fires: STEREO,
    edits: [{ kind: 'exchange', one: 'W1.white@b', other: 'W1.black@b' }],
    neighbour: STEREO,
  },
  {
    rule: 'shorted',
    fires: {},
    edits: [{ kind: 'join', terminals: ['B.2', 'B.3'], how: 'cup' }],
    neighbour: {},
    beside: [{ kind: 'join', terminals: ['B.1', 'B.shell'], how: 'link' }],
  },
  {
    rule: 'shorted',
    fires: LOUDSPEAKER,
    edits: [{ kind: 'join', terminals: ['A.+', 'A.-'], how: 'screw' }],
    neighbour: LOUDSPEAKER,
  },
  {
    rule: 'outputs-joined',
    fires: SUM,
    edits: [{ kind: 'join', terminals: ['R1.a', 'R2.a'], how: 'air' }],
    neighbour: SUM,
  },
  {
    rule: 'stray-contact',
    fires: {},
    edits: [{ kind: 'join', terminals: ['B.2', 'B.shell'], how: 'link' }],
    neighbour: { schools: { shell: 'both' } },
  },
  {
    rule: 'contact-twice',
    fires: {},
    neighbour: {},
    damage: (of) => ({
      ...of,
      situations: of.situations.map((use) => ({
        ...use,
        channels: use.channels.map((each) =>
          each.end === 'B' ? { ...each, roles: { hot: '2', cold: '2', screen: '1' } } : each,
        ),
      })),
    }),
    mends: false,
  },
  {
    rule: 'screen-closed',
    fires: { ...LINE, schools: { screen: 'source' } },
    edits: [{ kind: 'join', terminals: ['W1.screen@b', 'B.1'], how: 'cup' }],
    neighbour: { ...LINE, schools: { screen: 'source' } },
  },
  {
    rule: 'shell-school',
    fires: {},
    edits: [{ kind: 'join', terminals: ['B.1', 'B.shell'], how: 'link' }],
    neighbour: { schools: { shell: 'destination' } },
  },
  {
    rule: 'shell-school',
    fires: { schools: { shell: 'destination' } },
    edits: [{ kind: 'separate', terminals: ['B.shell'] }],
    neighbour: {},
  },
  {
    rule: 'empty-end',
    fires: {},
    edits: ['1', '2', '3'].map((contact): Edit => ({ kind: 'remove-joint', joint: `joint-B-${contact}` })),
    neighbour: {},
    beside: ['1', '2'].map((contact): Edit => ({ kind: 'remove-joint', joint: `joint-B-${contact}` })),
    mends: false,
  },
  {
    rule: 'loose-part',
    fires: SUM,
    edits: [{ kind: 'separate', terminals: ['R3.b'] }],
    neighbour: SUM,
    mends: false,
  },
  {
    rule: 'part-beside',
    fires: SUM,
    edits: [{ kind: 'move', terminal: 'R3.b', to: 'R1.a' }],
    neighbour: SUM,
    mends: false,
  },
  {
    rule: 'stump',
    fires: { from: output('ground-referenced'), to: phono },
    edits: [{ kind: 'join', terminals: ['W1.black@a', 'A.3'], how: 'cup' }],
    neighbour: { from: output('ground-referenced'), to: phono },
  },
  {
    rule: 'case-earth',
    fires: PLAYER,
    edits: [{ kind: 'separate', terminals: ['a.case'] }],
    neighbour: PLAYER,
    mends: false,
  },
  {
    rule: 'lamps',
    fires: { ...TELL_TALE, choices: { guard: 'none' } },
    neighbour: { ...TELL_TALE, choices: { guard: 'diodes' } },
  },
  {
    // A tenth of the resistor: 10 mA and more in its lamp.
    rule: 'lamps',
    fires: TELL_TALE,
    edits: [{ kind: 'exchange', one: 'D1.anode', other: 'D1.cathode' }],
    neighbour: TELL_TALE,
    mends: false,
  },
  {
    rule: 'shorting-plug',
    fires: SHORTING_PLUG,
    edits: [{ kind: 'separate', terminals: ['A.3'] }],
    neighbour: SHORTING_PLUG,
    mends: false,
  },
  {
    rule: 'shorting-plug',
    fires: SHORTING_PLUG,
    edits: [{ kind: 'join', terminals: ['A.1', 'A.shell'], how: 'link' }],
    neighbour: SHORTING_PLUG,
    mends: false,
  },
  {
    rule: 'level-off',
    fires: { ...PAD, choices: { loss: '20' } },
    edits: [{ kind: 'change-part', part: { id: 'R3', kind: 'resistor', ohms: 15_000 } }],
    neighbour: { ...PAD, choices: { loss: '20' } },
    mends: false,
  },
  {
    // Behind the resistors, so that no output is shorted and nothing is open.
    rule: 'level-off',
    fires: TRANSFORMER_SUM,
    edits: [{ kind: 'join', terminals: ['R1.b', 'R2.b'], how: 'air' }],
    neighbour: TRANSFORMER_SUM,
    mends: false,
  },
  {
    rule: 'unequal',
    fires: SUM,
    edits: [{ kind: 'change-part', part: { id: 'R1', kind: 'resistor', ohms: 47 } }],
    neighbour: SUM,
    mends: false,
  },
  {
    rule: 'legs-unequal',
    fires: { ...PAD, choices: { loss: '20' } },
    edits: [{ kind: 'change-part', part: { id: 'R2', kind: 'resistor', ohms: 470 } }],
    neighbour: { ...PAD, choices: { loss: '20' } },
    mends: false,
  },
  {
    rule: 'control',
    fires: BOX,
    edits: ['left', 'right'].map((gang): Edit => ({
      kind: 'exchange',
      one: `RV1.${gang}.cw`,
      other: `RV1.${gang}.ccw`,
    })),
    neighbour: BOX,
    mends: false,
  },
  {
    // 1 ÷ (2π · 1 µF · (200 + 2000) Ω) is 72 Hz, of 10 µF 7.
    rule: 'bass-lost',
    fires: RECORDER,
    edits: [{ kind: 'change-part', part: { id: 'C1', kind: 'capacitor', farads: 1e-6 } }],
    // One from hot to ground is not in line.
    neighbour: {},
    beside: [
      {
        kind: 'add-part',
        body: 'b',
        part: { id: 'C9', kind: 'capacitor', farads: 1e-9 },
        to: { a: 'B.2', b: 'B.1' },
      },
    ],
  },
  {
    // (48 − 2) V over 6.8 + 4.7 kΩ is 4 mA, and in 4.7 kΩ that is 75 mW.
    rule: 'part-rating',
    fires: TELL_TALE,
    edits: [
      {
        kind: 'change-part',
        part: { id: 'R1', kind: 'resistor', ohms: 4700, ratings: { watts: 0.05 } },
      },
    ],
    neighbour: TELL_TALE,
    beside: [
      {
        kind: 'change-part',
        part: { id: 'R1', kind: 'resistor', ohms: 4700, ratings: { watts: 0.1 } },
      },
    ],
  },
  {
    // Plug-in power of 3 V stands on it.
    rule: 'part-rating',
    fires: RECORDER,
    edits: [
      { kind: 'change-part', part: { id: 'C1', kind: 'capacitor', farads: 10e-6, ratings: { volts: 2.5 } } },
    ],
    neighbour: RECORDER,
    beside: [
      { kind: 'change-part', part: { id: 'C1', kind: 'capacitor', farads: 10e-6, ratings: { volts: 6.3 } } },
    ],
  },
  {
    // Plug-in power of 3 V stands on it: the input gives it, so that is where its plus belongs.
    rule: 'capacitor-turned',
    fires: RECORDER,
    edits: [
      {
        kind: 'change-part',
        part: { id: 'C1', kind: 'capacitor', farads: 10e-6, ratings: { volts: 16 }, plus: 'a' },
      },
    ],
    neighbour: RECORDER,
    beside: [
      // One that has no plus lies either way round.
      { kind: 'change-part', part: { id: 'C1', kind: 'capacitor', farads: 10e-6, ratings: { volts: 16 } } },
    ],
  },
  {
    // A core that was unscrewed and is put back with solder.
    rule: 'solder-under-screw',
    fires: SCREWED,
    edits: [
      { kind: 'separate', terminals: ['W1.white@b'] },
      { kind: 'join', terminals: ['B.1', 'W1.white@b'], how: 'tab' },
    ],
    neighbour: SCREWED,
    beside: [
      { kind: 'separate', terminals: ['W1.white@b'] },
      { kind: 'join', terminals: ['B.1', 'W1.white@b'], how: 'screw' },
    ],
    mends: false,
  },
  {
    rule: 'solder-under-screw',
    fires: { ...LINE, to: { port: 'line-input', family: 'tail-tinned', pinout: TAIL }, cable: 'pair-foil' },
    neighbour: {
      ...LINE,
      to: { port: 'line-input', family: 'tail-bare', pinout: TAIL },
      cable: 'pair-foil',
    },
  },
  {
    rule: 'direction',
    fires: { from: { ...MICROPHONE, gender: 'plug' } },
    neighbour: { from: { ...MICROPHONE, gender: 'socket' } },
  },
  {
    rule: 'direction',
    fires: { to: { ...MICROPHONE_INPUT, gender: 'socket' } },
    neighbour: { to: { ...MICROPHONE_INPUT, gender: 'plug' } },
  },
  {
    rule: 'phantom-harm',
    fires: {
      from: { port: 'microphone-ribbon', family: 'xlr3' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    },
    neighbour: { to: { port: 'microphone-input-phantom', family: 'xlr3' } },
  },
  {
    rule: 'phantom-harm',
    fires: {
      from: { port: 'unbalanced-output', family: 'ts635' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    },
    neighbour: { from: { port: 'unbalanced-output', family: 'ts635' } },
  },
  {
    rule: 'phantom-stopped',
    fires: {
      from: { port: 'microphone-phantom', family: 'xlr3' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
      schools: { screen: 'source' },
    },
    neighbour: {
      from: { port: 'microphone-phantom', family: 'xlr3' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    },
  },
  {
    rule: 'phantom-missing',
    fires: { from: { port: 'microphone-phantom', family: 'xlr3' } },
    neighbour: {
      from: { port: 'microphone-phantom', family: 'xlr3' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    },
  },
  {
    rule: 'screen-return',
    fires: { schools: { screen: 'destination' } },
    neighbour: { schools: { screen: 'both' } },
  },
  {
    rule: 'cold-leg',
    fires: { from: output('ground-referenced'), to: phono, cold: 'source' },
    neighbour: { from: output('ground-referenced'), to: phono, cold: 'open' },
  },
  {
    rule: 'cold-leg',
    fires: { from: output('ground-referenced'), to: phono, cold: 'far' },
    neighbour: { from: output('impedance-balanced'), to: phono, cold: 'far' },
  },
  {
    rule: 'cold-leg',
    fires: { from: output('cross-coupled'), to: phono, cold: 'open' },
    neighbour: { from: output('cross-coupled'), to: phono },
  },
  {
    rule: 'cold-leg',
    fires: { from: output('cross-coupled'), to: phono, cold: 'far' },
    neighbour: { from: output('transformer'), to: phono, cold: 'far' },
  },
  {
    rule: 'cold-leg',
    fires: { from: output('transformer'), to: phono, cold: 'open' },
    neighbour: { from: output('transformer'), to: phono },
  },
  {
    rule: 'treble-lost',
    fires: {
      from: { port: 'unbalanced-output', family: 'phono', values: { impedance: 10_000 } },
      to: phono,
      cable: 'instrument-coax',
      length: { mm: 40_000, datum: 'face' },
    },
    neighbour: {
      from: { port: 'unbalanced-output', family: 'phono', values: { impedance: 1000 } },
      to: phono,
      cable: 'instrument-coax',
      length: { mm: 40_000, datum: 'face' },
    },
  },
  {
    // 100 pF of the input and the lead's own, 300 pF at most (common practice).
    rule: 'coil',
    fires: {
      from: { port: 'record-player', family: 'cartridge-pads' },
      to: [phonoOf('left'), phonoOf('right')],
      cable: 'twin-mini',
      surroundings: 'studio',
      legs: { mm: 200 },
      length: { mm: 3000, datum: 'face' },
    },
    neighbour: {
      from: { port: 'record-player', family: 'cartridge-pads' },
      to: [phonoOf('left'), phonoOf('right')],
      cable: 'twin-mini',
      surroundings: 'studio',
      legs: { mm: 200 },
      length: { mm: 1200, datum: 'face' },
    },
  },
  {
    rule: 'coil',
    fires: {
      from: { port: 'instrument', family: 'ts635' },
      to: { port: 'instrument-input', family: 'ts635' },
      cable: 'instrument-coax',
      length: { mm: 30_000, datum: 'face' },
    },
    neighbour: {
      from: { port: 'instrument-active', family: 'ts635' },
      to: { port: 'instrument-input', family: 'ts635' },
      cable: 'instrument-coax',
      length: { mm: 30_000, datum: 'face' },
    },
  },
  {
    rule: 'overload',
    fires: {
      from: { ...output('ground-referenced'), values: { levelDbu: 24 } },
      to: { port: 'line-input', family: 'xlr3' },
    },
    neighbour: {
      from: { ...output('ground-referenced'), values: { levelDbu: 20 } },
      to: { port: 'line-input', family: 'xlr3' },
    },
  },
  {
    // 1.5 mm², 13.3 Ω/km (IEC 60228): 5 % of 8 Ω is 15 m, less what the contacts add.
    rule: 'loudspeaker-loss',
    fires: {
      from: { port: 'amplifier', family: 'plug4' },
      to: { port: 'loudspeaker', family: 'plug4' },
      cable: 'loudspeaker-2x1-5',
      length: { mm: 16_000, datum: 'face' },
    },
    neighbour: {
      from: { port: 'amplifier', family: 'plug4' },
      to: { port: 'loudspeaker', family: 'plug4' },
      cable: 'loudspeaker-2x1-5',
      length: { mm: 13_000, datum: 'face' },
    },
  },
  {
    rule: 'hum-level',
    fires: {
      from: { port: 'unbalanced-output', family: 'phono' },
      to: phono,
      cable: 'pair-mini',
      wiring: 'quasi-balanced',
      length: { mm: 2000, datum: 'face' },
    },
    neighbour: {
      from: output('transformer'),
      to: phono,
      cable: 'pair-mini',
      length: { mm: 2000, datum: 'face' },
    },
  },
  {
    rule: 'unbalanced-run',
    fires: {
      from: { port: 'unbalanced-output', family: 'phono' },
      to: phono,
      length: { mm: 5001, datum: 'face' },
    },
    neighbour: {
      from: { port: 'unbalanced-output', family: 'phono' },
      to: phono,
      length: { mm: 5000, datum: 'face' },
    },
  },
  {
    rule: 'unbalanced-run',
    fires: { from: output('transformer'), to: phono, length: { mm: 20_000, datum: 'face' } },
    neighbour: {
      from: output('transformer'),
      to: { port: 'line-input', family: 'xlr3' },
      length: { mm: 20_000, datum: 'face' },
    },
  },
  {
    rule: 'overruled',
    fires: {
      from: { port: 'headphone-output', family: 'trs35' },
      to: { port: 'line-input', family: 'xlr3' },
      cable: 'pair-mini',
      anyway: ['stereo-into-balanced'],
      wiring: 'stereo-into-balanced',
    },
    neighbour: {
      from: { port: 'headphone-output', family: 'trs35' },
      to: { port: 'line-input', family: 'xlr3' },
      cable: 'pair-mini',
    },
  },
  {
    rule: 'supply-harm',
    fires: {
      from: MICROPHONE,
      to: { port: 'recorder-input', family: 'trs35' },
      cable: 'pair-mini',
      choices: { block: 'none' },
    },
    neighbour: { from: MICROPHONE, to: { port: 'recorder-input', family: 'trs35' }, cable: 'pair-mini' },
  },
  {
    rule: 'supply-harm',
    fires: { to: { port: 'microphone-input-t-power', family: 'xlr3' } },
    neighbour: { to: MICROPHONE_INPUT },
  },
  {
    rule: 'supply-missing',
    fires: { from: { port: 'microphone-t-power', family: 'xlr3' } },
    neighbour: {
      from: { port: 'microphone-t-power', family: 'xlr3' },
      to: { port: 'microphone-input-t-power', family: 'xlr3' },
    },
  },
  {
    rule: 'cables-abreast',
    fires: { to: [MICROPHONE_INPUT, MICROPHONE_INPUT] },
    neighbour: { to: [MICROPHONE_INPUT, MICROPHONE_INPUT], cable: 'pair-mini' },
  },
  {
    rule: 'foil-on-stage',
    fires: { cable: 'pair-foil' },
    neighbour: { cable: 'pair-foil', surroundings: 'rack' },
  },
  {
    rule: 'loose-conductor',
    fires: {},
    neighbour: {},
    edits: [{ kind: 'separate', terminals: ['W1.black@b'] }],
  },
  {
    rule: 'cable-diameter',
    fires: {},
    neighbour: {},
    // A plug whose boot takes no more than 6 mm, against a 6.2 mm cable.
    damage: (of) => ({
      ...of,
      assembly: {
        ...of.assembly,
        uses: {
          ...of.assembly.uses,
          connectors: of.assembly.uses.connectors.map((entry) =>
            entry.gender === 'plug' ? { ...entry, cableMm: { min: 3.5, max: 6 } } : entry,
          ),
        },
      },
    }),
  },
  {
    // Three resistors of 2 W, 15.5 × 5 mm each, in the 14 × 6.5 mm of a 3.5 mm plug.
    rule: 'parts-fit',
    fires: SUM,
    neighbour: SUM,
    damage: roomOf({ long: 14, wide: 6.5 }, 2),
    mends: false,
  },
  {
    rule: 'power-into',
    fires: LOUDSPEAKER,
    damage: meets('B', 'line-input'),
    neighbour: LOUDSPEAKER,
    mends: false,
  },
  {
    rule: 'power-into',
    fires: LOUDSPEAKER,
    damage: meets('A', 'headphone-output'),
    neighbour: LOUDSPEAKER,
    mends: false,
  },
  {
    // 70 V across 8 Ω: 613 W.
    rule: 'power-into',
    fires: LOUDSPEAKER,
    damage: meets('A', 'amplifier-constant-voltage'),
    neighbour: {
      ...LOUDSPEAKER,
      from: { port: 'amplifier-constant-voltage', family: 'plug4' },
      to: { port: 'loudspeaker-constant-voltage', family: 'plug4' },
    },
    mends: false,
  },
  {
    rule: 'local-code',
    fires: {
      ...LOUDSPEAKER,
      from: { port: 'amplifier-bridged', family: 'twist4', layout: 'bridged-1-2' },
    },
    neighbour: LOUDSPEAKER,
    mends: false,
  },
  {
    rule: 'bridged-ground',
    fires: ON_JACKS,
    damage: meets('A', 'amplifier-bridged'),
    neighbour: ON_JACKS,
    mends: false,
  },
  {
    rule: 'amplifier-load',
    fires: { ...LOUDSPEAKER, to: { port: 'loudspeaker', family: 'plug4', values: { impedance: 3 } } },
    neighbour: { ...LOUDSPEAKER, to: { port: 'loudspeaker', family: 'plug4', values: { impedance: 4 } } },
    mends: false,
  },
  {
    rule: 'loudspeaker-cable',
    fires: LOUDSPEAKER,
    damage: (of) => ({
      ...of,
      assembly: {
        ...of.assembly,
        uses: {
          ...of.assembly.uses,
          cables: of.assembly.uses.cables.map((cable) => ({ ...cable, screen: 'braid' })),
        },
      },
    }),
    neighbour: LOUDSPEAKER,
    mends: false,
  },
  {
    rule: 'two-supplies',
    fires: {
      from: { port: 'microphone-phantom', family: 'xlr3' },
      to: [PHANTOM, PHANTOM],
      cable: 'pair-mini',
    },
    neighbour: {
      from: { port: 'microphone-phantom', family: 'xlr3' },
      to: [PHANTOM, MICROPHONE_INPUT],
      cable: 'pair-mini',
    },
    mends: false,
  },
  {
    rule: 'patch-phantom',
    fires: { from: { port: 'patch-point', family: 'patch44' }, to: PHANTOM },
    neighbour: { from: { port: 'patch-point', family: 'patch44' }, to: MICROPHONE_INPUT },
    mends: false,
  },
  {
    // −50 dBu where +4 is wanted.
    rule: 'level-apart',
    fires: { to: { port: 'line-input', family: 'xlr3' } },
    neighbour: {},
    mends: false,
  },
  {
    rule: 'level-apart',
    fires: { from: output('ground-referenced'), wiring: 'balanced-straight' },
    neighbour: { from: output('ground-referenced'), wiring: 'pad' },
  },
  {
    // 2 kΩ three times beside each other are 667 Ω; five times 250 Ω are wanted.
    rule: 'load-low',
    fires: {
      from: { port: 'microphone-ribbon', family: 'xlr3' },
      to: [MICROPHONE_INPUT, MICROPHONE_INPUT, MICROPHONE_INPUT],
      cable: 'pair-mini',
    },
    neighbour: { from: { port: 'microphone-ribbon', family: 'xlr3' }, to: MICROPHONE_INPUT },
    mends: false,
  },
  {
    rule: 'load-low',
    fires: {
      from: { port: 'instrument', family: 'ts635' },
      to: { port: 'unbalanced-input', family: 'ts635' },
      cable: 'instrument-coax',
    },
    neighbour: {
      from: { port: 'instrument-active', family: 'ts635' },
      to: { port: 'unbalanced-input', family: 'ts635' },
      cable: 'instrument-coax',
    },
    mends: false,
  },
  {
    rule: 'screen-nowhere',
    fires: {},
    edits: ['a', 'b'].map((body): Edit => ({ kind: 'cut-back', at: `W1.screen@${body}` })),
    neighbour: {},
    beside: [{ kind: 'cut-back', at: 'W1.screen@b' }],
    mends: false,
  },
  {
    rule: 'quasi-balanced',
    fires: { ...QUASI, length: { mm: 4000, datum: 'face' } },
    neighbour: { ...QUASI, length: { mm: 2000, datum: 'face' } },
  },
  {
    rule: 'cable-place',
    fires: { cable: 'pair-foil', surroundings: 'wall' },
    neighbour: { cable: 'pair-foil', surroundings: 'rack' },
    mends: false,
  },
  {
    rule: 'cable-place',
    fires: { ...LOUDSPEAKER, cable: 'loudspeaker-in-wall', surroundings: 'stage' },
    neighbour: { ...LOUDSPEAKER, cable: 'loudspeaker-in-wall', surroundings: 'wall' },
    mends: false,
  },
  {
    rule: 'cable-watch',
    fires: {
      from: { port: 'instrument', family: 'ts635' },
      to: { port: 'instrument-input', family: 'ts635' },
      cable: 'instrument-coax',
    },
    neighbour: {},
    mends: false,
  },
  {
    rule: 'dc-on-four',
    fires: {
      from: { port: 'intercom-station', family: 'xlr4', gender: 'plug' },
      to: { port: 'intercom-headset', family: 'xlr4', gender: 'socket' },
      cable: 'multipair-2',
    },
    neighbour: {},
    mends: false,
  },
  {
    rule: 'thump',
    fires: {
      from: { port: 'unbalanced-output', family: 'phono' },
      to: { port: 'powered-loudspeaker-unbalanced', family: 'phono', body: 'phono-plug' },
    },
    neighbour: {
      from: { port: 'unbalanced-output', family: 'phono' },
      to: { port: 'powered-loudspeaker-unbalanced', family: 'phono' },
    },
  },
  {
    rule: 'side-colours',
    fires: { ...STEREO, cable: 'twin-mini' },
    edits: ['a', 'b'].map((body): Edit => ({
      kind: 'exchange',
      one: `W1.l-core@${body}`,
      other: `W1.r-core@${body}`,
    })),
    neighbour: { ...STEREO, cable: 'twin-mini' },
    mends: false,
  },
  {
    // One microphone, two desks.
    rule: 'ground-loop',
    fires: { to: [MICROPHONE_INPUT, MICROPHONE_INPUT], cable: 'pair-mini' },
    neighbour: {},
    mends: false,
  },
  {
    // The returns of a record player on its chassis, which has its own earth wire.
    rule: 'ground-loop',
    fires: { ...PLAYER, schools: { 'record-player-earth': 'separate' } },
    edits: [{ kind: 'join', terminals: ['A.L-', 'a.case'], how: 'link' }],
    neighbour: { ...PLAYER, schools: { 'record-player-earth': 'separate' } },
  },
  {
    // A barrel is one piece of metal: its shell goes round the lift.
    rule: 'screen-closed',
    fires: { ...LIFT_BARREL, schools: { shell: 'both' } },
    neighbour: LIFT_BARREL,
  },
  {
    rule: 'screen-closed',
    fires: { ...LINE, schools: { screen: 'source' } },
    edits: [{ kind: 'join', terminals: ['W1.screen@b', 'B.shell'], how: 'link' }],
    neighbour: { ...LINE, schools: { screen: 'source', shell: 'both' } },
    mends: false,
  },
  {
    // Send and return of an insert, each on the contact of the other: one thing, and not four shorts.
    rule: 'exchanged',
    fires: INSERT,
    edits: [{ kind: 'exchange', one: 'A.T', other: 'A.R' }],
    neighbour: INSERT,
  },
  {
    // Before a transformer too a driven cold leg is shorted by joining it to ground.
    rule: 'cold-leg',
    fires: { from: output('ground-referenced'), to: phono, wiring: 'transformer' },
    edits: [{ kind: 'join', terminals: ['A.3', 'A.1'], how: 'link' }],
    neighbour: { from: output('ground-referenced'), to: phono, wiring: 'transformer' },
    mends: false,
  },
  {
    rule: 'quasi-balanced',
    fires: { ...QUASI, length: { mm: 1500, datum: 'face' } },
    edits: [{ kind: 'join', terminals: ['W1.screen@b', 'B.K'], how: 'tab' }],
    neighbour: { ...QUASI, length: { mm: 1500, datum: 'face' } },
    mends: false,
  },
  {
    // The link of a sum from 1 to 3 is missing.
    rule: 'not-carried',
    fires: SUM,
    edits: [{ kind: 'separate', terminals: ['B.3'] }],
    neighbour: SUM,
  },
  {
    // 12 V through 180 Ω a leg into an output: milliamperes, and no microphone.
    rule: 'supply-harm',
    fires: { from: output('transformer'), to: { port: 'microphone-input-t-power', family: 'xlr3' } },
    neighbour: { from: output('transformer'), to: MICROPHONE_INPUT },
  },
];
