import { areaOfDiameter, awgDiameter } from '../quantity';

/** Conductors that leads are built of: name and cross-section, mm², from thin to thick (ASTM B258, IEC 60228). */
export const GAUGES: readonly (readonly [name: string, squareMillimetres: number])[] = [
  ...([22, 20, 18, 16, 14, 12, 10] as const).map(
    (gauge) => [`${gauge} AWG`, areaOfDiameter(awgDiameter(gauge)) as number] as const,
  ),
  ...([0.5, 0.75, 1, 1.5, 2.5, 4, 6] as const).map((area) => [`${area} mm²`, area] as const),
].sort((a, b) => a[1] - b[1]);
