import { allot } from '../cores';
import { bodyOf, connect, linkShells } from '../connect';
import { roleTerminal, groundTerminal } from '../../situation';
import { cableProblem, lay, putEnds } from '../lay';
import { conductorTerminal } from '../../assembly';
import type { ChannelPair } from '../../situation';
import type { Ask } from '../types';
import { coldOf } from './cold';
import { isSpecial, kindOf, lacksCable, other, practice } from './shape';
import { cannot, type Recipe, wired } from './types';

/** What each sender goes to. */
const bySender = (ask: Ask): readonly (readonly ChannelPair[])[] =>
  [...new Set(ask.links.map(({ out }) => out))].map((out) => ask.links.filter((link) => link.out === out));

/** Every sender goes to receivers at several ends, and every receiver hears one. */
const splits = (ask: Ask): boolean =>
  !isSpecial(ask) &&
  ask.links.length > 0 &&
  ask.links.every((link) => kindOf(link) !== 'mismatched') &&
  new Set(ask.links.map((link) => link.in)).size === ask.links.length &&
  bySender(ask).every(
    (links) => links.length > 1 && new Set(links.map((link) => link.in.end)).size === links.length,
  );

/** What the inputs of one sender come to in parallel, Ω: 1 ÷ Σ 1/Z. */
const parallel = (ask: Ask): number =>
  1 / (bySender(ask)[0] ?? []).reduce((sum, link) => sum + 1 / link.in.port.impedance, 0);

/** How many outputs go to how many inputs each. */
function sayWhat(ask: Ask): string {
  const senders = bySender(ask);
  const inputs = senders[0]?.length ?? 0;
  return senders.length === 1
    ? `One output to ${inputs} inputs, contact to contact.`
    : `Each of ${senders.length} channels to ${inputs} inputs, contact to contact.`;
}

export const split: Recipe = {
  id: 'split',
  name: 'parallel split (Y)',
  source: 'common practice',
  suits: (ask) =>
    splits(ask)
      ? {
          is: 'right',
          why: `${sayWhat(ask)} ${
            kindOf(ask.links[0] as (typeof ask.links)[number]) === 'loudspeaker'
              ? `Loudspeakers in parallel divide the impedance: ${parallel(ask).toPrecision(2)} Ω together.`
              : `The loads add: ${Math.round(parallel(ask))} Ω together${ask.links.some(({ in: to }) => to.port.signal === 'headphone') ? ', and the same control for all' : ''}.`
          }`,
        }
      : other('It is for one output into inputs at several ends.'),
  lacks: lacksCable,
  wire(ask, d) {
    for (const run of lay(d, ask, ask.links))
      connect(d, ask, run, kindOf(run.link) === 'unbalances' ? coldOf(ask, run.link) : {});
    const [first] = ask.links;
    if (first && kindOf(first) === 'balanced' && first.out.port.signal === 'microphone')
      d.because(practice('Phantom from one of the inputs only.'));
    if (first && kindOf(first) !== 'loudspeaker') d.because(practice('Two grounds meet here, and may hum.'));
    linkShells(d, ask);
    return wired;
  },
};

/** Four ends, plug and socket in turn, each a line that goes on. */
const chains = (ask: Ask): boolean =>
  splits(ask) &&
  ask.form === 'lead' &&
  ask.links.length === 3 &&
  ask.ends.length === 4 &&
  ask.ends.every((end) => end.port.id === 'line-end') &&
  new Set(ask.ends.map((end) => end.intent.family)).size === 1 &&
  ask.ends.every((end, n) => n === 0 || end.connector?.gender !== ask.ends[n - 1]?.connector?.gender);

/** What comes in at the last end and goes out at all the others. */
function turned(ask: Ask): readonly ChannelPair[] {
  const last = ask.ends.at(-1)?.channels[0];
  return last === undefined
    ? []
    : ask.ends
        .slice(0, -1)
        .flatMap((end) => end.channels)
        .map((channel) => ({
          out: { ...last, direction: 'sends' },
          in: { ...channel, direction: 'receives' },
        }));
}

export const chainSplit: Recipe = {
  id: 'chain-split',
  name: 'chain split, four ends in a row',
  source: 'common practice',
  suits: (ask) =>
    chains(ask)
      ? {
          is: 'right',
          why: 'Plug, socket, plug, socket on three lengths, all contacts in parallel: a splitter, a turnaround both ways, or a longer patch.',
          rank: 1,
        }
      : other('It is for four ends, plug and socket in turn, on lines that go on.'),
  lacks: (ask) => cableProblem(ask, ask.links.slice(0, 1)),
  uses: (ask) => [{ name: 'the other way round', links: turned(ask) }],
  wire(ask, d) {
    const { cable, intent } = ask;
    const [link] = ask.links;
    const [carrier] = cable && link ? (allot(cable, [link], ask.schools) ?? []) : [];
    if (!cable || !link || !carrier)
      return cannot('The cable does not carry one balanced channel.', 'intent.cable');
    putEnds(d, ask);
    const because = practice('All contacts in parallel, end after end.');
    d.because({ says: carrier.says, school: 'colour' });
    d.because(practice('Never join two outputs with it: it is a splitter, a turnaround or a longer patch.'));
    ask.ends.slice(1).forEach((to, n) => {
      const from = ask.ends[n];
      if (!from) return;
      const id = `W${n + 1}`;
      d.span({ id, cable: cable.id, from: from.body, to: to.body }, cable);
      if (intent.length) d.length({ from: from.id, to: to.id, ...intent.length });
      for (const end of [from, to]) {
        const [channel] = end.channels;
        if (!channel) continue;
        const put = (conductors: readonly string[], target: string | undefined): void => {
          if (target === undefined) return;
          d.land(
            conductors.map((conductor) => conductorTerminal(id, conductor, bodyOf(ask, end.id))),
            target,
            because,
          );
        };
        put(carrier.screen === undefined ? [] : [carrier.screen], groundTerminal(channel));
        put(carrier.hot, roleTerminal(channel, 'hot'));
        put(carrier.cold, roleTerminal(channel, 'cold'));
        for (const spare of carrier.spare)
          d.leave(conductorTerminal(id, spare, end.body), 'cut back', {
            says: 'Not needed here.',
            school: 'spare-cores',
          });
      }
    });
    linkShells(d, ask);
    return wired;
  },
};
