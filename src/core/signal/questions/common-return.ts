import { magnitudes, transfer } from '../../circuit';
import { good } from '../../quantity';
import { circuitOf, decibels, figure, R, sayDb, sayOhms, sound, V } from '../figures';
import type { Question } from '../types';

/** What of one channel is heard in the other because they share a return. */
export const commonReturn: Question = {
  id: 'common-return',
  name: 'Crosstalk of a common return',
  sentence: 'Two channels of {load} share a return of {common}; each is driven from {source}.',
  slots: [
    { id: 'load', kind: 'number', name: 'Load of each channel', unit: 'Ω', usual: 32, min: 1, max: 1e6 },
    { id: 'common', kind: 'number', name: 'Common return', unit: 'Ω', usual: 0.2, min: 0.0001, max: 1000 },
    { id: 'source', kind: 'number', name: 'Source impedance', unit: 'Ω', usual: 0, min: 0, max: 10_000 },
  ],
  answer({ number }) {
    const [load, common, source] = [number('load'), number('common'), number('source')];
    const circuit = circuitOf(
      V('left', 'l', '0'),
      R('l', 'l', 'lo', source),
      R('left', 'lo', 'c', load),
      V('right', 'r', '0', 0, 0),
      R('r', 'r', 'ro', source),
      R('right', 'ro', 'c', load),
      R('common', 'c', '0', common),
    );
    const at = (a: string): number => magnitudes(sound(transfer(circuit, 'Vleft', [a, 'c'], [1000])))[0] ?? 0;
    const separation = decibels(at('lo') / at('ro'));
    const inputs = [
      ['load', sayOhms(load)],
      ['common return', sayOhms(common)],
      ['source', sayOhms(source)],
    ] as const;
    return good({
      says: `One channel is heard in the other ${sayDb(separation)} down${separation < 40 ? ': stereo narrows' : ''}.`,
      weight: separation < 30 ? 'caution' : separation < 45 ? 'note' : 'good',
      figures: [
        figure(
          'separation',
          'separation',
          separation,
          'dB',
          sayDb(separation),
          '20 log (load ÷ common), about',
          inputs,
          'by the circuit',
        ),
      ],
      circuit,
      notes: ['A return of its own for each channel ends it.'],
    });
  },
};
