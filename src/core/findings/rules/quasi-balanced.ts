import { conductorsOf, conductorTerminal, joinedTerminals } from '../../assembly';
import { isBalanced } from '../../catalogue';
import { formatLength } from '../../quantity';
import { pairsOf, roleTerminal } from '../../situation';
import type { Finding, Rule } from '../types';

type Found = Omit<Finding, 'rule'>;

/** Longer than this its thin return hums more than the screen spares (common practice: 1 to 2 m). */
const LONGEST_MM = 2000;

export const quasiBalanced: Rule = {
  id: 'quasi-balanced',
  what: 'A return on a core of its own, and the screen joined at one end: good for a short lead with an arrow.',
  source: 'common practice',
  find: ({ assembly, situation, netlist, lengths }) => {
    const joined = joinedTerminals(assembly);
    const returns = new Set(
      pairsOf(situation)
        .filter(({ out, in: into }) => !isBalanced(out.roles) && !isBalanced(into.roles))
        .flatMap(({ out }) => roleTerminal(out, 'return') ?? [])
        .flatMap((at) => netlist.netOf.get(at) ?? []),
    );
    return assembly.spans.flatMap((span): readonly Found[] => {
      const on = conductorsOf(assembly, span).map((conductor) => {
        const sides = [span.from, span.to].map((body) => conductorTerminal(span.id, conductor.id, body));
        const net = netlist.netOf.get(sides[0] ?? '');
        return {
          conductor,
          sides,
          isReturn: net !== undefined && returns.has(net),
          ends: sides.filter((at) => joined.has(at)).length,
        };
      });
      const core = on.some(
        ({ conductor, isReturn, ends }) => conductor.is === 'core' && isReturn && ends === 2,
      );
      const screen = on.find(
        ({ conductor, isReturn, ends }) => conductor.is !== 'core' && isReturn && ends === 1,
      );
      const through = on.find(
        ({ conductor, isReturn, ends }) => conductor.is !== 'core' && isReturn && ends === 2,
      );
      const arrow = assembly.dressings.some(({ what }) => what === 'arrow');
      if (core && through && arrow)
        return [
          {
            severity: 'caution',
            says: 'An arrow says that the screen is joined at one end only, and it is joined at both.',
            because: 'The ground current then takes the screen: it is a plain lead, whichever way round.',
            hear: 'A little less hum or more, as the grounds lie; the arrow tells nothing.',
            about: span.id,
            at: through.sides,
            remedies: [],
          },
        ];
      if (!core || !screen) return [];
      const length = lengths.get(span.id) ?? 0;
      const common = { severity: 'caution' as const, about: span.id, at: screen.sides };
      return [
        ...(arrow
          ? []
          : [
              {
                ...common,
                says: 'A quasi-balanced lead has no arrow: nobody sees which end its screen is joined at.',
                because: 'It goes one way round: the screen is joined at the source.',
                hear: 'More hum when it is plugged in the other way round.',
                remedies: [],
              },
            ]),
        ...(length > LONGEST_MM + 100
          ? [
              {
                ...common,
                says: `${formatLength(length)} is long for a quasi-balanced lead: up to ${formatLength(LONGEST_MM)} is usual.`,
                because:
                  'Its return is one thin core in the place of the screen: the ground current drops more along it.',
                hear: 'More hum than a plain coaxial lead would have.',
                remedies: [
                  {
                    says: `Keep it to ${formatLength(LONGEST_MM)}`,
                    change: { kind: 'set' as const, path: 'length.mm', value: LONGEST_MM },
                  },
                ],
              },
            ]
          : []),
      ];
    });
  },
};
