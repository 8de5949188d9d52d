import { turned } from '../outline';
import type { ConnectorEntry } from '../entries';
import { compose, contacts, inRow, mono, several } from './compose';

const strip = {
  jacketMm: { min: 11, max: 15, usual: 13 },
  bareMm: { min: 2, max: 3, usual: 2 },
  source: 'common practice',
} as const;

/** Solder points inside a device: what a lead is soldered to when there is no connector. */
const pads = (
  family: string,
  familyName: string,
  ids: readonly string[],
  extra: Pick<ConnectorEntry, 'signals' | 'layouts'>,
) =>
  compose(
    {
      family,
      familyName,
      ...(extra.signals ? { signals: extra.signals } : {}),
      ...(extra.layouts ? { layouts: extra.layouts } : {}),
      contacts: contacts(ids, 'pad', 2),
      shell: false,
      plugFace: inRow(ids, 4),
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

const FOUR = ['L+', 'L-', 'R+', 'R-'];
const STEREO = { left: { hot: 'L+', return: 'L-' }, right: { hot: 'R+', return: 'R-' } };

export const padsOf: readonly ConnectorEntry[] = [
  ...pads('cartridge-pads', 'pads in a record player', FOUR, {
    signals: ['pickup'],
    layouts: [several('pickup', STEREO, 'common practice')],
  }),
  ...pads('earpiece-pads', 'pads in a headphone', FOUR, {
    signals: ['headphone'],
    layouts: [several('stereo', STEREO, 'common practice')],
  }),
  ...pads('switch-pads', 'pads of a lamp’s switch', ['1', '2'], {
    signals: ['test'],
    layouts: [mono('probe', { hot: '1', return: '2' }, 'common practice')],
  }),
];
