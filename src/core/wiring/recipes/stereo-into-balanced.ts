import { carry, linkShells, on } from '../connect';
import { roleTerminal, groundTerminal } from '../../situation';
import { cableProblem, lay } from '../lay';
import { isBalanced } from '../../catalogue';
import { isSpecial, other, practice } from './shape';
import { type Recipe, wired } from './types';

const SAYS =
  'A balanced input takes the difference of its two legs: left minus right. Whatever is the same in both channels, such as a voice in the middle, cancels.';

export const stereoIntoBalanced: Recipe = {
  id: 'stereo-into-balanced',
  name: 'left on hot, right on cold',
  source: 'circuit law',
  refuses: ['stereo-into-balanced'],
  suits: (ask) =>
    !isSpecial(ask) &&
    ask.links.length === 2 &&
    ask.ends.length === 2 &&
    ask.links.every(
      (link) => link.in === ask.links[0]?.in && isBalanced(link.in.roles) && !isBalanced(link.out.roles),
    )
      ? {
          is: 'wrong',
          why: SAYS,
          refusal: {
            id: 'stereo-into-balanced',
            says: `${SAYS} Use a sum with resistors.`,
            hear: 'Thin, hollow sound; the singer is gone and the echo is left.',
            anyway: true,
          },
        }
      : other('It is for a stereo output into one balanced input.'),
  lacks: (ask) => cableProblem(ask, ask.links, { legs: 1 }),
  wire(ask, d) {
    const because = practice('Left on hot and right on cold: the input hears left minus right.');
    lay(d, ask, ask.links, { legs: 1 }).forEach((run, n) => {
      const { out, in: into } = run.link;
      d.asksOf(run.link, {
        reaches: [
          ...(n > 0 ? [{ role: 'hot' as const, to: 'cold' as const }] : []),
          { role: 'return', to: 'screen' },
        ],
      });
      carry(
        d,
        ask,
        run,
        run.carrier?.hot ?? [],
        on(roleTerminal(out, 'hot'), because),
        on(roleTerminal(into, n === 0 ? 'hot' : 'cold'), because),
      );
      const screen = run.carrier?.screen;
      carry(
        d,
        ask,
        run,
        screen === undefined ? [] : [screen],
        on(groundTerminal(out), because),
        on(groundTerminal(into), because),
      );
    });
    d.because(because);
    linkShells(d, ask);
    return wired;
  },
};
