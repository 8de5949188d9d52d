import type { Rule } from '../types';
import { figuresOf } from './solved';

export const overload: Rule = {
  id: 'overload',
  what: 'An input that gets more than it takes at its lowest gain.',
  source: 'by the circuit; what inputs take from memory',
  find: (used) =>
    figuresOf(used, 'headroom')
      .filter(({ figure }) => figure.value < 0)
      .map(({ figure, into }) => ({
        severity: 'caution' as const,
        says: `The ${into?.port.name ?? 'input'} gets ${(-figure.value).toFixed(0)} dB more than it takes.`,
        because: 'By the circuit, at the output’s nominal level and the input’s lowest gain.',
        hear: 'Distortion on everything but the quietest passages.',
        about: into?.end ?? '',
        remedies: [
          { says: 'Put a pad in line', change: { kind: 'set' as const, path: 'wiring', value: 'pad' } },
        ],
      }))
      .slice(0, 1),
};
