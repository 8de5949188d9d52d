import type { LeadInUse } from './types';

/** The side of a lead that an end is on: its intent’s where it has one, else by what its channels do. */
export function sideOfEnd({ slot, situation }: LeadInUse, end: string): 'source' | 'destination' {
  const place = slot(end);
  if (place !== '') return place.startsWith('from') ? 'source' : 'destination';
  return situation.channels.some((channel) => channel.end === end && channel.direction === 'sends')
    ? 'source'
    : 'destination';
}
