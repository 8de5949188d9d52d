import { conductorTerminal, conductorsOf } from '../../assembly';
import { roleTerminal, rolePlaces } from '../../situation';
import type { Finding, Rule } from '../types';

export const sideColours: Rule = {
  id: 'side-colours',
  what: 'A red core on the left while the right has another: red is right.',
  source: 'CTA-863 (cited, from memory)',
  find: ({ assembly, situation, netlist }) => {
    const coloursOf = (label: string): ReadonlySet<string> => {
      const nets = new Set(
        situation.channels
          .filter((channel) => channel.label === label)
          .flatMap((channel) => roleTerminal(channel, 'hot') ?? [])
          .flatMap((at) => netlist.netOf.get(at) ?? []),
      );
      return new Set(
        assembly.spans.flatMap((span) =>
          conductorsOf(assembly, span).flatMap((conductor) => {
            const net = netlist.netOf.get(conductorTerminal(span.id, conductor.id, span.from));
            return net && nets.has(net) && conductor.is === 'core' ? [conductor.colour] : [];
          }),
        ),
      );
    };
    // In a sum there are no sides any more.
    if (new Set(situation.links.map((link) => link.in)).size < 2) return [];
    const [left, right] = [coloursOf('left'), coloursOf('right')];
    const place = rolePlaces(situation).find(
      ({ channel, role }) => channel.label === 'left' && role === 'hot',
    );
    return left.has('RD') && right.size > 0 && !right.has('RD') && place
      ? [
          {
            severity: 'caution',
            says: 'Left is on a red core: red is right.',
            because: 'Whoever mends or extends this lead takes the red core for the right channel.',
            hear: 'Left and right changed, one lead further on.',
            about: place.at,
            at: [place.at],
            remedies: [],
          } satisfies Omit<Finding, 'rule'>,
        ]
      : [];
  },
};
