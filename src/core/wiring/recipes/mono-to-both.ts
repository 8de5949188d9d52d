import { bodyOf, connect, contactOf, linkShells } from '../connect';
import { cableProblem, lay } from '../lay';
import type { Ask } from '../types';
import { coldChoice, coldOf } from './cold';
import { isSpecial, kindOf, lead, other, practice } from './shape';
import { answer, type Choice, type Recipe } from './types';

const powered = (ask: Ask): boolean => ask.to[0]?.port.gives?.kind === 'plug-in power';

const block = (ask: Ask): Choice => ({
  id: 'block',
  question: 'What keeps plug-in power out of the microphone?',
  options: { capacitor: 'a blocking capacitor of 10 µF', none: 'nothing' },
  default: powered(ask) && ask.from[0]?.port.needs !== 'plug-in power' ? 'capacitor' : 'none',
  because: powered(ask)
    ? 'The input puts 2 to 5 V on its signal contacts: direct current through a moving coil or a ribbon holds it off centre.'
    : 'The input puts no supply on its signal contacts.',
});

export const monoToBoth: Recipe = {
  id: 'mono-to-both',
  name: 'mono into both channels',
  source: 'common practice',
  suits: (ask) =>
    !isSpecial(ask) &&
    ask.ends.length === 2 &&
    ask.links.length === 2 &&
    ask.links.every((link) => link.out === ask.links[0]?.out) &&
    ask.links.every((link) => kindOf(link) === 'unbalances' || kindOf(link) === 'unbalanced')
      ? {
          is: 'right',
          why: 'One signal to both channels: hot to tip and ring, the cold leg as the output wants it.',
        }
      : other('It is for one output into a stereo unbalanced input.'),
  lacks: (ask) => cableProblem(ask, ask.links.slice(0, 1)),
  asks: (ask) => [
    ...(ask.from[0]?.port.coldLeg ? [coldChoice(ask)] : []),
    ...(powered(ask) ? [block(ask)] : []),
  ],
  wire(ask, d) {
    const [left, right] = ask.links;
    if (!left || !right) return;
    const body = bodyOf(ask, left.in.end);
    const runs = lay(d, ask, [left]);
    const [hot, other] = [contactOf(left.in, 'hot'), contactOf(right.in, 'hot')];
    if (!hot || !other) return;
    const blocked = answer(ask, block(ask)) === 'capacitor';
    if (blocked) {
      d.part(body, {
        id: 'C1',
        kind: 'capacitor',
        leads: ['a', 'b'],
        value: 10e-6,
        rating: '16 V, plus toward the input',
      });
      d.land([lead('C1', 'b')], hot, practice(block(ask).because));
      d.because(practice(block(ask).because));
    }
    for (const run of runs)
      connect(d, ask, run, {
        ...coldOf(ask),
        ...(blocked ? { instead: { in: { hot: lead('C1', 'a') } } } : {}),
      });
    d.link(body, [hot, other], practice('Both channels get the same signal.'));
    d.because({
      says: 'Nothing is left of stereo: both channels are the same, and the output drives two inputs.',
    });
    linkShells(d, ask);
  },
};
