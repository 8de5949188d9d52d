import { object } from 'yup';
import { documentId } from '../../assembly';
import { good } from '../../quantity';
import { editKind, kindOf, noMore } from './kind';

const shape = object({ kind: kindOf('take-off'), dressing: documentId }).noUnknown();

/** Takes a dressing or a piece of hardware off. */
export const takeOff = editKind({
  kind: 'take-off',
  shape,
  says: ({ dressing }) => `${dressing} taken off`,
  apply(assembly, { dressing }) {
    if (!assembly.dressings.some((each) => each.id === dressing)) return noMore(`dressing “${dressing}”`);
    return good({ ...assembly, dressings: assembly.dressings.filter((each) => each.id !== dressing) });
  },
});
