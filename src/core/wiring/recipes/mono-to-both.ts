import { leadTerminal } from '../../assembly';
import { bodyOf, connect, linkShells } from '../connect';
import { groundTerminal, roleTerminal } from '../../situation';
import { cableProblem, lay } from '../lay';
import type { Ask } from '../types';
import { coldChoice, coldOf } from './cold';
import { isSpecial, kindOf, other, practice } from './shape';
import { answer, cannot, type Choice, type Recipe, wired } from './types';

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
    ...(ask.from[0]?.port.coldLeg ? ask.links.slice(0, 1).map(coldChoice) : []),
    ...(powered(ask) ? [block(ask)] : []),
  ],
  wire(ask, d) {
    const [first, second] = ask.links;
    if (!first || !second) return cannot('It needs a left and a right channel to go to.');
    const body = bodyOf(ask, first.in.end);
    const runs = lay(d, ask, [first]);
    const [hot, other] = [roleTerminal(first.in, 'hot'), roleTerminal(second.in, 'hot')];
    if (!hot || !other) return cannot('A channel of the input has no contact for its signal.');
    const blocked = answer(ask, block(ask)) === 'capacitor';
    if (blocked) {
      d.part(body, {
        id: 'C1',
        kind: 'capacitor',
        farads: 10e-6,
        ratings: { volts: 16 },
        marks: 'plus toward the input',
      });
      d.land([leadTerminal('C1', 'b')], hot, practice(block(ask).because));
      d.because(practice(block(ask).because));
    }
    for (const run of runs)
      connect(d, ask, run, {
        ...coldOf(ask, first),
        ...(blocked ? { instead: { in: { hot: leadTerminal('C1', 'a') } } } : {}),
      });
    // What the first channel does without, the second does too.
    for (const left of d.leftOut().filter((each) => each.in === first.in.name))
      d.leaveOut(second, [left.role], left.says);
    const [ground, otherGround] = [groundTerminal(first.in), groundTerminal(second.in)];
    if (ground && otherGround && ground !== otherGround)
      d.link(
        body,
        [ground, otherGround],
        practice('Each channel of the input has its own return: both get it.'),
      );
    d.link(body, [hot, other], practice('Both channels get the same signal.'));
    d.because({
      says: 'Both channels are the same: one output drives two inputs.',
    });
    linkShells(d, ask);
    return wired;
  },
};
