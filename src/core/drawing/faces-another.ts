import { connectorOf, endsOf, type Assembly } from '../assembly';

/** An end with more contacts is looked at by itself. */
const MOST_FACING = 8;

/** Whether a lead is two ends with one cable between and nothing inside: they are drawn facing each other. */
export function facesAnother(assembly: Assembly): boolean {
  const ends = endsOf(assembly);
  return (
    assembly.spans.length === 1 &&
    ends.length === 2 &&
    assembly.bodies.every(({ parts }) => parts.length === 0) &&
    ends.every((end) => (connectorOf(assembly, end)?.contacts.length ?? Infinity) <= MOST_FACING)
  );
}
