import { awgArea, ohmsPerKilometre } from '../../quantity';
import type { ColourCode } from '../colours';
import type { CableConductor, CableEntry } from '../entries';

const wire = (id: string, colour: ColourCode, gauge = 24): CableConductor => ({
  id,
  is: 'core',
  colour,
  ohmsPerKm: ohmsPerKilometre(awgArea(gauge)),
  outerMm: 1.4,
  copperMm: 0.6,
});

/** Three hook-up wires braided by hand. It takes up length: 6 make 5 (common practice). */
export const braid3: CableEntry = {
  id: 'braid-3',
  name: 'Hand braid of three hook-up wires',
  kind: 'hook-up',
  screen: 'none',
  conductors: [wire('red', 'RD'), wire('black', 'BK'), wire('green', 'GN')],
  jacketMm: 4,
  flex: 'rack',
  maxCelsius: 80,
  watch: 'Not as good as coax against magnetic pickup.',
  source: 'copper ASTM B258 and IEC 60028; construction common practice',
};

export const earthWire: CableEntry = {
  id: 'earth-wire',
  name: 'Earth wire, thin and flexible',
  kind: 'hook-up',
  screen: 'none',
  conductors: [wire('earth', 'GN')],
  jacketMm: 1.4,
  flex: 'rack',
  maxCelsius: 80,
  source: 'copper ASTM B258 and IEC 60028',
};

/** Two flexible wires of extra-fine strands, for probes that are bent all day. */
export const probeWire: CableEntry = {
  id: 'probe-wire',
  name: 'Probe wire, red and black, extra flexible',
  kind: 'hook-up',
  screen: 'none',
  conductors: (
    [
      ['red', 'RD'],
      ['black', 'BK'],
    ] as const
  ).map(([id, colour]) => ({ ...wire(id, colour, 18), outerMm: 3, copperMm: 1.2 })),
  jacketMm: 6,
  flex: 'stage',
  maxCelsius: 80,
  source: 'copper ASTM B258 and IEC 60028; construction common practice',
};

/** A bundle of single hook-up wires for a test tail, in the colours of the resistor code. */
export const hookUp = (count: number): CableEntry => ({
  id: `hook-up-${count}`,
  name: `Loose hook-up wire, ${count} colours`,
  kind: 'hook-up',
  screen: 'none',
  conductors: (
    [
      ['brown', 'BN'],
      ['red', 'RD'],
      ['orange', 'OG'],
      ['yellow', 'YE'],
      ['green', 'GN'],
      ['blue', 'BU'],
    ] as const
  )
    .slice(0, count)
    .map(([id, colour]) => wire(id, colour, 26)),
  jacketMm: 3 + count * 0.4,
  flex: 'rack',
  maxCelsius: 80,
  source: 'copper ASTM B258 and IEC 60028',
});

/** The colours are lacquer, and the bare one is lacquered too: which strand is which is found by continuity. */
export const litz: CableEntry = {
  id: 'litz-headphone',
  name: 'Headphone cable, four lacquered litz strands',
  kind: 'litz',
  screen: 'none',
  conductors: (['a', 'b', 'c', 'd'] as const).map((id) => ({
    id,
    is: 'core' as const,
    colour: '??' as const,
    ohmsPerKm: 400,
    outerMm: 0.5,
    copperMm: 0.4,
  })),
  jacketMm: 2.5,
  jacketColour: 'BK',
  flex: 'stage',
  maxCelsius: 70,
  watch: 'Burn the lacquer off in a blob of solder before tinning; don’t breathe the fumes.',
  source: 'resistance typical, from memory',
};

/** Four thin cores of four colours in one screen, thin enough for a headset's plug. */
export const fourCore: CableEntry = {
  id: 'four-core',
  name: 'Four thin cores in one spiral screen',
  kind: 'hook-up',
  screen: 'spiral',
  conductors: [
    { ...wire('white', 'WH', 28), outerMm: 0.8, copperMm: 0.4 },
    { ...wire('red', 'RD', 28), outerMm: 0.8, copperMm: 0.4 },
    { ...wire('green', 'GN', 28), outerMm: 0.8, copperMm: 0.4 },
    { ...wire('black', 'BK', 28), outerMm: 0.8, copperMm: 0.4 },
    { id: 'screen', is: 'screen', colour: 'CU', ohmsPerKm: 60, outerMm: 1.2, copperMm: 1.2 },
  ],
  jacketMm: 3.8,
  jacketColour: 'BK',
  pFPerMetre: { coreToScreen: 150 },
  flex: 'rack',
  maxCelsius: 70,
  watch: 'Core insulation melts quickly.',
  source: 'copper ASTM B258 and IEC 60028; the rest typical, from memory',
};
