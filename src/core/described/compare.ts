import { sayList } from '../quantity';

/** Groups of contacts that meet. */
export type Nets = readonly (readonly string[])[];
type Pairs = ReadonlyMap<string, readonly [string, string]>;

const pairsOf = (nets: Nets): Pairs =>
  new Map(
    nets.flatMap((net) =>
      net.flatMap((one, n) =>
        net.slice(n + 1).map((other) => {
          const pair = [one, other].sort() as [string, string];
          return [pair.join(' '), pair] as const;
        }),
      ),
    ),
  );

/** Whether a contact is a shell: no probe may have been held to it. */
export const isShell = (contact: string): boolean => contact.endsWith('.shell');

/** The groups of the one that the other parts, each as what it is parted into. */
const parted = (nets: Nets, other: Nets): Nets =>
  nets.flatMap((net) => {
    const pieces = new Map<string, string[]>();
    for (const contact of net) {
      const in_ = other.find((each) => each.includes(contact))?.join(' ') ?? contact;
      pieces.set(in_, [...(pieces.get(in_) ?? []), contact]);
    }
    return pieces.size > 1 ? [[...pieces.values()].map((piece) => piece.sort().join(' – ')).sort()] : [];
  });

/** How far two are from each other, a shell that is in neither counted too: what is joined to it for nothing is farther. */
export function distance(one: Nets, other: Nets): number {
  const [ours, theirs] = [pairsOf(one), pairsOf(other)];
  return apart(ours, theirs) + apart(theirs, ours);
}

const apart = (pairs: Pairs, other: Pairs): number =>
  [...pairs].reduce((sum, [key, pair]) => sum + (other.has(key) ? 0 : pair.some(isShell) ? 0.01 : 1), 0);

/** What is otherwise, in words; and how much of it there is: what only a shell does weighs little. */
export function compared(
  held: Nets,
  made: Nets,
): { readonly weight: number; readonly differs: readonly string[] } {
  // A shell that no probe was held to is not known to meet nothing.
  const probed = new Set(held.flat().filter(isShell));
  const known = made.map((net) => net.filter((contact) => !isShell(contact) || probed.has(contact)));
  return {
    weight: distance(held, known),
    differs: [
      ...parted(held, known).map((pieces) => `${sayList(pieces)} meet, and in that lead they do not.`),
      ...parted(known, held).map((pieces) => `${sayList(pieces)} do not meet, and in that lead they do.`),
    ],
  };
}
