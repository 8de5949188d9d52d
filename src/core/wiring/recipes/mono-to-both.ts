import { COLOURS } from '../../catalogue';
import { capital, sayList } from '../../quantity';
import { groundTerminal, roleTerminal } from '../../situation';
import { bodyOf, carry, connect, linkShells, on } from '../connect';
import { cableProblem, lay } from '../lay';
import { coresOf } from '../cores';
import type { Ask } from '../types';
import { blockChoices, blocked } from './blocking';
import { coldChoice, coldOf } from './cold';
import { isSpecial, kindOf, other, practice } from './shape';
import { answer, cannot, type Choice, type Recipe, wired } from './types';

/** Whether each contact may have a core of its own: there are two, and none of them is wanted for the cold leg. */
const hasTwo = ({ cable, intent }: Ask): boolean =>
  intent.choices?.['cold'] !== 'far' &&
  cable !== undefined &&
  cable.screen !== 'none' &&
  coresOf(cable).length > 1;

/** How the one signal comes to two contacts of one connector. */
const both = (ask: Ask): Choice => ({
  id: 'both',
  question: 'How does it come to both contacts?',
  options: hasTwo(ask)
    ? { cores: 'by a core for each, both on hot at the other end', link: 'by a link between them' }
    : { link: 'by a link between them' },
  default: hasTwo(ask) ? 'cores' : 'link',
  because: hasTwo(ask)
    ? 'No bare link has to be made in a small plug, and no core is left over.'
    : 'There is one core for it only.',
});

/** What is done with the cold leg: where both cores are hot, what floats has its way back by the screen, joined at its own end. */
function coldChoices(ask: Ask): readonly Choice[] {
  const [first] = ask.links;
  if (!first || !ask.from[0]?.port.coldLeg) return [];
  const usual = coldChoice(first);
  return usual.default === 'far' && answer(ask, both(ask)) === 'cores'
    ? [
        {
          ...usual,
          default: 'source',
          because:
            'The winding floats: its cold leg is joined to the screen in its own connector, and both cores are free for the two contacts. Nothing is lost.',
        },
      ]
    : [usual];
}

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
  asks: (ask) => [...coldChoices(ask), both(ask), ...blockChoices(ask)],
  wire(ask, d) {
    const [first, second] = ask.links;
    if (!first || !second) return cannot('It needs a left and a right channel to go to.');
    const body = bodyOf(ask, first.in.end);
    const [hot, other] = [roleTerminal(first.in, 'hot'), roleTerminal(second.in, 'hot')];
    if (!hot || !other) return cannot('A channel of the input has no contact for its signal.');
    const treated = coldOf(ask, first, coldChoices(ask)[0]);
    const apart = answer(ask, both(ask)) === 'cores';
    const runs = lay(d, ask, [first], apart ? { legs: 2 } : {});
    const out = blocked(ask, d, [first])(first);
    const from = out?.hot ?? roleTerminal(first.out, 'hot');
    for (const run of runs) {
      const its = apart ? (run.carrier?.cold ?? []) : [];
      const how = { ...treated, ...(out ? { instead: { out } } : {}) };
      connect(
        d,
        ask,
        apart && run.carrier
          ? { ...run, carrier: { ...run.carrier, cold: [], says: bothHot(ask), hotSays: bothHot(ask) } }
          : run,
        how,
      );
      carry(d, ask, run, its, on(from, practice(bothHot(ask))), on(other, practice(bothHot(ask))));
    }
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
    if (!apart) d.link(body, [hot, other], practice('Both channels get the same signal.'));
    d.because({
      says: 'Both channels are the same: one output drives two inputs.',
    });
    linkShells(d, ask);
    return wired;
  },
};

/** Which cores carry it, by their colours. */
const bothHot = ({ cable }: Ask): string => {
  const colours = [
    ...new Set((cable ? coresOf(cable) : []).map(({ colour }) => COLOURS[colour].toLowerCase())),
  ];
  return `${capital(sayList(colours))} carry hot: both are joined at the source, and each has a contact of its own at the other end.`;
};
