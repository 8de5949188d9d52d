import { conductorsOf, spansAt } from '../../assembly';
import { formatLength } from '../../quantity';
import { lengthSystem } from '../../wiring';
import { deviceWork } from '../devices';
import type { Operation, Workplace } from '../types';
import { hasCable } from './at';

/** Opening a device, taking its old lead off, and the new one in: before anything of it is soldered there. */
export const openDevice = (place: Workplace): readonly Operation[] => {
  const { body, end, connector } = place;
  if (body.kind !== 'device' || !hasCable(place)) return [];
  const { open, off, drill, through } = deviceWork(connector.family, body.name);
  return [
    {
      id: `open-${end.id}`,
      kind: 'open',
      end: end.id,
      title: open.title,
      detail: [...open.detail],
      ...(open.confirm ? { confirm: [...open.confirm] } : {}),
    },
    ...(off
      ? [
          {
            id: `unsolder-${end.id}`,
            kind: 'unsolder' as const,
            end: end.id,
            title: off.title,
            detail: [...off.detail],
            caution: 'Hot iron, rosin fumes; old solder may hold lead.',
          },
        ]
      : []),
    ...(drill
      ? [
          {
            id: `drill-${end.id}`,
            kind: 'drill' as const,
            end: end.id,
            title: drill.title,
            detail: [...sayDrill(place), ...drill.detail],
            caution: 'Chips fly: eye protection. Hold the work in a vice.',
          },
        ]
      : []),
    {
      id: `feed-${end.id}`,
      kind: 'feed',
      end: end.id,
      title: `Put the new lead into the ${body.name}`,
      detail: [...through],
      confirm: ['the lead is through'],
    },
  ];
};

/** How wide the holes are: by the thickest wire that goes through. */
function sayDrill({ assembly, body, schools }: Workplace): readonly string[] {
  const wires = spansAt(assembly, body.id).flatMap((span) =>
    conductorsOf(assembly, span).flatMap(({ outerMm }) => outerMm ?? []),
  );
  const wide = Math.max(0, ...wires);
  if (wide === 0) return [];
  const say = formatLength(wide, lengthSystem(schools));
  return [`The wire is ${say} over its insulation: a drill of ${say}, tried on a scrap with the wire first.`];
}
