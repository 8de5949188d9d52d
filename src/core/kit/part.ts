import type { Part } from '../assembly';
import { formatResistance } from '../quantity';

/** A part's value as it is written on a bag: “470 Ω”, “10 µF”. */
export function sayPart({ kind, value }: Pick<Part, 'kind' | 'value'>): string {
  if (value === undefined) return '';
  switch (kind) {
    case 'resistor':
    case 'potentiometer':
      return formatResistance(value);
    case 'capacitor':
      return value >= 1e-6
        ? `${Number((value * 1e6).toPrecision(3))} µF`
        : `${Number((value * 1e9).toPrecision(3))} nF`;
    case 'diode':
    case 'led':
      return `${value} V forward`;
    case 'transformer':
      return `1:1, ${formatResistance(value)} a winding`;
    case 'battery':
      return `${value} V`;
    case 'lamp':
      return `${formatResistance(value)} when lit`;
    case 'switch':
      return '';
  }
}
