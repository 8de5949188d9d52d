import { expectedGains, leadSignal } from '../../signal';
import { carriedBy, pairsOf, sayChannel, type ChannelPair } from '../../situation';
import type { Finding, LeadInUse, Rule } from '../types';
import { isLoudspeaker } from './say';
import { gainsOf, isMiswired } from './solved';

type Found = Omit<Finding, 'rule'>;

/** Further off than this is not the tolerance of parts, dB (E24 of 5 %, from memory). */
const OFF = 1;

/** What a pad takes, measured as it is meant: between the impedances of its design, dB. */
function lossOf({ assembly, situation }: LeadInUse, pair: ChannelPair): number | undefined {
  const ohms = pair.lossOhms;
  const made = leadSignal(assembly, situation, {
    ranges: false,
    grid: 'coarse',
    without: ['separation', 'noise', 'input-impedance'],
    sourceOhms: ohms ?? 0,
    ...(ohms === undefined ? {} : { loadOhms: ohms }),
  });
  const gain = made.ok
    ? made.value.figures.find(
        ({ kind, link }) => kind === 'gain' && link?.out === pair.out.name && link.in === pair.in.name,
      )?.value
    : undefined;
  // Matched to both sides, half arrives without a pad.
  return gain === undefined ? undefined : -gain - (ohms === undefined ? 0 : 20 * Math.log10(2));
}

const finding = (pair: ChannelPair, says: string, because: string, more: boolean): Found => ({
  severity: 'caution',
  says,
  because,
  hear: more
    ? 'Louder than it should be; the input may overload.'
    : 'Fainter than it should be, and nearer to the noise.',
  about: pair.in.name,
  at: [],
  remedies: [],
});

export const levelOff: Rule = {
  id: 'level-off',
  what: 'What arrives is not what the two sides, and the loss that is asked, would have it.',
  source: 'by the circuit, against the closed form of source and load',
  find(used) {
    // What is wired wrongly is said by what is wrong with it, and a control’s level by how it is turned.
    if (isMiswired(used)) return [];
    if (used.assembly.bodies.some((body) => body.parts.some(({ kind }) => kind === 'potentiometer')))
      return [];
    const pairs = pairsOf(used.situation);
    // A coil rings with the lead: its level is not that of a divider.
    if (pairs.some(({ out }) => out.port.coil)) return [];
    const expected = expectedGains(used.assembly, used.situation);
    const gains = gainsOf(used);
    const carriesHot = (pair: ChannelPair): boolean =>
      carriedBy(used.assembly, used.situation).some(
        (way) =>
          way.out === pair.out.name && way.in === pair.in.name && way.role === 'hot' && way.carried === true,
      );
    return pairs.flatMap((pair): readonly Found[] => {
      if (isLoudspeaker(pair.out) || pair.out.port.signal === 'test') return [];
      if (pair.lossDb !== undefined) {
        const loss = lossOf(used, pair);
        return loss === undefined || Math.abs(loss - pair.lossDb) <= OFF
          ? []
          : [
              finding(
                pair,
                `The pad takes ${loss.toFixed(1)} dB, and ${pair.lossDb} dB are asked.`,
                `By the circuit ${pair.lossOhms === undefined ? 'from a source of no impedance into this input' : `between ${pair.lossOhms} Ω at either side`}: a resistor of it has another value, or is joined elsewhere.`,
                loss < pair.lossDb,
              ),
            ];
      }
      const gain = gains(pair);
      const [low, high] = expected(pair);
      const is = gain?.value ?? low;
      const off = is < low ? is - low : Math.max(0, is - high);
      // What is joined to nothing is said by what is open; here something lies across the way.
      if (gain !== undefined && off === -Infinity && carriesHot(pair))
        return [
          {
            ...finding(
              pair,
              `From ${sayChannel(pair.out)} to ${sayChannel(pair.in)} nothing arrives, though its hot is carried all the way.`,
              'By the circuit: something in this lead lies across the signal and shorts it.',
              false,
            ),
            severity: 'stop' as const,
            hear: 'Nothing.',
          },
        ];
      return gain === undefined || !Number.isFinite(off) || Math.abs(off) <= OFF
        ? []
        : [
            finding(
              pair,
              `From ${sayChannel(pair.out)} to ${sayChannel(pair.in)} ${gain.says} arrives, ${Math.abs(off).toFixed(1)} dB ${off < 0 ? 'less' : 'more'} than source and input alone make it.`,
              'By the circuit: what lies between in this lead takes it, or gives another way.',
              off > 0,
            ),
          ];
    });
  },
};
