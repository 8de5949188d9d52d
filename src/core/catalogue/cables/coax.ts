import { awgArea, ohmsPerKilometre } from '../../quantity';
import type { CableEntry } from '../entries';

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

/** In the catalogue so that it can be refused with a reason: 75 Ω digital and clock only (common practice). */
export const videoCoax: CableEntry = {
  id: 'video-coax',
  name: 'Stiff 75 Ω coax, solid core and foil',
  kind: 'coax',
  screen: 'foil',
  conductors: [
    { id: 'core', is: 'core', colour: 'CL', ohmsPerKm: 53, outerMm: 3.7, copperMm: 0.6 },
    { id: 'screen', is: 'screen', colour: 'CU', ohmsPerKm: 15, outerMm: 2.2, copperMm: 2.2 },
  ],
  jacketMm: 6.1,
  jacketColour: 'BK',
  pFPerMetre: { coreToScreen: 67 },
  flex: 'fixed',
  maxCelsius: 80,
  watch: 'Stiff, a screen of unknown cover, hard to terminate: not for analogue hand leads.',
  source: 'typical, from memory',
};
