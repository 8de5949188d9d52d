import { object } from 'yup';
import { documentId, sayJoint } from '../../assembly';
import { bad, capital, good } from '../../quantity';
import { editKind, kindOf } from './kind';
import { eachBody } from './surgery';

const shape = object({ kind: kindOf('remove-joint'), joint: documentId }).noUnknown();

/** Undoes a joint: what was in it is loose, and a finding says so until it is dealt with. */
export const removeJoint = editKind({
  kind: 'remove-joint',
  shape,
  says: ({ joint }, assembly) => `${sayJoint(assembly, joint)} undone`,
  apply(assembly, { joint }) {
    if (!assembly.bodies.some((body) => body.joints.some((each) => each.id === joint)))
      return bad('edit.gone', `${capital(sayJoint(assembly, joint))} is not in this lead any more.`);
    return good(
      eachBody(assembly, (body) => ({ ...body, joints: body.joints.filter((each) => each.id !== joint) })),
    );
  },
});
