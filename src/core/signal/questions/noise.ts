import { impedance, logarithmic, noise as thermal, type Circuit } from '../../circuit';
import { DBU_REFERENCE, good } from '../../quantity';
import { circuitOf, decibels, figure, R, sayDb, sayOhms, sayVolts, sound } from '../figures';
import type { Question } from '../types';

const BAND = logarithmic(20, 20_000, 400);

/** Thermal noise that resistors add, beside what a microphone makes itself. */
export const noise: Question = {
  id: 'noise',
  name: 'Noise of added resistance',
  sentence: 'A microphone of {microphone} with {series} put in series and {shunt} across, at {celsius}.',
  slots: [
    { id: 'microphone', kind: 'number', name: 'Microphone', unit: 'Ω', usual: 200, min: 1, max: 1e6 },
    { id: 'series', kind: 'number', name: 'In series', unit: 'Ω', usual: 1000, min: 0, max: 1e7 },
    { id: 'shunt', kind: 'number', name: 'Across', unit: 'Ω', usual: 1e6, min: 1, max: 1e9 },
    { id: 'celsius', kind: 'number', name: 'Temperature', unit: '°C', usual: 20, min: -40, max: 80 },
  ],
  answer({ number }) {
    const celsius = number('celsius');
    const of = (series: number, shunt: number): Circuit =>
      circuitOf(
        R('microphone', 'm', '0', number('microphone')),
        R('series', 'm', 'out', series),
        R('across', 'out', '0', shunt),
      );
    const circuit = of(number('series'), number('shunt'));
    const whole = sound(thermal(circuit, ['out', '0'], BAND, celsius)).volts;
    const alone = sound(
      thermal(circuitOf(R('microphone', 'm', '0', number('microphone'))), ['m', '0'], BAND, celsius),
    ).volts;
    const seen = sound(impedance(circuit, ['out', '0'], [1000])).re[0] ?? 0;
    // The signal is divided too, by all that is between: noise counts against what is left of it.
    const left = number('shunt') / (number('shunt') + number('series') + number('microphone'));
    const worse = decibels(whole / alone / left);
    const inputs = [
      ['microphone', sayOhms(number('microphone'))],
      ['in series', sayOhms(number('series'))],
      ['across', sayOhms(number('shunt'))],
      ['temperature', `${celsius} °C`],
    ] as const;
    return good({
      says: `Signal to noise is ${sayDb(worse)} worse than of the microphone alone${worse < 1 ? ': not heard' : ''}.`,
      weight: worse > 6 ? 'caution' : worse > 1 ? 'note' : 'good',
      figures: [
        figure(
          'whole',
          'noise, 20 Hz to 20 kHz',
          whole,
          'V',
          `${sayVolts(whole)}, ${sayDb(decibels(whole / DBU_REFERENCE), 'u')}`,
          'V = √(4kT · R · B), R what is seen',
          [...inputs, ['seen', sayOhms(seen)]],
          'Johnson and Nyquist, 1928; by the circuit',
        ),
        figure(
          'alone',
          'of the microphone alone',
          alone,
          'V',
          `${sayVolts(alone)}, ${sayDb(decibels(alone / DBU_REFERENCE), 'u')}`,
          'V = √(4kT · R · B)',
          inputs.slice(0, 1),
          'Johnson and Nyquist, 1928',
        ),
        figure(
          'worse',
          'signal to noise lost',
          worse,
          'dB',
          sayDb(worse),
          'noise up, and signal down',
          inputs,
          'by the circuit',
        ),
      ],
      circuit,
      notes: ['The input’s own noise comes on top.'],
    });
  },
};
