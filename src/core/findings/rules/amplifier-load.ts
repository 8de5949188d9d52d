import { pairsOf } from '../../situation';
import { isConstantVoltage } from './power-into';
import type { Finding, Rule } from '../types';

/** The least that an amplifier bears, Ω (from memory: most are rated down to 4, bridged to 8). */
const BEARS = { plain: 4, bridged: 8 } as const;

export const amplifierLoad: Rule = {
  id: 'amplifier-load',
  what: 'Loudspeakers beside each other that come to less than the amplifier bears.',
  source: '1 ÷ Σ 1/Z; what amplifiers bear from memory',
  find: ({ situation }) => {
    const pairs = pairsOf(situation).filter(({ out, in: into }) =>
      [out, into].every(({ port }) => port.signal === 'loudspeaker' && !isConstantVoltage(port)),
    );
    return [...new Set(pairs.map(({ out }) => out))].flatMap((out): readonly Omit<Finding, 'rule'>[] => {
      const load =
        1 /
        pairs.filter((pair) => pair.out === out).reduce((sum, pair) => sum + 1 / pair.in.port.impedance, 0);
      const least = out.port.format === 'loudspeaker-bridged' ? BEARS.bridged : BEARS.plain;
      return load >= 0.95 * least
        ? []
        : [
            {
              severity: 'stop',
              says: `The loudspeakers together are ${Number(load.toPrecision(2))} Ω, and the ${out.port.name} is usually made for ${least} Ω at least.`,
              because:
                'Beside each other impedances divide: below what it bears an amplifier gives more current than it was made for.',
              hear: 'It cuts out on loud passages, gets hot, and dies in time.',
              about: out.name,
              remedies: [],
            },
          ];
    });
  },
};
