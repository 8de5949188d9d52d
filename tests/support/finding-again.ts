import type { Edit } from '../../src/core/lead';
import {
  BOX,
  LOUDSPEAKER,
  meets,
  output,
  PAD,
  PHANTOM,
  phono,
  PLAYER,
  RECORDER,
  STEREO,
  roomOf,
  SUM,
  type Case,
} from './finding-cases';
import { MICROPHONE, MICROPHONE_INPUT } from './intents';

/** A second lead for each rule that has only one among the cases, with other values. */
export const AGAIN: readonly Pick<Case, 'rule' | 'fires' | 'edits' | 'damage'>[] = [
  {
    rule: 'overruled',
    fires: {
      from: { port: 'microphone-phantom', family: 'xlr3' },
      to: PHANTOM,
      wiring: 'screen-lift',
      anyway: ['lift-under-phantom'],
    },
  },
  {
    // Of two microphones into one recorder, the second’s.
    rule: 'capacitor-turned',
    fires: {
      from: ['left', 'right'].map((channel) => ({ port: 'microphone', family: 'xlr3', channel })),
      to: { port: 'recorder-input', family: 'trs35' },
      cable: 'pair-mini',
    },
    edits: [{ kind: 'change-part', part: { id: 'C2', kind: 'capacitor', farads: 10e-6, plus: 'a' } }],
  },
  {
    // Two pairs of a loom, and not their screens.
    rule: 'exchanged',
    fires: {
      from: { port: 'line-eight', family: 'd25' },
      to: { port: 'line-input-eight', family: 'd25' },
      cable: 'multipair-8',
      surroundings: 'rack',
    },
    edits: [
      { kind: 'exchange', one: 'B.24', other: 'B.10' },
      { kind: 'exchange', one: 'B.12', other: 'B.23' },
    ],
  },
  {
    rule: 'stray-contact',
    fires: {},
    edits: [
      { kind: 'separate', terminals: ['W1.screen@b'] },
      { kind: 'separate', terminals: ['A.1'] },
      { kind: 'join', terminals: ['W1.screen@a', 'A.shell'], how: 'link' },
    ],
  },
  {
    rule: 'outputs-joined',
    fires: { ...SUM, from: { port: 'stereo-output', family: 'trs35', values: { impedance: 600 } } },
    edits: [{ kind: 'join', terminals: ['R1.a', 'R2.a'], how: 'air' }],
  },
  {
    // A fifth contact that nothing is meant to be on.
    rule: 'stray-contact',
    fires: {
      to: { port: 'microphone-input', family: 'mini4', pinout: { hot: '1', cold: '2', screen: '3' } },
    },
    edits: [{ kind: 'join', terminals: ['B.4', 'B.3'], how: 'link' }],
  },
  {
    rule: 'contact-twice',
    fires: STEREO,
    damage: (of) => ({
      ...of,
      situations: of.situations.map((use) => ({
        ...use,
        channels: use.channels.map((each) =>
          each.end === 'A' ? { ...each, roles: { hot: 'T', return: 'S' } } : each,
        ),
      })),
    }),
  },
  {
    rule: 'empty-end',
    fires: LOUDSPEAKER,
    edits: [
      { kind: 'separate', terminals: ['A.+'] },
      { kind: 'separate', terminals: ['A.-'] },
    ],
  },
  {
    rule: 'loose-part',
    fires: PAD,
    edits: [{ kind: 'separate', terminals: ['R1.a'] }],
  },
  { rule: 'part-beside', fires: SUM, edits: [{ kind: 'move', terminal: 'R3.b', to: 'R2.a' }] },
  {
    rule: 'stump',
    fires: { from: output('impedance-balanced'), to: phono },
    edits: [{ kind: 'join', terminals: ['W1.black@a', 'A.2'], how: 'cup' }],
  },
  {
    rule: 'case-earth',
    fires: { ...PLAYER, schools: { 'record-player-earth': 'separate' } },
    edits: [{ kind: 'join', terminals: ['A.L+', 'a.case'], how: 'link' }],
  },
  {
    rule: 'level-off',
    fires: { ...PAD, choices: { loss: '10' } },
    edits: [{ kind: 'change-part', part: { id: 'R3', kind: 'resistor', ohms: 100 } }],
  },
  {
    rule: 'unequal',
    fires: SUM,
    edits: [{ kind: 'change-part', part: { id: 'R2', kind: 'resistor', ohms: 4700 } }],
  },
  {
    rule: 'legs-unequal',
    fires: { ...PAD, choices: { loss: '20' } },
    edits: [{ kind: 'change-part', part: { id: 'R1', kind: 'resistor', ohms: 3300 } }],
  },
  {
    rule: 'control',
    fires: BOX,
    edits: [
      {
        kind: 'change-part',
        part: {
          id: 'RV1',
          kind: 'potentiometer',
          trackOhms: 10_000,
          gangs: ['left', 'right'],
          taper: 'logarithmic',
        },
      },
    ],
  },
  {
    rule: 'bass-lost',
    fires: RECORDER,
    edits: [{ kind: 'change-part', part: { id: 'C1', kind: 'capacitor', farads: 100e-9 } }],
  },
  {
    rule: 'phantom-stopped',
    fires: { from: { port: 'microphone-phantom', family: 'xlr3' }, to: PHANTOM },
    edits: [{ kind: 'separate', terminals: ['W1.black@b'] }],
  },
  {
    rule: 'phantom-missing',
    fires: {
      from: { port: 'microphone-phantom', family: 'xlr3' },
      to: { port: 'line-input', family: 'xlr3' },
    },
  },
  { rule: 'screen-return', fires: { schools: { screen: 'source' } } },
  {
    rule: 'treble-lost',
    fires: {
      from: { port: 'unbalanced-output', family: 'phono', values: { impedance: 5000 } },
      to: phono,
      cable: 'instrument-coax',
      length: { mm: 60_000, datum: 'face' },
    },
  },
  {
    rule: 'overload',
    fires: {
      from: { ...output('transformer'), values: { levelDbu: 30 } },
      to: { port: 'line-input', family: 'xlr3' },
    },
  },
  {
    rule: 'loudspeaker-loss',
    fires: {
      ...LOUDSPEAKER,
      to: { port: 'loudspeaker', family: 'plug4', values: { impedance: 4 } },
      length: { mm: 12_000, datum: 'face' },
    },
  },
  {
    rule: 'hum-level',
    fires: {
      from: { port: 'unbalanced-output', family: 'phono', values: { levelDbu: -20 } },
      to: phono,
      cable: 'instrument-coax',
      length: { mm: 3000, datum: 'face' },
    },
  },
  {
    rule: 'supply-missing',
    fires: {
      from: { port: 'microphone-plug-in', family: 'trs35', layout: 'microphone-on-tip' },
      cable: 'pair-mini',
    },
  },
  {
    rule: 'cables-abreast',
    fires: {
      from: output('ground-referenced'),
      to: [1, 2, 3].map(() => ({ port: 'line-input', family: 'xlr3' })),
    },
  },
  {
    rule: 'foil-on-stage',
    fires: { cable: 'multipair-4', from: output('transformer'), to: { port: 'line-input', family: 'xlr3' } },
  },
  { rule: 'loose-conductor', fires: {}, edits: [{ kind: 'separate', terminals: ['W1.screen@a'] }] },
  {
    rule: 'cable-diameter',
    fires: {},
    damage: (of) => ({
      ...of,
      assembly: {
        ...of.assembly,
        uses: {
          ...of.assembly.uses,
          cables: of.assembly.uses.cables.map((cable) => ({ ...cable, jacketMm: 3.2 })),
        },
      },
    }),
  },
  // Quarter-watt ones are short enough, and too wide side by side.
  { rule: 'parts-fit', fires: SUM, damage: roomOf({ long: 14, wide: 5 }, 0.25) },
  {
    rule: 'local-code',
    fires: { ...LOUDSPEAKER, surroundings: 'wall' },
    damage: meets('A', 'amplifier-constant-voltage'),
  },
  {
    rule: 'bridged-ground',
    fires: { ...LOUDSPEAKER, to: { port: 'loudspeaker', family: 'ts635' } },
    damage: meets('A', 'amplifier-bridged'),
  },
  {
    rule: 'amplifier-load',
    fires: {
      from: { port: 'amplifier', family: 'plug4' },
      to: [1, 2, 3].map(() => ({ port: 'loudspeaker', family: 'twist2' })),
      cable: 'loudspeaker-2x1-5',
    },
  },
  {
    // 0.5 mm² and less.
    rule: 'loudspeaker-cable',
    fires: LOUDSPEAKER,
    damage: (of) => ({
      ...of,
      assembly: {
        ...of.assembly,
        uses: {
          ...of.assembly.uses,
          cables: of.assembly.uses.cables.map((cable) => ({
            ...cable,
            conductors: cable.conductors.map((each) => ({ ...each, ohmsPerKm: 39 })),
          })),
        },
      },
    }),
  },
  {
    rule: 'two-supplies',
    fires: {
      from: MICROPHONE,
      to: [PHANTOM, { port: 'microphone-input-t-power', family: 'xlr3' }],
      cable: 'pair-mini',
    },
  },
  {
    rule: 'patch-phantom',
    fires: { from: { port: 'patch-point', family: 'patch635' }, to: PHANTOM },
  },
  {
    rule: 'screen-nowhere',
    fires: { from: output('transformer'), to: { port: 'line-input', family: 'trs635' }, cable: 'pair-foil' },
    edits: ['a', 'b'].map((body): Edit => ({ kind: 'cut-back', at: `W1.drain@${body}` })),
  },
  { rule: 'cable-watch', fires: { cable: 'pair-mini', to: MICROPHONE_INPUT } },
  {
    rule: 'dc-on-four',
    fires: {
      from: { port: 'intercom-station', family: 'xlr4' },
      to: {
        port: 'intercom-headset',
        family: 'mini4',
        pinout: {
          'microphone.hot': '1',
          'microphone.return': '2',
          'earphone.hot': '3',
          'earphone.return': '4',
        },
      },
      cable: 'multipair-2',
    },
  },
  {
    rule: 'thump',
    fires: {
      from: { port: 'unbalanced-output', family: 'ts635' },
      to: { port: 'powered-loudspeaker-unbalanced', family: 'phono', body: 'phono-plug' },
      cable: 'instrument-coax',
    },
  },
  {
    rule: 'side-colours',
    fires: {
      from: { port: 'stereo-output', family: 'trs635' },
      to: { port: 'stereo-input', family: 'trs35' },
      cable: 'twin-mini',
      length: { mm: 3000, datum: 'face' },
    },
    edits: ['a', 'b'].map((body): Edit => ({
      kind: 'exchange',
      one: `W1.l-core@${body}`,
      other: `W1.r-core@${body}`,
    })),
  },
];
