import { object } from 'yup';
import { placeOf, sayTerminal, terminalSchema } from '../../assembly';
import { bad, capital, good } from '../../quantity';
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
  says: ({ terminal, to }, assembly) =>
    `${sayTerminal(assembly, terminal)} moved to ${sayTerminal(assembly, to)}`,
  apply(assembly, { terminal, to }) {
    if (!placeOf(assembly, terminal)) return gone(assembly, terminal);
    if (!placeOf(assembly, to)) return gone(assembly, to);
    if (isExisting(assembly, terminal))
      return bad(
        'edit.existing',
        `${capital(sayTerminal(assembly, terminal))} is in a joint that was there before: it is not ours to undo.`,
      );
    if (terminal === to || jointOf(assembly, terminal)?.terminals.includes(to)) return good(assembly);
    return join.apply(takenOut(assembly, terminal), {
      kind: 'join',
      terminals: [terminal, to],
      how: jointOf(assembly, to)?.how ?? jointOf(assembly, terminal)?.how ?? 'cup',
    });
  },
});
