import { connectorOf, dress, sayPlace, type Body, type Dressing } from '../../assembly';
import type { DressingRule } from '../types';

const SCREWED = /^(?:trs|ts|trrs|phono)/;

/** A nut and a washer for each socket that is screwed into a wall, and for each control; a knob, and the box itself. */
export const panelHardware: DressingRule = {
  id: 'panel-hardware',
  source: 'common practice',
  dress: ({ assembly }) =>
    assembly.bodies
      .filter(({ kind }) => kind === 'box')
      .flatMap((body) => [
        one(body, 'box', body.id, sayPlace(body)),
        ...body.ends.flatMap((end) => {
          const connector = connectorOf(assembly, end);
          return connector?.mount === 'panel' && SCREWED.test(connector.family)
            ? [
                one(body, 'washer', end.id, `of the socket ${end.id}`),
                one(body, 'nut', end.id, `of the socket ${end.id}`),
              ]
            : [];
        }),
        ...body.parts.flatMap((part) =>
          part.kind === 'potentiometer'
            ? [
                one(body, 'washer', body.id, `of the control ${part.id}`, part.id),
                one(body, 'nut', body.id, `of the control ${part.id}`, part.id),
                one(body, 'knob', body.id, `on the control ${part.id}`, part.id),
              ]
            : [],
        ),
      ]),
};

/** A device is opened and closed again: the tie that held its old cable is cut, and a new one holds the new. */
export const deviceTie: DressingRule = {
  id: 'device-tie',
  source: 'common practice: cut the tie and refit it',
  dress: ({ assembly }) =>
    assembly.bodies
      .filter(
        ({ id, kind, parts, joints }) =>
          kind === 'device' &&
          joints.length > 0 &&
          parts.length === 0 &&
          assembly.spans.some((span) => span.from === id || span.to === id),
      )
      .map((body) => one(body, 'tie', body.id, `holds the new lead in ${sayPlace(body)}`)),
};

const one = (body: Body, what: Dressing['what'], over: string, says: string, of = over): Dressing =>
  dress({ id: `${what}-${of}`, what, over, at: body.id, says });
