import { object } from 'yup';
import { placeOf, terminalSchema } from '../../assembly';
import { bad, good } from '../../quantity';
import { join } from './join';
import { editKind, gone, kindOf } from './kind';
import { isExisting, jointOf, takenOut } from './surgery';

const shape = object({
  kind: kindOf('move'),
  terminal: terminalSchema,
  to: terminalSchema,
}).noUnknown();

/** Takes a terminal out of its joint and puts it where another is. */
export const move = editKind({
  kind: 'move',
  shape,
  says: ({ terminal, to }) => `${terminal} moved to ${to}`,
  apply(assembly, { terminal, to }) {
    if (!placeOf(assembly, terminal)) return gone(`“${terminal}”`);
    if (!placeOf(assembly, to)) return gone(`“${to}”`);
    if (isExisting(assembly, terminal))
      return bad(
        'edit.existing',
        `“${terminal}” is in a joint that was there before: it is not ours to undo.`,
      );
    if (terminal === to || jointOf(assembly, terminal)?.terminals.includes(to)) return good(assembly);
    return join.apply(takenOut(assembly, terminal), {
      kind: 'join',
      terminals: [terminal, to],
      how: jointOf(assembly, to)?.how ?? jointOf(assembly, terminal)?.how ?? 'cup',
    });
  },
});
