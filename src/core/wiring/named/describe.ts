import {
  CONNECTORS,
  familiesFor,
  familyName,
  isDirected,
  plainWords,
  portById,
  usualGender,
  type ConnectorEntry,
} from '../../catalogue';
import { capital } from '../../quantity';
import type { IntentEnd } from '../intent';
import { leadOf, type NamedLead } from './named-lead';

type Gender = NonNullable<IntentEnd['gender']>;

/** What was said of one side. */
interface Said {
  readonly count: number;
  readonly family: string;
  readonly gender?: Gender;
  readonly angle?: 'right-angle';
  /** What stands there, where that was said. */
  readonly port?: PortWord;
}

/** Words for connectors, the more exact first. A jack of which nothing else is said is TS or TRS by what faces it. */
const FAMILIES: readonly (readonly [words: RegExp, family: string])[] = [
  [/\b(25[- ]way d|d-?25|db-?25|d[- ]?sub)\b/, 'd25'],
  [/\btwist[- ]?lock.* 8|\b8[- ]pole/, 'twist8'],
  [/\btwist[- ]?lock.* 4|\b4[- ]pole/, 'twist4'],
  [/\btwist[- ]?lock/, 'twist2'],
  [/\b(4 ?mm|bananas?)\b/, 'plug4'],
  [/\btrrs\b/, 'trrs35'],
  [/\b(mono|ts) (3\.5|mini|small|1\/8)|\b(3\.5( ?mm)?|mini[- ]?jack|1\/8) (ts|mono)\b/, 'ts35'],
  [/\b3\.5|\bmini[- ]?jack|\bsmall jack|\b1\/8|\beighth|\baux\b/, 'trs35'],
  [/\b(mono|guitar|unbalanced) jacks?\b|\bts\b/, 'ts635'],
  [/\b(stereo|balanced) jacks?\b|\btrs\b/, 'trs635'],
  [/\bjacks?\b|\bquarter|\b1\/4|\b6\.(3|35|5)\b/, 'jack'],
  [/\bdin[- ]?3|\b3[- ]pin din\b/, 'din3'],
  [/\bdin\b/, 'din5'],
  [/\b5[- ](pin|contact)|\bxlr[- ]?5/, 'xlr5'],
  [/\b4[- ](pin|contact)|\bxlr[- ]?4/, 'xlr4'],
  [/\bxlrs?\b/, 'xlr3'],
  [/\b(phonos?|rcas?)\b/, 'phono'],
  [/\bscrew/, 'screw3'],
];

/** Words for what stands at an end: as a source, as a destination, and the connector it has where none was named. */
interface PortWord {
  readonly words: RegExp;
  readonly from?: string;
  readonly to?: string;
  readonly family: string;
}
const PORT_WORDS: readonly PortWord[] = [
  { words: /\bstereo mic/, from: 'microphone-stereo', family: 'xlr5' },
  { words: /\brecorder/, from: 'stereo-output', to: 'recorder-input', family: 'trs35' },
  { words: /\bcamera|\bcamcorder|\bbelt ?pack|\btransmitter/, to: 'camera-input', family: 'trs35' },
  { words: /\b(powered|active) (loud)?speakers?|\bmonitors?\b/, to: 'powered-loudspeaker', family: 'xlr3' },
  { words: /\b(loud)?speakers?\b|\bcab(inet)?\b/, to: 'loudspeaker', family: 'twist2' },
  { words: /\bamp(lifier)?\b/, from: 'amplifier', to: 'unbalanced-input', family: 'twist2' },
  { words: /\b(head|ear)?phones\b|\bheadphone/, from: 'headphone-output', to: 'headphones', family: 'trs35' },
  { words: /\btablet|\blaptop|\bphone\b|\bcomputer|\bplayer/, from: 'headphone-output', family: 'trs35' },
  { words: /\bguitar|\bbass\b|\binstrument/, from: 'instrument', to: 'instrument-input', family: 'ts635' },
  { words: /\bmi(c|ke|crophone)s?\b/, from: 'microphone', to: 'microphone-input', family: 'xlr3' },
  {
    words: /\b(desk|mixer|console|stage ?box|line)\b/,
    from: 'line-ground-referenced',
    to: 'line-input',
    family: 'xlr3',
  },
];

