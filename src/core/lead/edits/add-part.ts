import { object, string } from 'yup';
import {
  bodyById,
  documentId,
  leadsOf,
  leadTerminal,
  partSchema,
  sayTerminal,
  terminalSchema,
} from '../../assembly';
import { bad, good, record, type Result } from '../../quantity';
import type { Assembly } from '../../assembly';
import { join } from './join';
import { editKind, kindOf, noMore } from './kind';
import { eachBody } from './surgery';

const shape = object({
  kind: kindOf('add-part'),
  body: documentId,
  part: partSchema,
  /** Which lead goes to which terminal; those left out are joined to nothing. */
  to: record(terminalSchema, { what: 'Where its leads go', most: 40 }),
  says: string().max(200),
}).noUnknown();

/** Puts a part into a body and its leads where they go. */
export const addPart = editKind({
  kind: 'add-part',
  shape,
  says: ({ part, to }, assembly) => {
    const where = Object.values(to).map((each) => sayTerminal(assembly, each));
    return `${part.kind} ${part.id} put in${where.length > 0 ? ` at ${where.join(' and ')}` : ''}`;
  },
  apply(assembly, { body, part, to }): Result<Assembly> {
    if (!bodyById(assembly, body)) return noMore(`body “${body}”`);
    if (assembly.bodies.some((each) => each.parts.some((other) => other.id === part.id)))
      return bad('edit.twice', `There is a part “${part.id}” already.`);
    const strange = Object.keys(to).find((lead) => !leadsOf(part).includes(lead));
    if (strange !== undefined)
      return bad('edit.lead', `A ${part.kind} has no lead “${strange}”: it has ${leadsOf(part).join(', ')}.`);
    const placed = eachBody(assembly, (each) =>
      each.id === body ? { ...each, parts: [...each.parts, part] } : each,
    );
    return Object.entries(to).reduce<Result<Assembly>>(
      (so, [lead, terminal]) =>
        so.ok
          ? join.apply(so.value, {
              kind: 'join',
              terminals: [leadTerminal(part.id, lead), terminal],
              how: 'air',
            })
          : so,
      good(placed),
    );
  },
});
