import { turned } from '../outline';
import type { ConnectorEntry } from '../types';

export const phonoPlug: ConnectorEntry = {
  id: 'phono-plug',
  name: 'Phono plug, metal shell',
  family: 'phono',
  familyName: 'phono',
  signals: ['line'],
  roles: { unbalanced: { hot: 'C', return: 'K' } },
  gender: 'plug',
  contacts: [
    { id: 'C', name: 'centre', takes: 'cup', boreMm: 2 },
    { id: 'K', name: 'collar', takes: 'tab', boreMm: 2.2 },
  ],
  shell: true,
  bonded: [['K', 'shell']],
  views: {
    mating: [
      { contact: 'C', x: 0, y: 0 },
      { contact: 'K', x: 4.1, y: 0 },
    ],
    solder: [
      { contact: 'C', x: 0, y: 0.8 },
      { contact: 'K', x: 0, y: -3.6 },
    ],
    insertRadiusMm: 5.5,
    keyed: false,
    source: 'nominal',
  },
  outline: [
    turned(8, 3.2, 3.2, 'metal', 'C'),
    turned(8, 8.6, 8.6, 'metal', 'K'),
    turned(26, 12, 11, 'metal'),
    turned(10, 8, 7, 'boot'),
  ],
  threadOn: ['shell'],
  cableMm: { min: 3, max: 6.5 },
  reachMm: { face: 20, tip: 28 },
  strip: {
    jacketMm: { min: 9, max: 14, usual: 12 },
    bareMm: { min: 3, max: 4, usual: 3 },
    source: 'common practice',
  },
  clamp: 'crimp tab pinched on the jacket, not crushed',
  source: 'common practice; dimensions nominal',
};
