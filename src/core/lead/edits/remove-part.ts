import { object } from 'yup';
import { documentId, leadsOf, leadTerminal } from '../../assembly';
import { good } from '../../quantity';
import { editKind, kindOf, noMore } from './kind';
import { eachBody, takenOut } from './surgery';

const shape = object({ kind: kindOf('remove-part'), part: documentId }).noUnknown();

/** Takes a part out; what its leads were joined to stays as it is otherwise. */
export const removePart = editKind({
  kind: 'remove-part',
  shape,
  says: ({ part }) => `part ${part} taken out`,
  apply(assembly, { part: id }) {
    const part = assembly.bodies.flatMap((body) => body.parts).find((each) => each.id === id);
    if (!part) return noMore(`part “${id}”`);
    const free = leadsOf(part).reduce((so, lead) => takenOut(so, leadTerminal(id, lead)), assembly);
    return good(eachBody(free, (body) => ({ ...body, parts: body.parts.filter((each) => each.id !== id) })));
  },
});
