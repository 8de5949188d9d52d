import { object } from 'yup';
import { placeOf, sayTerminal, terminalSchema, type Terminal } from '../../assembly';
import { bad, capital, good } from '../../quantity';
import { editKind, gone, kindOf } from './kind';
import { BY_HAND, eachBody, isExisting } from './surgery';

const shape = object({ kind: kindOf('exchange'), one: terminalSchema, other: terminalSchema }).noUnknown();

/** Puts each of two terminals where the other is: in its joint, or left as it is left. */
export const exchange = editKind({
  kind: 'exchange',
  shape,
  says: ({ one, other }, assembly) =>
    `${sayTerminal(assembly, one)} and ${sayTerminal(assembly, other)} exchanged`,
  apply(assembly, { one, other }) {
    const [here, there] = [placeOf(assembly, one), placeOf(assembly, other)];
    if (!here) return gone(assembly, one);
    if (!there) return gone(assembly, other);
    if (here.body.id !== there.body.id)
      return bad(
        'edit.apart',
        `${capital(sayTerminal(assembly, one))} and ${sayTerminal(assembly, other)} are not in one place: they cannot change places.`,
      );
    const existing = [one, other].find((each) => isExisting(assembly, each));
    if (existing !== undefined)
      return bad(
        'edit.existing',
        `${capital(sayTerminal(assembly, existing))} is in a joint that was there before: it is not ours to undo.`,
      );
    const turned = (each: Terminal): Terminal => (each === one ? other : each === other ? one : each);
    const changed = eachBody(assembly, (body) =>
      body.id === here.body.id
        ? {
            ...body,
            joints: body.joints.map((joint) => {
              const holds = joint.terminals.filter((each) => each === one || each === other);
              return holds.length === 1
                ? { ...joint, terminals: joint.terminals.map(turned), because: BY_HAND }
                : joint;
            }),
          }
        : body,
    );
    return good({
      ...changed,
      unjoined: changed.unjoined.map((each) => ({ ...each, at: turned(each.at) })),
    });
  },
});
