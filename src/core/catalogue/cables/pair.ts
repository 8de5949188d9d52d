import { awgArea, ohmsPerKilometre } from '../../quantity';
import type { CableConductor, CableEntry } from '../entries';

const cores = (gauge: number, outerMm: number, copperMm: number): CableConductor[] => [
  { id: 'white', is: 'core', colour: 'WH', ohmsPerKm: ohmsPerKilometre(awgArea(gauge)), outerMm, copperMm },
  { id: 'black', is: 'core', colour: 'BK', ohmsPerKm: ohmsPerKilometre(awgArea(gauge)), outerMm, copperMm },
];

export const pairBraid: CableEntry = {
  id: 'pair-braid',
  name: 'Microphone cable, one pair, woven braid',
  kind: 'pair',
  screen: 'braid',
  conductors: [
    ...cores(24, 1.4, 0.6),
    { id: 'screen', is: 'screen', colour: 'CU', ohmsPerKm: 25, outerMm: 2.1, copperMm: 2.1 },
  ],
  jacketMm: 6.2,
  jacketColour: 'BK',
  pFPerMetre: { coreToCore: 80, coreToScreen: 140 },
  flex: 'stage',
  source: 'copper ASTM B258 and IEC 60028; screen and capacitance typical, from memory',
};

export const pairFoil: CableEntry = {
  id: 'pair-foil',
  name: 'Rack cable, one pair, foil and drain',
  kind: 'pair',
  screen: 'foil',
  conductors: [
    ...cores(24, 1.2, 0.6),
    { id: 'drain', is: 'drain', colour: 'CU', ohmsPerKm: 60, outerMm: 0.6, copperMm: 0.6 },
  ],
  jacketMm: 4,
  jacketColour: 'GY',
  pFPerMetre: { coreToCore: 95, coreToScreen: 170 },
  flex: 'rack',
  source: 'copper ASTM B258 and IEC 60028; drain and capacitance typical, from memory',
};

/** For fixed runs, in a jacket that is rated for them. */
export const pairInWall: CableEntry = {
  ...pairFoil,
  id: 'pair-in-wall',
  name: 'In-wall pair, foil and drain',
  jacketMm: 4.4,
  jacketColour: 'WH',
  flex: 'fixed',
  maxCelsius: 70,
  watch: 'In walls a fire rating is asked for: local code decides.',
};

export const pairSpiral: CableEntry = {
  id: 'pair-spiral',
  name: 'Microphone cable, one pair, spiral screen',
  kind: 'pair',
  screen: 'spiral',
  conductors: [
    ...cores(24, 1.4, 0.6),
    { id: 'screen', is: 'screen', colour: 'CU', ohmsPerKm: 32, outerMm: 1.9, copperMm: 1.9 },
  ],
  jacketMm: 6,
  jacketColour: 'BK',
  pFPerMetre: { coreToCore: 85, coreToScreen: 150 },
  flex: 'stage',
  layMm: 60,
  maxCelsius: 70,
  watch: 'The cover opens when it is bent hard.',
  source: 'copper ASTM B258 and IEC 60028; screen and capacitance typical, from memory',
};

export const pairMini: CableEntry = {
  id: 'pair-mini',
  name: 'Miniature pair, spiral screen',
  kind: 'pair',
  screen: 'spiral',
  conductors: [
    ...cores(28, 0.9, 0.4),
    { id: 'screen', is: 'screen', colour: 'CU', ohmsPerKm: 60, outerMm: 1.1, copperMm: 1.1 },
  ],
  jacketMm: 3.6,
  jacketColour: 'BK',
  pFPerMetre: { coreToCore: 95, coreToScreen: 170 },
  flex: 'rack',
  maxCelsius: 70,
  watch: 'Core insulation melts quickly.',
  source: 'copper ASTM B258 and IEC 60028; screen and capacitance typical, from memory',
};

/** Unscreened: it keeps out a magnetic field, not an electric one. 18 twists a foot is a lay of 16.9 mm (common practice). */
export const twistedPair: CableEntry = {
  id: 'twisted-pair',
  name: 'Twisted pair, unscreened',
  kind: 'pair',
  screen: 'none',
  conductors: cores(24, 1.4, 0.6),
  jacketMm: 4.2,
  jacketColour: 'GY',
  flex: 'rack',
  layMm: 15,
  maxCelsius: 70,
  watch: 'No screen against an electric field: short line runs only.',
  source: 'copper ASTM B258 and IEC 60028; lay common practice',
};
