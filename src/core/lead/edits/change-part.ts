import { object } from 'yup';
import { leadsOf, partSchema } from '../../assembly';
import { bad, good } from '../../quantity';
import { editKind, kindOf, noMore } from './kind';
import { eachBody } from './surgery';

const shape = object({ kind: kindOf('change-part'), part: partSchema }).noUnknown();

/** Another value, rating or kind in the place of a part of the same id; its leads have to be the same. */
export const changePart = editKind({
  kind: 'change-part',
  shape,
  says: ({ part }) => `${part.kind} ${part.id} changed`,
  apply(assembly, { part }) {
    const before = assembly.bodies.flatMap((body) => body.parts).find((each) => each.id === part.id);
    if (!before) return noMore(`part “${part.id}”`);
    if (leadsOf(before).join() !== leadsOf(part).join())
      return bad(
        'edit.leads',
        `${part.id} has other leads than what is there: take it out and put it in anew.`,
      );
    return good(
      eachBody(assembly, (body) => ({
        ...body,
        parts: body.parts.map((each) => (each.id === part.id ? part : each)),
      })),
    );
  },
});
