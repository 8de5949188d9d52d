import { awgArea, ohmsPerKilometre } from '../../quantity';
import type { CableConductor, CableEntry } from '../entries';

const core = (id: string, pair: string, colour: 'WH' | 'BU'): CableConductor => ({
  id,
  is: 'core',
  colour,
  pair,
  ohmsPerKm: ohmsPerKilometre(awgArea(26)),
  outerMm: 1.1,
  copperMm: 0.5,
});

/** Opposite cores belong to one colour family, so that joining a family joins opposites (common practice). */
export const starQuad: CableEntry = {
  id: 'star-quad',
  name: 'Star quad microphone cable, braid',
  kind: 'quad',
  screen: 'braid',
  conductors: [
    core('white-1', 'white', 'WH'),
    core('blue-1', 'blue', 'BU'),
    core('white-2', 'white', 'WH'),
    core('blue-2', 'blue', 'BU'),
    { id: 'screen', is: 'screen', colour: 'CU', ohmsPerKm: 25, outerMm: 2.1, copperMm: 2.1 },
  ],
  around: ['white-1', 'blue-1', 'white-2', 'blue-2'],
  jacketMm: 6.4,
  jacketColour: 'BK',
  pFPerMetre: { coreToCore: 160, coreToScreen: 290 },
  flex: 'stage',
  source: 'copper ASTM B258 and IEC 60028; screen and capacitance typical, from memory',
};

/** Four thin cores in one screen, laid as a quad: thin enough for a small plug. */
export const miniQuad: CableEntry = {
  ...starQuad,
  id: 'mini-quad',
  name: 'Miniature star quad, spiral screen',
  screen: 'spiral',
  conductors: starQuad.conductors.map((conductor) =>
    conductor.is === 'core'
      ? { ...conductor, ohmsPerKm: ohmsPerKilometre(awgArea(28)), outerMm: 0.8, copperMm: 0.4 }
      : { ...conductor, ohmsPerKm: 45, outerMm: 1.3, copperMm: 1.3 },
  ),
  jacketMm: 4,
  flex: 'rack',
};
