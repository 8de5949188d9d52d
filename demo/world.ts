import type { Intent, IntentEnd } from '../src/core/wiring';

/** How far a demo unit has come. */
export type DemoUnit =
  | { readonly builder: string; readonly until: 'logged' }
  /** Work done up to and including this many operations. */
  | { readonly builder: string; readonly until: number }
  /** Closed at both ends and half proven; `fault` is the modelled fault it has. */
  | { readonly builder: string; readonly until: 'prove'; readonly fault?: string };

export interface DemoLead {
  readonly name: string;
  readonly intent: Omit<Intent, 'version' | 'schools' | 'from' | 'to'> & {
    readonly from: IntentEnd | readonly IntentEnd[];
    readonly to: IntentEnd | readonly IntentEnd[];
    readonly schools?: Intent['schools'];
  };
  readonly units: readonly DemoUnit[];
  /** How many the job asks for; one where nothing is said. */
  readonly asked?: { readonly count: number; readonly pairs?: boolean };
}

export interface DemoJob {
  readonly name: string;
  readonly note: string;
  readonly leads: readonly DemoLead[];
}

const face = (metres: number) => ({ mm: metres * 1000, datum: 'face' }) as const;
const xlr = (port: string): IntentEnd => ({ port, family: 'xlr3' });

/** The one invented world that the demo is set in. Names, people and times are made up. */
export const WORLD: readonly DemoJob[] = [
  {
    name: 'Wrenfield Puppet Opera, spring tour',
    note: '24-way stage box, narrator’s stereo pair, tablet to powered loudspeakers',
    leads: [
      {
        name: 'Marionette bridge microphone',
        intent: {
          from: xlr('microphone'),
          to: xlr('microphone-input'),
          length: face(6),
          surroundings: 'stage',
          cable: 'pair-braid',
        },
        units: [],
        asked: { count: 4 },
      },
      {
        name: 'Narrator, left capsule',
        intent: {
          from: xlr('microphone-phantom'),
          to: xlr('microphone-input-phantom'),
          length: face(10),
          surroundings: 'stage',
          cable: 'star-quad',
        },
        units: [{ builder: 'Odile', until: 'logged' }],
      },
      {
        name: 'Narrator, right capsule',
        intent: {
          from: xlr('microphone-phantom'),
          to: xlr('microphone-input-phantom'),
          length: face(10),
          surroundings: 'stage',
          cable: 'star-quad',
        },
        units: [{ builder: 'Odile', until: 9 }],
      },
      {
        name: 'Tablet to loudspeaker, left',
        intent: {
          from: { port: 'unbalanced-output', family: 'ts635' },
          to: xlr('line-input'),
          length: face(3),
          surroundings: 'stage',
          cable: 'pair-braid',
        },
        units: [{ builder: 'Bram', until: 'prove', fault: 'exchanged:W1.white@a~W1.black@a' }],
        asked: { count: 1, pairs: true },
      },
      {
        name: 'Stage box to desk, way 7',
        intent: {
          from: xlr('microphone'),
          to: xlr('microphone-input'),
          length: face(25),
          surroundings: 'stage',
          cable: 'pair-foil',
        },
        units: [],
      },
      {
        name: 'Thunder sheet pickup',
        intent: {
          from: { port: 'instrument', family: 'ts635' },
          to: { port: 'instrument-input', family: 'ts635' },
          length: face(4.5),
          surroundings: 'stage',
          cable: 'instrument-coax',
        },
        units: [
          { builder: 'Bram', until: 'logged' },
          { builder: 'Bram', until: 'prove' },
        ],
      },
      {
        name: 'Narrator’s stereo pair',
        intent: {
          from: { port: 'microphone-stereo', family: 'xlr5' },
          to: [
            { ...xlr('microphone-input-phantom'), channel: 'left' },
            { ...xlr('microphone-input-phantom'), channel: 'right' },
          ],
          length: face(3),
          legs: { mm: 390 },
          surroundings: 'studio',
          cable: 'multipair-2',
        },
        units: [{ builder: 'Odile', until: 12 }],
      },
      {
        name: 'Tablet to the desk, mono',
        intent: {
          from: { port: 'headphone-output', family: 'trs35' },
          to: xlr('line-input'),
          length: face(2),
          surroundings: 'stage',
          cable: 'pair-mini',
        },
        units: [],
      },
      {
        name: 'Stage box, ways 1 to 8',
        intent: {
          from: Array.from({ length: 8 }, (_, n) => ({ ...xlr('line-transformer'), channel: `${n + 1}` })),
          to: { port: 'line-input-eight', family: 'd25' },
          length: face(12),
          legs: { mm: 500 },
          surroundings: 'rack',
          cable: 'multipair-8',
        },
        units: [],
        asked: { count: 3 },
      },
      {
        name: 'Phantom tell-tale',
        intent: { from: [], to: xlr('microphone-input-phantom'), form: 'plug', surroundings: 'stage' },
        units: [],
      },
    ],
  },
  {
    name: 'County school orchestra, repair bench',
    note: 'Whatever the music rooms send in on a Monday',
    leads: [
      {
        name: 'Choir desk to recorder',
        intent: {
          from: xlr('line-ground-referenced'),
          to: { port: 'unbalanced-input', family: 'phono' },
          length: face(2),
          surroundings: 'studio',
          cable: 'pair-braid',
        },
        units: [],
      },
      {
        name: 'Old ribbon, music room 2',
        intent: {
          from: xlr('microphone-ribbon'),
          to: xlr('microphone-input-phantom'),
          length: face(5),
          surroundings: 'studio',
          cable: 'pair-braid',
        },
        units: [],
      },
      {
        name: 'Rack patch, TRS',
        intent: {
          from: { port: 'line-impedance-balanced', family: 'trs635' },
          to: { port: 'line-input', family: 'trs635' },
          length: face(0.6),
          surroundings: 'rack',
          cable: 'pair-foil',
        },
        units: [{ builder: 'Nell', until: 'logged' }],
      },
      {
        name: 'Cello pickup',
        intent: {
          from: { port: 'instrument', family: 'ts635' },
          to: { port: 'instrument-input', family: 'ts635' },
          length: face(9),
          surroundings: 'stage',
          cable: 'instrument-coax',
        },
        units: [{ builder: 'Nell', until: 4 }],
      },
      {
        name: 'Record player, music room 1',
        intent: {
          from: { port: 'record-player', family: 'cartridge-pads' },
          to: [
            { port: 'record-player-input', family: 'phono', channel: 'left' },
            { port: 'record-player-input', family: 'phono', channel: 'right' },
          ],
          length: face(1.2),
          legs: { mm: 200 },
          surroundings: 'studio',
          cable: 'twin-mini',
        },
        units: [],
      },
      {
        name: 'Listening post volume box',
        intent: {
          from: { port: 'headphone-output', family: 'trs635' },
          to: { port: 'headphones', family: 'trs635' },
          form: 'box',
          surroundings: 'studio',
        },
        units: [],
      },
    ],
  },
];

