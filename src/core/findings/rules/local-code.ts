import { isConstantVoltage } from './power-into';
import type { Rule } from '../types';

export const localCode: Rule = {
  id: 'local-code',
  what: 'Voltages that local code and licensed people decide about.',
  source: 'common practice; local code decides',
  find: ({ situation }) => {
    const found = situation.channels.find(
      ({ port, direction }) =>
        direction === 'sends' && (isConstantVoltage(port) || port.format === 'loudspeaker-bridged'),
    );
    return found
      ? [
          {
            severity: 'note' as const,
            says: `The ${found.port.name} may carry a dangerous voltage: local code and licensed people decide about this run.`,
            because:
              'Constant-voltage lines and bridged amplifiers reach what counts as mains in many places.',
            hear: 'Nothing; it is felt.',
            about: found.name,
            remedies: [],
          },
        ]
      : [];
  },
};
