import { cuts, sayFrom, type Cut } from '../../cutting';
import { cableOf, spanById, type Assembly } from '../../assembly';
import { COLOURS } from '../../catalogue';
import { formatLength } from '../../quantity';
import { lengthSystem, type Schools } from '../../wiring';
import { isMade } from '../made';
import type { Operation } from '../types';

/** Where several pieces are cut of a lead, which one this is: by the ends that it runs between. */
function sayRun({ bodies, spans }: Assembly, id: string): string {
  const span = spans.find((each) => each.id === id);
  const ends = [span?.from, span?.to].map((body) => {
    const found = bodies.find((each) => each.id === body);
    return found?.ends[0]?.id ?? found?.name ?? '';
  });
  return spans.filter(({ carries }) => !carries).length > 1 ? ` from ${ends.join(' to ')}` : '';
}

const sayWires = ({ wires = [] }: Cut, say: (mm: number) => string): readonly string[] =>
  wires.map(
    ({ colour, mm, because }) =>
      `${COLOURS[colour]} ${say(mm)}${because === undefined ? '' : `, ${because}`}`,
  );

const CUT = 'cut-';
/** The span that a cut is of, by the id of its step. */
export const spanOfCut = (id: string): string => id.slice(CUT.length);

/** A donor lead is proven before it is cut: a fault in it would be in the new one. */
const donor = (
  { span, total }: Cut,
  from: NonNullable<Cut['from']>,
  say: (mm: number) => string,
  cable: string,
): Operation => ({
  id: `${CUT}${span}`,
  kind: 'cut',
  title: `Cut the donor lead to ${say(total)}, from ${sayFrom(from)}`,
  detail: [
    cable,
    `End ${from.end} stays as it is. Measure it through first, from each contact to its core: what is wrong in it would be in the new lead.`,
    'Square end. Measure along the cable lying straight.',
  ],
  caution: 'Blade away from the hand.',
});

/** Each piece of cable to its cut length, or each loose wire to its own, mm. */
export const cut = (assembly: Assembly, schools: Schools): readonly Operation[] =>
  cuts(assembly, schools).map((each) => {
    const span = spanById(assembly, each.span);
    const say = (mm: number): string => formatLength(mm, lengthSystem(schools));
    const wires = sayWires(each, say);
    if (each.from) return donor(each, each.from, say, (span && cableOf(assembly, span)?.name) ?? each.cable);
    const device = [span?.from, span?.to]
      .map((id) => assembly.bodies.find((body) => body.id === id))
      .find((body) => body && !isMade(assembly, body));
    return {
      id: `${CUT}${each.span}`,
      kind: 'cut',
      title:
        device !== undefined
          ? `Cut the lead of the ${device.name} to ${say(each.total)}`
          : wires.length > 0
            ? `Cut ${wires.length === 1 ? 'one wire' : `${wires.length} wires`}${sayRun(assembly, each.span)}`
            : `Cut ${say(each.total)} of cable${sayRun(assembly, each.span)}`,
      detail: [
        (span && cableOf(assembly, span)?.name) ?? each.cable,
        ...(wires.length > 0 ? [`${wires.join('; ')}.`] : []),
        `Square ends. Measure along the ${wires.length > 0 ? 'wire' : 'cable'} lying straight, not off the coil.`,
        ...(schools['direction'] === 'print'
          ? ['The jacket’s print starts at the source end: mark that end before the cable leaves the reel.']
          : []),
      ],
      caution: 'Blade away from the hand.',
    };
  });
