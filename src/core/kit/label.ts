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
  const names = endsOf(assembly).map((end) => {
    const connector = connectorOf(assembly, end);
    return connector ? (sayConnector(connector, schools).split(',')[0] ?? connector.name) : 'loose wires';
  });
  // Ends of one kind that follow each other are counted: eight plugs do not go on a label one by one.
  const ends = names.flatMap((end, n) => {
    if (end === names[n - 1]) return [];
    const after = names.slice(n).findIndex((other) => other !== end);
    const count = after < 0 ? names.length - n : after;
    return count < 3 ? Array.from({ length: count }, () => end) : [`${count} × ${end}`];
  });
  const marks = assembly.dressings.filter((each) => each.what === 'ring').map((each) => each.says);
  return [
    `${unitNumber(number)}  ${name}`,
    asked ? formatLength(asked.mm, lengthSystem(schools)) : '',
    ends.join(' → '),
    ...marks,
  ].filter(Boolean);
}
