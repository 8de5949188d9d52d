import { netlist, terminalsOf, type Assembly } from '../assembly';
import { applyEdit, possibleEdits, type Deed, type Edit } from '../lead';
import { compared, distance, type Nets } from './compare';

/** So many changes are made at the most: a lead that is farther off is another lead. */
const MOST = 3;
/** So many ways are followed side by side: the first change alone may bring nothing nearer, where two cores are on one contact. */
const SIDE_BY_SIDE = 24;
/** What is done rather than another thing that comes as near. */
const RATHER: readonly Deed['group'][] = [
  'change places with',
  'move to',
  'link to',
  'part from',
  'leave it',
];

interface Way {
  readonly edits: readonly Edit[];
  readonly assembly: Assembly;
  readonly far: number;
  /** By what kinds of change, the likelier less. */
  readonly odd: number;
}

const netsOf = (assembly: Assembly): Nets => netlist(assembly).nets.map(({ contacts }) => contacts);

/** Each way that goes on from one by one change. */
const onFrom = ({ edits, assembly, odd }: Way, wanted: Nets): readonly Way[] =>
  terminalsOf(assembly).flatMap((at) =>
    possibleEdits(assembly, at).flatMap(({ group, edit }) => {
      const rank = RATHER.indexOf(group);
      const changed = rank < 0 ? undefined : applyEdit(assembly, edit);
      return changed?.ok
        ? [
            {
              edits: [...edits, edit],
              assembly: changed.value,
              far: distance(netsOf(changed.value), wanted),
              odd: odd + rank,
            },
          ]
        : [];
    }),
  );

/**
 * The fewest changes by hand that make the contacts of a lead meet as they do in the hand, found by following the nearest
 * ways side by side; undefined where no few of them do. A shell that nothing was held to is left as it is.
 */
export function changesTo(from: Assembly, wanted: Nets): readonly Edit[] | undefined {
  const isThere = ({ assembly }: Way): boolean => compared(wanted, netsOf(assembly)).weight === 0;
  let ways: readonly Way[] = [{ edits: [], assembly: from, far: 0, odd: 0 }];
  for (let steps = 0; steps <= MOST; steps++) {
    const there = ways.find(isThere);
    if (there) return there.edits;
    ways = ways
      .flatMap((way) => onFrom(way, wanted))
      .sort((a, b) => a.far - b.far || a.odd - b.odd)
      .slice(0, SIDE_BY_SIDE);
  }
  return undefined;
}
