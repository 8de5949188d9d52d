import { PHANTOM_SUPPLIES } from '../../catalogue';
import { contactTerminal } from '../../assembly';
import { operatingPoint } from '../../circuit';
import { leadCircuit } from '../../model';
import { channelNamed, sayChannel } from '../../situation';
import { figure, sayAmps, sayVolts } from '../figures';
import type { Figure } from '../types';
import type { Context, FigureKind } from './context';

/** Less than this is no supply, V. */
const NO_VOLTS = 1e-3;
/** A direct voltage as said. */
export const sayDirect = (value: number): string => sayVolts(Math.abs(value) < NO_VOLTS ? 0 : value);

function sayLegs(hot: number, cold: number | undefined): string {
  if (cold === undefined) return sayDirect(hot);
  const [one, other] = [sayDirect(hot), sayDirect(cold)];
  return one === other ? `${one} on both legs` : `${one} on hot, ${other} on cold`;
}

/** Direct current with the inputs' supplies on: what reaches a microphone, and what is pushed into an output. */
// eslint-disable-next-line max-lines-per-function -- the figures of a supply in the order in which they are read.
function supplyFigures({ assembly, situation, conditions, orders }: Context): readonly Figure[] {
  const givers = situation.channels.filter(
    (each) => each.direction === 'receives' && (each.port.phantom === 'gives' || each.port.gives),
  );
  if (givers.length === 0) return [];
  const made = leadCircuit(assembly, situation, { ...conditions, supplies: true });
  const solved = operatingPoint(made.circuit, orders);
  if (!solved.ok) return [];
  const at = solved.value;
  const volts = (end: string, contact: string | undefined): number =>
    contact === undefined ? 0 : at.voltage(made.node(contactTerminal(end, contact)));
  const found: Figure[] = [];
  for (const link of situation.links) {
    const [out, into] = [channelNamed(situation, link.out), channelNamed(situation, link.in)];
    const giver = givers.find((each) => each.name === link.in);
    if (!out || !into || !giver) continue;
    const supply = PHANTOM_SUPPLIES[into.port.supply ?? 'P48'];
    const phantom = into.port.phantom === 'gives';
    const name = situation.links.length === 1 ? '' : `, ${sayChannel(out)}`;
    const common = out.roles.screen ?? out.roles.return;
    const hot = volts(out.end, out.roles.hot) - volts(out.end, common);
    const cold =
      out.roles.cold === undefined ? undefined : volts(out.end, out.roles.cold) - volts(out.end, common);
    const source = phantom
      ? 'IEC 61938 (cited, from memory); by the circuit'
      : `by the circuit; supply ${into.port.source}`;
    const inputs = [
      [
        'supply',
        phantom
          ? `${supply.volts} V through ${supply.feedOhms / 1000} kΩ a leg`
          : `${into.port.gives?.volts ?? 0} V, ${into.port.gives?.kind ?? ''}`,
      ],
      ['at', out.port.name],
    ] as const;
    found.push(
      figure(
        ['dc', link],
        `direct voltage at the source${name}`,
        hot,
        'V',
        sayLegs(hot, cold),
        'V − I · feed, through every resistance of the lead',
        inputs,
        source,
      ),
    );
    const given = (into: string): number => {
      const feeds = made.heard.find((each) => each.channel === into)?.supply;
      return feeds === undefined ? 0 : -at.current(feeds);
    };
    const total = given(link.in);
    if (!phantom) {
      // All that it gets, by however many inputs.
      const all = situation.links
        .filter((each) => each.out === link.out)
        .reduce((sum, each) => sum + given(each.in), 0);
      found.push(
        figure(
          ['fed', link],
          `direct current into the source${name}`,
          all,
          'A',
          sayAmps(all),
          'V ÷ (feed + source), of every input that feeds it',
          inputs,
          source,
        ),
      );
    }
    if (phantom) {
      const legs = (['hot', 'cold'] as const).map(
        (role) => (supply.volts - volts(into.end, into.roles[role])) / supply.feedOhms,
      );
      found.push(
        figure(
          ['drawn', link],
          `drawn from the supply${name}`,
          total,
          'A',
          `${sayAmps(total)} of ${supply.limitMilliamps} mA`,
          'the sum of both legs',
          inputs,
          source,
        ),
        figure(
          ['worstleg', link],
          `phantom in the fuller leg${name}`,
          Math.max(...legs),
          'A',
          sayAmps(Math.max(...legs)),
          '(V − leg) ÷ feed',
          inputs,
          source,
        ),
      );
      if (cold !== undefined)
        found.push(
          figure(
            ['between', link],
            `voltage between hot and cold${name}`,
            // What is less is rounding of two that are alike.
            Math.abs(hot - cold) < NO_VOLTS ? 0 : hot - cold,
            'V',
            sayDirect(Math.abs(hot - cold)),
            'zero where both legs are alike',
            inputs,
            source,
          ),
        );
    }
  }
  return found;
}

/** What supplies reach, with those of the inputs on. */
export const supply: FigureKind = {
  kind: 'supply',
  compute: supplyFigures,
};