const COUNTS: readonly (readonly [RegExp, number])[] = [
  [/\b(two|2 ?x|2|dual|pair|twin|both)\b/, 2],
  [/\b(three|3 ?x|3)\b/, 3],
  [/\b(four|4 ?x|4)\b/, 4],
  [/\b(eight|8 ?x|8)\b/, 8],
];

/** One side, from what was typed for it; nothing where no connector is in it. */
export function sideOf(text: string): Said | undefined {
  const port = PORT_WORDS.find(({ words }) => words.test(text));
  const named = FAMILIES.find(([words]) => words.test(text));
  const family = named?.[1] ?? port?.family;
  if (family === undefined) return undefined;
  // Figures that belong to the connector count nothing.
  const rest = named ? text.replace(named[0], ' ').replace(/\b(4 ?mm|3 ?pin|mm)\b/g, ' ') : text;
  const gender = /\b(male|plugs?|m)\b/.test(rest)
    ? 'plug'
    : /\b(female|sockets?|f|receptacles?)\b/.test(rest)
      ? 'socket'
      : undefined;
  return {
    count: COUNTS.find(([words]) => words.test(rest))?.[1] ?? 1,
    family,
    ...(gender ? { gender } : {}),
    ...(/\b(right[- ]angled?|angled|r\/a)\b/.test(text) ? { angle: 'right-angle' as const } : {}),
    ...(port ? { port } : {}),
  };
}

const BALANCED = new Set(['xlr3', 'trs635', 'screw3', 'patch44', 'd25']);
const UNBALANCED = new Set(['phono', 'ts635', 'ts35']);

/** A jack of which nothing else is said: TRS where what faces it is balanced and one, TS otherwise. */
const settled = (side: Said, facing: Said): Said =>
  side.family === 'jack'
    ? {
        ...side,
        family: BALANCED.has(facing.family) && side.port?.from !== 'instrument' ? 'trs635' : 'ts635',
      }
    : side;

/** What usually stands at the source on such a connector, facing that. */
function sourceOn({ family }: Said, facing: Said): string {
  if (family === 'xlr3')
    return facing.family === 'xlr3' && facing.port === undefined ? 'microphone' : 'line-ground-referenced';
  if (family === 'trs635')
    return BALANCED.has(facing.family) && facing.count === 1 ? 'line-ground-referenced' : 'stereo-output';
  if (family === 'ts635') return facing.family === 'ts635' ? 'instrument' : 'unbalanced-output';
  const usual: Readonly<Record<string, string>> = {
    phono: 'unbalanced-output',
    ts35: 'unbalanced-output',
    trs35: 'headphone-output',
    trrs35: 'headset-socket',
    xlr4: 'intercom-station',
    xlr5: 'microphone-stereo',
    d25: 'line-eight',
    screw3: 'line-ground-referenced',
    din5: 'stereo-output',
  };
  return usual[family] ?? 'amplifier';
}

/** What usually stands at the destination on such a connector, fed by that. */
function destinationOn({ family }: Said, source: string): string {
  const from = portById(source);
  if (family === 'xlr3')
    return from?.signal !== 'microphone'
      ? 'line-input'
      : from.phantom === 'needs'
        ? 'microphone-input-phantom'
        : 'microphone-input';
  if (family === 'trs635') return from?.format === 'balanced' ? 'line-input' : 'stereo-input';
  if (family === 'ts635') return from?.signal === 'instrument' ? 'instrument-input' : 'unbalanced-input';
  const usual: Readonly<Record<string, string>> = {
    phono: 'unbalanced-input',
    ts35: 'unbalanced-input',
    trs35: 'stereo-input',
    trrs35: 'headset',
    xlr4: 'intercom-headset',
    d25: 'line-input-eight',
    screw3: 'line-input',
    din5: 'stereo-input',
  };
  return usual[family] ?? 'loudspeaker';
}

