import { turned } from '../outline';
import type { ConnectorEntry } from '../entries';
import { before, body, compose, contacts, mono } from './compose';

/** Patch plugs: a tip profile of their own, so an ordinary TRS damages or misses the contacts of the field. */
const patchPlug = (family: string, familyName: string, diameter: number): readonly ConnectorEntry[] =>
  compose(
    {
      family,
      familyName,
      signals: ['patch'],
      layouts: [mono('balanced', { hot: 'T', cold: 'R', screen: 'S' }, 'common practice')],
      contacts: contacts(['T', 'R', 'S'], 'tab', 1.5, { T: 'tip', R: 'ring', S: 'sleeve' }),
      shell: true,
      bonded: [['S', 'shell']],
      plugFace: [
        { contact: 'T', x: 0, y: 0 },
        { contact: 'R', x: diameter * 0.35, y: 0 },
        { contact: 'S', x: diameter * 0.5, y: 0 },
      ],
      solder: [
        { contact: 'T', x: -1.6, y: 2.2 },
        { contact: 'R', x: 1.6, y: 2.2 },
        { contact: 'S', x: 1.4, y: -2.6 },
      ],
      insertRadiusMm: 5,
      keyed: false,
      faceSource: 'nominal: look for the lug that rings through to the tip',
    },
    [
      {
        id: `${family}-plug`,
        name: `${familyName} plug`,
        gender: 'plug',
        mount: 'cable',
        angle: 'straight',
        bodyParts: before('shell'),
        cableMm: { min: 2.5, max: 5.5 },
        reachMm: { face: 14, tip: 14 + diameter * 4 },
        strip: {
          jacketMm: { min: 9, max: 13, usual: 10 },
          bareMm: { min: 2, max: 4, usual: 3 },
          source: 'common practice',
        },
        clamp: 'crimp tabs on the sleeve lug',
        outline: body(
          [
            turned(diameter, diameter * 0.5, diameter * 0.6, 'metal', 'T'),
            turned(1, diameter, diameter, 'insulator'),
            turned(diameter, diameter, diameter, 'metal', 'R'),
            turned(1, diameter, diameter, 'insulator'),
            turned(diameter * 2, diameter, diameter, 'metal', 'S'),
          ],
          26,
          9,
          8,
        ),
        source: 'common practice; dimensions nominal',
      },
      {
        id: `${family}-panel`,
        name: `${familyName} field socket`,
        gender: 'socket',
        mount: 'panel',
        reachMm: { face: 0, tip: 0 },
        outline: [turned(4, 9, 9, 'metal'), turned(24, 11, 11, 'insulator')],
        strip: {
          jacketMm: { min: 9, max: 13, usual: 10 },
          bareMm: { min: 2, max: 4, usual: 3 },
          source: 'common practice',
        },
        source: 'common practice; dimensions nominal',
      },
    ],
  );

export const patch: readonly ConnectorEntry[] = [
  ...patchPlug('patch44', '4.4 mm patch', 4.4),
  ...patchPlug('patch635', '6.35 mm exchange-type patch', 6.35),
];
