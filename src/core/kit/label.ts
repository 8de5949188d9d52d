import { connectorOf, endsOf, type Assembly } from '../assembly';
import { formatLength } from '../quantity';
import { lengthSystem, sayConnector, type Schools } from '../wiring';

/** A unit's number as it is written on labels: four figures, so that they sort. */
export const unitNumber = (number: number): string => String(number).padStart(4, '0');

/** The lines of a wrap label: number and name, length, ends. */
export function labelLines(
  name: string,
  number: number,
  assembly: Assembly,
  schools: Schools,
): readonly string[] {
  const asked = assembly.lengths[0];
  const ends = endsOf(assembly).flatMap((end) => {
    const connector = connectorOf(assembly, end);
    return connector ? [sayConnector(connector, schools).split(',')[0] ?? connector.name] : [];
  });
  return [
    `${unitNumber(number)}  ${name}`,
    asked ? formatLength(asked.mm, lengthSystem(schools)) : '',
    ends.join(' → '),
  ].filter(Boolean);
}
