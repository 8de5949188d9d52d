import { magnitudes, transfer } from '../../circuit';
import { dbuToVolts, good, mm2, ohmsPerKilometre, voltsToDbu, volts } from '../../quantity';
import {
  circuitOf,
  decibels,
  figure,
  R,
  say,
  sayDb,
  sayMetres,
  sayOhms,
  sayVolts,
  sayWatts,
  sound,
  V,
} from '../figures';
import { GAUGES } from '../gauges';
import type { Question } from '../types';

/** Skin depth in copper, m: √(ρ ÷ (π f μ₀)). */
export const skinDepth = (hertz: number): number => Math.sqrt(1.7241e-8 / (Math.PI * hertz * 4e-7 * Math.PI));

/** Nominal r.m.s. voltage of lines that have one, V (common practice). */
const LINES: Readonly<Record<string, number>> = { line70: 70.7, line100: 100 };
/** Loads that loudspeakers are made in, Ω. */
const LOADS = [2, 4, 8, 16] as const;

/** What a loudspeaker lead takes of level, damping and power. */
export const loudspeaker: Question = {
  id: 'loudspeaker',
  name: 'Loudspeaker lead',
  sentence:
    '{power} from {amplifier} into {load} through {length} of {gauge} at {celsius}, where {limit} is too much.',
  slots: [
    { id: 'power', kind: 'number', name: 'Power', unit: 'W', usual: 200, min: 0.1, max: 20_000 },
    {
      id: 'amplifier',
      kind: 'choice',
      name: 'Amplifier',
      options: {
        single: 'one output',
        bridged: 'a bridged output',
        line70: 'a 70 V line',
        line100: 'a 100 V line',
      },
      usual: 'single',
    },
    { id: 'load', kind: 'number', name: 'Load', unit: 'Ω', usual: 8, min: 1, max: 10_000 },
    { id: 'length', kind: 'number', name: 'Length', unit: 'm', usual: 10, min: 0.1, max: 1000 },
    {
      id: 'gauge',
      kind: 'choice',
      name: 'Conductor',
      options: Object.fromEntries(GAUGES.map(([name]) => [name, name])),
      usual: '14 AWG',
    },
    { id: 'celsius', kind: 'number', name: 'Temperature', unit: '°C', usual: 20, min: -40, max: 90 },
    { id: 'limit', kind: 'number', name: 'Loss', unit: 'dB', usual: 0.42, min: 0.01, max: 20 },
  ],
  // eslint-disable-next-line max-lines-per-function -- one answer from top to bottom: what is known, the sum, what it comes to.
  answer({ number, choice }) {
    const celsius = number('celsius');
    const perKm = (area: number): number => ohmsPerKilometre(mm2(area), celsius);
    const loopOf = (area: number, metres: number): number => (2 * metres * perKm(area)) / 1000;
    const area = GAUGES.find(([name]) => name === choice('gauge'))?.[1] ?? 2.5;
    const amplifier = choice('amplifier');
    // A line has its voltage whatever hangs on it: what it feeds is so many watts, and its load follows.
    const line = LINES[amplifier];
    const load = line === undefined ? number('load') : line ** 2 / number('power');
    const loop = loopOf(area, number('length'));
    const circuit = circuitOf(
      V('amplifier', 'a', '0'),
      R('go', 'a', 'p', loop / 2),
      R('load', 'p', 'm', load),
      R('return', 'm', '0', loop / 2),
    );
    const gain = magnitudes(sound(transfer(circuit, 'Vamplifier', ['p', 'm'], [1000])))[0] ?? 0;
    const loss = -decibels(gain);
    const rms = line ?? Math.sqrt(number('power') * load);
    const amps = rms / (load + loop);
    const damping = load / loop;
    const lost = amps * amps * loop;
    const allowed = 10 ** (number('limit') / 20) - 1;
    const most = allowed * load;
    const longest = (most / (2 * perKm(area))) * 1000;
    const smallest = GAUGES.find(([, each]) => loopOf(each, number('length')) <= most);
    const inputs = [
      ['loop', sayOhms(loop)],
      ['load', sayOhms(load)],
      ['length', sayMetres(number('length'))],
      ['conductor', choice('gauge')],
    ] as const;
    const notes = [
      ...(amplifier === 'bridged'
        ? ['Both legs of a bridged output are live: tie neither to a shell, sleeve or ground.']
        : []),
      ...(line !== undefined
        ? [
            `At ${sayVolts(line)} the load is ${sayOhms(load)}, and the one typed is not asked for.`,
            'Constant-voltage lines are hazardous: local code and licensed people.',
          ]
        : []),
      ...(rms > 50
        ? [`${sayVolts(rms)} r.m.s. stand on this lead: switch off before you touch its contacts.`]
        : []),
      `Skin effect is left out: at 20 kHz the current is ${say(1000 * skinDepth(20_000))} mm deep, and the loop a little more.`,
    ];
    return good({
      says: `${sayDb(-loss, '', 2)}, a damping factor of at most ${say(damping, 2)}, ${sayWatts(lost)} warm in the lead. For ${sayDb(-number('limit'), '', 2)} it may be ${sayMetres(longest)} long${smallest ? `, or as thin as ${smallest[0]}` : ''}.`,
      weight: loss > number('limit') ? 'caution' : 'good',
      figures: [
        figure(
          'loop',
          'loop resistance',
          loop,
          'Ω',
          sayOhms(loop),
          '2 · length · ρ ÷ area',
          inputs,
          'ASTM B258, IACS, IEC 60028',
        ),
        figure(
          'loss',
          'loss',
          loss,
          'dB',
          sayDb(-loss, '', 3),
          '20 log (load ÷ (load + loop))',
          inputs,
          'by the circuit',
        ),
        figure(
          'damping',
          'damping factor at most',
          damping,
          '',
          say(damping, 3),
          'load ÷ loop',
          inputs,
          'by the circuit',
        ),
        figure(
          'heat',
          'power in the lead',
          lost,
          'W',
          sayWatts(lost),
          'I² · loop',
          [...inputs, ['current', `${say(amps)} A`]],
          'by the circuit',
        ),
        figure(
          'longest',
          'longest',
          longest,
          'm',
          sayMetres(longest),
          'loop = (10^(loss ÷ 20) − 1) · load',
          inputs,
          'by the circuit; 5 % of the load common practice',
        ),
        ...(amplifier === 'bridged'
          ? [
              figure(
                'half',
                'each half of the amplifier sees',
                load / 2,
                'Ω',
                sayOhms(load / 2),
                'load ÷ 2: both halves drive the one load',
                inputs,
                'common practice',
              ),
            ]
          : []),
        figure(
          'volts',
          'at the amplifier',
          rms,
          'V',
          `${sayVolts(rms)}, ${sayDb(voltsToDbu(volts(rms)), 'u')}`,
          '√(P · load)',
          [['power', sayWatts(number('power'))]],
          `0 dBu = ${say(dbuToVolts(0), 4)} V`,
        ),
      ],
      table: {
        name: `Every conductor, and how long it may be for ${sayDb(-number('limit'), '', 2)}, m`,
        head: ['conductor', 'loop, Ω', 'loss, dB', ...LOADS.map((ohms) => `into ${ohms} Ω`)],
        rows: GAUGES.map(([name, each]) => {
          const ohms = loopOf(each, number('length'));
          return [
            name,
            say(ohms),
            sayDb(-decibels((load + ohms) / load), '', 2).replace(' dB', ''),
            ...LOADS.map((into) => say((allowed * into * 1000) / (2 * perKm(each)))),
          ];
        }),
      },
      circuit,
      notes,
    });
  },
};
