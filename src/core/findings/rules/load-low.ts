import { loadOhms, sourceOhms } from '../../model';
import { pairsOf, type Channel } from '../../situation';
import { formatResistance, ohms } from '../../quantity';
import type { Finding, Rule } from '../types';

/** Between what a source wants its load, Ω, and what it hears otherwise. */
function wants({
  port,
}: Channel): { readonly least: number; readonly most?: number; readonly hear: string } | undefined {
  if (port.id === 'record-player')
    return {
      least: 30_000,
      most: 100_000,
      hear: 'Dull, or with a bright edge: the cartridge is made for 47 kΩ.',
    };
  if (port.coil) return { least: 200_000, hear: 'Dull and weak: the treble of the pickup is gone.' };
  if (port.signal === 'microphone' && !port.needs)
    return {
      least: 4.5 * sourceOhms({ port }),
      hear: 'Less level, and a bass and treble that bend with the input.',
    };
  if (port.signal === 'line' || port.signal === 'instrument')
    return {
      least: 2 * sourceOhms({ port }),
      hear: 'Less level, and distortion from an output that has to work too hard.',
    };
  return undefined;
}

export const loadLow: Rule = {
  id: 'load-low',
  what: 'Inputs that load a source more than it bears, one or several beside each other; a cartridge that is loaded too little.',
  source:
    'five times its impedance for a microphone, 47 kΩ for a cartridge, common practice; the rest from memory',
  find: ({ situation, netlist }) => {
    const pairs = pairsOf(situation);
    return [...new Set(pairs.map(({ out }) => out))].flatMap((out): readonly Omit<Finding, 'rule'>[] => {
      const bears = wants(out);
      const mine = pairs.filter((pair) => pair.out === out);
      // A pad or a sum loads in its own way, and a line that goes on as what is at its end.
      if (
        !bears ||
        netlist.parts.length > 0 ||
        [out, ...mine.map((pair) => pair.in)].some(({ port }) => port.direction === 'either')
      )
        return [];
      const load = 1 / mine.reduce((sum, pair) => sum + 1 / loadOhms(pair.in), 0);
      const low = load < bears.least;
      return !low && load <= (bears.most ?? Infinity)
        ? []
        : [
            {
              severity: 'caution',
              says: `The ${out.port.name} looks into ${formatResistance(ohms(load))}${mine.length > 1 ? `, ${mine.length} inputs beside each other` : ''}: ${low ? 'less than it wants' : 'more than it wants'}.`,
              because: low
                ? `It wants at least ${formatResistance(ohms(Number(bears.least.toPrecision(2))))}: below that its own impedance takes the signal.`
                : `It wants no more than ${formatResistance(ohms(bears.most ?? 0))}.`,
              hear: bears.hear,
              about: out.name,
              remedies: [],
            },
          ];
    });
  },
};
