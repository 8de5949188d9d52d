import {
  dress,
  placeOf,
  sayAnyLeg,
  sayPlace,
  sayTerminal,
  sideOf,
  type Assembly,
  type Body,
  type Joint,
  type Terminal,
} from '../../assembly';
import { bundleMm, shrinkFor, sizeOf } from '../../fit';
import type { DressingRule } from '../types';

/** Side by side in a joint, and 3 mm of sleeve beyond the bare metal at either side, mm (common practice; overlap nominal). */
const [OVERLAP, BEYOND] = [6, 3];

/** How thick a wire is that goes into a joint, and how thick what it slides over, mm. */
function thickness(assembly: Assembly, terminal: Terminal): { readonly bare: number; readonly over: number } {
  const place = placeOf(assembly, terminal);
  if (place?.kind === 'conductor') {
    const { copperMm = 0.6, outerMm = copperMm } = place.conductor;
    return { bare: copperMm, over: outerMm };
  }
  const leg = place?.kind === 'lead' ? (sizeOf(place.part)?.legMm ?? 0.6) : 0.6;
  return { bare: leg, over: leg };
}

/** What is joined in the air, in a shell, a barrel or a box: metal there touches what it should not. */
const inAir = (body: Body): readonly Joint[] =>
  body.kind === 'breakout' ? [] : body.joints.filter(({ how }) => how === 'air');

/** What is in a joint, as the hand takes it up: of a resistor either leg. */
function sayIn(assembly: Assembly, terminal: Terminal): string {
  const place = placeOf(assembly, terminal);
  return place?.kind === 'lead' ? sayAnyLeg(place.part, place.lead) : sayTerminal(assembly, terminal);
}

export const jointSleeve: DressingRule = {
  id: 'joint-sleeve',
  source: 'common practice: each joint in the air is sleeved, about 3 mm beyond bare metal at either side',
  dress: ({ assembly }) =>
    assembly.bodies.flatMap((body) =>
      inAir(body).map((joint) => {
        const wires = joint.terminals.map((terminal) => thickness(assembly, terminal));
        const metal = bundleMm(wires.map(({ bare }) => bare));
        const insulated = joint.terminals.flatMap((each, n) =>
          sideOf(each) === undefined ? [] : [wires[n]?.over ?? 0],
        );
        // It comes from the cores’ side where there are any, and holds on to their insulation.
        const from = insulated.length > 0 ? bundleMm(insulated) : metal;
        const size = shrinkFor({ passesMm: Math.max(metal, from), gripsMm: from });
        return dress({
          id: `sleeve-${joint.id}`,
          what: 'joint-sleeve',
          over: joint.id,
          at: body.id,
          ...(size ? { size } : {}),
          lengthMm: OVERLAP + 2 * BEYOND,
          says: `over the joint of ${joint.terminals.map((each) => sayIn(assembly, each)).join(' and ')}${
            joint.terminals.some((each) => sideOf(each) !== undefined) ? '' : ` in ${sayPlace(body)}`
          }`,
        });
      }),
    ),
};
