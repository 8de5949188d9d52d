import { turned } from '../outline';
import type { ConnectorEntry } from '../entries';
import { before, body, compose, contacts, mono } from './compose';

const PRACTICE = 'common practice';

/** Two probes on loose wires, held by hand. */
export const probe: readonly ConnectorEntry[] = compose(
  {
    family: 'probes',
    familyName: 'two probes',
    signals: ['test'],
    layouts: [mono('probe', { hot: '+', return: '-' }, PRACTICE)],
    contacts: contacts(['+', '-'], 'cup', 2, { '+': 'red probe', '-': 'black probe' }),
    shell: false,
    plugFace: [
      { contact: '+', x: -9.5, y: 0 },
      { contact: '-', x: 9.5, y: 0 },
    ],
    insertRadiusMm: 14,
    keyed: false,
    faceSource: 'nominal: two single probes, red and black',
  },
  [
    {
      id: 'probe-pair',
      name: 'Probes, red and black',
      gender: 'plug',
      mount: 'cable',
      angle: 'straight',
      bodyParts: before('red handle', 'black handle'),
      cableMm: { min: 3, max: 7 },
      reachMm: { face: 60, tip: 80 },
      strip: {
        jacketMm: { min: 20, max: 150, usual: 80 },
        bareMm: { min: 4, max: 8, usual: 5 },
        source: PRACTICE,
      },
      clamp: 'handles pushed on over the joints',
      outline: body([turned(20, 1, 2, 'metal', '+')], 60, 8, 12),
      source: 'common practice; dimensions nominal',
    },
  ],
);
