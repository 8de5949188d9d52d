import { dbuToVolts, DBU_REFERENCE, good } from '../../quantity';
import { transfer, magnitudes } from '../../circuit';
import { circuitOf, decibels, figure, R, sayDb, sayLevel, sayOhms, sound, V } from '../figures';
import type { Question } from '../types';

/** Level at a destination, its loss, and how far it is from too much. */
export const level: Question = {
  id: 'level',
  name: 'Level and headroom',
  sentence: 'An output of {level} through {source} into {load}, which takes {most} before it clips.',
  slots: [
    { id: 'level', kind: 'number', name: 'Output level', unit: 'dBu', usual: 4, min: -100, max: 60 },
    { id: 'source', kind: 'number', name: 'Source impedance', unit: 'Ω', usual: 100, min: 0, max: 1e7 },
    { id: 'load', kind: 'number', name: 'Load', unit: 'Ω', usual: 10_000, min: 1, max: 1e9 },
    {
      id: 'most',
      kind: 'number',
      name: 'Most that the input takes',
      unit: 'dBu',
      usual: 22,
      min: -100,
      max: 60,
    },
  ],
  answer({ number }) {
    const [source, load] = [number('source'), number('load')];
    const circuit = circuitOf(
      V('1', 'out', '0'),
      R('source', 'out', 'in', source),
      R('load', 'in', '0', load),
    );
    const gain = magnitudes(sound(transfer(circuit, 'V1', ['in', '0'], [1000])))[0] ?? 0;
    const rms = dbuToVolts(number('level')) * gain;
    const loss = -decibels(gain);
    const headroom = number('most') - 20 * Math.log10(rms / DBU_REFERENCE);
    const inputs = [
      ['output', sayDb(number('level'), 'u')],
      ['source', sayOhms(source)],
      ['load', sayOhms(load)],
    ] as const;
    return good({
      says: `${sayLevel(rms)} arrive: ${sayDb(-loss)} from what is sent, ${
        headroom >= 0
          ? `with ${sayDb(headroom)} of headroom`
          : `${sayDb(-headroom)} more than the input takes`
      }.`,
      weight: headroom < 0 ? 'stop' : headroom < 6 ? 'caution' : loss > 3 ? 'note' : 'good',
      figures: [
        figure(
          'level',
          'level at the input',
          rms,
          'V',
          sayLevel(rms),
          'V = EMF · load ÷ (source + load); 0 dBu = √0.6 V, 0 dBV = 1 V',
          inputs,
          'dBu, dBV common practice; divider by the circuit',
        ),
        figure(
          'loss',
          'bridging loss',
          loss,
          'dB',
          sayDb(-loss, '', 2),
          '20 log (load ÷ (source + load))',
          inputs,
          'by the circuit',
        ),
        figure(
          'headroom',
          'headroom',
          headroom,
          'dB',
          sayDb(headroom),
          'most the input takes − level',
          [...inputs, ['most', sayDb(number('most'), 'u')]],
          'by the circuit',
        ),
      ],
      circuit,
      notes: [],
    });
  },
};
