import type { DeviceWork } from './device';
import { batteryLamp } from './battery-lamp';
import { headphones } from './headphones';
import { recordPlayer } from './record-player';

export type { DeviceWork } from './device';

/** Devices whose opening and closing is known. One is added by its file here and its line. */
const ALL: readonly DeviceWork[] = [batteryLamp, headphones, recordPlayer];

const ANY = (name: string): Omit<DeviceWork, 'pads'> => ({
  open: {
    title: `Open the ${name}`,
    detail: [
      'Nothing that is plugged in is opened. Lay the screws in a row.',
      'Note the old wiring: a photograph, or words.',
    ],
  },
  through: ['Through its way in, before anything is soldered.'],
  close: ['Screws by hand, last out first in: bosses strip.'],
  source: 'common practice',
});

/** What is done to a device, by its pads; of one that is not known what holds of any. */
export const deviceWork = (family: string, name: string): Omit<DeviceWork, 'pads'> =>
  ALL.find(({ pads }) => pads === family) ?? ANY(name);
