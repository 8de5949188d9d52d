import { leadTerminal, spanLengths, type Assembly } from '../assembly';
import { isBalanced } from '../catalogue';
import { isHalved, loadOhms, resistances, sourceOhms } from '../model';
import { carriedBy, pairsOf, partnersOf, type ChannelPair, type Situation } from '../situation';

/** How far down what is halved is, dB. */
const HALF = 20 * Math.log10(2);

/** Where the hot of a link goes in and comes out. */
const hotOf = (pair: ChannelPair) => partnersOf(pair).find(({ role }) => role === 'hot');

/**
 * Between what it lies what arrives of each link where the lead takes nothing but by the resistors that are in series with it,
 * dB re what is sent, in closed form: the loads beside each other against the source; half from an output that is driven
 * against ground and whose cold leg is not carried; where several outputs meet in one contact, g ÷ (Σg + 1 ÷ load) with
 * g = 1 ÷ (source + series) of each (circuit law). Of a balanced input that is driven on one leg the half counts that is not
 * grounded, or the whole, as its ground and the source’s lie.
 */
export function expectedGains(
  assembly: Assembly,
  situation: Situation,
): (pair: ChannelPair) => readonly [number, number] {
  const pairs = pairsOf(situation);
  const coldCarried = new Set(
    carriedBy(assembly, situation).flatMap((way) =>
      way.role === 'cold' && way.carried ? [`${way.out}>${way.in}`] : [],
    ),
  );
  const [byOut, byHot] = [new Map<string, ChannelPair[]>(), new Map<string, ChannelPair[]>()];
  for (const pair of pairs)
    for (const [groups, name] of [
      [byOut, pair.out.name],
      [byHot, hotOf(pair)?.to ?? ''],
    ] as const) {
      const group = groups.get(name);
      if (group) group.push(pair);
      else groups.set(name, [pair]);
    }
  return (pair) => {
    // One leg of an output, with half of its impedance, where the other gets nowhere.
    const oneLeg =
      isBalanced(pair.out.roles) &&
      !isBalanced(pair.in.roles) &&
      !coldCarried.has(`${pair.out.name}>${pair.in.name}`);
    const half = isHalved(pair.out) || pair.out.port.coldLeg === 'impedance-balanced';
    const source = sourceOhms(pair.out) / (oneLeg && half ? 2 : 1);
    const mine = byOut.get(pair.out.name) ?? [];
    const meeting = byHot.get(hotOf(pair)?.to ?? '') ?? [];
    const gain = (share: number): number => {
      const load =
        1 / mine.reduce((sum, each) => sum + (isBalanced(each.in.roles) ? share : 1) / loadOhms(each.in), 0);
      return meeting.length > 1
        ? summed(assembly, pair, meeting, load)
        : 20 * Math.log10(load / (load + source)) - (oneLeg && isHalved(pair.out) ? HALF : 0);
    };
    // What grounds one leg for one of them grounds it for all: the others are driven on one leg then.
    const isUneven = !isBalanced(pair.out.roles) || mine.some((each) => !isBalanced(each.in.roles));
    const mixed = isUneven && mine.some((each) => isBalanced(each.in.roles));
    return mixed ? [gain(2), gain(1)] : [gain(1), gain(1)];
  };
}

/** A 1:1 transformer is a wire with the resistance of its copper from each end of one winding to that of the other. */
const acrossTransformers = ({ bodies }: Assembly) =>
  bodies
    .flatMap(({ parts }) => parts)
    .flatMap((part) =>
      part.kind === 'transformer'
        ? ([1, 2] as const).map((n) => ({
            a: leadTerminal(part.id, `p${n}`),
            b: leadTerminal(part.id, `s${n}`),
            ohms: part.windingOhms ?? 0,
          }))
        : [],
    );

/** What arrives of one of several outputs that meet in one contact, each through what resists in its way, dB. */
function summed(
  assembly: Assembly,
  pair: ChannelPair,
  meeting: readonly ChannelPair[],
  load: number,
): number {
  const between = resistances(assembly, {
    lengths: spanLengths(assembly),
    extra: acrossTransformers(assembly),
  });
  const g = (each: ChannelPair): number => {
    const hot = hotOf(each);
    return 1 / (sourceOhms(each.out) + (hot ? between(hot.from, hot.to) : Infinity));
  };
  return 20 * Math.log10(g(pair) / (meeting.reduce((sum, each) => sum + g(each), 0) + 1 / load));
}
