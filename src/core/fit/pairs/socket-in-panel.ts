import { connectorOf, thingOf } from '../../assembly';
import { type Fit, type Pair } from '../types';

/** A socket in the wall of a box: what is drilled for it. */
export const socketInPanel: Pair = {
  id: 'socket-in-panel',
  what: 'A socket in the hole that is drilled for it.',
  source: 'hole of the connector’s entry, nominal: measure yours before drilling',
  of: (assembly) =>
    thingOf(assembly) !== 'box'
      ? []
      : assembly.bodies.flatMap((body) =>
          body.ends.flatMap((end): Fit[] => {
            const connector = connectorOf(assembly, end);
            if (connector?.mount !== 'panel' || connector.holeMm === undefined) return [];
            return [
              {
                id: `hole-${end.id}`,
                pair: 'socket-in-panel',
                at: end.id,
                says: `Socket ${end.id} in the wall of the box`,
                has: `${connector.name}`,
                takes: `a hole of ${connector.holeMm} mm`,
                verdict: 'measure',
                todo: 'Look inside first: ribs, bosses, depth. Pilot, then drill up in steps; deburr. Its neck has to take wall, washer and nut.',
              },
            ];
          }),
        ),
};
