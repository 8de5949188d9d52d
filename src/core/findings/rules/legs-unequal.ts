import { isBalanced } from '../../catalogue';
import { resistances } from '../../model';
import { formatResistance, ohms as inOhms } from '../../quantity';
import { pairsOf, partnersOf, sayChannel } from '../../situation';
import type { Finding, Rule } from '../types';
import { isMiswired } from './solved';

/** Two parts of 5 % are never further apart; two of 1 % should be far nearer. */
const APART = 0.12;
/** Less than this is cable and joints, Ω. */
const LEAST = 2;

export const legsUnequal: Rule = {
  id: 'legs-unequal',
  what: 'Resistors in the legs of a balanced line that are not alike.',
  source: 'by the resistance of each leg; that legs are alike, common practice',
  find: (used) => {
    const { assembly, situation, netlist, lengths } = used;
    if (netlist.parts.length === 0 || isMiswired(used)) return [];
    return pairsOf(situation).flatMap((pair): readonly Omit<Finding, 'rule'>[] => {
      if (!isBalanced(pair.out.roles) || !isBalanced(pair.in.roles)) return [];
      const legs = partnersOf(pair).filter(({ role }) => role === 'hot' || role === 'cold');
      const [hotLeg, coldLeg] = legs;
      if (!hotLeg || !coldLeg) return [];
      const between = resistances(assembly, { lengths });
      const [hot, cold] = [between(hotLeg.from, hotLeg.to), between(coldLeg.from, coldLeg.to)];
      const apart = Math.abs(hot - cold);
      return !Number.isFinite(apart) || apart < LEAST || apart <= APART * Math.max(hot, cold)
        ? []
        : [
            {
              severity: 'caution',
              says: `The legs of ${sayChannel(pair.out)} are not alike: ${formatResistance(inOhms(hot))} in the hot, ${formatResistance(inOhms(cold))} in the cold.`,
              because:
                'What comes into both legs alike cancels only where both are loaded alike: the difference of the two turns it into signal.',
              hear: 'Hum and dimmer buzz that a balanced line should keep out.',
              about: hotLeg.from,
              at: [hotLeg.from, hotLeg.to, coldLeg.from, coldLeg.to],
              remedies: [],
            },
          ];
    });
  },
};
