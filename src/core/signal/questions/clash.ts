import { operatingPoint } from '../../circuit';
import { good } from '../../quantity';
import { circuitOf, figure, R, sayAmps, sayOhms, sayVolts, sayWatts, sound, V } from '../figures';
import type { Question } from '../types';

/** More than this from one output into the other distorts and warms both, A (from memory). */
export const HARM_AMPS = 0.01;

/** Two outputs on one wire. */
export const clash: Question = {
  id: 'clash',
  name: 'Two outputs on one wire',
  sentence: 'One output of {one} at {level}, another of {other} the other way, joined {through}.',
  slots: [
    { id: 'one', kind: 'number', name: 'First output', unit: 'Ω', usual: 50, min: 0.01, max: 1e6 },
    { id: 'level', kind: 'number', name: 'Level', unit: 'V', usual: 1, min: 0.001, max: 200 },
    { id: 'other', kind: 'number', name: 'Second output', unit: 'Ω', usual: 50, min: 0.01, max: 1e6 },
    {
      id: 'through',
      kind: 'choice',
      name: 'Joined',
      options: { bare: 'by bare wire', sum: 'through 470 Ω each' },
      usual: 'bare',
    },
  ],
  answer({ number, choice }) {
    const series = choice('through') === 'sum' ? 470 : 0;
    const [one, other, level] = [number('one'), number('other'), number('level')];
    const circuit = circuitOf(
      V('one', 'a', '0', level),
      R('one', 'a', 'x', one),
      R('sumone', 'x', 'm', series),
      V('other', 'b', '0', -level),
      R('other', 'b', 'y', other),
      R('sumother', 'y', 'm', series),
    );
    const amps = -sound(operatingPoint(circuit)).current('Vone');
    const watts = amps * amps * (one + other);
    const inputs = [
      ['difference', sayVolts(2 * level)],
      ['outputs', `${sayOhms(one)} and ${sayOhms(other)}`],
      ...(series > 0 ? ([['between', sayOhms(2 * series)]] as const) : []),
    ] as const;
    const harm = amps > HARM_AMPS;
    return good({
      says: `${sayAmps(amps)} flow from one output into the other${harm ? ': they distort, and warm' : ': nothing that an output minds'}.`,
      weight: harm ? 'stop' : amps > 0.002 ? 'caution' : 'good',
      figures: [
        figure(
          'current',
          'from one into the other',
          amps,
          'A',
          sayAmps(amps),
          'I = (V₁ − V₂) ÷ (Z₁ + Z₂)',
          inputs,
          'by the circuit',
        ),
        figure(
          'heat',
          'warmth in both outputs',
          watts,
          'W',
          sayWatts(watts),
          'I² · (Z₁ + Z₂)',
          inputs,
          'by the circuit',
        ),
      ],
      circuit,
      notes: harm ? ['Join outputs through a resistor each, never by a bare Y.'] : [],
    });
  },
};