/** Whether a port comes on such a connector. */
const comesOn = (port: string | undefined, family: string): boolean => {
  const kind = port === undefined ? undefined : portById(port);
  return kind !== undefined && familiesFor(kind).includes(family);
};

const usualAt = (family: string, side: 'from' | 'to'): ConnectorEntry['gender'] =>
  usualGender(family, side === 'from' ? 'out' : 'in');
/** Whether a side was said with the gender that says that the signal goes the other way. */
const against = (said: Said, side: 'from' | 'to'): boolean =>
  said.gender !== undefined && isDirected(said.family) && said.gender !== usualAt(said.family, side);
const along = (said: Said, side: 'from' | 'to'): boolean =>
  said.gender !== undefined && isDirected(said.family) && said.gender === usualAt(said.family, side);

function endsOf(said: Said, side: 'from' | 'to', port: string, twoChannels: boolean): readonly IntentEnd[] {
  const end: IntentEnd = {
    port,
    family: said.family,
    ...(said.gender !== undefined && (port === 'line-end' || said.gender !== usualAt(said.family, side))
      ? { gender: said.gender }
      : {}),
    ...(said.angle ? { angle: said.angle } : {}),
  };
  return Array.from({ length: said.count }, (_, n) =>
    said.count === 2 && twoChannels
      ? { ...end, channel: n === 0 ? 'left' : 'right' }
      : said.count > 2
        ? { ...end, channel: `${n + 1}` }
        : end,
  );
}

const sayEnd = ({ count, family, gender }: Said): string =>
  `${count === 1 ? '' : `${['', '', 'two', 'three', 'four'][count] ?? 'eight'} `}${familyName(family, CONNECTORS)}${gender ? ` ${gender}${count === 1 ? '' : 's'}` : ''}`;

/**
 * A lead that was described by its two ends: “XLR female to jack”, “phone to 2 RCA”. What stands at each end is what
 * usually does on such a connector. Which way the signal goes is said by plug and socket where they tell it (an
 * output’s connector is a plug, so a cable’s socket is at the source), by the order of the words otherwise. Nothing
 * where two ends are not in it.
 */
export function describedLead(text: string): NamedLead | undefined {
  const parts = text
    .toLowerCase()
    .split(/\s+(?:to|into)\s+|\s*(?:→|->|>)\s*/)
    .map(plainWords);
  const [left, right] = parts.map(sideOf);
  if (parts.length !== 2 || !left || !right) return undefined;
  const [one, other] = [settled(left, right), settled(right, left)];
  const swapped =
    (against(one, 'from') && !along(other, 'to')) || (against(other, 'to') && !along(one, 'from'));
  const [from, to] = swapped ? [other, one] : [one, other];
  const stillAgainst = against(from, 'from') || against(to, 'to');
  const sourcePort =
    stillAgainst && from.port === undefined
      ? 'line-end'
      : comesOn(from.port?.from, from.family)
        ? (from.port?.from ?? '')
        : sourceOn(from, to);
  const destinationPort =
    stillAgainst && to.port === undefined
      ? 'line-end'
      : comesOn(to.port?.to, to.family)
        ? (to.port?.to ?? '')
        : destinationOn(to, sourcePort);
  if (!comesOn(sourcePort, from.family) || !comesOn(destinationPort, to.family)) return undefined;
  const stereo = [sourcePort, destinationPort].some((port) =>
    /^(stereo|stereo-balanced|pickup)$/.test(portById(port)?.format ?? ''),
  );
  const names = [portById(sourcePort)?.name, portById(destinationPort)?.name];
  return {
    id: 'described',
    name: capital(`${sayEnd(from)} to ${sayEnd(to)}`),
    is: `${names[0] ?? ''} to ${names[1] ?? ''}`,
    intent: leadOf(
      endsOf(from, 'from', sourcePort, stereo),
      endsOf(to, 'to', destinationPort, stereo),
      UNBALANCED.has(from.family) || UNBALANCED.has(to.family) ? 2 : 3,
    ),
  };
}
