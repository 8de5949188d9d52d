import { logarithmic } from '../../circuit';
import { good } from '../../quantity';
import { fallsTo, largest, response } from '../band';
import { C, circuitOf, figure, R, sayDb, sayFarads, sayHertz, sayMetres, sayOhms, V } from '../figures';
import type { Question } from '../types';

/** What a source and a cable's capacitance leave of the treble. */
export const bandwidth: Question = {
  id: 'bandwidth',
  name: 'Treble lost in a cable',
  sentence:
    'A source of {source} into {load} through {length} of cable of {capacitance}, where {loss} at 20 kHz is too much.',
  slots: [
    { id: 'source', kind: 'number', name: 'Source impedance', unit: 'Ω', usual: 1000, min: 0.01, max: 1e7 },
    { id: 'load', kind: 'number', name: 'Load', unit: 'Ω', usual: 10_000, min: 1, max: 1e9 },
    { id: 'length', kind: 'number', name: 'Length', unit: 'm', usual: 10, min: 0, max: 2000 },
    { id: 'capacitance', kind: 'number', name: 'Capacitance', unit: 'pF/m', usual: 100, min: 1, max: 2000 },
    { id: 'loss', kind: 'number', name: 'Loss at 20 kHz', unit: 'dB', usual: 1, min: 0.01, max: 40 },
  ],
  // eslint-disable-next-line max-lines-per-function -- one answer from top to bottom: what is known, the sum, what it comes to.
  answer({ number }) {
    const [source, load, length, loss] = [number('source'), number('load'), number('length'), number('loss')];
    const perMetre = number('capacitance') * 1e-12;
    const of = (metres: number) =>
      circuitOf(
        V('1', 'out', '0'),
        R('source', 'out', 'in', source),
        C('cable', 'in', '0', perMetre * metres),
        R('load', 'in', '0', load),
      );
    const at = (metres: number, hertz: number): number =>
      response(of(metres), 'V1', ['in', '0'], [hertz])[0] ?? 0;
    const corner = (drop: number): number => fallsTo((hertz) => at(length, hertz), drop, 10, 1e8);
    const [one, three] = [corner(1), corner(3.0103)];
    const lost = at(length, 10) - at(length, 20_000);
    const longest = largest((metres) => at(metres, 10) - at(metres, 20_000) <= loss, 0, 100_000);
    const frequencies = logarithmic(20, 200_000, 121);
    const curve = response(of(length), 'V1', ['in', '0'], frequencies);
    const farads = perMetre * length;
    const inputs = [
      ['source', sayOhms(source)],
      ['load', sayOhms(load)],
      ['cable', sayFarads(farads)],
    ] as const;
    const open = (value: number, words: (v: number) => string): string =>
      Number.isFinite(value) ? words(value) : 'beyond 100 MHz';
    return good({
      says: `${lost < 0.05 ? 'Nothing that is heard is lost' : `${sayDb(-lost)} are lost`} at 20 kHz; −3 dB ${Number.isFinite(three) ? `at ${sayHertz(three)}` : 'is beyond 100 MHz'}. For ${sayDb(-loss)} at 20 kHz it may be ${longest >= 99_999 ? 'as long as you like' : sayMetres(longest)}.`,
      weight: lost > loss ? 'caution' : 'good',
      figures: [
        figure(
          'minus3',
          '−3 dB',
          three,
          'Hz',
          open(three, sayHertz),
          'f = 1 ÷ (2π · (source ∥ load) · C)',
          inputs,
          'by the circuit; typical capacitance from memory',
        ),
        figure(
          'minus1',
          '−1 dB',
          one,
          'Hz',
          open(one, sayHertz),
          'where the curve has fallen by 1 dB',
          inputs,
          'by the circuit',
        ),
        figure(
          'lost',
          'loss at 20 kHz',
          lost,
          'dB',
          sayDb(-lost, '', 2),
          '10 log (1 + (20 kHz ÷ f₋₃)²)',
          inputs,
          'by the circuit',
        ),
        figure(
          'longest',
          'longest',
          longest,
          'm',
          longest >= 99_999 ? 'any' : sayMetres(longest),
          'the length at which the loss at 20 kHz is what is asked',
          [...inputs, ['loss', sayDb(-loss)]],
          'by the circuit',
        ),
      ],
      chart: {
        name: 'Level against frequency',
        x: { name: 'frequency', unit: 'Hz', scale: 'log' },
        y: { name: 'level', unit: 'dB', scale: 'linear' },
        series: [
          {
            name: sayMetres(length),
            points: frequencies.map((hertz, n) => [hertz, (curve[n] ?? 0) - (curve[0] ?? 0)]),
          },
        ],
        mark: { y: -3, says: '−3 dB' },
      },
      circuit: of(length),
      notes: ['The cable is taken as one capacitance: at these lengths it is far shorter than a wave.'],
    });
  },
};
