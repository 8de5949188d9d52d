import { impedance, magnitudes, transfer, type Circuit } from '../../circuit';
import { good, nearestE24 } from '../../quantity';
import { circuitOf, decibels, figure, R, sayDb, sayOhms, sound, V } from '../figures';
import { LINE_OHMS, padValues, type PadDesign } from '../pad';
import type { Question } from '../types';

/** A pad between a source and a load, every resistor as it would be fitted. */
export function padCircuit(
  design: PadDesign,
  balanced: boolean,
  fitted: { series: readonly number[]; shunts: readonly number[] },
  source: number,
  load: number,
): Circuit {
  const legs = balanced ? 2 : 1;
  const low = balanced ? 'low0' : '0';
  const series = (n: number, from: string, to: string, lowFrom: string, lowTo: string) => {
    const ohms = fitted.series[n] ?? 0;
    return [
      R(`s${n}h`, from, to, ohms / legs),
      ...(balanced ? [R(`s${n}l`, lowFrom, lowTo, ohms / legs)] : []),
    ];
  };
  const source_ = [
    V('1', 'emf', low),
    R('source', 'emf', 'in', source),
    ...(balanced ? [R('tie', low, '0', 1e9)] : []),
  ];
  const [lowMid, lowOut] = balanced ? ['lowm', 'lowo'] : ['0', '0'];
  const load_ = R('load', 'out', lowOut, load);
  switch (design) {
    case 'bridging':
      return circuitOf(
        ...source_,
        ...series(0, 'in', 'out', low, lowOut),
        R('across', 'out', lowOut, fitted.shunts[0] ?? 0),
        load_,
      );
    case 'matched-t':
      return circuitOf(
        ...source_,
        ...series(0, 'in', 'mid', low, lowMid),
        R('across', 'mid', lowMid, fitted.shunts[0] ?? 0),
        ...series(1, 'mid', 'out', lowMid, lowOut),
        load_,
      );
    case 'matched-pi':
      return circuitOf(
        ...source_,
        R('across', 'in', low, fitted.shunts[0] ?? 0),
        ...series(0, 'in', 'out', low, lowOut),
        R('across2', 'out', lowOut, fitted.shunts[1] ?? 0),
        load_,
      );
  }
}

/** Resistors for a pad: what they come to in E24, and what that gives. */
export const pad: Question = {
  id: 'pad',
  name: 'Pad',
  sentence: 'A {design} pad, {balanced}, for {loss} less, from {source} into {load}.',
  slots: [
    {
      id: 'design',
      kind: 'choice',
      name: 'Design',
      options: {
        bridging: 'bridging (U or L)',
        'matched-t': 'matched 600 Ω (H or T)',
        'matched-pi': 'matched 600 Ω (π)',
      },
      usual: 'bridging',
    },
    {
      id: 'balanced',
      kind: 'choice',
      name: 'Balanced',
      options: { yes: 'balanced', no: 'unbalanced' },
      usual: 'yes',
    },
    { id: 'loss', kind: 'number', name: 'Loss', unit: 'dB', usual: 20, min: 0.5, max: 80 },
    { id: 'source', kind: 'number', name: 'Source impedance', unit: 'Ω', usual: 100, min: 0, max: 10_000 },
    { id: 'load', kind: 'number', name: 'Load', unit: 'Ω', usual: 2000, min: 100, max: 1e6 },
  ],
  // eslint-disable-next-line max-lines-per-function -- one answer from top to bottom: what is known, the sum, what it comes to.
  answer({ number, choice }) {
    const design = choice('design') as PadDesign;
    const balanced = choice('balanced') === 'yes';
    const matched = design !== 'bridging';
    const load = matched ? LINE_OHMS : number('load');
    const source = matched ? LINE_OHMS : number('source');
    const ideal = padValues(design, number('loss'), load);
    const legs = balanced ? 2 : 1;
    const fitted = {
      series: ideal.series.map((ohms) => nearestE24(ohms / legs) * legs),
      shunts: ideal.shunts.map(nearestE24),
    };
    const lossOf = (values: typeof fitted): number => {
      const circuit = padCircuit(design, balanced, values, source, load);
      const [out, low] = balanced ? ['out', 'lowo'] : ['out', '0'];
      const gain = magnitudes(sound(transfer(circuit, 'V1', [out, low], [1000])))[0] ?? 0;
      return -decibels(gain) + decibels(load / (source + load));
    };
    const circuit = padCircuit(design, balanced, fitted, source, load);
    const loss = lossOf(fitted);
    const error = loss - number('loss');
    const silent = {
      elements: circuit.elements.filter((each) => !['V1', 'Rsource', 'Rload'].includes(each.id)),
    };
    const loaded = { elements: [...silent.elements, R('load', 'out', balanced ? 'lowo' : '0', load)] };
    const input = sound(impedance(loaded, ['in', balanced ? 'low0' : '0'], [1000])).re[0] ?? 0;
    const names = [
      ...fitted.series.map(
        (ohms, n) =>
          [
            `series ${n + 1}${balanced ? ', in each leg' : ''}`,
            ohms / legs,
            (ideal.series[n] ?? 0) / legs,
          ] as const,
      ),
      ...fitted.shunts.map((ohms, n) => [`across ${n + 1}`, ohms, ideal.shunts[n] ?? 0] as const),
    ];
    const inputs = [
      ['source', sayOhms(source)],
      ['load', sayOhms(load)],
      ['asked', sayDb(-number('loss'))],
    ] as const;
    return good({
      says: `${names.map(([name, ohms]) => `${sayOhms(ohms)} ${name.replace(/ \d/, '')}`).join(', ')}: ${sayDb(-loss, '', 2)}, ${sayDb(Math.abs(error), '', 2)} from what is asked.`,
      weight: Math.abs(error) > 1 ? 'caution' : 'good',
      figures: [
        ...names.map(([name, ohms, exact], n) =>
          figure(
            `r${n}`,
            name,
            ohms,
            'Ω',
            `${sayOhms(ohms)} for ${sayOhms(exact)}`,
            matched
              ? 'K = 10^(dB ÷ 20); T: Z(K − 1)/(K + 1), 2ZK/(K² − 1); π: Z(K² − 1)/2K, Z(K + 1)/(K − 1)'
              : 'across: load ÷ 13; series: (across ∥ load)(K − 1)',
            inputs,
            'textbook formulas, from memory; IEC 60063, series E24',
          ),
        ),
        figure(
          'loss',
          'loss with these values',
          loss,
          'dB',
          sayDb(-loss, '', 2),
          'level with the pad ÷ level without',
          inputs,
          'by the circuit',
        ),
        figure(
          'error',
          'error against asked',
          error,
          'dB',
          sayDb(error, '', 2),
          'loss − asked',
          inputs,
          'by the circuit',
        ),
        figure(
          'input',
          'what the source sees',
          input,
          'Ω',
          sayOhms(input),
          'the pad with its load',
          inputs,
          'by the circuit',
        ),
      ],
      circuit,
      notes: [
        'A balanced pad’s legs must match: 1 % resistors, or pairs that measure alike. A pad passes phantom only with care: leave it off.',
      ],
    });
  },
};
