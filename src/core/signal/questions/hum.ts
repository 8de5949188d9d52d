import { magnitudes, transfer, type Circuit } from '../../circuit';
import { dbuToVolts, good } from '../../quantity';
import { circuitOf, decibels, figure, R, sayDb, sayOhms, sayVolts, sound, V } from '../figures';
import type { Question } from '../types';

interface Wiring {
  readonly name: string;
  readonly circuit: Circuit;
  readonly between: readonly [string, string];
}

/** Hum from a difference between two grounds, by wiring. */
export const hum: Question = {
  id: 'hum',
  name: 'Hum from two grounds',
  sentence:
    '{ground} of hum between two chassis with {earth} of earth between them, a screen of {screen}, a core of {core}, source legs {imbalance} apart, into {load}; the signal is {level}.',
  slots: [
    {
      id: 'ground',
      kind: 'number',
      name: 'Ground difference',
      unit: 'mV',
      usual: 100,
      min: 0.001,
      max: 10_000,
    },
    { id: 'earth', kind: 'number', name: 'Earth between', unit: 'Ω', usual: 0.1, min: 0.0001, max: 1000 },
    { id: 'screen', kind: 'number', name: 'Screen', unit: 'Ω', usual: 0.25, min: 0.0001, max: 1000 },
    { id: 'core', kind: 'number', name: 'Core', unit: 'Ω', usual: 0.84, min: 0.0001, max: 1000 },
    { id: 'imbalance', kind: 'number', name: 'Imbalance', unit: 'Ω', usual: 10, min: 0, max: 10_000 },
    {
      id: 'load',
      kind: 'number',
      name: 'Each leg of the input',
      unit: 'Ω',
      usual: 10_000,
      min: 10,
      max: 1e8,
    },
    { id: 'level', kind: 'number', name: 'Signal', unit: 'dBu', usual: 4, min: -100, max: 60 },
  ],
  // eslint-disable-next-line max-lines-per-function -- one answer from top to bottom: what is known, the sum, what it comes to.
  answer({ number }) {
    const [earth, screen, core, load] = [number('earth'), number('screen'), number('core'), number('load')];
    const source = 100;
    const grounds = [V('ground', 'e', '0'), R('earth', 'e', 'g', earth)] as const;
    const balancedPair = [
      ...grounds,
      R('hot', 'g', 'h', source / 2 + number('imbalance')),
      R('cold', 'g', 'c', source / 2),
      R('core', 'h', 'hi', core),
      R('core2', 'c', 'ci', core),
      R('legh', 'hi', '0', load),
      R('legc', 'ci', '0', load),
    ];
    const wirings: readonly Wiring[] = [
      {
        name: 'unbalanced: the screen is the return',
        circuit: circuitOf(
          ...grounds,
          R('source', 'g', 'h', source),
          R('core', 'h', 'in', core),
          R('screen', 'g', '0', screen),
          R('load', 'in', '0', load),
        ),
        between: ['in', '0'],
      },
      {
        name: 'quasi-balanced: a core is the return, screen at the source',
        circuit: circuitOf(
          ...grounds,
          R('source', 'g', 'h', source),
          R('core', 'h', 'in', core),
          R('return', 'g', '0', core),
          R('load', 'in', '0', load),
        ),
        between: ['in', '0'],
      },
      {
        name: 'balanced, screen at both ends',
        circuit: circuitOf(...balancedPair, R('screen', 'g', '0', screen)),
        between: ['hi', 'ci'],
      },
      { name: 'balanced, screen at one end', circuit: circuitOf(...balancedPair), between: ['hi', 'ci'] },
    ];
    const signal = dbuToVolts(number('level'));
    const volts = number('ground') / 1000;
    const found = wirings.map((wiring) => {
      const share = magnitudes(sound(transfer(wiring.circuit, 'Vground', wiring.between, [50])))[0] ?? 0;
      return { ...wiring, share, rms: share * volts, under: decibels(signal / (share * volts)) };
    });
    const [unbalanced, quasi, balanced] = found;
    const inputs = [
      ['ground difference', sayVolts(volts)],
      ['earth', sayOhms(earth)],
      ['screen', sayOhms(screen)],
      ['core', sayOhms(core)],
    ] as const;
    const better = decibels((unbalanced?.rms ?? 1) / (balanced?.rms ?? 1));
    return good({
      says: `Unbalanced it hums ${sayDb(unbalanced?.under ?? 0)} under the signal; balanced ${sayDb(better)} lower than that.`,
      weight: (unbalanced?.under ?? 0) < 60 ? 'caution' : 'good',
      figures: [
        ...found.map((each, n) =>
          figure(
            `hum${n}`,
            each.name,
            each.rms,
            'V',
            each.rms === 0 ? 'nothing' : `${sayVolts(each.rms)}, ${sayDb(each.under)} under the signal`,
            n < 2
              ? 'V = I · R of the return; I = ground ÷ (earth + return)'
              : 'common voltage · (imbalance ÷ leg), about',
            inputs,
            'by the circuit; earth and imbalance from memory',
          ),
        ),
        figure(
          'quasi',
          'quasi-balanced against unbalanced',
          decibels((quasi?.rms ?? 1) / (unbalanced?.rms ?? 1)),
          'dB',
          sayDb(decibels((quasi?.rms ?? 1) / (unbalanced?.rms ?? 1))),
          'the return is one thin core instead of the braid',
          inputs,
          'by the circuit',
        ),
        figure(
          'rejection',
          'common-mode rejection, screen at one end',
          -decibels(found[3]?.share ?? 1),
          'dB',
          sayDb(-decibels(found[3]?.share ?? 1)),
          '20 log (leg ÷ imbalance), about',
          [
            ['leg', sayOhms(load)],
            ['imbalance', sayOhms(number('imbalance'))],
          ],
          'by the circuit',
        ),
      ],
      circuit: balanced?.circuit ?? wirings[0]?.circuit ?? circuitOf(),
      notes: ['Never lift a mains earth to cure it.'],
    });
  },
};
