import { isBalanced } from '../catalogue';
import { withinEnd, type Channel } from '../situation';
import type { Equipment } from './equipment';

/** What feeds on a supply that comes down its own line. */
export function takesSupply(eq: Equipment, channel: Channel): void {
  const { port, roles } = channel;
  if (port.phantom !== 'needs' || !isBalanced(roles)) return;
  for (const role of ['hot', 'cold'] as const) {
    const leg = eq.role(roles, role);
    if (leg)
      eq.resistor(`${withinEnd(channel)} ${role} takes`, leg, eq.ground, 1000 * eq.facts.microphoneKiloOhms);
  }
}
