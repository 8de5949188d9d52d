import { object, string } from 'yup';
import { cableOf, documentId, spanById } from '../../assembly';
import { COLOUR_CODES, COLOURS, memberId } from '../../catalogue';
import { good } from '../../quantity';
import { editKind, kindOf, noMore } from './kind';

const shape = object({
  kind: kindOf('identify'),
  span: documentId,
  conductor: memberId,
  /** As it was found on the core that the meter showed. */
  colour: string().oneOf(COLOUR_CODES).required(),
}).noUnknown();

/** Says which colour a core has that was not identified before: found by meter. */
export const identify = editKind({
  kind: 'identify',
  shape,
  says: ({ conductor, colour }) => `core ${conductor} found to be ${COLOURS[colour]}`,
  apply(assembly, { span: id, conductor, colour }) {
    const span = spanById(assembly, id);
    const cable = span && cableOf(assembly, span);
    if (!cable?.conductors.some((each) => each.id === conductor))
      return noMore(`core “${conductor}” of “${id}”`);
    return good({
      ...assembly,
      uses: {
        ...assembly.uses,
        cables: assembly.uses.cables.map((each) =>
          each.id === cable.id
            ? {
                ...each,
                conductors: each.conductors.map((one) => (one.id === conductor ? { ...one, colour } : one)),
              }
            : each,
        ),
      },
    });
  },
});
