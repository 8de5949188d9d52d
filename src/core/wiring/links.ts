import { good, type Problem, type Result } from '../quantity';
import type { Channel, ChannelPair } from '../situation';
import type { AskEnd } from './types';

/** Each receiver with the sender of its name that is not on its own end, each sender once for as long as there are enough. */
function byName(outs: readonly Channel[], ins: readonly Channel[]): readonly ChannelPair[] {
  const used = new Set<Channel>();
  return ins.flatMap((to) => {
    const fitting = to.label === '' ? [] : outs.filter((out) => out.label === to.label && out.end !== to.end);
    const from = fitting.find((out) => !used.has(out)) ?? fitting[0];
    if (!from) return [];
    used.add(from);
    return [{ out: from, in: to }];
  });
}

/**
 * Which channel goes to which. One sender goes to everybody; everybody goes to one receiver; where both sides have names,
 * by name; as many senders as receivers, what has no name in its order, never within one end. Several senders and
 * several receivers of other numbers are paired by name alone: none where a name is missing.
 *
 * Names on both sides that do not meet are refused at the receiving end's `channel`.
 */
export function routeOf(ends: readonly AskEnd[]): Result<readonly ChannelPair[]> {
  const channels = ends.flatMap((end) => end.channels);
  const outs = channels.filter((channel) => channel.direction === 'sends');
  const ins = channels.filter((channel) => channel.direction === 'receives');
  const [firstOut] = outs;
  const [firstIn] = ins;
  if (!firstOut || !firstIn) return good([]);
  if (outs.length === 1) return good(ins.map((to) => ({ out: firstOut, in: to })));
  if (ins.length === 1) return good(outs.map((from) => ({ out: from, in: firstIn })));
  // What comes from the first side first: what goes the other way stands after it.
  const isBack = ({ out }: ChannelPair): number =>
    ends.find((end) => end.id === out.end)?.side === 'to' ? 1 : 0;
  const named = [...byName(outs, ins)].sort((a, b) => isBack(a) - isBack(b));
  if (named.length === ins.length && new Set(named.map((link) => link.out)).size === outs.length)
    return good(named);
  if (outs.length !== ins.length) return good([]);
  const problems: Problem[] = [];
  // Those that have each other's name first; what has none stands in its order among the rest.
  const met = new Map(named.map((link) => [link.out, link.in]));
  const left = ins.filter((to) => !named.some((link) => link.in === to));
  const inOrder = outs.flatMap((out): ChannelPair[] => {
    const own = met.get(out);
    if (own) return [{ out, in: own }];
    const n = left.findIndex((to) => to.end !== out.end);
    const [to] = n < 0 ? [] : left.splice(n, 1);
    if (!to) return [];
    if (out.label !== '' && to.label !== '' && out.label !== to.label)
      problems.push(namesApart(ends, out, to));
    return [{ out, in: to }];
  });
  return problems.length > 0 ? { ok: false, problems } : good(inOrder);
}

/** Two channels that would meet by their order alone, and have other names. Where a name is the end's to choose, that is the field. */
function namesApart(ends: readonly AskEnd[], out: Channel, to: Channel): Problem {
  const [from, into] = [out, to].map((channel) => ends.find((end) => end.id === channel.end));
  const nameable = [into, from].find((end) => end && end.channels.length === 1);
  return nameable
    ? {
        code: 'intent.channel',
        says: `“${to.label}” would meet “${out.label}”: give the channels of both sides the same names, or name one side only and they are taken in their order.`,
        path: `${nameable.path}.channel`,
      }
    : {
        code: 'intent.channel',
        says: `“${to.label}” would meet “${out.label}”: these two do not carry the same channels. Choose what has them by the same names, or say each channel’s end by itself.`,
        path: `${into?.path ?? 'intent'}.port`,
      };
}

/** Whether every channel is used once: nothing is split and nothing is summed. */
export const isOneToOne = (links: readonly ChannelPair[]): boolean =>
  new Set(links.map((link) => link.out)).size === links.length &&
  new Set(links.map((link) => link.in)).size === links.length;
