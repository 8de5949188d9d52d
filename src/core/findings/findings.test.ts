import { PHANTOM_SUPPLIES, PORTS } from '../catalogue';
import { leadFor } from '../../../tests/support/leads';
import { intentFor, MICROPHONE, MICROPHONE_INPUT, type Patch } from '../../../tests/support/intents';
import { describe, expect, it } from 'vitest';
import { derive, type Edit, type Lead } from '../lead';
import { type IntentEnd } from '../wiring';
import { findings, remedied, RULES, shortedLegMilliamps } from '.';

interface Case {
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

const phono = { port: 'unbalanced-input', family: 'phono' } as const;
const phonoOf = (channel: string): IntentEnd => ({
  port: 'record-player-input',
  family: 'phono',
  channel,
});
const output = (kind: string): IntentEnd => ({ port: `line-${kind}`, family: 'xlr3' });

const LOUDSPEAKER: Patch = {
  from: { port: 'amplifier', family: 'plug4' },
  to: { port: 'loudspeaker', family: 'plug4' },
  cable: 'loudspeaker-2x1-5',
};
const LINE: Patch = { from: output('transformer'), to: { port: 'line-input', family: 'xlr3' } };
const INSERT: Patch = {
  from: { port: 'insert', family: 'trs635', layout: 'insert-tip-send' },
  to: [
    { port: 'unbalanced-input', family: 'ts635' },
    { port: 'unbalanced-output', family: 'ts635' },
  ],
  cable: 'instrument-coax',
};
const ON_JACKS: Patch = {
  ...LOUDSPEAKER,
  from: { port: 'amplifier', family: 'ts635' },
  to: { port: 'loudspeaker', family: 'ts635' },
};
const PHANTOM = { port: 'microphone-input-phantom', family: 'xlr3' } as const;
const QUASI: Patch = {
  from: { port: 'unbalanced-output', family: 'phono' },
  to: phono,
  cable: 'pair-mini',
  wiring: 'quasi-balanced',
};
/** An end that meets something else than what the lead was made for, as a lead from elsewhere may. */
const meets =
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
const STEREO: Patch = {
  from: { port: 'headphone-output', family: 'trs35' },
  to: { port: 'stereo-input', family: 'trs35' },
  cable: 'pair-mini',
  length: { mm: 2000, datum: 'face' },
};
const SUM: Patch = {
  from: { port: 'headphone-output', family: 'trs35' },
  to: { port: 'line-input', family: 'xlr3' },
  cable: 'pair-mini',
};
const PLAYER: Patch = {
  from: { port: 'record-player', family: 'cartridge-pads' },
  to: [phonoOf('left'), phonoOf('right')],
  cable: 'twin-mini',
  surroundings: 'studio',
  legs: { mm: 200 },
  length: { mm: 1200, datum: 'face' },
};
const TELL_TALE: Patch = {
  form: 'plug',
  from: [],
  to: { port: 'microphone-input-phantom', family: 'xlr3' },
};
const PAD: Patch = {
  from: output('ground-referenced'),
  to: { port: 'line-input', family: 'xlr3' },
  wiring: 'pad',
};
const BOX: Patch = {
  form: 'box',
  from: { port: 'headphone-output', family: 'trs35' },
  to: { port: 'headphones', family: 'trs35' },
  wiring: 'volume-box',
};
const RECORDER: Patch = {
  from: MICROPHONE,
  to: { port: 'recorder-input', family: 'trs35' },
  cable: 'pair-mini',
};

/** For each rule: a smallest lead that fires it, and its nearest neighbour that does not. */
const CASES: readonly Case[] = [
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
    rule: 'level-off',
    fires: { ...PAD, choices: { loss: '20' } },
    edits: [{ kind: 'change-part', part: { id: 'R3', kind: 'resistor', ohms: 15_000 } }],
    neighbour: { ...PAD, choices: { loss: '20' } },
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
    neighbour: RECORDER,
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
      to: { port: 'powered-loudspeaker-unbalanced', family: 'phono' },
    },
    neighbour: {
      from: { port: 'unbalanced-output', family: 'phono' },
      to: { port: 'powered-loudspeaker-unbalanced', family: 'ts635' },
    },
    mends: false,
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

const lead = leadFor;
const rulesOf = (of: Lead): string[] => findings(of).map((finding) => finding.rule);
/** The lead of an intent, with changes by hand. */
function made(patch: Patch, edits: readonly Edit[] = []): Lead {
  const derived = derive(intentFor(patch), edits);
  if (!derived.ok) throw new Error(JSON.stringify(derived.problems));
  expect(derived.value.because.lapsed).toEqual([]);
  return derived.value;
}
const same = (of: Lead): Lead => of;

describe('every rule', () => {
  it('has a case here, and every case has a rule', () => {
    expect([...new Set(CASES.map((each) => each.rule))].sort()).toEqual(RULES.map((rule) => rule.id).sort());
  });

  it.each(CASES.map((each) => [each.rule, each] as const))(
    '%s fires, not on its neighbour, and its remedy clears it',
    (rule, { fires, neighbour, edits, beside, damage = same, mends }) => {
      const fired = damage(made(fires, edits));
      const found = findings(fired).filter((finding) => finding.rule === rule);
      expect(found.length).toBeGreaterThan(0);
      expect(found[0]?.because && found[0].hear && found[0].says).toBeTruthy();
      expect(rulesOf(made(neighbour, beside))).not.toContain(rule);

      const remedies = found[0]?.remedies ?? [];
      expect(remedies.length > 0).toBe(mends !== false);
      for (const { change, says } of remedies) {
        const mended = remedied(fired, change);
        if (!mended.ok) throw new Error(JSON.stringify(mended.problems));
        const after = findings(damage(mended.value));
        expect(
          after.map((finding) => finding.rule),
          says,
        ).not.toContain(rule);
        // Nothing is worse: no stop that was not there before.
        const stops = after.filter((each) => each.severity === 'stop').map((each) => each.rule);
        expect(
          stops.filter((id) => !rulesOf(fired).includes(id)),
          says,
        ).toEqual([]);
      }
    },
  );

  it.each([
    ['caution', {}, 'W1.screen@b'],
    ['stop', { from: output('ground-referenced'), to: phono }, 'W1.screen@b'],
  ] as const)(
    'a screen that comes off is a %s: at a balanced input it screens, elsewhere it is the return',
    (severity, patch, core) => {
      const found = findings(made(patch, [{ kind: 'separate', terminals: [core] }]));
      expect(found.filter((each) => each.rule === 'not-carried').map((each) => each.severity)).toEqual([
        severity,
      ]);
    },
  );

  it('a short under phantom says what is driven into it, and no figure that nobody reads', () => {
    const found = findings(
      made({ from: { port: 'microphone-phantom', family: 'xlr3' }, to: PHANTOM }, [
        { kind: 'join', terminals: ['B.2', 'B.1'], how: 'cup' },
      ]),
    ).find(({ rule }) => rule === 'shorted');
    expect(found?.says).toBe('The hot of A is shorted to the screen of A: A.2 and A.1 are one.');
    expect(found?.because).toContain('Phantom of 48 V drives 7.05 mA into it.');
    const stereo = findings(made(STEREO, [{ kind: 'join', terminals: ['A.T', 'A.S'], how: 'tab' }]));
    expect(stereo.find(({ rule }) => rule === 'shorted')?.because).toContain('next to nothing arrives');
  });

  it('what is wired wrongly is said once, with its remedy, of a lead without an intent too', () => {
    const { intent: _, ...plain } = made({}, [{ kind: 'exchange', one: 'W1.white@b', other: 'W1.black@b' }]);
    const found = findings(plain);
    expect(found.map((each) => [each.rule, each.severity])).toEqual([['crossed', 'stop']]);
    expect(found[0]?.says).toBe(
      'Hot and cold are exchanged between A and B: A.2 gets to B.3, and A.3 to B.2.',
    );
    const [remedy] = found[0]?.remedies ?? [];
    expect(remedy?.says).toMatch(/^Exchange the (white|black) core at end [AB] and the (white|black) core/);
    const mended = remedied(plain, remedy?.change ?? expect.fail('no remedy'));
    expect(mended.ok && findings(mended.value)).toEqual([]);
  });

  it('without an intent only edits are offered, and nothing that would change one', () => {
    const { intent: _, ...harmed } = lead({ from: { ...MICROPHONE, gender: 'plug' } });
    expect(findings(harmed).map((each) => [each.rule, each.remedies])).toEqual([['direction', []]]);
  });

  it('a clean stage lead has nothing against it', () => expect(rulesOf(lead({}))).toEqual([]));

  it('worst first', () => {
    const worse = lead({ cable: 'pair-foil', from: { ...MICROPHONE, gender: 'plug' } });
    expect(findings(worse).map((finding) => finding.severity)).toEqual(['stop', 'caution']);
  });

  it('P48 into a leg tied to 1 is 7.05 mA (handbook section 5, row 3; IEC 61938)', () => {
    expect(shortedLegMilliamps(PHANTOM_SUPPLIES.P24)).toBeCloseTo(20, 9);
    expect(shortedLegMilliamps(PHANTOM_SUPPLIES.P48)).toBeCloseTo(7.05, 2);
    const harmed = lead({
      from: { port: 'unbalanced-output', family: 'ts635' },
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
    });
    expect(findings(harmed)[0]?.because).toContain('7.05 mA');
  });
});

describe('what the circuit says of a finding', () => {
  const because = (patch: Patch, rule: string): string => {
    const of = leadFor(patch);
    return findings(of).find((each) => each.rule === rule)?.because ?? '';
  };

  it('how much a ground-referenced output drives into its shorted cold leg: half of +4 dBu into half of 100 Ω', () => {
    const says = because({ from: output('ground-referenced'), to: phono, cold: 'source' }, 'cold-leg');
    const amps = (Math.sqrt(0.6) * 10 ** (4 / 20)) / 2 / 50;
    const said = Number(/([\d.]+) mA goes into that short/.exec(says)?.[1]);
    // Ten ohms are taken off one leg and put on the other, as sources are.
    expect(said / (1000 * amps)).toBeGreaterThan(0.9);
    expect(said / (1000 * amps)).toBeLessThan(1.12);
    expect(says).toMatch(/By the circuit −6\.\d+ dB arrives/);
  });

  it('how little a winding gives whose cold leg is open', () =>
    expect(because({ from: output('transformer'), to: phono, cold: 'open' }, 'cold-leg')).toMatch(
      /By the circuit −[4-9]\d\.\d+ dB arrives/,
    ));

  it('T-power through a moving coil of 200 Ω: 12 V ÷ (2 · 180 + 200) Ω is 21.4 mA (IEC 61938)', () =>
    expect(because({ to: { port: 'microphone-input-t-power', family: 'xlr3' } }, 'supply-harm')).toContain(
      '21.4 mA goes through it',
    ));

  it('that no phantom is left where the screen is cut', () =>
    expect(
      because(
        {
          from: { port: 'microphone-phantom', family: 'xlr3' },
          to: { port: 'microphone-input-phantom', family: 'xlr3' },
          schools: { screen: 'source' },
        },
        'phantom-stopped',
      ),
    ).toContain('the microphone gets 0 V on both legs'));

  it('what an unbalanced run hums and loses', () =>
    expect(
      because(
        {
          from: { port: 'unbalanced-output', family: 'phono' },
          to: phono,
          length: { mm: 12_000, datum: 'face' },
        },
        'unbalanced-run',
      ),
    ).toMatch(/hums [\d.]+ dB under the signal, and 20 kHz is at −[\d.]+ dB against 1 kHz/));

  it('a pickup that rings too low, and how long its lead may be', () => {
    const of = leadFor({
      from: { port: 'instrument', family: 'ts635' },
      to: { port: 'instrument-input', family: 'ts635' },
      cable: 'instrument-coax',
      length: { mm: 30_000, datum: 'face' },
    });
    const found = findings(of).find((each) => each.rule === 'coil');
    expect(found?.says).toMatch(/rings at 1\.\d+ kHz/);
    // 3 H ring at 2 kHz with 2.11 nF, of which 110 pF are its own and 95 pF a metre the lead's: 21 m, less a margin.
    const most = Number(/Keep it to ([\d.]+) m/.exec(found?.remedies[0]?.says ?? '')?.[1]);
    expect(most).toBeGreaterThan(19);
    expect(most).toBeLessThan(21);
  });
});
