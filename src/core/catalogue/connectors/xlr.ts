import { turned } from '../outline';
import type { ConnectorEntry, Layout } from '../entries';
import {
  after,
  before,
  compose,
  contacts,
  type Make,
  mono,
  onCircle,
  type Pattern,
  several,
  STRIP,
} from './compose';

const AES14 = 'AES14 (cited, from memory)';
const ids = (count: number): string[] => Array.from({ length: count }, (_, n) => `${n + 1}`);

/**
 * Outputs are on pins and inputs on holes (AES14), so a lead meets an output with a socket. Mating face of a plug, key
 * up (IEC 61076-2-103, from memory): 3 contacts 1 upper left, 2 upper right, 3 lower centre; 4 contacts 1 upper left, 2 lower left,
 * 3 lower right, 4 upper right; 5 contacts 1 upper left, 2 lower left, 3 bottom, 4 lower right, 5 upper right.
 */
const FACES = {
  3: [
    { contact: '1', x: -3.5, y: 2 },
    { contact: '2', x: 3.5, y: 2 },
    { contact: '3', x: 0, y: -4 },
  ],
  4: onCircle(4.2, { 1: 135, 2: 225, 3: 315, 4: 45 }),
  5: onCircle(4.4, { 1: 150, 2: 210, 3: 270, 4: 330, 5: 30 }),
} as const;

const LAYOUTS: Readonly<Record<3 | 4 | 5, readonly Layout[]>> = {
  3: [mono('balanced', { screen: '1', hot: '2', cold: '3' }, AES14)],
  4: [
    several(
      'intercom',
      { microphone: { return: '1', hot: '2' }, earphone: { return: '3', hot: '4' } },
      'common practice',
    ),
  ],
  5: [
    several(
      'stereo-balanced',
      { left: { screen: '1', hot: '2', cold: '3' }, right: { screen: '1', hot: '4', cold: '5' } },
      'common practice',
    ),
  ],
};

const pattern = (count: 3 | 4 | 5): Pattern => ({
  family: `xlr${count}`,
  familyName: count === 3 ? 'XLR' : `XLR ${count}`,
  signals: count === 3 ? ['microphone', 'line', 'data'] : count === 4 ? ['intercom'] : ['microphone', 'line'],
  contacts: contacts(ids(count), 'cup', count === 3 ? 2.6 : 2),
  shell: true,
  layouts: LAYOUTS[count],
  plugFace: FACES[count],
  insertRadiusMm: 8,
  keyed: true,
  faceSource: 'arrangement IEC 61076-2-103, from memory; distances nominal',
});

const cable = {
  mount: 'cable',
  bodyParts: [...before('boot'), after('chuck clamp', 'side'), after('shell', 'front')],
  cableMm: { min: 3.5, max: 8 },
  innerMm: { long: 30, wide: 13 },
  strip: STRIP.xlr,
  clamp: 'chuck closed by the boot',
  grip: 'all round',
  source: 'roles AES14; dimensions nominal',
} as const;
/** The older kind: shell and boot go over the cable first, and the shell is screwed to the insert. */
const setScrew = {
  bodyParts: before('boot', 'shell'),
  cableMm: { min: 4.5, max: 7 },
  clamp: 'clamp bar on the jacket, then the set screw of the shell; some have a left-hand thread',
  grip: 'one side',
} as const;
const panel = {
  mount: 'panel',
  holeMm: 24,
  strip: STRIP.xlr,
  reachMm: { face: 0, tip: 0 },
  source: 'roles AES14; dimensions nominal',
} as const;
const plugFront = [turned(20, 19, 19, 'metal'), turned(2.5, 17, 17, 'insulator')];

/** 4-contact headsets have the socket on the headset and the pins on the station, the other way round from a line. */
const makes = (count: 3 | 4 | 5): readonly Make[] => [
  {
    ...cable,
    id: `xlr${count}-plug`,
    name: `XLR ${count} cable plug, chuck clamp`,
    gender: 'plug',
    ...(count === 4 ? {} : { meets: 'in' as const }),
    angle: 'straight',
    reachMm: { face: 42, tip: 42 },
    outline: [...plugFront, turned(22, 18, 17, 'metal'), turned(18, 14, 9, 'boot')],
  },
  {
    ...cable,
    id: `xlr${count}-socket`,
    name: `XLR ${count} cable socket, chuck clamp`,
    gender: 'socket',
    ...(count === 4 ? {} : { meets: 'out' as const }),
    angle: 'straight',
    reachMm: { face: 46, tip: 46 },
    outline: [turned(19, 15, 15, 'metal'), turned(27, 19, 18, 'metal'), turned(18, 14, 9, 'boot')],
  },
  ...(['plug', 'socket'] as const).map((gender): Make => ({
    ...cable,
    ...setScrew,
    id: `xlr${count}-${gender}-set-screw`,
    name: `XLR ${count} cable ${gender}, set screw`,
    gender,
    ...(count === 4 ? {} : { meets: gender === 'plug' ? ('in' as const) : ('out' as const) }),
    angle: 'straight',
    reachMm: { face: 40, tip: 40 },
    outline: [
      ...(gender === 'plug' ? plugFront : [turned(19, 15, 15, 'metal')]),
      turned(24, 18, 17, 'metal'),
      turned(16, 12, 8, 'boot'),
    ],
  })),
  ...(['plug', 'socket'] as const).map((gender): Make => ({
    ...cable,
    id: `xlr${count}-${gender}-right-angle`,
    name: `XLR ${count} cable ${gender}, right angle`,
    gender,
    ...(count === 4 ? {} : { meets: gender === 'plug' ? ('in' as const) : ('out' as const) }),
    angle: 'right-angle',
    bodyParts: [...before('boot'), after('clamp', 'side'), after('cover', 'side')],
    reachMm: { face: 34, tip: 34 },
    clamp: 'side clamp under the cover',
    grip: 'one side',
    outline: [turned(20, 19, 19, 'metal'), turned(22, 22, 22, 'metal')],
  })),
  ...(['plug', 'socket'] as const).map((gender): Make => ({
    ...panel,
    id: `xlr${count}-panel-${gender}`,
    name: `XLR ${count} panel ${gender}`,
    gender,
    outline: [turned(3, 26, 26, 'metal'), turned(18, 22, 20, 'insulator')],
  })),
];

export const xlr: readonly ConnectorEntry[] = ([3, 4, 5] as const).flatMap((count) =>
  compose(pattern(count), makes(count)),
);
