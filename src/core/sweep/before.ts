import { sayList } from '../quantity';
import type { InputList, VenueLine } from './inputs';
import { wantsOf } from './inputs';

/** Something to be done before the first line is looked at, or after the last: in this order. */
export interface Caution {
  readonly id: string;
  readonly says: string;
  /** What it is done to, each with its printed way. */
  readonly names: readonly string[];
}

const called = ({ name, way }: InputList['inputs'][number]): string =>
  way === undefined ? name : `${name} (way ${way})`;

/**
 * What comes before a sweep, in its order: mute, unplug what phantom harms, phantom on (handbook of the trade: phantom comes up
 * after everything is connected, and what it harms is unplugged first).
 */
export function cautionsBefore({ inputs }: InputList, lines: readonly VenueLine[]): readonly Caution[] {
  const harmed = inputs.filter((input) => wantsOf(input) === 'harmed');
  const untold = inputs.filter(({ port, phantom }) => port === undefined && phantom === undefined);
  const stuck = lines.filter(({ phantom }) => phantom === true).map(({ way }) => String(way));
  return [
    { id: 'mute', says: 'Mute every channel, and headphones and monitors with them.', names: [] },
    ...(harmed.length > 0
      ? [{ id: 'unplug', says: 'Unplug what phantom harms:', names: harmed.map(called) }]
      : []),
    ...(untold.length > 0
      ? [
          {
            id: 'untold',
            says: 'Of these the list does not say what they are: unplug what is not known to bear phantom:',
            names: untold.map(called),
          },
        ]
      : []),
    {
      id: 'on',
      says:
        stuck.length > 0
          ? `Then phantom on for every way. It cannot be switched off on ${stuck.length === 1 ? 'way' : 'ways'} ${sayList(stuck)}.`
          : 'Then phantom on for every way.',
      names: [],
    },
  ];
}

/** What comes after a sweep, before anything is plugged in again. */
export function cautionsAfter({ inputs }: InputList): readonly Caution[] {
  const needs = inputs.filter((input) => wantsOf(input) === 'needs');
  return [
    { id: 'off', says: 'Phantom off for every way, and wait until the lamps are dark.', names: [] },
    { id: 'plug', says: 'Plug in by the new list.', names: [] },
    needs.length > 0
      ? { id: 'on again', says: 'Then phantom on for these alone:', names: needs.map(({ name }) => name) }
      : { id: 'none', says: 'Nothing on the list needs phantom: it stays off.', names: [] },
    { id: 'unmute', says: 'Unmute one after the other, low first.', names: [] },
  ];
}
