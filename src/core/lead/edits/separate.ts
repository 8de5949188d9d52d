import { array, object } from 'yup';
import { placeOf, sayTerminal, terminalSchema } from '../../assembly';
import { bad, capital, good } from '../../quantity';
import { editKind, gone, kindOf } from './kind';
import { BY_HAND, eachBody, freeJoint, isExisting, jointOf, takenOut } from './surgery';

const shape = object({
  kind: kindOf('separate'),
  terminals: array(terminalSchema).min(1).max(40).required(),
}).noUnknown();

/** Parts terminals from the rest of their joint: they keep a joint among themselves, and one alone is in none. */
export const separate = editKind({
  kind: 'separate',
  shape,
  says: ({ terminals }, assembly) =>
    `${terminals.map((each) => sayTerminal(assembly, each)).join(' and ')} parted from what is beside`,
  apply(assembly, { terminals }) {
    const missing = terminals.find((each) => !placeOf(assembly, each));
    if (missing !== undefined) return gone(assembly, missing);
    const existing = terminals.find((each) => isExisting(assembly, each));
    if (existing !== undefined)
      return bad(
        'edit.existing',
        `${capital(sayTerminal(assembly, existing))} is in a joint that was there before: it is not ours to undo.`,
      );
    const [first = ''] = terminals;
    const joint = jointOf(assembly, first);
    if (!joint || terminals.some((each) => !joint.terminals.includes(each)))
      return bad(
        'edit.apart',
        `${terminals.map((each) => sayTerminal(assembly, each)).join(' and ')} are not in one joint.`,
      );
    const without = terminals.reduce(takenOut, assembly);
    if (terminals.length < 2) return good(without);
    const body = placeOf(assembly, first)?.body.id;
    const own = {
      id: freeJoint(without, `joint-${terminals.join('-')}`),
      terminals,
      how: joint.how,
      because: BY_HAND,
    };
    return good(
      eachBody(without, (each) => (each.id === body ? { ...each, joints: [...each.joints, own] } : each)),
    );
  },
});
