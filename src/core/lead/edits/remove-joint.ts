import { object } from 'yup';
import { documentId } from '../../assembly';
import { bad, capital, good } from '../../quantity';
import { editKind, kindOf } from './kind';
import { eachBody } from './surgery';

const shape = object({ kind: kindOf('remove-joint'), joint: documentId }).noUnknown();

/** A joint by where it is, which its id says of those on a contact: it may be gone. */
function sayJoint(id: string): string {
  const [, end, contact] = /^joint-([A-Za-z0-9]+)-([^-]+)$/.exec(id) ?? [];
  return end === undefined ? `joint ${id}` : `the joint on ${end}.${contact}`;
}

/** Undoes a joint: what was in it is loose, and a finding says so until it is dealt with. */
export const removeJoint = editKind({
  kind: 'remove-joint',
  shape,
  says: ({ joint }) => `${sayJoint(joint)} undone`,
  apply(assembly, { joint }) {
    if (!assembly.bodies.some((body) => body.joints.some((each) => each.id === joint)))
      return bad('edit.gone', `${capital(sayJoint(joint))} is not in this lead any more.`);
    return good(
      eachBody(assembly, (body) => ({ ...body, joints: body.joints.filter((each) => each.id !== joint) })),
    );
  },
});
