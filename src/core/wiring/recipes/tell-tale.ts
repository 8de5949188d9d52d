import { leadTerminal } from '../../assembly';
import { roleTerminal, groundTerminal } from '../../situation';
import { putEnds } from '../lay';
import type { Ask } from '../types';
import { other, practice } from './shape';
import { answer, cannot, type Choice, type Recipe, wired } from './types';

const GUARD: Choice = {
  id: 'guard',
  question: 'A signal diode across each lamp, the other way round?',
  options: { diodes: 'guard diodes', none: 'no guard diodes' },
  default: 'diodes',
  because: 'A transposed contact 1 puts 48 V on a lamp the wrong way round, and it is rated about 5 V.',
};
const RESISTOR: Choice = {
  id: 'lamp-resistor',
  question: 'Which resistor beside each lamp?',
  options: { '4700': '4.7 kΩ', '6800': '6.8 kΩ', '10000': '10 kΩ' },
  default: '4700',
  because:
    'With a 2 V lamp 4.7 kΩ gives 4.0 mA a leg on P48 and 8.0 mA in all, under the supply’s 10 mA; P24 and P12 still light it.',
};

const tests = (ask: Ask): boolean =>
  ask.form === 'plug' && ask.ends.length === 1 && ask.ends[0]?.port.phantom === 'gives';

export const tellTale: Recipe = {
  id: 'tell-tale',
  name: 'phantom tell-tale plug',
  source: 'supply IEC 61938 (cited, from memory); lamp current and resistor common practice',
  suits: (ask) =>
    tests(ask)
      ? {
          is: 'right',
          why: 'Two lamps, from 2 to 1 and from 3 to 1: both lit, and all three contacts are carried.',
        }
      : other('It is one plug on an input that gives phantom.'),
  asks: () => [GUARD, RESISTOR],
  wire(ask, d) {
    putEnds(d, ask);
    const [channel] = ask.channels;
    const ground = channel && groundTerminal(channel);
    if (!channel || !ground) return cannot('The input has no contact 1 for the lamps to come back to.');
    const { body } = ask.ends[0] ?? { body: 'plug' };
    const because = practice('A lamp and its resistor from each leg to 1, anode toward the leg.');
    const guard = answer(ask, GUARD) === 'diodes';
    (['hot', 'cold'] as const).forEach((role, n) => {
      const leg = roleTerminal(channel, role);
      if (!leg) return;
      const [r, lamp, diode] = [`R${n + 1}`, `D${n + 1}`, `D${n + 3}`];
      d.part(body, {
        id: r,
        kind: 'resistor',
        ohms: Number(answer(ask, RESISTOR)),
        tolerance: 0.05,
        ratings: { watts: 0.25 },
      });
      d.part(body, { id: lamp, kind: 'led', forwardVolts: 2, ratings: { milliamps: { from: 2, to: 20 } } });
      d.land([leadTerminal(r, 'a')], leg, because);
      d.land([leadTerminal(r, 'b')], leadTerminal(lamp, 'anode'), because);
      d.land([leadTerminal(lamp, 'cathode')], ground, because);
      if (!guard) return;
      d.part(body, {
        id: diode,
        kind: 'diode',
        forwardVolts: 0.6,
        marks: 'signal diode',
      });
      d.land([leadTerminal(diode, 'anode')], ground, practice(GUARD.because));
      d.land([leadTerminal(diode, 'cathode')], leadTerminal(lamp, 'anode'), practice(GUARD.because));
    });
    d.because(because);
    if (guard) d.because(practice(GUARD.because));
    d.because(practice('It cannot see 2 and 3 shorted to each other or swapped.'));
    return wired;
  },
};
