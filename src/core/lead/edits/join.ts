import { array, object, string } from 'yup';
import { HOWS, placeOf, sayTerminal, terminalSchema } from '../../assembly';
import { bad, good } from '../../quantity';
import { editKind, gone, kindOf } from './kind';
import { BY_HAND, eachBody, freeJoint, jointOf, noLongerLeft } from './surgery';

const shape = object({
  kind: kindOf('join'),
  terminals: array(terminalSchema).min(2).max(40).required(),
  how: string().oneOf(HOWS).required(),
}).noUnknown();

/** Joins terminals of one body: whatever joints they are in already become one. */
export const join = editKind({
  kind: 'join',
  shape,
  says: ({ terminals }, assembly) =>
    `${terminals.map((each) => sayTerminal(assembly, each)).join(' and ')} joined`,
  apply(assembly, { terminals, how }) {
    const places = terminals.map((terminal) => placeOf(assembly, terminal));
    const missing = terminals.find((_, n) => places[n] === undefined);
    if (missing !== undefined) return gone(assembly, missing);
    const [first] = places;
    if (!first || places.some((place) => place?.body.id !== first.body.id))
      return bad(
        'edit.apart',
        `${terminals.map((each) => sayTerminal(assembly, each)).join(' and ')} are not in one place: they cannot meet.`,
      );
    const before = terminals.flatMap((terminal) => jointOf(assembly, terminal) ?? []);
    const all = [...new Set([...before.flatMap((joint) => joint.terminals), ...terminals])];
    const [kept] = before;
    const joint = {
      ...(kept ?? {
        id: freeJoint(assembly, `joint-${terminals.join('-')}`),
        how,
      }),
      terminals: all,
      because: BY_HAND,
    };
    const changed = eachBody(assembly, (body) =>
      body.id === first.body.id
        ? { ...body, joints: [...body.joints.filter((each) => !before.includes(each)), joint] }
        : body,
    );
    return good(noLongerLeft(changed, all));
  },
});
