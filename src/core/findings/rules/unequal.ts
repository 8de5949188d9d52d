import { sayChannel } from '../../situation';
import type { Rule } from '../types';
import { figuresOf, isMiswired } from './solved';

/** Further apart than this two channels that should be alike are heard apart, dB (from memory). */
const APART = 1;

export const unequal: Rule = {
  id: 'unequal',
  what: 'Channels that are alike at both ends and do not arrive alike.',
  source: 'by the circuit; what is heard from memory',
  find(used) {
    const kinds = new Map<string, ReturnType<typeof figuresOf>[number][]>();
    for (const each of figuresOf(used, 'gain').filter(({ figure }) => Number.isFinite(figure.value))) {
      const kind = `${each.out?.port.id ?? ''} ${each.into?.port.id ?? ''}`;
      kinds.set(kind, [...(kinds.get(kind) ?? []), each]);
    }
    if (isMiswired(used)) return [];
    return [...kinds.values()].flatMap((alike) => {
      const sorted = [...alike].sort((a, b) => a.figure.value - b.figure.value);
      const [least, most] = [sorted[0], sorted.at(-1)];
      if (
        !least?.out ||
        !least.into ||
        !most?.out ||
        !most.into ||
        most.figure.value - least.figure.value <= APART
      )
        return [];
      const name = ({ out, into }: typeof least): string =>
        least.out === most.out ? (into ? sayChannel(into) : '') : out ? sayChannel(out) : '';
      return [
        {
          severity: 'caution' as const,
          says: `${name(least)} arrives ${(most.figure.value - least.figure.value).toFixed(1)} dB under ${name(most)}, and they are meant to be alike.`,
          because: `By the circuit ${least.figure.says} of the one and ${most.figure.says} of the other arrives: the parts of the two differ.`,
          hear: 'The picture leans to one side; in a sum one of the two is missing.',
          about: least.out.name,
          at: [],
          remedies: [],
        },
      ];
    });
  },
};
