import { object } from 'yup';
import {
  bodyOfEnd,
  documentId,
  endsOf,
  isOf,
  jointsOf,
  ownerOf,
  sideOf,
  type Assembly,
  type Body,
} from '../../assembly';
import { bad, good } from '../../quantity';
import { editKind, kindOf, noMore } from './kind';
import { renamed, tidied } from './renamed';
import { BY_HAND } from './surgery';

const shape = object({ kind: kindOf('remove-end'), end: documentId }).noUnknown();

/** What was joined before and is in no joint any more is kept as a spare. */
function spared(before: Assembly, after: Assembly): Assembly {
  const joined = (of: Assembly): ReadonlySet<string> =>
    new Set(of.bodies.flatMap((body) => jointsOf(body).flatMap(({ terminals }) => terminals)));
  const now = joined(after);
  const spans = new Set(after.spans.map(({ id }) => id));
  const left = [...joined(before)].filter(
    (terminal) => sideOf(terminal) !== undefined && spans.has(ownerOf(terminal)) && !now.has(terminal),
  );
  return {
    ...after,
    unjoined: [...after.unjoined, ...left.map((at) => ({ at, is: 'spare' as const, because: BY_HAND }))],
  };
}

/** Takes an end off: its connector, what is in its shell, and the cable that goes to it alone. What that was joined to is left spare. */
export const removeEnd = editKind({
  kind: 'remove-end',
  shape,
  says: ({ end }) => `end ${end} taken off`,
  apply(assembly, { end }) {
    const body = bodyOfEnd(assembly, end);
    if (!body) return noMore(`end ${end}`);
    if (endsOf(assembly).length < 2)
      return bad('edit.last', `End ${end} is the only one: a lead has at least one.`);
    if (body.existing && body.existing.length > 0)
      return bad('edit.existing', `What is in ${end} was there before: it is not ours to take away.`);
    const isAlone = body.ends.length === 1;
    const spans = new Set(
      isAlone
        ? assembly.spans.filter(({ from, to }) => from === body.id || to === body.id).map(({ id }) => id)
        : [],
    );
    const cleared = renamed(assembly, (terminal) => {
      if (isOf(end, terminal) || (sideOf(terminal) !== undefined && spans.has(ownerOf(terminal))))
        return undefined;
      return terminal;
    });
    const gone = new Set([end, ...spans, ...(isAlone ? [body.id, ...body.parts.map(({ id }) => id)] : [])]);
    const bodies = cleared.bodies.flatMap((each): readonly Body[] =>
      each.id !== body.id
        ? [
            {
              ...each,
              entries: each.entries.flatMap((entry) => {
                const left = entry.spans.filter((span) => !spans.has(span));
                return left.length > 0 ? [{ ...entry, spans: left }] : [];
              }),
            },
          ]
        : isAlone
          ? []
          : [{ ...each, ends: each.ends.filter(({ id }) => id !== end) }],
    );
    const without: Assembly = {
      ...cleared,
      bodies,
      spans: cleared.spans.filter(({ id }) => !spans.has(id)),
      dressings: cleared.dressings.filter(({ over }) => !gone.has(over)),
      lengths: cleared.lengths.filter(({ from, to }) => !gone.has(from) && !gone.has(to)),
    };
    return good(tidied(spared(assembly, without)));
  },
});
