import { awgArea, ohmsPerKilometre } from '../../quantity';
import { RESISTOR_CODE } from '../colours';
import type { CableConductor, CableEntry } from '../entries';

/**
 * Each pair has its own drain; the hot core has the colour of the pair's last digit and the cold one is white, or clear
 * where the hot is white itself (common practice).
 */
const pair = (n: number): CableConductor[] => {
  const colour = RESISTOR_CODE[n % 10] ?? 'BK';
  const core = {
    is: 'core',
    pair: `${n}`,
    ohmsPerKm: ohmsPerKilometre(awgArea(26)),
    outerMm: 1,
    copperMm: 0.5,
  } as const;
  return [
    { ...core, id: `${n}-hot`, colour },
    { ...core, id: `${n}-cold`, colour: colour === 'WH' ? 'CL' : 'WH' },
    { id: `${n}-drain`, is: 'drain', colour: 'CU', pair: `${n}`, ohmsPerKm: 90, outerMm: 0.5, copperMm: 0.5 },
  ];
};

/** Overall diameters grow about with the square root of the count of pairs (nominal). */
const multipair = (count: number, jacketMm: number): CableEntry => ({
  id: `multipair-${count}`,
  name: `Multipair, ${count} pairs, each with foil and drain`,
  kind: 'multipair',
  screen: 'foil',
  conductors: Array.from({ length: count }, (_, n) => pair(n + 1)).flat(),
  jacketMm,
  jacketColour: 'GY',
  pFPerMetre: { coreToCore: 100, coreToScreen: 180 },
  flex: 'rack',
  layMm: 40,
  maxCelsius: 70,
  watch: 'Strength string and overall jacket: sleeve the break-out point.',
  source: 'colours IEC 60062; copper ASTM B258 and IEC 60028; the rest typical, from memory',
});

export const multipairs: readonly CableEntry[] = [
  multipair(2, 6.5),
  multipair(4, 8.5),
  multipair(8, 11.5),
  multipair(12, 14),
  multipair(16, 16),
  multipair(24, 19.5),
  multipair(48, 27),
];
