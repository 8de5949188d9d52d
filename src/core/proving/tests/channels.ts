import { channelNamed, type Channel, type Situation } from '../../situation';
import { capital, sayList } from '../../quantity';
import { gains, partsOf, plugged } from './built';
import type { TestKind, Tried } from './types';

/** Within this, a ratio, a level is as it should be to an ear; under the other, of the loudest, nothing is heard of it. */
const ALIKE = Math.SQRT2;
const SILENT = 0.05;

const SIDES = /^(left|right)$/;
const NUMBERED = /^\d+$/;
const called = (label: string): string => (NUMBERED.test(label) ? `channel ${label}` : label);

/** How one channel of several is sent alone: sides are panned, or played from a record that has them apart. */
function aloneOf(one: Channel, all: readonly Channel[]): string {
  const name = called(one.label) || one.name;
  const isSide = SIDES.test(one.label) && all.some((each) => each !== one && SIDES.test(each.label));
  if (!isSide) return `Feed ${name} alone`;
  return one.port.signal === 'pickup'
    ? `Play ${name} alone, from a test record`
    : `Feed ${name} alone (pan hard)`;
}

/** Where a channel is heard: by what is there, and by the ends where that is the same at several. */
function whereTo(to: readonly Channel[]): string {
  const labels = [...new Set(to.map(({ label }) => label))];
  return sayList(
    labels.map((label) => {
      const ends = [...new Set(to.flatMap((each) => (each.label === label ? [each.end] : [])))];
      const at = `end${ends.length > 1 ? 's' : ''} ${sayList(ends)}`;
      if (label === '') return at;
      const name = SIDES.test(label) || NUMBERED.test(label) ? called(label) : `the ${label} input`;
      return ends.length > 1 ? `${name} of ${at}` : name;
    }),
  );
}

/** What is said of one channel, by what it comes from and what else there is. */
function saying(one: Channel, all: readonly Channel[], to: readonly Channel[]): string {
  const many = all.length > 1;
  const microphones = all.filter(({ port }) => port.signal === 'microphone');
  const name = one.label || one.name;
  const there = whereTo(to);
  if (one.port.signal === 'microphone')
    return many && microphones.length === 1
      ? `Speak at the microphone: it comes on ${there}, and on nothing else.`
      : many
        ? `Speak at the ${name} ${microphones.every(({ end }) => end === one.end) ? 'capsule' : 'microphone'} alone: it comes on ${there}, as loud as the other${microphones.length > 2 ? 's do' : ' does'}, and on nothing else.`
        : `Speak at the microphone: it comes on ${there}, clear and at its usual level.`;
  return many
    ? `${aloneOf(one, all)}: it comes on ${there}, and on nothing else.`
    : `Feed a signal: it comes on ${there}, clear and at its level.`;
}

/** Each source alone, where parts or several channels are inside: it comes where it should, as loud as it should, and nowhere else. */
export const channelTests: TestKind = (assembly, situation) => {
  if (!situation) return [];
  // Among copper alone the meter tells as much; left and right are listened to all the same.
  const isStereo = (all: readonly Channel[]): boolean =>
    all.filter(({ label }) => SIDES.test(label)).length > 1;
  const isCopper = partsOf(assembly).length === 0;
  if (isCopper && !isStereo(situation.channels)) return [];
  const { driven, heard } = plugged({ assembly }, situation, assembly);
  const sources = driven.flatMap(({ channel }, n) => {
    const found = channelNamed(situation, channel);
    return found ? [{ channel: found, n }] : [];
  });
  if (heard.length === 0 || (isCopper && !isStereo(sources.map(({ channel }) => channel)))) return [];
  const designed = gains(plugged({ assembly }, situation, assembly));
  if (!designed) return [];
  const loudest = Math.max(...designed.flat());
  return sources.flatMap(({ channel, n }): readonly Tried[] => {
    const own = designed[n] ?? [];
    const to = heard.flatMap(({ channel: name }, k) =>
      (own[k] ?? 0) > SILENT * loudest ? (channelNamed(situation, name) ?? []) : [],
    );
    if (to.length === 0) return [];
    return [
      {
        trial: {
          id: `test:channel ${channel.name}`,
          kind: 'test',
          says: capital(
            saying(
              channel,
              sources.map((each) => each.channel),
              to,
            ),
          ),
          caution: cautionFor(situation),
        },
        answers(built) {
          const now = gains(plugged(built, situation, assembly))?.[n];
          return now?.every((level, k) => {
            const should = own[k] ?? 0;
            if (should <= SILENT * loudest) return level <= 2 * SILENT * loudest;
            return level < should * ALIKE && level > should / ALIKE;
          });
        },
      },
    ];
  });
};

const cautionFor = ({ channels }: Situation): string =>
  channels.some(({ port }) => port.phantom === 'needs')
    ? 'Phantom last on and first off; start low.'
    : 'Start low and bring it up.';
