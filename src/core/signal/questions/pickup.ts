import { logarithmic } from '../../circuit';
import { good } from '../../quantity';
import { response } from '../band';
import { C, circuitOf, figure, L, R, sayDb, sayFarads, sayHertz, sayOhms, V } from '../figures';
import { DARK } from '../lead/coil';
import type { Question } from '../types';

/** Where a passive pickup rings with its lead. */
export const pickup: Question = {
  id: 'pickup',
  name: 'Pickup and lead',
  sentence:
    'A pickup of {henries}, {ohms} and {own} with a control of {control}, through {length} of cable of {capacitance} into {load}.',
  slots: [
    { id: 'henries', kind: 'number', name: 'Inductance', unit: 'H', usual: 3, min: 0.05, max: 30 },
    { id: 'ohms', kind: 'number', name: 'Winding', unit: 'Ω', usual: 7000, min: 10, max: 100_000 },
    { id: 'own', kind: 'number', name: 'Own capacitance', unit: 'pF', usual: 110, min: 0, max: 5000 },
    { id: 'control', kind: 'number', name: 'Control', unit: 'Ω', usual: 250_000, min: 1000, max: 1e7 },
    { id: 'length', kind: 'number', name: 'Length', unit: 'm', usual: 6, min: 0, max: 60 },
    { id: 'capacitance', kind: 'number', name: 'Capacitance', unit: 'pF/m', usual: 95, min: 1, max: 1000 },
    { id: 'load', kind: 'number', name: 'Load', unit: 'Ω', usual: 1e6, min: 1000, max: 1e8 },
  ],
  answer({ number }) {
    const own = number('own') * 1e-12;
    const perMetre = number('capacitance') * 1e-12;
    const of = (metres: number) =>
      circuitOf(
        V('1', 'emf', '0'),
        R('winding', 'emf', 'coil', number('ohms')),
        L('1', 'coil', 'out', number('henries')),
        C('own', 'out', '0', own),
        R('control', 'out', '0', number('control')),
        C('cable', 'out', '0', perMetre * metres),
        R('load', 'out', '0', number('load')),
      );
    const frequencies = logarithmic(100, 20_000, 241);
    const curve = (metres: number): readonly number[] =>
      response(of(metres), 'V1', ['out', '0'], frequencies);
    const length = number('length');
    const now = curve(length);
    const top = now.reduce((best, value, n) => (value > (now[best] ?? -Infinity) ? n : best), 0);
    const peak = frequencies[top] ?? 0;
    const rise = (now[top] ?? 0) - (now[0] ?? 0);
    const farads = own + perMetre * length;
    const ideal = 1 / (2 * Math.PI * Math.sqrt(number('henries') * farads));
    const inputs = [
      ['inductance', `${number('henries')} H`],
      ['capacitance in all', sayFarads(farads)],
      ['control beside load', sayOhms(1 / (1 / number('control') + 1 / number('load')))],
    ] as const;
    // The one that is asked about first: it is drawn as the main one.
    const lengths = [...new Set([length, 1, 3, 12])];
    return good({
      says:
        rise > 0.1
          ? `It rings at ${sayHertz(peak)}, ${sayDb(rise)} up, and falls away above: a longer lead makes it lower and darker.`
          : `Its resonance at ${sayHertz(ideal)} is damped flat; above it the treble falls away.`,
      weight: ideal < DARK ? 'caution' : 'good',
      figures: [
        figure(
          'resonance',
          'resonance',
          ideal,
          'Hz',
          sayHertz(ideal),
          'f = 1 ÷ (2π√(L·C))',
          inputs,
          'textbook formula',
        ),
        figure(
          'peak',
          'highest point of the curve',
          peak,
          'Hz',
          `${sayHertz(peak)}, ${sayDb(rise)}`,
          'from the curve',
          inputs,
          'by the circuit; typical pickups from memory',
        ),
      ],
      chart: {
        name: 'Level against frequency, by length',
        x: { name: 'frequency', unit: 'Hz', scale: 'log' },
        y: { name: 'level', unit: 'dB', scale: 'linear' },
        series: lengths.map((metres) => {
          const values = metres === length ? now : curve(metres);
          return { name: `${metres} m`, points: frequencies.map((hertz, n) => [hertz, values[n] ?? 0]) };
        }),
      },
      circuit: of(length),
      notes: ['A real coil has losses in its core that damp it a little more.'],
    });
  },
};