/** What things cost in that world, by item: a metre, a piece, or the builder’s hour. Invented, as everything here. */
export const PRICES: Readonly<Record<string, number>> = {
  hour: 24,
  'xlr3-plug': 4.2,
  'xlr3-socket': 4.6,
  'trs35-plug-clutch': 3.1,
  'trs635-plug': 3.8,
  'ts635-plug': 3.2,
  'trs635-panel': 2.4,
  'phono-plug': 2.9,
  'pair-braid': 1.15,
  'star-quad': 1.6,
  'pair-mini': 0.7,
  'instrument-coax': 1.3,
  'heat-shrink 1.2/0.6 mm': 0.5,
  'heat-shrink 1.6/0.8 mm': 0.5,
  'heat-shrink 2.4/1.2 mm': 0.6,
  'heat-shrink 6.4/3.2 mm': 0.9,
  'clear-shrink 6.4/3.2 mm': 1.1,
  'resistor 470 Ω, 0.25 W': 0.05,
  'resistor 20 kΩ, 0.25 W': 0.05,
  label: 0.2,
};

/** By how much its shops sell things at once, mm or pieces. Invented. */
export const SOLD: Readonly<Record<string, number>> = {
  'pair-braid': 100_000,
  'star-quad': 100_000,
  'xlr3-plug': 10,
  'xlr3-socket': 10,
  'heat-shrink 2.4/1.2 mm': 5_000,
  'resistor 470 Ω, 0.25 W': 100,
};

/** What lies on the shelf of that world, mm or pieces. */
export const SHELF: readonly {
  readonly item: string;
  readonly name: string;
  readonly amount: number;
  readonly unit: 'mm' | 'pieces';
  readonly sort: 'reel' | 'opened' | 'offcut' | 'bag';
  readonly place: string;
}[] = [
  ...(
    [
      ['pair-braid', 'Microphone cable, one pair, woven braid', 100_000, 'reel', 'rack A'],
      ['pair-braid', 'Microphone cable, one pair, woven braid', 23_400, 'opened', 'rack A'],
      ['pair-braid', 'Microphone cable, one pair, woven braid', 7200, 'offcut', 'box 2'],
      ['star-quad', 'Star quad microphone cable, braid', 41_000, 'opened', 'rack B'],
      ['pair-mini', 'Miniature pair, spiral screen', 12_500, 'opened', 'box 2'],
    ] as const
  ).map(([item, name, amount, sort, place]) => ({ item, name, amount, sort, place, unit: 'mm' as const })),
  {
    item: 'xlr3-plug',
    name: 'XLR 3 cable plug, chuck clamp',
    amount: 14,
    unit: 'pieces',
    sort: 'bag',
    place: 'drawer 3',
  },
];
