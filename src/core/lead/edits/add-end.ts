import { number, object } from 'yup';
import { bodyById, conductorTerminal, documentId, endsOf, type Body, type Span } from '../../assembly';
import { cableSchema, connectorSchema } from '../../catalogue';
import { bad, good } from '../../quantity';
import { editKind, kindOf, noMore } from './kind';
import { withEntry } from './renamed';
import { BY_HAND, eachBody } from './surgery';

const shape = object({
  kind: kindOf('add-end'),
  /** What the new end is called, and the body that its cable comes from. */
  end: documentId,
  from: documentId,
  connector: connectorSchema.required(),
  cable: cableSchema.required(),
  /** From the face of that body’s first end to its own, mm. */
  mm: number().positive().max(1e6).required(),
}).noUnknown();

/** A name that nothing has yet. */
function free(taken: ReadonlySet<string>, wanted: string): string {
  let name = wanted;
  for (let n = 2; taken.has(name); n++) name = `${wanted}-${n}`;
  return name;
}

/** A cable comes in where the first one does: two through one entry. */
const throughFirst = (
  [first = { gland: 'cable entry', spans: [] }, ...others]: Body['entries'],
  span: string,
): Body['entries'] => [{ ...first, spans: [...first.spans, span] }, ...others];

/** Adds an end on a cable of its own: its cores are spare at both its sides until they are joined to something. */
export const addEnd = editKind({
  kind: 'add-end',
  shape,
  says: ({ end, connector }) => `end ${end} added: ${connector.name}`,
  apply(assembly, { end, from, connector, cable, mm }) {
    const origin = bodyById(assembly, from);
    if (!origin) return noMore('such end to start from');
    if (endsOf(assembly).some(({ id }) => id === end))
      return bad('edit.twice', `There is an end ${end} already.`);
    const taken = new Set([
      ...assembly.bodies.flatMap(({ id, ends, parts }) => [
        id,
        ...[...ends, ...parts].map((each) => each.id),
      ]),
      ...assembly.spans.map(({ id }) => id),
    ]);
    const body = free(taken, end.toLowerCase());
    const span: Span = {
      id: free(taken, `W${assembly.spans.length + 1}`),
      cable: cable.id,
      from: origin.id,
      to: body,
    };
    const start = origin.ends[0]?.id ?? origin.id;
    const made: Body = {
      id: body,
      kind: 'shell',
      name: connector.name,
      ends: [{ id: end, connector: connector.id, mount: 'cable', madeOn: 'bench' }],
      parts: [],
      entries: throughFirst([], span.id),
      joints: [],
    };
    const grown = eachBody(assembly, (each) =>
      each.id === origin.id ? { ...each, entries: throughFirst(each.entries, span.id) } : each,
    );
    return good({
      ...grown,
      bodies: [...grown.bodies, made],
      spans: [...grown.spans, span],
      unjoined: [
        ...grown.unjoined,
        ...cable.conductors.flatMap(({ id }) =>
          [origin.id, body].map((at) => ({
            at: conductorTerminal(span.id, id, at),
            is: 'spare' as const,
            because: BY_HAND,
          })),
        ),
      ],
      lengths: [...grown.lengths, { from: start, to: end, datum: 'face' as const, mm }],
      uses: {
        connectors: withEntry(grown.uses.connectors, connector),
        cables: withEntry(grown.uses.cables, cable),
      },
    });
  },
});
