import { object } from 'yup';
import { isExisting, noLongerLeft, takenOut } from './surgery';
import { placeOf, sayTerminal, terminalSchema, type Unjoined } from '../../assembly';
import { bad, capital, good } from '../../quantity';
import { editKind, gone, kindOf } from './kind';

/** One side of a conductor is taken out of its joint, where it is in one, and dealt with. */
export const leave = <Kind extends string>(kind: Kind, is: Unjoined['is'], verb: string) =>
  editKind({
    kind,
    shape: object({ kind: kindOf(kind), at: terminalSchema }).noUnknown(),
    says: ({ at }, assembly) => `${sayTerminal(assembly, at)} ${verb}`,
    apply(assembly, { at }) {
      if (placeOf(assembly, at)?.kind !== 'conductor') return gone(assembly, at);
      if (isExisting(assembly, at))
        return bad(
          'edit.existing',
          `${capital(sayTerminal(assembly, at))} is in a joint that was there before: it is not ours to undo.`,
        );
      const free = noLongerLeft(takenOut(assembly, at), [at]);
      return good({
        ...free,
        unjoined: [...free.unjoined, { at, is, because: { says: 'Dealt with by hand.' } }],
      });
    },
  });
