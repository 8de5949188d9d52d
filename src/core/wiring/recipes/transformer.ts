import { leadTerminal } from '../../assembly';
import { bodyOf, carry, left, linkShells, on } from '../connect';
import { roleTerminal, groundTerminal } from '../../situation';
import { cableProblem, lay } from '../lay';
import type { Draft } from '../draft';
import type { ChannelPair } from '../../situation';
import type { Ask } from '../types';
import { isSpecial, kindOf, other, practice } from './shape';
import { cannot, type Recipe, wired } from './types';

/** Direct-current resistance of each winding of a small 1:1 line transformer, Ω (typical, from memory). */
export const WINDING_OHMS = 60;

/** Levels that a small transformer is for: never power. */
const SMALL: ReadonlySet<string> = new Set(['microphone', 'line', 'instrument', 'headphone']);

/** Whether several inputs together load it so little that its own windings take next to nothing. */
const standsLoads = (links: readonly ChannelPair[]): boolean => {
  const load = 1 / links.reduce((sum, { in: into }) => sum + 1 / into.port.impedance, 0);
  return load >= 10 * ((links[0]?.out.port.impedance ?? 0) + 2 * WINDING_OHMS);
};

/** One sender into one receiver, or into both channels of one. */
const isOneChannel = ({ links }: Ask): boolean =>
  new Set(links.map(({ out }) => out)).size === 1 &&
  new Set(links.map(({ in: into }) => into.end)).size === 1 &&
  links.every((link) => kindOf(link) !== 'loudspeaker') &&
  (links.length === 1 || standsLoads(links)) &&
  links.some(({ in: into, out }) => into.port.signal !== 'headphone' || out.port.signal !== 'headphone');

/** The other channel of the input is fed from the same winding. */
function toBoth(d: Draft, body: string, first: ChannelPair, other: ChannelPair): void {
  const both = practice('Both channels get the same signal.');
  const [a, b] = [roleTerminal(first.in, 'hot'), roleTerminal(other.in, 'hot')];
  if (a && b) d.link(body, [a, b], both);
  const [ground, more] = [groundTerminal(first.in), groundTerminal(other.in)];
  if (ground && more && ground !== more) d.link(body, [ground, more], both);
  d.leaveOut(other, ['screen'], 'No metal joins the two sides.');
}

export const transformer: Recipe = {
  id: 'transformer',
  name: 'transformer in line',
  source: 'common practice',
  suits(ask) {
    const [link] = ask.links;
    return !isSpecial(ask) &&
      link &&
      isOneChannel(ask) &&
      SMALL.has(link.out.port.signal) &&
      SMALL.has(link.in.port.signal)
      ? {
          is: 'possible',
          why: 'The thorough answer between balanced and unbalanced, and where grounds differ or phantom has to be kept off: no metal joins the two sides but the screen.',
        }
      : other('It is for one channel of line or microphone level.');
  },
  lacks: (ask) => cableProblem(ask, ask.links.slice(0, 1)),
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
    for (const more of ask.links.slice(1)) toBoth(d, body, link, more);
    d.because(because);
    linkShells(d, ask);
    return wired;
  },
};
