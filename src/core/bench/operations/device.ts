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
            detail: [...drill.detail],
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
