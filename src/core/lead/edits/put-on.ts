import { object } from 'yup';
import { dressingSchema } from '../../assembly';
import { bad, good } from '../../quantity';
import { editKind, kindOf } from './kind';

const shape = object({ kind: kindOf('put-on'), dressing: dressingSchema.required() }).noUnknown();

/** Puts a dressing or a piece of hardware on. */
export const putOn = editKind({
  kind: 'put-on',
  shape,
  says: ({ dressing }) => `${dressing.says} put on`,
  apply(assembly, { dressing }) {
    if (assembly.dressings.some((each) => each.id === dressing.id))
      return bad('edit.twice', `There is a dressing “${dressing.id}” already.`);
    return good({ ...assembly, dressings: [...assembly.dressings, dressing] });
  },
});
