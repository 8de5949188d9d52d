import { impedance, logarithmic, magnitudes, noise, transfer, type Circuit } from '../../circuit';
import { E24, good } from '../../quantity';
import { circuitOf, decibels, figure, R, sayAmps, sayDb, sayOhms, sayVolts, sound, V } from '../figures';
import type { Question } from '../types';

const SERIES: readonly number[] = [10, 100, 1000, 10_000].flatMap((decade) =>
  E24.map((each) => Math.round(each * decade * 10) / 10),
);

/** The network that a sum lead has in its shell: a resistor from each source, and one to ground. */
export const sumNetwork = (sources: readonly number[], each: number, ground: number, load: number): Circuit =>
  circuitOf(
    ...sources.flatMap((ohms, n) => [
      V(`${n + 1}`, `s${n + 1}`, '0', 0, n === 0 ? 1 : 0),
      R(`source${n + 1}`, `s${n + 1}`, `o${n + 1}`, ohms),
      R(`sum${n + 1}`, `o${n + 1}`, 'sum', each),
    ]),
    R('ground', 'sum', '0', ground),
    R('load', 'sum', '0', load),
  );

/** Level of one source in the sum, dB. */
export const sumLoss = (circuit: Circuit, source = 1): number =>
  decibels(magnitudes(sound(transfer(circuit, `V${source}`, ['sum', '0'], [1000])))[0] ?? 0);

/** Resistors for a mono sum of two sources: how little they may be for the current that two outputs may drive into each other. */
export const sum: Question = {
  id: 'sum',
  name: 'Stereo to mono',
  sentence:
    'Left from {left} and right from {right}, up to {level}, into {load}; no output may drive more than {clash} into the other.',
  slots: [
    { id: 'left', kind: 'number', name: 'Left source', unit: 'Ω', usual: 10, min: 0, max: 100_000 },
    { id: 'right', kind: 'number', name: 'Right source', unit: 'Ω', usual: 10, min: 0, max: 100_000 },
    { id: 'level', kind: 'number', name: 'Peak level', unit: 'V', usual: 2, min: 0.01, max: 50 },
    { id: 'load', kind: 'number', name: 'Load', unit: 'Ω', usual: 10_000, min: 10, max: 1e7 },
    { id: 'clash', kind: 'number', name: 'Clash current', unit: 'mA', usual: 4.5, min: 0.01, max: 100 },
  ],
  // eslint-disable-next-line max-lines-per-function -- one answer from top to bottom: what is known, the sum, what it comes to.
  answer({ number }) {
    const [left, right, load, level] = [number('left'), number('right'), number('load'), number('level')];
    const limit = number('clash') / 1000;
    const least = Math.max(0, (2 * level) / limit - left - right) / 2;
    const each = SERIES.find((value) => value >= least) ?? SERIES.at(-1) ?? 10_000;
    const ground = SERIES.find((value) => value >= 40 * each) ?? 91_000;
    const circuit = sumNetwork([left, right], each, ground, load);
    const [lossLeft, lossRight] = [sumLoss(circuit, 1), sumLoss(circuit, 2)];
    const amps = (2 * level) / (left + right + 2 * each);
    const seen =
      sound(impedance(sumNetwork([left, right], each, ground, 1e12), ['sum', '0'], [1000])).re[0] ?? 0;
    const hiss = sound(noise(circuit, ['sum', '0'], logarithmic(20, 20_000, 200))).volts;
    const inputs = [
      ['sources', `${sayOhms(left)} and ${sayOhms(right)}`],
      ['each', sayOhms(each)],
      ['to ground', sayOhms(ground)],
      ['load', sayOhms(load)],
    ] as const;
    const uneven = Math.abs(lossLeft - lossRight);
    return good({
      says: `${sayOhms(each)} from each and ${sayOhms(ground)} to ground: ${sayDb(lossLeft)} a side${uneven > 0.05 ? ` left, ${sayDb(lossRight)} right` : ''}, and ${sayAmps(amps)} at most from one into the other.`,
      weight: uneven > 0.5 || lossLeft < -12 ? 'caution' : 'good',
      figures: [
        figure(
          'each',
          'resistor from each',
          each,
          'Ω',
          sayOhms(each),
          '(2 · peak ÷ current − sources) ÷ 2, to the next E24',
          inputs,
          'IEC 60063, series E24; 470 Ω common practice',
        ),
        figure(
          'ground',
          'resistor to ground',
          ground,
          'Ω',
          sayOhms(ground),
          '40 times each, to the next E24',
          inputs,
          '20 kΩ beside 470 Ω common practice',
        ),
        figure(
          'loss',
          'level a side',
          lossLeft,
          'dB',
          `${sayDb(lossLeft, '', 2)} left, ${sayDb(lossRight, '', 2)} right`,
          'a divider of each against all that is beside the sum',
          inputs,
          'by the circuit',
        ),
        figure(
          'clash',
          'from one into the other at most',
          amps,
          'A',
          sayAmps(amps),
          '(V₁ − V₂) ÷ (Z₁ + Z₂ + 2 · each)',
          inputs,
          'by the circuit',
        ),
        figure(
          'output',
          'output impedance',
          seen,
          'Ω',
          sayOhms(seen),
          'all that is beside the sum, sources at 0 V',
          inputs,
          'by the circuit',
        ),
        figure(
          'noise',
          'noise, 20 Hz to 20 kHz',
          hiss,
          'V',
          sayVolts(hiss),
          '√(4kT · R · B)',
          inputs,
          'Johnson and Nyquist, 1928; by the circuit',
        ),
      ],
      table: {
        name: 'Other values',
        head: ['each', 'to ground', 'level a side', 'clash current'],
        rows: [220, 330, 470, 680, 1000, 2200, 4700].map((value) => {
          const own = SERIES.find((v) => v >= 40 * value) ?? 91_000;
          return [
            sayOhms(value),
            sayOhms(own),
            sayDb(sumLoss(sumNetwork([left, right], value, own, load)), '', 2),
            sayAmps((2 * level) / (left + right + 2 * value)),
          ];
        }),
      },
      circuit,
      notes: ['Never a bare Y: each output would drive the other. Phantom off at the input.'],
    });
  },
};
