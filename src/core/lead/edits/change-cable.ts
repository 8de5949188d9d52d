import { object } from 'yup';
import {
  cableOf,
  conductorsOf,
  conductorTerminal,
  documentId,
  jointsOf,
  memberOf,
  ownerOf,
  sideOf,
  spanById,
  type Assembly,
  type Span,
} from '../../assembly';
import { cableSchema, COLOURS, type CableConductor, type CableEntry } from '../../catalogue';
import { bad, good } from '../../quantity';
import { editKind, kindOf, noMore } from './kind';
import { renamed, tidied, withEntry } from './renamed';
import { BY_HAND } from './surgery';

const shape = object({
  kind: kindOf('change-cable'),
  span: documentId,
  /** As the catalogue has it: what the catalogue says later changes no lead. */
  cable: cableSchema.required(),
}).noUnknown();

/** A span with every other that its conductors go on into uncut: they are one cable. */
function oneCable(assembly: Assembly, span: string): ReadonlySet<string> {
  const all = new Set([span]);
  for (let before = 0; before !== all.size;) {
    before = all.size;
    for (const body of assembly.bodies)
      for (const { how, terminals } of jointsOf(body))
        if (how === 'continues' && terminals.some((each) => all.has(ownerOf(each))))
          for (const each of terminals) all.add(ownerOf(each));
  }
  return all;
}

const isScreen = ({ is }: CableConductor): boolean => is !== 'core';

/** What becomes of each conductor in another cable: one of its name, else of its colour, else the next of its kind. */
function counterparts(
  from: readonly CableConductor[],
  to: readonly CableConductor[],
): ReadonlyMap<string, string> {
  const found = new Map<string, string>();
  const free = (): readonly CableConductor[] => to.filter(({ id }) => ![...found.values()].includes(id));
  const match = (isLike: (one: CableConductor, other: CableConductor) => boolean): void => {
    for (const one of from) {
      const other = found.has(one.id) ? undefined : free().find((each) => isLike(one, each));
      if (other) found.set(one.id, other.id);
    }
  };
  match((one, other) => one.id === other.id && isScreen(one) === isScreen(other));
  match((one, other) => !isScreen(one) && one.colour === other.colour && !isScreen(other));
  match((one, other) => isScreen(one) === isScreen(other));
  return found;
}

/** Makes the cable of a span, and of what it goes on into uncut, another one: each core goes where the one it stands for went. */
export const changeCable = editKind({
  kind: 'change-cable',
  shape,
  says: ({ cable }) => `made of another cable: ${cable.name}`,
  apply(assembly, { span: id, cable }) {
    const span = spanById(assembly, id);
    const old = span && cableOf(assembly, span);
    if (!span || !old) return noMore('such cable');
    const group = oneCable(assembly, id);
    const to = counterparts(old.conductors, cable.conductors);
    const joined = new Set(
      assembly.bodies.flatMap((body) => jointsOf(body).flatMap(({ terminals }) => terminals)),
    );
    const lost = old.conductors.find(
      (conductor) =>
        !to.has(conductor.id) &&
        [...joined].some(
          (each) => sideOf(each) !== undefined && group.has(ownerOf(each)) && memberOf(each) === conductor.id,
        ),
    );
    if (lost)
      return bad(
        'edit.cores',
        `${cable.name} has nothing to go where the ${lost.is === 'core' ? `${COLOURS[lost.colour]} core` : lost.is} goes: part it first, or take a cable with as many cores.`,
      );
    const changed = renamed(assembly, (terminal) => {
      const side = sideOf(terminal);
      if (side === undefined || !group.has(ownerOf(terminal))) return terminal;
      const conductor = to.get(memberOf(terminal));
      return conductor === undefined ? undefined : conductorTerminal(ownerOf(terminal), conductor, side);
    });
    const made: Assembly = {
      ...changed,
      spans: changed.spans.map((each): Span => {
        if (!group.has(each.id)) return each;
        const carries = each.carries?.flatMap((conductor) => to.get(conductor) ?? []);
        return { ...each, cable: cable.id, ...(carries ? { carries } : {}) };
      }),
      uses: { ...changed.uses, cables: withEntry(changed.uses.cables, cable) },
    };
    return good(tidied(withSpares(made, group, new Set(to.values()), cable)));
  },
});

/** What the new cable has more is cut back at both sides of each span that has it. */
function withSpares(
  assembly: Assembly,
  group: ReadonlySet<string>,
  used: ReadonlySet<string>,
  cable: CableEntry,
): Assembly {
  const more = cable.conductors.filter(({ id }) => !used.has(id));
  const left = assembly.spans
    .filter((span) => group.has(span.id))
    .flatMap((span) =>
      conductorsOf(assembly, span)
        .filter((conductor) => more.includes(conductor))
        .flatMap(({ id }) =>
          [span.from, span.to].map((body) => ({
            at: conductorTerminal(span.id, id, body),
            is: 'cut back' as const,
            because: BY_HAND,
          })),
        ),
    );
  return { ...assembly, unjoined: [...assembly.unjoined, ...left] };
}
