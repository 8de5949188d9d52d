import { object } from 'yup';
import { contactTerminal, documentId, endById, jointsOf, memberOf, sayTerminal } from '../../assembly';
import { connectorSchema } from '../../catalogue';
import { bad, capital, good } from '../../quantity';
import { editKind, kindOf, noMore } from './kind';
import { tidied, withEntry } from './renamed';
import { eachBody } from './surgery';

const shape = object({
  kind: kindOf('change-connector'),
  end: documentId,
  /** As the catalogue has it: what the catalogue says later changes no lead. */
  connector: connectorSchema.required(),
}).noUnknown();

/** Makes an end of another connector: a body that suits the cable better, or one of another kind with the same contacts. */
export const changeConnector = editKind({
  kind: 'change-connector',
  shape,
  says: ({ end, connector }) => `end ${end} made with another connector: ${connector.name}`,
  apply(assembly, { end: id, connector }) {
    const end = endById(assembly, id);
    if (!end?.connector) return noMore(`connector at end ${id}`);
    const has = new Set([
      ...connector.contacts.map((contact) => contact.id),
      ...(connector.shell ? ['shell'] : []),
    ]);
    const lacking = assembly.bodies
      .flatMap((body) => jointsOf(body).flatMap(({ terminals }) => terminals))
      .find(
        (terminal) => terminal === contactTerminal(id, memberOf(terminal)) && !has.has(memberOf(terminal)),
      );
    if (lacking !== undefined)
      return bad(
        'edit.contact',
        `${capital(sayTerminal(assembly, lacking))} is joined to something, and ${connector.name} has no such contact: part it first.`,
      );
    const changed = eachBody(assembly, (body) => ({
      ...body,
      ends: body.ends.map((each) => (each.id === id ? { ...each, connector: connector.id } : each)),
    }));
    return good(
      tidied({
        ...changed,
        uses: { ...changed.uses, connectors: withEntry(changed.uses.connectors, connector) },
      }),
    );
  },
});
