import { operatingPoint } from '../../circuit';
import { PHANTOM_SUPPLIES, type PhantomKind } from '../../catalogue';
import { good } from '../../quantity';
import { circuitOf, figure, R, sayAmps, sayOhms, sayVolts, sound, V } from '../figures';
import type { Question } from '../types';

export const SUPPLY_OPTIONS = { P48: 'P48', P24: 'P24', P12: 'P12' } as const;

/** Phantom down a line, and what a fault on one leg makes of it. */
export const phantom: Question = {
  id: 'phantom',
  name: 'Phantom at the microphone',
  sentence: '{supply} into a microphone that takes {current}, through {loop} a leg, with {fault}.',
  slots: [
    { id: 'supply', kind: 'choice', name: 'Supply', options: SUPPLY_OPTIONS, usual: 'P48' },
    {
      id: 'current',
      kind: 'number',
      name: 'Current of the microphone',
      unit: 'mA',
      usual: 3,
      min: 0,
      max: 20,
    },
    { id: 'loop', kind: 'number', name: 'Resistance of a leg', unit: 'Ω', usual: 1, min: 0, max: 10_000 },
    {
      id: 'fault',
      kind: 'choice',
      name: 'Fault',
      options: {
        none: 'nothing wrong',
        'cold-open': 'the cold leg open',
        'cold-shorted': 'the cold leg joined to 1',
        'screen-open': 'the screen open',
      },
      usual: 'none',
    },
  ],
  // eslint-disable-next-line max-lines-per-function -- one answer from top to bottom: what is known, the sum, what it comes to.
  answer({ number, choice }) {
    const kind = choice('supply') as PhantomKind;
    const { volts, feedOhms, limitMilliamps } = PHANTOM_SUPPLIES[kind];
    const fault = choice('fault');
    const loop = number('loop');
    const takes = fault === 'screen-open' ? 0 : number('current') / 1000;
    const circuit = circuitOf(
      V('supply', 's', '0', volts),
      R('feedh', 's', 'h', feedOhms),
      R('feedc', 's', 'c', feedOhms),
      R('hot', 'h', 'mh', loop),
      ...(fault === 'cold-open'
        ? [R('cold', 'c', 'mc0', loop), R('open', 'mc0', 'mc', 1e9)]
        : [R('cold', 'c', 'mc', loop)]),
      ...(fault === 'cold-shorted' ? [R('short', 'c', '0', 0.01)] : []),
      // Half of what it takes through each leg, as the microphone's own two resistors share it.
      R('insideh', 'mh', 'm', 10),
      R('insidec', 'mc', 'm', 10),
      { kind: 'current', id: 'Imicrophone', a: 'm', b: '0', dc: takes },
      R('leak', 'm', '0', 1e9),
    );
    const at = sound(operatingPoint(circuit));
    const reached = at.voltage('m');
    const total = -at.current('Vsupply');
    const inputs = [
      ['supply', `${volts} V through ${sayOhms(feedOhms)} a leg`],
      ['taken', sayAmps(number('current') / 1000)],
      ['a leg', sayOhms(loop)],
    ] as const;
    const over = total * 1000 > limitMilliamps + 1e-9;
    // A leg joined to 1 holds what is left to what its own resistance drops.
    const held = fault === 'cold-shorted';
    const dead = fault === 'screen-open' || held || reached <= 0;
    return good({
      says: dead
        ? fault === 'screen-open'
          ? 'No phantom: the screen is its way back, and it is open.'
          : held
            ? `No phantom: a leg joined to 1 holds the microphone down, and takes ${sayAmps(total)} of the supply’s for it.`
            : `No microphone runs from this: it wants ${sayAmps(number('current') / 1000)}, and the feed cannot give it.`
        : `${sayVolts(reached)} reach the microphone, and the supply gives ${sayAmps(total)}${over ? `: more than the ${limitMilliamps} mA it is made for` : ''}.`,
      weight: dead ? 'stop' : over || fault !== 'none' ? 'caution' : 'good',
      figures: [
        figure(
          'reached',
          'at the microphone',
          dead ? 0 : reached,
          'V',
          dead ? 'nothing' : sayVolts(reached),
          'V − I ÷ 2 · (feed + leg)',
          inputs,
          'IEC 61938 (cited, from memory)',
        ),
        figure(
          'total',
          'from the supply',
          total,
          'A',
          sayAmps(total),
          'the sum of both legs',
          inputs,
          'by the circuit; IEC 61938 for the limit',
        ),
        figure(
          'short',
          'into a leg joined to 1',
          volts / feedOhms,
          'A',
          sayAmps(volts / feedOhms),
          'V ÷ feed',
          inputs.slice(0, 1),
          'IEC 61938 (cited, from memory)',
        ),
        figure(
          'between',
          'voltage between hot and cold',
          at.voltage('mh') - at.voltage('mc'),
          'V',
          sayVolts(at.voltage('mh') - at.voltage('mc')),
          'zero where both legs are alike',
          inputs,
          'by the circuit',
        ),
      ],
      circuit,
      notes: [
        'Ribbon and some unbalanced microphones are harmed where the two legs differ. Mute before switching it.',
      ],
    });
  },
};
