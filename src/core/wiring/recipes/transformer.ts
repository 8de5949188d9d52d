import { leadTerminal } from '../../assembly';
import { bodyOf, carry, left, linkShells, on } from '../connect';
import { roleTerminal, groundTerminal } from '../../situation';
import { cableProblem, lay } from '../lay';
import { isSpecial, kindOf, other, practice } from './shape';
import { cannot, type Recipe, wired } from './types';

/** Direct-current resistance of each winding of a small 1:1 line transformer, Ω (typical, from memory). */
const WINDING_OHMS = 60;

export const transformer: Recipe = {
  id: 'transformer',
  name: 'transformer in line',
  source: 'common practice',
  suits(ask) {
    const [link] = ask.links;
    const kind = link && kindOf(link);
    return !isSpecial(ask) && link && ask.links.length === 1 && kind !== 'loudspeaker'
      ? {
          is: 'possible',
          why: 'The thorough answer between balanced and unbalanced, and where grounds differ or phantom has to be kept off: no metal joins the two sides but the screen.',
        }
      : other('It is for one channel of line or microphone level.');
  },
  lacks: (ask) => cableProblem(ask, ask.links),
  wire(ask, d) {
    const [link] = ask.links;
    if (!link) return cannot('A transformer is for one channel, and there is none.');
    const runs = lay(d, ask, [link]);
    const body = bodyOf(ask, link.in.end);
    const because = practice(
      'A 1:1 transformer parts the two sides: only the screen goes through, and only at the source.',
    );
    d.part(body, {
      id: 'T1',
      kind: 'transformer',
      windingOhms: WINDING_OHMS,
      name: '1:1 line transformer',
    });
    for (const run of runs) {
      const { carrier } = run;
      const low = roleTerminal(link.out, 'cold') ?? roleTerminal(link.out, 'return');
      carry(
        d,
        ask,
        run,
        carrier?.hot ?? [],
        on(roleTerminal(link.out, 'hot'), because),
        on(leadTerminal('T1', 'p1'), because),
      );
      if (carrier && carrier.cold.length === 0)
        carry(
          d,
          ask,
          run,
          carrier.screen === undefined ? [] : [carrier.screen],
          on(groundTerminal(link.out), because),
          on(leadTerminal('T1', 'p2'), because),
        );
      else {
        carry(d, ask, run, carrier?.cold ?? [], on(low, because), on(leadTerminal('T1', 'p2'), because));
        d.leaveOut(link, ['screen'], because.says);
        if (carrier?.screen !== undefined)
          carry(d, ask, run, [carrier.screen], on(groundTerminal(link.out), because), left(because));
      }
    }
    const [hot, cold] = [
      roleTerminal(link.in, 'hot'),
      roleTerminal(link.in, 'cold') ?? roleTerminal(link.in, 'return'),
    ];
    if (hot) d.land([leadTerminal('T1', 's1')], hot, because);
    if (cold) d.land([leadTerminal('T1', 's2')], cold, because);
    d.because(because);
    linkShells(d, ask);
    return wired;
  },
};
