import { PHANTOM_SUPPLIES, type PhantomSupply } from '../../catalogue';
import { roleTerminal, type Channel } from '../../situation';
import type { Rule, LeadInUse } from '../types';
import { sayAmps } from '../../signal';
import { figuresOf } from './solved';

/** Current into a leg tied to contact 1, mA: V ÷ R. */
export const shortedLegMilliamps = ({ volts, feedOhms }: PhantomSupply): number => (volts / feedOhms) * 1000;

const netName = (
  used: LeadInUse,
  channel: Channel,
  role: 'hot' | 'cold' | 'screen' | 'return',
): string | undefined => {
  const terminal = roleTerminal(channel, role);
  return terminal === undefined ? undefined : used.netlist.netOf.get(terminal)?.name;
};

/** Whether a channel's signal contacts are where phantom is fed to, through metal or what conducts. */
export function fedBy(used: LeadInUse, giver: Channel, channel: Channel): boolean {
  const live = (['hot', 'cold'] as const).flatMap((role) => roleTerminal(giver, role) ?? []);
  return (['hot', 'cold'] as const).some((role) => {
    const terminal = roleTerminal(channel, role);
    return terminal !== undefined && live.some((each) => used.direct(each, terminal));
  });
}

/** What the supply gives in all when it is solved with what is plugged in, as a clause. */
function milliamps(used: LeadInUse, giver: Channel): string {
  const drawn = figuresOf(used, 'drawn').find((each) => each.into === giver)?.figure;
  const { limitMilliamps } = PHANTOM_SUPPLIES[giver.port.supply ?? 'P48'];
  return drawn && drawn.value > 1e-5
    ? `. By the circuit ${sayAmps(drawn.value)} goes out of the supply, which gives ${limitMilliamps} mA at most`
    : '';
}

export const phantomHarm: Rule = {
  id: 'phantom-harm',
  what: 'Phantom on what it can harm, by metal or through what conducts.',
  source: 'IEC 61938 for the supply; common practice for what it harms',
  find: (used) =>
    used.situation.channels
      .filter((giver) => giver.port.phantom === 'gives')
      .flatMap((giver) =>
        used.situation.channels
          .filter(
            (channel) =>
              channel.end !== giver.end && channel.port.phantom === 'harmed' && fedBy(used, giver, channel),
          )
          .map((channel) => {
            const supply = PHANTOM_SUPPLIES[giver.port.supply ?? 'P48'];
            const feed = `${supply.volts} V through ${supply.feedOhms / 1000} kΩ`;
            const solved = milliamps(used, giver);
            const coldIsGrounded = netName(used, giver, 'cold') === netName(used, giver, 'screen');
            return {
              severity: 'stop' as const,
              says: `Phantom from end ${giver.end} reaches the ${channel.port.name}, which it can harm.`,
              because: coldIsGrounded
                ? `The cold leg is tied to contact 1: ${feed} drives ${shortedLegMilliamps(supply).toFixed(2)} mA into that short, and pushes up to ${feed} into the source${solved}.`
                : `${feed} stands on both legs, and the ${channel.port.name} is not made for it${solved}.`,
              hear: 'A loud thump on plugging, distortion afterwards, or nothing ever again.',
              about: channel.end,
              remedies: [
                {
                  says: 'Use an input with phantom off',
                  change: {
                    kind: 'set' as const,
                    path: `${used.slot(giver.end)}.port`,
                    value: 'microphone-input',
                  },
                },
              ],
            };
          }),
      ),
};
