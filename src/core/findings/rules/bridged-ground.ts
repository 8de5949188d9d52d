import { contactTerminal, endsOf } from '../../assembly';
import { roleTerminal } from '../../situation';
import type { Rule } from '../types';

/** Contacts that are touched, or that are one with the shell. */
const TOUCHED: readonly string[] = ['S', 'K', 'shell'];

export const bridgedGround: Rule = {
  id: 'bridged-ground',
  what: 'A leg of a bridged amplifier on what is touched or on another amplifier’s leg.',
  source: 'common practice',
  find: ({ assembly, situation, netlist }) =>
    situation.channels
      .filter(({ port, direction }) => direction === 'sends' && port.format === 'loudspeaker-bridged')
      .flatMap((channel) =>
        (['plus', 'minus'] as const).flatMap((role) => {
          const at = roleTerminal(channel, role);
          const net = at === undefined ? undefined : netlist.netOf.get(at);
          const touched = endsOf(assembly)
            .flatMap((end) => TOUCHED.map((contact) => contactTerminal(end.id, contact)))
            .find((contact) => net?.contacts.includes(contact));
          const shared = situation.channels.find(
            (other) =>
              other !== channel &&
              other.direction === 'sends' &&
              (['plus', 'minus'] as const).some((each) => {
                const there = roleTerminal(other, each);
                return there !== undefined && netlist.netOf.get(there) === net;
              }),
          );
          const where = touched ?? (shared ? `the other output at end ${shared.end}` : undefined);
          return where === undefined
            ? []
            : [
                {
                  severity: 'stop' as const,
                  says: `The ${role === 'plus' ? '+' : '−'} leg of the bridged amplifier is on ${where}.`,
                  because:
                    'Both legs of a bridged output are live: neither may meet a sleeve, a shell or another amplifier.',
                  hear: 'The amplifier protects itself or dies; what is touched may bite.',
                  about: at ?? channel.name,
                  at: at === undefined ? [] : [at],
                  remedies: [],
                },
              ];
        }),
      ),
};
