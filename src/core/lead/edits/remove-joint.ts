import { object } from 'yup';
import { documentId } from '../../assembly';
import { good } from '../../quantity';
import { editKind, gone, kindOf } from './kind';
import { eachBody } from './surgery';

const shape = object({ kind: kindOf('remove-joint'), joint: documentId }).noUnknown();

/** Undoes a joint: what was in it is loose, and a finding says so until it is dealt with. */
export const removeJoint = editKind({
  kind: 'remove-joint',
  shape,
  says: ({ joint }) => `joint ${joint} taken out`,
  apply(assembly, { joint }) {
    if (!assembly.bodies.some((body) => body.joints.some((each) => each.id === joint)))
      return gone(`joint “${joint}”`);
    return good(
      eachBody(assembly, (body) => ({ ...body, joints: body.joints.filter((each) => each.id !== joint) })),
    );
  },
});
