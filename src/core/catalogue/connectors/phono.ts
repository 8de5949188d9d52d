import { turned } from '../outline';
import type { ConnectorEntry } from '../entries';
import { before, body, compose, mono, type Pattern } from './compose';

const pattern: Pattern = {
  family: 'phono',
  familyName: 'phono',
  signals: ['line', 'pickup'],
  layouts: [mono('unbalanced', { hot: 'C', return: 'K' }, 'common practice')],
  contacts: [
    { id: 'C', name: 'centre', takes: 'cup', boreMm: 2 },
    { id: 'K', name: 'collar', takes: 'tab', boreMm: 2.2 },
  ],
  shell: true,
  bonded: [['K', 'shell']],
  plugFace: [
    { contact: 'C', x: 0, y: 0 },
    { contact: 'K', x: 4.1, y: 0 },
  ],
  solder: [
    { contact: 'C', x: -1, y: 1.6 },
    { contact: 'K', x: 1.4, y: -3.2 },
  ],
  insertRadiusMm: 5.5,
  keyed: false,
  faceSource: 'nominal',
};
const cable = {
  mount: 'cable',
  angle: 'straight',
  bodyParts: before('shell'),
  cableMm: { min: 3, max: 6.5 },
  innerMm: { long: 18, wide: 9 },
  reachMm: { face: 20, tip: 28 },
  strip: {
    jacketMm: { min: 9, max: 14, usual: 12 },
    bareMm: { min: 3, max: 4, usual: 3 },
    source: 'common practice',
  },
  clamp: 'crimp tab pinched on the jacket, not crushed',
  grip: 'tab',
  source: 'common practice; dimensions nominal',
} as const;
const front = [turned(8, 3.2, 3.2, 'metal', 'C'), turned(8, 8.6, 8.6, 'metal', 'K')];

export const phono: readonly ConnectorEntry[] = compose(pattern, [
  {
    ...cable,
    id: 'phono-plug',
    name: 'Phono plug, metal shell',
    gender: 'plug',
    outline: body(front, 26, 12, 10),
  },
  {
    ...cable,
    id: 'phono-plug-sprung',
    name: 'Phono plug, sprung collar that mates first',
    gender: 'plug',
    groundFirst: true,
    bestFor: 'what is plugged live',
    outline: body(front, 30, 12, 10),
  },
  {
    ...cable,
    id: 'phono-plug-right-angle',
    name: 'Phono plug, right angle',
    gender: 'plug',
    angle: 'right-angle',
    reachMm: { face: 10, tip: 18 },
    outline: body(front, 14, 12, 0),
  },
  {
    ...cable,
    id: 'phono-socket',
    name: 'Phono cable socket',
    gender: 'socket',
    reachMm: { face: 30, tip: 30 },
    outline: body([turned(8, 8.3, 8.3, 'metal', 'K')], 26, 12, 10),
  },
  {
    id: 'phono-panel',
    name: 'Phono panel socket',
    gender: 'socket',
    mount: 'panel',
    holeMm: 8,
    reachMm: { face: 0, tip: 0 },
    strip: cable.strip,
    outline: [turned(8, 8.3, 8.3, 'metal', 'K'), turned(10, 12, 12, 'insulator')],
    source: 'common practice; dimensions nominal',
  },
]);
