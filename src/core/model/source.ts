import { isBalanced, type Role } from '../catalogue';
import type { NodeName } from '../circuit';
import { dbuToVolts } from '../quantity';
import { withinEnd, type Channel } from '../situation';
import { ASSUMED } from './assumed';
import type { Equipment } from './equipment';
import type { DrivenChannel } from './driven';

/** Source impedance of a channel that sends, Ω: of a coil its winding’s. */
export const sourceOhms = ({ port }: Pick<Channel, 'port'>): number =>
  port.coil?.ohms ?? (port.direction === 'out' ? port.impedance : ASSUMED.lineSourceOhms);

/** What sends, as its signal contacts show it: its source and its impedance, by how its output is made. */
// eslint-disable-next-line max-lines-per-function -- one circuit: what stands between a source and its contacts.
export function source(
  eq: Equipment,
  channel: Channel,
): Pick<DrivenChannel, 'source' | 'between' | 'coldSource'> {
  const { port, roles } = channel;
  const { imbalanceOhms: imbalance, crossCommonKiloOhms, windingPicoFarads } = eq.facts;
  const z = Math.max(sourceOhms(channel), 1e-3);
  const volts = dbuToVolts(port.levelDbu);
  const name = (what: string): string => `${withinEnd(channel)} ${what}`;
  const at = (role: Role): NodeName => eq.role(roles, role) ?? eq.ground;
  const emf = eq.inside(name('emf'));
  if ('plus' in roles) {
    const [plus, minus] = [at('plus'), at('minus')];
    if (port.format === 'loudspeaker-bridged') {
      const id = eq.emf(name('emf'), emf, eq.ground, volts / 2);
      const turned = eq.inside(name('turned'));
      eq.follow(name('turned'), turned, eq.ground, [emf, eq.ground], -1);
      eq.resistor(name('hot'), emf, plus, z / 2);
      eq.resistor(name('cold'), turned, minus, z / 2);
      return { source: id, between: [plus, minus] };
    }
    const id = eq.emf(name('emf'), emf, minus, volts);
    eq.resistor(name('out'), emf, plus, z);
    eq.resistor(name('minus'), minus, eq.ground, 1e-3);
    return { source: id, between: [plus, minus] };
  }
  if (!isBalanced(roles)) {
    const common = eq.role(roles, 'return') ?? eq.role(roles, 'screen') ?? eq.ground;
    const id = eq.emf(name('emf'), emf, common, volts);
    const hot = at('hot');
    if (port.coil) {
      const wound = eq.inside(name('winding'));
      eq.resistor(name('winding'), emf, wound, z);
      eq.inductor(name('coil'), wound, hot, port.coil.henries);
      eq.capacitor(name('own'), hot, common, 1e-12 * port.coil.picofarads);
      if (port.coil.controlOhms !== undefined)
        eq.resistor(name('control'), hot, common, port.coil.controlOhms);
    } else eq.resistor(name('out'), emf, hot, z);
    return { source: id, between: [hot, common] };
  }
  // What feeds on phantom lets it up to its output, and keeps it out of its source.
  const blocked = (side: 'hot' | 'cold'): NodeName => {
    if (port.phantom !== 'needs') return at(side);
    const behind = eq.inside(name(`${side} behind`));
    eq.capacitor(name(`${side} block`), behind, at(side), ASSUMED.blockingFarads);
    return behind;
  };
  const [hot, cold] = [blocked('hot'), blocked('cold')];
  const [high, low] = [z / 2 + imbalance / 2, Math.max(z / 2 - imbalance / 2, z / 20)];
  const between = [at('hot'), at('cold')] as const;
  const turned = eq.inside(name('turned'));
  switch (port.coldLeg ?? 'ground-referenced') {
    case 'ground-referenced': {
      const id = eq.emf(name('emf'), emf, eq.ground, volts / 2);
      const coldSource = eq.follow(name('turned'), turned, eq.ground, [emf, eq.ground], -1);
      eq.resistor(name('hot'), emf, hot, high);
      eq.resistor(name('cold'), turned, cold, low);
      return { source: id, between, coldSource };
    }
    case 'impedance-balanced': {
      const id = eq.emf(name('emf'), emf, eq.ground, volts);
      eq.resistor(name('hot'), emf, hot, high);
      eq.resistor(name('cold'), eq.ground, cold, low);
      return { source: id, between };
    }
    case 'cross-coupled':
    case 'transformer': {
      const id = eq.emf(name('emf'), emf, turned, volts);
      eq.resistor(name('hot'), emf, hot, high);
      eq.resistor(name('cold'), turned, cold, low);
      for (const [leg, node] of [
        ['hot', hot],
        ['cold', cold],
      ] as const)
        if (port.coldLeg === 'cross-coupled')
          eq.resistor(name(`${leg} common`), node, eq.ground, 1000 * crossCommonKiloOhms);
        else eq.capacitor(name(`${leg} winding`), node, eq.ground, 1e-12 * windingPicoFarads);
      return { source: id, between };
    }
  }
}

/** Outputs that make their level between two legs driven against each other: the source in the circuit is one of them. */
export const isHalved = ({ port, roles }: Channel): boolean =>
  port.format === 'loudspeaker-bridged' ||
  (!('plus' in roles) && isBalanced(roles) && (port.coldLeg ?? 'ground-referenced') === 'ground-referenced');
