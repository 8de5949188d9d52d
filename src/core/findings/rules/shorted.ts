import { isMeasured, PHANTOM_SUPPLIES } from '../../catalogue';
import { schoolsOf } from '../../lead';
import { capital } from '../../quantity';
import { isLive, roleTerminal, type Miswiring, type RolePlace } from '../../situation';
import { mendings } from '../mend';
import type { Finding, LeadInUse, Rule } from '../types';
import { shortedLegMilliamps } from './phantom-harm';
import { isLoudspeaker, sayOf } from './say';
import { figuresOf } from './solved';

/** Further down than this nobody reads how far, dB. */
const NOTHING = -60;

type Joined = Extract<Miswiring, { readonly is: 'joined' }>;

/** What phantom on one of the two drives through a short to its ground, as a sentence. */
function phantomInto({ situation, netlist }: LeadInUse, { one, other }: Joined): string {
  const net = netlist.netOf.get(one.at);
  const giver = situation.channels.find(
    (channel) =>
      channel.port.phantom === 'gives' &&
      (['hot', 'cold'] as const).some((role) => {
        const at = roleTerminal(channel, role);
        return at !== undefined && netlist.netOf.get(at) === net;
      }),
  );
  if (!giver || isLive(other.role) === isLive(one.role)) return '';
  const supply = PHANTOM_SUPPLIES[giver.port.supply ?? 'P48'];
  return ` Phantom of ${supply.volts} V drives ${shortedLegMilliamps(supply).toFixed(2)} mA into it.`;
}

function hearOf({ one, other }: Joined): string {
  const amplifier = [one, other].some(({ channel }) => isLoudspeaker(channel));
  if (!isLive(one.role) && !isLive(other.role))
    return 'Nothing, or a hum that goes when one of the two is unplugged.';
  if (amplifier)
    return one.channel === other.channel
      ? 'Nothing; the amplifier protects itself, or its output stage dies.'
      : 'Distortion, a hot amplifier, in time a dead one.';
  if (isLive(one.role) && isLive(other.role))
    return one.channel === other.channel || one.channel.end !== other.channel.end
      ? 'Next to nothing: what is the difference of the two is shorted.'
      : 'The two are heard as one, and each output drives the other.';
  return one.role === 'cold' || one.role === 'minus'
    ? 'Half the level, with hum; from some outputs distortion.'
    : 'Nothing, or a faint and thin rest.';
}

/** The two returns of a record player, where its school joins them on purpose. */
const isUnified = ({ lead }: LeadInUse, { one, other }: Joined): boolean =>
  schoolsOf(lead)['record-player-earth'] === 'unified' &&
  [one, other].every(
    ({ channel }) => channel.port.signal === 'pickup' || channel.port.id === 'record-player-input',
  );

/** Nothing is plugged into a lead that is on the meter: what shorts all of it harms nobody there. */
const onTheMeter = ({ one, other }: Joined): boolean =>
  [one, other].every(({ channel }) => isMeasured(channel.port));

const severityOf = ({ one, other }: Joined): Finding['severity'] =>
  isLive(one.role) || isLive(other.role) ? 'stop' : 'note';

/** What arrives of a channel that is shorted, by the circuit. */
function arrives(used: LeadInUse, { channel }: RolePlace): string {
  const gain = figuresOf(used, 'gain').find(({ out }) => out === channel)?.figure;
  if (channel.direction !== 'sends' || !gain) return '';
  return ` By the circuit ${gain.value < NOTHING ? 'next to nothing' : gain.says} arrives.`;
}

export const shorted: Rule = {
  id: 'shorted',
  what: 'Roles on one metal that are not meant to meet.',
  source: 'by the nets; IEC 61938 for phantom (cited, from memory)',
  find: (used) =>
    used.miswired.flatMap((each) => {
      if (each.is !== 'joined') return [];
      const { one, other } = each;
      const severity = severityOf(each);
      if (onTheMeter(each) || (severity === 'note' && isUnified(used, each))) return [];
      return [
        {
          severity,
          says:
            severity === 'note'
              ? `${capital(sayOf(one))} and ${sayOf(other)} are joined: ${one.at} and ${other.at} are one.`
              : `${capital(sayOf(one))} is shorted to ${sayOf(other)}: ${one.at} and ${other.at} are one.`,
          because:
            severity === 'note'
              ? 'Two grounds that are joined carry whatever current flows between the two devices.'
              : `They are apart in what is plugged in on either side, and meet in this lead.${phantomInto(used, each)}${arrives(used, one)}`,
          hear: hearOf(each),
          about: one.at,
          at: [one.at, other.at],
          remedies: severity === 'note' ? [] : mendings(used, each),
        },
      ];
    }),
};
