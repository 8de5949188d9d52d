import { connectorOf, endsOf, needsSolder, spansAt, thingOf } from '../../assembly';
import { isJacketed, type CableConductor } from '../../catalogue';
import { awgArea, ohmsPerKilometre, sayList } from '../../quantity';
import type { Tool, ToolRule } from './types';

const GAUGES = Array.from({ length: 25 }, (_, n) => n + 10);

/** The wire gauge whose resistance is nearest, by ratio. */
function gaugeOf({ ohmsPerKm }: CableConductor): number | undefined {
  if (ohmsPerKm === undefined) return undefined;
  const off = (gauge: number): number => Math.abs(Math.log(ohmsPerKm / ohmsPerKilometre(awgArea(gauge))));
  return GAUGES.reduce((best, gauge) => (off(gauge) < off(best) ? gauge : best));
}

const one = (is: boolean, tool: Tool): readonly Tool[] => (is ? [tool] : []);

/** What takes jacket and insulation off, with the notch for each core. */
export const strippers: ToolRule = (assembly) => {
  const cables = assembly.uses.cables.filter(({ id }) => assembly.spans.some(({ cable }) => cable === id));
  const cores = cables.filter(({ kind }) => kind !== 'litz').flatMap(({ conductors }) => conductors);
  const gauges = [
    ...new Set(cores.flatMap((core) => (core.is === 'core' ? (gaugeOf(core) ?? []) : []))),
  ].sort((a, b) => a - b);
  // What joins lugs inside a box is no cable: its gauge is that of what is at hand.
  const isWired = assembly.bodies.some(
    ({ kind, joints }) => kind === 'box' && joints.some(({ how }) => how !== 'link'),
  );
  const jackets = cables.filter(isJacketed).flatMap(({ jacketMm }) => jacketMm ?? []);
  return [
    ...one(jackets.length > 0, {
      id: 'jacket-tool',
      what: 'Jacket tool, or a blade with only its tip between the fingers',
      set: `jacket of ${[...new Set(jackets)].join(', ')} mm`,
      because: 'Scored round and bent, never through to the cores.',
    }),
    ...one(gauges.length > 0 || isWired, {
      id: 'stripper',
      what: 'Wire stripper',
      set: sayList([
        ...(gauges.length > 0 ? [`notch for ${gauges.map((gauge) => `${gauge} AWG`).join(' and ')}`] : []),
        ...(isWired ? ['the notch of the hook-up wire'] : []),
      ]),
      because: 'A notch too small takes strands with it.',
    }),
    ...one(cables.length > 0 || isWired, {
      id: 'cutters',
      what: 'Side cutters',
      because: 'Blunt ends: a spike pierces the sleeve.',
    }),
  ];
};

const CRIMPED = new Set<string | undefined>(['spade', 'ferrule', 'ring']);

/** What closes screws, crimps and sleeves. */
export const closers: ToolRule = (assembly) => {
  const clamps = endsOf(assembly).flatMap((end) => connectorOf(assembly, end)?.clamp ?? []);
  const crimps = endsOf(assembly).flatMap(({ loose = [] }) => loose.map(({ finish }) => finish));
  const screws = assembly.bodies.some(({ joints }) => joints.some(({ how }) => how === 'screw'));
  const setScrew = clamps.find((clamp) => clamp.includes('set screw'));
  return [
    ...one(setScrew !== undefined || screws, {
      id: 'driver',
      what: setScrew?.includes('hexagon')
        ? 'Hexagon key for the set screw'
        : 'Screwdriver for the terminals and set screws',
      ...(setScrew?.includes('left-hand') ? { set: 'some set screws have a left-hand thread' } : {}),
      because: screws ? 'The screw bites copper, never insulation.' : 'Snug on the jacket, not through it.',
    }),
    ...one(
      clamps.some((clamp) => clamp.includes('crimp')),
      { id: 'pliers', what: 'Flat pliers', because: 'The tab is pinched on the jacket, not crushed.' },
    ),
    ...one(
      crimps.some((finish) => CRIMPED.has(finish)),
      {
        id: 'crimper',
        what: 'Crimping tool of the terminal’s own kind',
        because: 'Spades, rings and ferrules are crimped bare: solder creeps in a crimp.',
      },
    ),
    ...one(
      assembly.dressings.some(({ size, closed }) => size !== undefined && closed !== 'never'),
      {
        id: 'heat-gun',
        what: 'Heat gun',
        set: 'about 90 to 125 °C at the shrink (from memory)',
        because: 'A hairdryer may not reach that: try an offcut.',
      },
    ),
  ];
};

/** What a box is drilled with. */
export const drills: ToolRule = (assembly) => {
  if (thingOf(assembly) !== 'box') return [];
  const holes = endsOf(assembly).flatMap((end) => connectorOf(assembly, end)?.holeMm ?? []);
  return [
    {
      id: 'drills',
      what: 'Drills: a 3 mm pilot, then up in steps, and a deburrer',
      ...(holes.length > 0
        ? { set: `sockets ${[...new Set(holes)].join(' and ')} mm; the control by its own bush` }
        : {}),
      because: 'Look inside before marking: ribs, bosses, depth.',
    },
  ];
};

/** What holds it, looks at it and measures it. */
export const always: ToolRule = (assembly) => [
  {
    id: 'holder',
    what: assembly.bodies.some((body) => spansAt(assembly, body.id).length > 0)
      ? 'Two vices or holders'
      : 'A vice or holder',
    because: needsSolder(assembly)
      ? 'Keep dead still until it is solid.'
      : 'What is screwed down must not turn in the hand.',
  },
  { id: 'loupe', what: 'Loupe', because: 'A stray strand is seen before it is heard.' },
  {
    id: 'meter',
    what: 'Meter with a pair of probes',
    because: 'Every path and every short, before it is labelled.',
  },
];
