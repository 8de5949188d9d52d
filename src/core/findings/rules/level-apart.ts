import { pairsOf } from '../../situation';
import { formatDecibels } from '../../quantity';
import type { Finding, Rule } from '../types';
import { gainsOf, isMiswired } from './solved';

/** Further apart than this the gain of an input does not reach, dB (from memory). */
const APART = 34;
/** Less than this in line is not what makes it faint, dB (from memory). */
const NOTICED = 3;

export const levelApart: Rule = {
  id: 'level-apart',
  what: 'A microphone into a line input, a line into a microphone input: too faint or too hot for any gain.',
  source: 'nominal levels of the ports, from memory; by the circuit',
  find: (used) => {
    if (isMiswired(used)) return [];
    const gains = gainsOf(used);
    return pairsOf(used.situation).flatMap((pair): readonly Omit<Finding, 'rule'>[] => {
      const { out, in: into } = pair;
      if (
        [out, into].some(
          ({ port }) =>
            port.direction === 'either' || port.signal === 'loudspeaker' || port.signal === 'test',
        )
      )
        return [];
      const gain = gains(pair)?.value ?? 0;
      if (!Number.isFinite(gain) || gain < -60) return [];
      const arrives = out.port.levelDbu + gain;
      const apart = arrives - into.port.levelDbu;
      if (Math.abs(apart) <= APART) return [];
      const faint = apart < 0;
      return [
        {
          severity: 'caution',
          says: faint
            ? `The ${out.port.name} is too faint for the ${into.port.name}: ${formatDecibels(arrives, 'u')} arrive, ${formatDecibels(into.port.levelDbu, 'u')} is what it is made for.`
            : `The ${out.port.name} is too hot for the ${into.port.name}: ${formatDecibels(arrives, 'u')} arrive, ${formatDecibels(into.port.levelDbu, 'u')} is what it is made for.`,
          because: faint
            ? `It lacks ${Math.round(-apart)} dB: ${
                into.port.signal === 'microphone'
                  ? -gain >= NOTICED
                    ? `${Math.round(-gain)} of them stay in what is in line`
                    : 'more than an input has to give'
                  : 'a microphone wants a microphone input, or a preamplifier between'
              }.`
            : `It is ${Math.round(apart)} dB over: a pad in line, or a line input.`,
          hear: faint
            ? 'Turned all the way up: hiss, and a voice far behind it.'
            : 'Distortion at the lowest gain.',
          about: into.name,
          remedies: faint
            ? []
            : [{ says: 'Put a pad in line', change: { kind: 'set', path: 'wiring', value: 'pad' } }],
        },
      ];
    });
  },
};
