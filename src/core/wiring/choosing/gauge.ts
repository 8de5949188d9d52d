import { coresOf } from '../cores';
import { formatResistance, ohms } from '../../quantity';
import { LOUDSPEAKER_SHARE } from '../../signal';
import type { Criterion } from './types';

export const gauge: Criterion = {
  id: 'gauge',
  what: 'Whether its copper is thick enough for the load and the length.',
  source: 'R = ρl/A (IEC 60028, IEC 60228); 5 % of the load common practice',
  judge({ ask, cable, metres }) {
    const loads = ask.links.flatMap(({ in: to }) =>
      to.port.signal === 'loudspeaker' || to.port.signal === 'headphone' ? [to.port.impedance] : [],
    );
    if (loads.length === 0) return undefined;
    const power = ask.links.some(({ out }) => 'plus' in out.roles);
    const perKm = coresOf(cable)[0]?.ohmsPerKm;
    if (perKm === undefined) return undefined;
    const length = Math.max(0, ...metres.values());
    // Each has a cable of its own, however many there are on one output.
    const load = Math.min(...loads);
    const loop = (2 * perKm * length) / 1000;
    const share = loop / load;
    const lost = 20 * Math.log10(1 + share);
    const says = `Its copper is ${formatResistance(ohms(loop))}, ${(share * 100).toFixed(share < 0.1 ? 1 : 0)} % of the load: ${lost.toFixed(2)} dB are lost`;
    return share <= LOUDSPEAKER_SHARE
      ? { grade: 'good', says: `${says}.` }
      : share <= 2 * LOUDSPEAKER_SHARE
        ? { grade: power ? 'poor' : 'fair', says: `${says}${power ? ', and the bass is loose' : ''}.` }
        : { grade: power ? 'wrong' : 'poor', says: `${says}.` };
  },
};
