import { isBalanced, PHANTOM_SUPPLIES, type Role } from '../catalogue';
import type { NodeName } from '../circuit';
import { withinEnd, type Channel } from '../situation';
import { ASSUMED } from './assumed';
import type { Equipment } from './equipment';
import type { HeardChannel } from './driven';

/** Load of a channel that listens, Ω. */
export const loadOhms = ({ port }: Pick<Channel, 'port'>): number =>
  port.direction === 'in' || port.signal === 'headphone' || port.signal === 'loudspeaker'
    ? port.impedance
    : ASSUMED.lineLoadOhms;

/**
 * What listens, as its signal contacts show it: its load, and what it feeds up the line where supplies are on. A microphone
 * input `blocks` direct current that another feeds, whether it gives any itself or not.
 */
export function load(
  eq: Equipment,
  channel: Channel,
  supplies: boolean,
  blocks = false,
): Omit<HeardChannel, 'channel'> {
  const { port, roles } = channel;
  const z = Math.max(loadOhms(channel), 1e-3);
  const name = (what: string): string => `${withinEnd(channel)} ${what}`;
  const at = (role: Role): NodeName => eq.role(roles, role) ?? eq.ground;
  if ('plus' in roles) {
    const pair = [at('plus'), at('minus')] as const;
    eq.resistor(name('load'), pair[0], pair[1], z);
    return { between: pair };
  }
  if (!isBalanced(roles)) {
    const hot = at('hot');
    const common = eq.role(roles, 'return') ?? eq.role(roles, 'screen') ?? eq.ground;
    if (port.picofarads !== undefined) eq.capacitor(name('own'), hot, common, 1e-12 * port.picofarads);
    if (supplies && port.gives) {
      const feed = eq.inside(name('supply'));
      const behind = eq.inside(name('blocked'));
      const supply = eq.supply(name('supply'), feed, common, port.gives.volts);
      eq.resistor(name('feed'), feed, hot, 1000 * eq.facts.plugInKiloOhms);
      eq.capacitor(name('block'), hot, behind, ASSUMED.blockingFarads);
      eq.resistor(name('load'), behind, common, z);
      return { between: [hot, common], supply };
    }
    eq.resistor(name('load'), hot, common, z);
    return { between: [hot, common] };
  }
  const legs = [at('hot'), at('cold')] as const;
  const phantom = supplies && port.phantom === 'gives' ? PHANTOM_SUPPLIES[port.supply ?? 'P48'] : undefined;
  const tPower = supplies && port.gives?.kind === 'T-power' ? port.gives.volts : undefined;
  const feed = eq.inside(name('supply'));
  const given = phantom?.volts ?? tPower;
  const supply = given === undefined ? undefined : eq.supply(name('supply'), feed, eq.ground, given);
  legs.forEach((leg, n) => {
    const side = n === 0 ? 'hot' : 'cold';
    if (phantom) eq.resistor(name(`${side} feed`), feed, leg, phantom.feedOhms);
    if (tPower !== undefined)
      eq.resistor(name(`${side} feed`), n === 0 ? feed : eq.ground, leg, ASSUMED.tPowerOhms);
    if (phantom || tPower !== undefined || blocks) {
      const behind = eq.inside(name(`${side} blocked`));
      eq.capacitor(name(`${side} block`), leg, behind, ASSUMED.blockingFarads);
      eq.resistor(name(side), behind, eq.ground, z / 2);
    } else eq.resistor(name(side), leg, eq.ground, z / 2);
  });
  return { between: legs, ...(supply === undefined ? {} : { supply }) };
}
