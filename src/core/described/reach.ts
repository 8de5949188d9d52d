import { netlist, terminalsOf, type Assembly, type Terminal } from '../assembly';
import { applyEdit, possibleEdits, type Deed, type Edit } from '../lead';
import { distance, isShell, type Nets } from './compare';

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

/** One change touches no more nets: what it takes away from, and what it brings that to. */
const TOUCHES = 2;

interface Way {
  readonly edits: readonly Edit[];
  readonly assembly: Assembly;
  readonly far: number;
  /** By what kinds of change, the likelier less. */
  readonly odd: number;
  /** The places of what does not meet as it is wanted to. */
  readonly wrong: ReadonlySet<Terminal>;
  /** How many nets that are, and which. */
  readonly nets: number;
  readonly key: string;
}

/** How a lead stands against the nets that are wanted of it. */
function against(wanted: Nets): (assembly: Assembly) => Pick<Way, 'far' | 'wrong' | 'nets' | 'key'> {
  const probed = new Set(wanted.flat().filter(isShell));
  const groups = new Set(wanted.map((net) => [...net].sort().join(' ')));
  const met = new Set(wanted.flat());
  return (assembly) => {
    const all = netlist(assembly).nets;
    const wrong = new Set<Terminal>();
    const keys: string[] = [];
    for (const { contacts, terminals } of all) {
      // A shell that no probe was held to is not known to meet nothing.
      const known = contacts.filter((each) => !isShell(each) || probed.has(each)).sort();
      const key = known.join(' ');
      const [only] = known;
      const isWanted = known.length > 1 ? groups.has(key) : only === undefined || !met.has(only);
      if (!isWanted) keys.push(key);
      if (!isWanted || contacts.length === 0) for (const terminal of terminals) wrong.add(terminal);
    }
    return {
      far: distance(
        all.map(({ contacts }) => contacts),
        wanted,
      ),
      wrong,
      nets: keys.length,
      key: keys.sort().join(', '),
    };
  };
}

/** Each way that goes on from one by one change, and is not farther off than what is left can mend. */
const onFrom = (
  { edits, assembly, odd, wrong }: Way,
  stands: ReturnType<typeof against>,
  left: number,
): readonly Way[] =>
  terminalsOf(assembly)
    .filter((at) => wrong.has(at))
    .flatMap((at) =>
      possibleEdits(assembly, at, wrong).flatMap(({ group, edit }): readonly Way[] => {
        const rank = RATHER.indexOf(group);
        const changed = rank < 0 ? undefined : applyEdit(assembly, edit);
        if (!changed?.ok) return [];
        const stand = stands(changed.value);
        return stand.nets > left * TOUCHES
          ? []
          : [{ ...stand, edits: [...edits, edit], assembly: changed.value, odd: odd + rank }];
      }),
    );

/**
 * The fewest changes by hand that make the contacts of a lead meet as they do in the hand, found by following the nearest
 * ways side by side; undefined where no few of them do. A shell that nothing was held to is left as it is.
 */
export function changesTo(from: Assembly, wanted: Nets): readonly Edit[] | undefined {
  const stands = against(wanted);
  let ways: readonly Way[] = [{ ...stands(from), edits: [], assembly: from, odd: 0 }];
  for (let left = MOST; ways.length > 0; left--) {
    const there = ways.find(({ nets }) => nets === 0);
    if (there || left === 0) return there?.edits;
    if (ways.every(({ nets }) => nets > left * TOUCHES)) return undefined;
    // Of those by which the same is left to do, one.
    const next = new Map<string, Way>();
    for (const way of ways)
      for (const each of onFrom(way, stands, left - 1)) {
        const known = next.get(each.key);
        if (!known || each.far < known.far || (each.far === known.far && each.odd < known.odd))
          next.set(each.key, each);
      }
    ways = [...next.values()].sort((a, b) => a.far - b.far || a.odd - b.odd).slice(0, SIDE_BY_SIDE);
  }
  return undefined;
}
