import { familyName, portById } from '../../core/catalogue';
import { formatLength } from '../../core/quantity';
import { lengthSystem, resolveSchools, SURROUNDINGS, type Intent } from '../../core/wiring';

/** An intent in one short line: “moving coil microphone on XLR into … , 6 m, on a stage floor”. */
export function sayIntent(intent: Intent): string {
  const end = ({ port, family }: Intent['from']): string =>
    `${portById(port)?.name ?? port} on ${familyName(family)}`;
  return `${end(intent.from)} → ${end(intent.to)}, ${formatLength(intent.length.mm, lengthSystem(resolveSchools(intent.schools)))}, ${SURROUNDINGS[intent.surroundings]}`;
}
