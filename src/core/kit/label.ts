import { connectorOf, endsOf } from '../assembly';
import { COLOURS } from '../catalogue';
import { markedEnds } from '../dressing';
import { mainUse, schoolsOf, type Lead } from '../lead';
import { asTyped } from '../quantity';
import { lengthSystem, sayConnector } from '../wiring';
import { unitNumber } from './unit-number';

/**
 * The lines of a wrap label: number and name, length, ends, what is not as usual, and which channel has which colour.
 *
 *     labelLines(lead, 7); // → ['0007  Narrator', '6 m', 'XLR 5 cable socket → XLR 3 cable plug → …', 'left white, right red']
 */
export function labelLines(
  lead: Pick<Lead, 'name' | 'assembly' | 'situations' | 'schools'>,
  number: number,
): readonly string[] {
  const { name, assembly } = lead;
  const schools = schoolsOf(lead);
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
  // A channel that comes to both ends has its colour at both.
  const channels = new Map(
    markedEnds(assembly, mainUse(lead)).map(({ label, colour }) => [label, COLOURS[colour]]),
  );
  return [
    `${unitNumber(number)}  ${name}`,
    asked ? asTyped(asked, lengthSystem(schools)) : '',
    ends.join(' → '),
    ...marks,
    [...channels].map((each) => each.join(' ')).join(', '),
  ].filter(Boolean);
}
