import { cableOf, dress, thingOf, type Assembly, type Dressing, type Span } from '../../assembly';
import { isJacketed } from '../../catalogue';
import { shrinkFor } from '../../fit';
import type { Bare, DressingRule } from '../types';

/** Over a wrap label, and over an arrow, mm (nominal). */
const [OVER_LABEL, OVER_ARROW] = [40, 30];

function clear(
  { assembly }: Bare,
  id: string,
  at: string | undefined,
  lengthMm: number,
  says: string,
): readonly Dressing[] {
  const [span] = assembly.spans.filter(({ carries }) => !carries);
  const cable = span && cableOf(assembly, span);
  if (!span || !cable?.jacketMm || !isJacketed(cable)) return [];
  const size = shrinkFor({ passesMm: cable.jacketMm, gripsMm: cable.jacketMm });
  return [
    dress({
      id,
      what: 'clear-shrink',
      over: span.id,
      at: at ?? sideOf(assembly, span),
      ...(size ? { size } : {}),
      lengthMm,
      goesOn: 'before',
      closed: 'end',
      says,
    }),
  ];
}

/** Clear shrink over what is written on the jacket. No connector goes through it: it waits on the cable from the start. */
export const clearShrink: DressingRule = {
  id: 'clear-shrink',
  source: 'common practice: label and arrow under clear shrink',
  dress: (bare) => [
    ...(thingOf(bare.assembly) === 'box'
      ? []
      : clear(bare, 'shrink-label', undefined, OVER_LABEL, 'for over the label')),
    ...bare.assembly.dressings
      .filter(({ what }) => what === 'arrow')
      .flatMap(({ id, at }) => clear(bare, `shrink-${id}`, at, OVER_ARROW, 'for over the arrow')),
  ],
};

/** The side that it comes on from: one whose connector is not on yet, sooner than where the cable is parted. */
function sideOf({ bodies }: Assembly, { from, to }: Span): string {
  const isShell = (id: string): boolean =>
    bodies.some((body) => body.id === id && body.kind === 'shell' && !body.asItCame);
  return isShell(from) || !isShell(to) ? from : to;
}
