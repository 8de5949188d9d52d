import type { PortKind } from '../../catalogue';
import { pairsOf, sayChannel, type ChannelPair } from '../../situation';
import type { Finding, Rule } from '../types';

type Found = Omit<Finding, 'rule'>;

const isPower = ({ signal }: PortKind): boolean => signal === 'loudspeaker';
/** A line of 70 or 100 V with transformers at its loudspeakers. */
export const isConstantVoltage = ({ id }: PortKind): boolean => id.endsWith('constant-voltage');

export const powerInto: Rule = {
  id: 'power-into',
  what: 'An amplifier on what is no loudspeaker, a loudspeaker on what is no amplifier, and lines of constant voltage on plain ones.',
  source: 'common practice; V² ÷ Z for the power',
  find: ({ situation }) => pairsOf(situation).flatMap((pair) => judged(pair) ?? []),
};

function judged({ out, in: into }: ChannelPair): Found | undefined {
  const common = { about: into.name, at: [], remedies: [] };
  const [from, to] = [out.port, into.port];
  if (from.direction === 'either' || to.direction === 'either') return undefined;
  if (isPower(from) !== isPower(to))
    return isPower(from)
      ? {
          ...common,
          severity: 'stop',
          says: `The ${from.name} goes into the ${to.name}, which is no loudspeaker.`,
          because: `An amplifier gives tens of volts from next to no impedance: ${sayChannel(into)} is made for a thousandth of the power.`,
          hear: 'A crack, smoke, and nothing ever again.',
        }
      : {
          ...common,
          severity: 'stop',
          says: `The ${to.name} is fed by the ${from.name}, which is no power amplifier.`,
          because: `A loudspeaker of ${to.impedance} Ω asks for amperes, and the ${from.name} gives milliamperes.`,
          hear: 'Next to nothing, and distorted.',
        };
  if (!isPower(from) || isConstantVoltage(from) === isConstantVoltage(to)) return undefined;
  return isConstantVoltage(from)
    ? {
        ...common,
        severity: 'stop',
        says: `A constant-voltage line goes into a plain loudspeaker of ${to.impedance} Ω.`,
        because: `70 V across ${to.impedance} Ω are ${Math.round(70 ** 2 / to.impedance)} W: such a line needs a transformer at each loudspeaker.`,
        hear: 'The amplifier protects itself, or the loudspeaker burns.',
      }
    : {
        ...common,
        severity: 'caution',
        says: 'A plain amplifier goes into a constant-voltage loudspeaker line.',
        because:
          'The transformer of the loudspeaker takes the level down for 70 or 100 V, which this amplifier does not give.',
        hear: 'Very quiet.',
      };
}
