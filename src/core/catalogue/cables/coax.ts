import { awgArea, ohmsPerKilometre } from '../../quantity';
import type { CableEntry } from '../types';

export const instrumentCoax: CableEntry = {
  id: 'instrument-coax',
  name: 'Instrument cable, one core, low capacitance',
  kind: 'coax',
  screen: 'spiral',
  conductors: [
    {
      id: 'core',
      is: 'core',
      colour: 'CL',
      ohmsPerKm: ohmsPerKilometre(awgArea(22)),
      outerMm: 2.6,
      copperMm: 0.8,
    },
    { id: 'screen', is: 'screen', colour: 'CU', ohmsPerKm: 25, outerMm: 1.9, copperMm: 1.9 },
  ],
  jacketMm: 6,
  jacketColour: 'BK',
  pFPerMetre: { coreToScreen: 95 },
  flex: 'stage',
  conductiveLayer: true,
  source: 'copper ASTM B258 and IEC 60028; screen and capacitance typical, from memory',
};
