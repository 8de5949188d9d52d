import { dress, spansAt, type Dressing } from '../../assembly';
import { thicknessOf } from '../../fit';
import { sized } from '../sized';
import type { DressingRule } from '../types';

/** Over the rear of every plug that is glued shut, and onto its jacket. */
export const sealShrink: DressingRule = {
  id: 'seal-shrink',
  source: 'common practice: a plug that is glued shut gets shrink with adhesive from boot to jacket',
  dress: ({ assembly, schools }) =>
    schools.closing !== 'glued'
      ? []
      : assembly.bodies.flatMap((body): readonly Dressing[] => {
          const [end] = body.ends;
          const [span, ...more] = spansAt(assembly, body.id);
          // Several cables, or wires without a jacket, are nothing that one piece of shrink holds to.
          if (body.kind !== 'shell' || !end || !span || more.length > 0) return [];
          if (thicknessOf(assembly, span) === undefined) return [];
          const shrink = dress({
            id: `shrink-seal-${end.id}`,
            what: 'adhesive-shrink',
            over: end.id,
            at: body.id,
            says: `from the boot to the jacket of end ${end.id}`,
          });
          return [sized(assembly, shrink)];
        }),
};
