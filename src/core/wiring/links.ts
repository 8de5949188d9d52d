import type { AskEnd, Link } from './types';

/**
 * Which channel goes to which. One sender goes to everybody; everybody goes to one receiver; as many senders as
 * receivers are paired by their names where all have one, and in their order otherwise, never within one end. Several
 * senders and several receivers of other numbers are paired by name alone: none where a name is missing.
 */
export function routeOf(ends: readonly AskEnd[]): readonly Link[] {
  const channels = ends.flatMap((end) => end.channels);
  const outs = channels.filter((channel) => channel.sends);
  const ins = channels.filter((channel) => !channel.sends);
  const [firstOut] = outs;
  const [firstIn] = ins;
  if (!firstOut || !firstIn) return [];
  if (outs.length === 1) return ins.map((to) => ({ out: firstOut, in: to }));
  if (ins.length === 1) return outs.map((from) => ({ out: from, in: firstIn }));
  const byName = ins.flatMap((to): Link[] => {
    const from =
      to.label === '' ? undefined : outs.find((out) => out.label === to.label && out.end !== to.end);
    return from ? [{ out: from, in: to }] : [];
  });
  if (byName.length === ins.length && new Set(byName.map((link) => link.out)).size === outs.length)
    return byName;
  if (outs.length !== ins.length) return [];
  const left = [...ins];
  return outs.flatMap((out): Link[] => {
    const n = left.findIndex((to) => to.end !== out.end);
    const [to] = n < 0 ? [] : left.splice(n, 1);
    return to ? [{ out, in: to }] : [];
  });
}

/** Whether every channel is used once: nothing is split and nothing is summed. */
export const isOneToOne = (links: readonly Link[]): boolean =>
  new Set(links.map((link) => link.out)).size === links.length &&
  new Set(links.map((link) => link.in)).size === links.length;
