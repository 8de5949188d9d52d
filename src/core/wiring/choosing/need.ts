import { isBalanced } from '../../catalogue';
import { kindOf } from '../recipes';
import type { Ask } from '../types';

/** What a lead asks of its cable, as the trade has cables for it. */
export const NEEDS = {
  loudspeaker: 'an amplifier’s line to a loudspeaker',
  instrument: 'an instrument',
  pickup: 'a record player’s pickup',
  balanced: 'one balanced channel',
  channels: 'several balanced channels',
  unbalanced: 'one unbalanced channel',
  stereo: 'two unbalanced channels',
  headset: 'several channels on one return',
  intercom: 'an intercom’s two lines',
  cups: 'the cord of a headphone',
  probes: 'two probes',
  tail: 'a tail of loose wires',
  data: 'control data',
} as const;
export type Need = keyof typeof NEEDS;

/** What this lead asks of its cable. */
export function needOf(ask: Ask): Need {
  const formats = new Set(ask.ends.map(({ port }) => port.format));
  if (ask.ends.some(({ port }) => port.id === 'headphone-cups')) return 'cups';
  if (formats.has('probe')) return 'probes';
  if (ask.ends.some(({ intent }) => intent.family === 'tail-pin')) return 'tail';
  if (formats.has('data')) return 'data';
  if (formats.has('intercom')) return 'intercom';
  // To headphones and a microphone apart, each has a cable of its own.
  if (formats.has('headset')) return ask.ends.length > 2 ? 'stereo' : 'headset';
  if (formats.has('pickup')) return 'pickup';
  if (ask.links.some((link) => kindOf(link) === 'loudspeaker')) return 'loudspeaker';
  const balanced = ask.links.some(({ out, in: to }) => isBalanced(out.roles) || isBalanced(to.roles));
  // What comes from one channel or goes to one is one channel’s worth of cable, and each end has its own.
  const outs = new Set(ask.links.map(({ out }) => out.name)).size;
  const ins = new Set(ask.links.map(({ in: to }) => to.name)).size;
  const channels = Math.min(outs, ins);
  const all = ask.links.every((link) => kindOf(link) === 'balanced');
  if (balanced) return channels > 1 ? 'channels' : outs > 1 && !all ? 'stereo' : 'balanced';
  if (Math.max(outs, ins) > 1) return 'stereo';
  return ask.ends.some(({ port }) => port.signal === 'instrument') ? 'instrument' : 'unbalanced';
}
