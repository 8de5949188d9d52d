import { turned } from '../outline';
import type { ConnectorEntry } from '../types';
import { compose, contacts, inRow, several } from './compose';

const strip = {
  jacketMm: { min: 11, max: 15, usual: 13 },
  bareMm: { min: 2, max: 3, usual: 2 },
  source: 'common practice',
} as const;

/** Solder points inside a device: what a lead is soldered to when there is no connector. */
const pads = (family: string, familyName: string, extra: Pick<ConnectorEntry, 'signals' | 'layouts'>) =>
  compose(
    {
      family,
      familyName,
      ...(extra.signals ? { signals: extra.signals } : {}),
      ...(extra.layouts ? { layouts: extra.layouts } : {}),
      contacts: contacts(['L+', 'L-', 'R+', 'R-'], 'pad', 2),
      shell: false,
      plugFace: inRow(['L+', 'L-', 'R+', 'R-'], 4),
      insertRadiusMm: 9,
      keyed: false,
      faceSource: 'nominal: the pads lie as the maker put them; mark the old wires before unsoldering',
    },
    [
      {
        id: family,
        name: familyName,
        gender: 'none',
        mount: 'panel',
        reachMm: { face: 0, tip: 0 },
        strip,
        outline: [turned(2, 18, 18, 'insulator')],
        source: 'common practice',
      },
    ],
  );

const STEREO = { left: { hot: 'L+', return: 'L-' }, right: { hot: 'R+', return: 'R-' } };

export const padsOf: readonly ConnectorEntry[] = [
  ...pads('cartridge-pads', 'Pads in a record player', {
    signals: ['pickup'],
    layouts: [several('pickup', STEREO, 'common practice')],
  }),
  ...pads('earpiece-pads', 'Pads in a headphone', {
    signals: ['headphone'],
    layouts: [several('stereo', STEREO, 'common practice')],
  }),
];
