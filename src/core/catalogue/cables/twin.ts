import { awgArea, ohmsPerKilometre } from '../../quantity';
import type { CableConductor, CableEntry } from '../entries';

const side = (id: 'l' | 'r', colour: 'WH' | 'RD'): CableConductor[] => [
  {
    id: `${id}-core`,
    is: 'core',
    colour,
    pair: id,
    ohmsPerKm: ohmsPerKilometre(awgArea(28)),
    outerMm: 1.2,
    copperMm: 0.4,
  },
  { id: `${id}-screen`, is: 'screen', colour: 'CU', pair: id, ohmsPerKm: 45, outerMm: 1.2, copperMm: 1.2 },
];

/** White is left and red is right, as on phono plugs. */
export const twinMini: CableEntry = {
  id: 'twin-mini',
  name: 'Twin miniature, two screened cores side by side',
  kind: 'twin',
  screen: 'spiral',
  conductors: [...side('l', 'WH'), ...side('r', 'RD')],
  jacketMm: 5,
  jacketColour: 'BK',
  pFPerMetre: { coreToScreen: 90 },
  flex: 'rack',
  maxCelsius: 70,
  watch: 'Core insulation melts quickly.',
  source: 'copper ASTM B258 and IEC 60028; screen and capacitance typical, from memory',
};
