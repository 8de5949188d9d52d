import { turned } from '../outline';
import type { ConnectorEntry } from '../types';

const handle = [turned(34, 14, 12, 'metal'), turned(10, 9, 8, 'boot')];
const tip = [turned(4, 3, 5.4, 'metal', 'T'), turned(3, 5, 6.3, 'metal', 'T')];

const common = {
  gender: 'plug',
  shell: true,
  bonded: [['S', 'shell']],
  threadOn: ['shell', 'insulating sleeve'],
  cableMm: { min: 4, max: 7 },
  reachMm: { face: 16, tip: 46.6 },
  strip: {
    jacketMm: { min: 9, max: 13, usual: 10 },
    bareMm: { min: 2, max: 4, usual: 3 },
    source: 'common practice',
  },
  clamp: 'crimp tabs on the sleeve lug: they grip jacket, never cores',
  source: 'IEC 60603-11 for the plug finger, from memory; other dimensions nominal',
} as const;

export const trs635Plug: ConnectorEntry = {
  ...common,
  id: 'trs635-plug',
  name: '6.35 mm TRS plug',
  family: 'trs635',
  familyName: '6.35 TRS',
  signals: ['line'],
  roles: { balanced: { hot: 'T', cold: 'R', screen: 'S' } },
  outline: [
    ...tip,
    turned(1.4, 6.35, 6.35, 'insulator'),
    turned(5, 6.35, 6.35, 'metal', 'R'),
    turned(1.4, 6.35, 6.35, 'insulator'),
    turned(16, 6.35, 6.35, 'metal', 'S'),
    ...handle,
  ],
  contacts: [
    { id: 'T', name: 'tip', takes: 'tab', boreMm: 1.8 },
    { id: 'R', name: 'ring', takes: 'tab', boreMm: 1.8 },
    { id: 'S', name: 'sleeve', takes: 'lug', boreMm: 2.5 },
  ],
  views: {
    mating: [
      { contact: 'T', x: 0, y: 0 },
      { contact: 'R', x: 2.2, y: 0 },
      { contact: 'S', x: 3.2, y: 0 },
    ],
    solder: [
      { contact: 'T', x: 2, y: 1.5 },
      { contact: 'R', x: -2, y: 1.5 },
      { contact: 'S', x: 0, y: -3.5 },
    ],
    insertRadiusMm: 6,
    keyed: false,
    source: 'nominal: look for the lug that rings through to the tip',
  },
};

export const ts635Plug: ConnectorEntry = {
  ...common,
  id: 'ts635-plug',
  name: '6.35 mm TS plug',
  family: 'ts635',
  familyName: '6.35 TS',
  signals: ['line', 'instrument'],
  roles: { unbalanced: { hot: 'T', return: 'S' } },
  outline: [...tip, turned(1.6, 6.35, 6.35, 'insulator'), turned(22, 6.35, 6.35, 'metal', 'S'), ...handle],
  contacts: [
    { id: 'T', name: 'tip', takes: 'tab', boreMm: 1.8 },
    { id: 'S', name: 'sleeve', takes: 'lug', boreMm: 2.5 },
  ],
  views: {
    mating: [
      { contact: 'T', x: 0, y: 0 },
      { contact: 'S', x: 3.2, y: 0 },
    ],
    solder: [
      { contact: 'T', x: 0, y: 1.5 },
      { contact: 'S', x: 0, y: -3.5 },
    ],
    insertRadiusMm: 6,
    keyed: false,
    source: 'nominal: look for the lug that rings through to the tip',
  },
};
