import { connectorOf, endsOf, type End } from '../assembly';
import { found } from '../findings';
import type { Lead } from '../lead';
import type { Situation } from '../situation';

/** Every order of a few. */
const orders = <T>(items: readonly T[]): readonly (readonly T[])[] =>
  items.length < 2
    ? [items]
    : items.flatMap((item) => orders(items.filter((other) => other !== item)).map((rest) => [item, ...rest]));

/** More ends than these are taken in their own order only. */
const FEW_ENDS = 4;

/** What an end goes into: of another kind it does not go there at all. */
const mates = ({ assembly }: Lead, end: End): string => {
  const connector = connectorOf(assembly, end);
  return `${connector?.family ?? end.id} ${connector?.gender ?? ''}`;
};

/** A situation as it is for a lead whose ends have other letters. */
const atEnds = (situation: Situation, called: ReadonlyMap<string, string>): Situation => ({
  ...situation,
  channels: situation.channels.map((channel) => ({
    ...channel,
    end: called.get(channel.end) ?? channel.end,
  })),
});

const against = (lead: Lead): ReadonlySet<string> =>
  new Set(found(lead).flatMap(({ rule, severity }) => (severity === 'note' ? [] : [rule])));

const lengthOf = ({ assembly }: Lead): number =>
  assembly.lengths.reduce((sum, { mm }) => Math.max(sum, mm), 0);

/**
 * Whether one lead does what another was derived for: its ends go into the same places, it is as long, and looked at as if it
 * had been made for that, by its nets and its circuit, nothing speaks against it that does not speak against the other too.
 */
export function serves(lead: Lead, need: Lead): boolean {
  if ((lead.intent?.form ?? 'lead') !== (need.intent?.form ?? 'lead')) return false;
  if (lengthOf(lead) < lengthOf(need)) return false;
  const [own, wanted] = [endsOf(lead.assembly), endsOf(need.assembly)];
  if (own.length !== wanted.length) return false;
  const allowed = against(need);
  return (own.length > FEW_ENDS ? [own] : orders(own)).some((order) => {
    if (!order.every((end, n) => wanted[n] && mates(lead, end) === mates(need, wanted[n]))) return false;
    const called = new Map(order.map((end, n) => [wanted[n]?.id ?? '', end.id]));
    const { intent: _, ...rest } = need;
    const there: Lead = {
      ...rest,
      assembly: lead.assembly,
      situations: need.situations.map((situation) => atEnds(situation, called)),
    };
    return [...against(there)].every((rule) => allowed.has(rule));
  });
}
