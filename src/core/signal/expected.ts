import { spanLengths, type Assembly } from '../assembly';
import { isBalanced } from '../catalogue';
import { isHalved, loadOhms, resistances, sourceOhms } from '../model';
import { carriedBy, pairsOf, partnersOf, type ChannelPair, type Situation } from '../situation';

/** How far down what is halved is, dB. */
const HALF = 20 * Math.log10(2);

/** Where the hot of a link goes in and comes out. */
const hotOf = (pair: ChannelPair) => partnersOf(pair).find(({ role }) => role === 'hot');

/**
 * Between what it lies what arrives of a link where the lead takes nothing but by the resistors that are in series with it,
 * dB re what is sent, in closed form: the loads beside each other against the source; half from an output that is driven
 * against ground and whose cold leg is not carried; where several outputs meet in one contact, g ÷ (Σg + 1 ÷ load) with
 * g = 1 ÷ (source + series) of each (circuit law). Of a balanced input that is driven on one leg the half counts that is not
 * grounded, or the whole, as its ground and the source’s lie.
 */
export function expectedGain(
  assembly: Assembly,
  situation: Situation,
  pair: ChannelPair,
): readonly [number, number] {
  const pairs = pairsOf(situation);
  const cold = carriedBy(assembly, situation).some(
    (way) => way.out === pair.out.name && way.in === pair.in.name && way.role === 'cold' && way.carried,
  );
  // One leg of an output, with half of its impedance, where the other gets nowhere.
  const oneLeg = isBalanced(pair.out.roles) && !isBalanced(pair.in.roles) && !cold;
  const half = isHalved(pair.out) || pair.out.port.coldLeg === 'impedance-balanced';
  const source = sourceOhms(pair.out) / (oneLeg && half ? 2 : 1);
  const meeting = pairs.filter((each) => hotOf(each)?.to === hotOf(pair)?.to);
  const between = resistances(assembly, { lengths: spanLengths(assembly) });
  const g = (each: ChannelPair): number => {
    const hot = hotOf(each);
    return 1 / (sourceOhms(each.out) + (hot ? between(hot.from, hot.to) : Infinity));
  };
  const gain = (share: number): number => {
    const loadTo = (each: ChannelPair): number => loadOhms(each.in) / (isBalanced(each.in.roles) ? share : 1);
    const load =
      1 / pairs.filter(({ out }) => out === pair.out).reduce((sum, each) => sum + 1 / loadTo(each), 0);
    return meeting.length > 1
      ? 20 * Math.log10(g(pair) / (meeting.reduce((sum, each) => sum + g(each), 0) + 1 / load))
      : 20 * Math.log10(load / (load + source)) - (oneLeg && isHalved(pair.out) ? HALF : 0);
  };
  const mixed = pairs.some(
    ({ out, in: into }) => out === pair.out && isBalanced(into.roles) !== isBalanced(out.roles),
  );
  return mixed ? [gain(2), gain(1)] : [gain(1), gain(1)];
}
