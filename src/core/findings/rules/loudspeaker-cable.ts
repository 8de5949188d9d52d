import { cableOf, conductorTerminal, conductorsOf } from '../../assembly';
import { rolePlaces } from '../../situation';
import { isLoudspeaker } from './say';
import type { Finding, Rule } from '../types';

/** Thinner than 0.75 mm² gets warm in a loudspeaker lead, Ω/km (IEC 60228: 26.0). */
const THIN = 26.5;

export const loudspeakerCable: Rule = {
  id: 'loudspeaker-cable',
  what: 'A loudspeaker line in cable that is screened, or too thin.',
  source: 'copper IEC 60228; common practice',
  find: ({ assembly, situation, netlist }) => {
    const power = new Set(
      rolePlaces(situation)
        .filter(({ channel }) => isLoudspeaker(channel))
        .flatMap(({ at }) => netlist.netOf.get(at) ?? []),
    );
    return assembly.spans.flatMap((span): readonly Omit<Finding, 'rule'>[] => {
      const carrying = conductorsOf(assembly, span).filter((conductor) => {
        const net = netlist.netOf.get(conductorTerminal(span.id, conductor.id, span.from));
        return net !== undefined && power.has(net);
      });
      const cable = cableOf(assembly, span);
      if (!cable || carrying.length === 0) return [];
      const screened = cable.screen !== 'none';
      const thin = carrying.some(({ ohmsPerKm }) => ohmsPerKm !== undefined && ohmsPerKm > THIN);
      return screened || thin
        ? [
            {
              severity: screened ? 'stop' : 'caution',
              says: `${cable.name} carries a loudspeaker line: it is ${[...(screened ? ['screened'] : []), ...(thin ? ['too thin'] : [])].join(' and ')}.`,
              because: screened
                ? 'Its capacitance can make an amplifier oscillate, and its cores are for milliamperes.'
                : 'Amperes warm it, and most of the damping is lost in it.',
              hear: 'Less level, loose bass; a hot cable, in time a dead amplifier.',
              about: span.id,
              at: carrying.map(({ id }) => conductorTerminal(span.id, id, span.from)),
              remedies: [],
            },
          ]
        : [];
    });
  },
};
