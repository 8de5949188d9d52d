import { turned } from '../outline';
import type { ConnectorContact, ConnectorEntry, ContactPlace } from '../types';

const contacts: readonly ConnectorContact[] = ['1', '2', '3'].map((id) => ({
  id,
  name: id,
  takes: 'cup',
  boreMm: 2.6,
}));

/**
 * Roles: AES14 (cited, from memory). Outputs are on pins and inputs on holes, so a lead meets an output with a socket.
 * Mating face of a plug, key up: 1 upper left, 2 upper right, 3 lower centre. A socket's face is
 * its mirror.
 */
const plugFace: readonly ContactPlace[] = [
  { contact: '1', x: -3.5, y: 2 },
  { contact: '2', x: 3.5, y: 2 },
  { contact: '3', x: 0, y: -4 },
];

const common = {
  family: 'xlr3',
  familyName: 'XLR',
  signals: ['microphone', 'line'],
  roles: { balanced: { screen: '1', hot: '2', cold: '3' } },
  contacts,
  shell: true,
  threadOn: ['boot', 'chuck clamp'],
  cableMm: { min: 3.5, max: 8 },
  strip: {
    jacketMm: { min: 19, max: 25, usual: 22 },
    bareMm: { min: 3, max: 6, usual: 3 },
    source: 'common practice',
  },
  clamp: 'chuck closed by the boot',
} as const;

export const xlr3Plug: ConnectorEntry = {
  ...common,
  id: 'xlr3-plug',
  name: 'XLR 3 cable plug, chuck clamp',
  gender: 'plug',
  meets: 'in',
  views: {
    mating: plugFace,
    insertRadiusMm: 8,
    keyed: true,
    source: 'arrangement IEC 61076-2-103, from memory; distances nominal',
  },
  reachMm: { face: 42, tip: 42 },
  outline: [
    turned(20, 19, 19, 'metal'),
    turned(2.5, 17, 17, 'insulator'),
    turned(22, 18, 17, 'metal'),
    turned(18, 14, 9, 'boot'),
  ],
  source: 'roles AES14; dimensions nominal',
};

export const xlr3Socket: ConnectorEntry = {
  ...common,
  id: 'xlr3-socket',
  name: 'XLR 3 cable socket, chuck clamp',
  gender: 'socket',
  meets: 'out',
  views: {
    mating: plugFace.map((place) => ({ ...place, x: -place.x })),
    insertRadiusMm: 8,
    keyed: true,
    source: 'arrangement IEC 61076-2-103, from memory; distances nominal',
  },
  reachMm: { face: 46, tip: 46 },
  outline: [turned(19, 15, 15, 'metal'), turned(27, 19, 18, 'metal'), turned(18, 14, 9, 'boot')],
  source: 'roles AES14; dimensions nominal',
};
