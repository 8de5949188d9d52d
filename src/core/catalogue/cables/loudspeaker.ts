import type { CableConductor, CableEntry } from '../entries';

/** Greatest resistance of flexible copper at 20 °C, Ω/km (IEC 60228, class 5). */
const CLASS_5: Readonly<Record<string, number>> = { '1.5': 13.3, '2.5': 7.98, '4': 4.95 };

const legs = (
  pair: string,
  area: string,
  outerMm: number,
  plus: CableConductor['colour'],
): CableConductor[] => {
  const facts = {
    is: 'core',
    pair,
    ohmsPerKm: CLASS_5[area] ?? 0,
    outerMm,
    copperMm: Math.round(Math.sqrt(Number(area) * 1.6) * 100) / 100,
  } as const;
  return [
    { ...facts, id: `${pair}+`, colour: plus },
    { ...facts, id: `${pair}-`, colour: pair === '1' ? 'BK' : 'WH' },
  ];
};

const cable = (
  cores: 2 | 4,
  area: '1.5' | '2.5' | '4',
  jacketMm: number,
  more: Partial<CableEntry> = {},
): CableEntry => ({
  id: `loudspeaker-${cores}x${area.replace('.', '-')}`,
  name: `Loudspeaker cable, ${cores} × ${area} mm²`,
  kind: 'loudspeaker',
  screen: 'none',
  conductors: [
    ...legs('1', area, Number(area) === 4 ? 4 : 3, 'RD'),
    ...(cores === 4 ? legs('2', area, 3, 'YE') : []),
  ],
  jacketMm,
  jacketColour: 'BK',
  flex: 'stage',
  maxCelsius: 70,
  source: 'copper IEC 60228 class 5; dimensions nominal',
  ...more,
});

export const loudspeakerCables: readonly CableEntry[] = [
  cable(2, '1.5', 7),
  cable(2, '2.5', 8),
  cable(2, '4', 11.5),
  cable(4, '2.5', 12),
  cable(2, '2.5', 7.8, {
    id: 'loudspeaker-in-wall',
    name: 'In-wall loudspeaker cable, 2 × 2.5 mm²',
    jacketColour: 'WH',
    flex: 'fixed',
    watch: 'In walls a fire rating is asked for: local code decides.',
  }),
];
