import { magnitudes, transfer, type Circuit } from '../../circuit';
import { good, mm2, ohmsPerKilometre } from '../../quantity';
import { circuitOf, decibels, figure, R, say, sayDb, sayMetres, sayOhms, sound, V } from '../figures';
import { GAUGES } from '../gauges';
import type { Question } from '../types';

/** What conductors are sold as, and how they conduct against annealed copper (IACS: 5.8·10⁷ S/m, IEC 60028), from memory. */
const METALS: Readonly<Record<string, readonly [name: string, conducts: number]>> = {
  pure: ['copper of the highest purity', 1.015],
  silver: ['solid silver', 1.06],
  plated: ['copper, silver-plated', 1.005],
  tinned: ['copper, tinned', 0.97],
  hard: ['copper, hard drawn', 0.97],
  clad: ['aluminium, copper-clad', 0.63],
  turned: ['the same copper, turned end for end', 1],
};

/** Less than this between two levels is heard by nobody, dB (from memory: 0.2 to 1 dB, side by side). */
const HEARD = 0.1;

/** A number smaller than this is read by nobody, dB. */
const LEAST = 0.001;

const wired = (source: number, loop: number, load: number): Circuit =>
  circuitOf(
    V('1', 'emf', '0'),
    R('source', 'emf', 'a', source),
    R('go', 'a', 'p', loop / 2),
    R('load', 'p', 'm', load),
    R('return', 'm', '0', loop / 2),
  );
const gainOf = (circuit: Circuit): number =>
  decibels(magnitudes(sound(transfer(circuit, 'V1', ['p', 'm'], [1000])))[0] ?? 0);

/** What another metal in the conductors changes: the sum behind what is claimed of them. */
export const metal: Question = {
  id: 'metal',
  name: 'Another metal in the conductors',
  sentence:
    '{metal} in the place of ordinary copper, {length} of {gauge}, from a source of {source} into {load}.',
  slots: [
    {
      id: 'metal',
      kind: 'choice',
      name: 'Metal',
      options: Object.fromEntries(Object.entries(METALS).map(([id, [name]]) => [id, name])),
      usual: 'pure',
    },
    { id: 'length', kind: 'number', name: 'Length', unit: 'm', usual: 10, min: 0.1, max: 1000 },
    {
      id: 'gauge',
      kind: 'choice',
      name: 'Conductor',
      options: Object.fromEntries(GAUGES.map(([name]) => [name, name])),
      usual: '22 AWG',
    },
    { id: 'source', kind: 'number', name: 'Source impedance', unit: 'Ω', usual: 100, min: 0, max: 1e6 },
    { id: 'load', kind: 'number', name: 'Load', unit: 'Ω', usual: 10_000, min: 1, max: 1e9 },
  ],
  answer({ number, choice }) {
    const [length, source, load] = [number('length'), number('source'), number('load')];
    const [name, conducts] = METALS[choice('metal')] ?? ['copper', 1];
    const area = GAUGES.find(([each]) => each === choice('gauge'))?.[1] ?? 0.33;
    const copper = (2 * length * ohmsPerKilometre(mm2(area))) / 1000;
    const loop = copper / conducts;
    const circuit = wired(source, loop, load);
    const change = gainOf(circuit) - gainOf(wired(source, copper, load));
    // So much ordinary copper has the same loop.
    const alike = length / conducts;
    const heard = Math.abs(change) >= HEARD;
    const inputs = [
      ['length', sayMetres(length)],
      ['conductor', choice('gauge')],
      ['source', sayOhms(source)],
      ['load', sayOhms(load)],
    ] as const;
    const size =
      Math.abs(change) < 1e-9
        ? 'nothing'
        : Math.abs(change) < LEAST
          ? `less than ${LEAST} dB`
          : `${say(Math.abs(change), 2)} dB`;
    return good({
      says: heard
        ? `It changes the level by ${sayDb(change, '', 2)}: as much as ${sayMetres(alike)} of ordinary copper would.`
        : `It changes the level by ${size}, which nobody hears: as much as ${sayMetres(alike)} of ordinary copper in the place of ${sayMetres(length)}.`,
      weight: heard && change < 0 ? 'caution' : 'good',
      figures: [
        figure(
          'change',
          'level against ordinary copper',
          change,
          'dB',
          Math.abs(change) < LEAST ? size : `${change < 0 ? '−' : '+'}${size}`,
          '20 log of the two dividers',
          inputs,
          'by the circuit; conductivities from memory',
        ),
        figure(
          'copper',
          'loop of ordinary copper',
          copper,
          'Ω',
          sayOhms(copper),
          '2 · length · Ω/m at 20 °C',
          inputs.slice(0, 2),
          'IEC 60028',
        ),
        figure(
          'loop',
          `loop of ${name}`,
          loop,
          'Ω',
          sayOhms(loop),
          'that of copper ÷ how it conducts',
          [...inputs.slice(0, 2), ['conducts', `${say(100 * conducts, 4)} % of copper`]],
          'conductivity from memory',
        ),
        figure(
          'alike',
          'ordinary copper that does the same',
          alike,
          'm',
          sayMetres(alike),
          'length ÷ how it conducts',
          inputs.slice(0, 1),
          'circuit law',
        ),
      ],
      circuit,
      notes: [
        'A conductor is the same from either end: it has no direction.',
        'No cable is put before another for its price, its purity or its direction.',
        ...(choice('metal') === 'clad'
          ? ['Clad aluminium breaks sooner where it is bent, and is hard to solder and to clamp.']
          : []),
      ],
    });
  },
};
