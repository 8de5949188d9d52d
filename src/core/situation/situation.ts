import { array, number, object, string } from 'yup';
import { contactTerminal, documentId, type Terminal } from '../assembly';
import { portSchema, roleMap, ROLES, type Role } from '../catalogue';
import type { Shape } from '../quantity';
import { factsSchema } from './facts';

/** The version of situations written today. */
export const SITUATION_VERSION = 3;

/** Where the lead will live. */
export const SURROUNDINGS = {
  stage: 'on a stage floor',
  studio: 'in a studio',
  rack: 'in a rack',
  wall: 'in a wall or conduit',
  outdoors: 'outdoors',
  vehicle: 'in a vehicle',
} as const;
export type Surroundings = keyof typeof SURROUNDINGS;
export const SURROUNDING_IDS = Object.keys(SURROUNDINGS) as readonly Surroundings[];

const channelName = string()
  .required()
  .max(40)
  .matches(/^[A-Za-z0-9][A-Za-z0-9._-]*$/, 'may hold letters, digits, . - and _ only');

/**
 * One channel of what one end of a lead is plugged into. Its port is embedded, so that what the catalogue says of it
 * later never changes a lead that exists.
 */
const channelSchema = object({
  /** Its own among the channels of the situation: `A` where the end has one, `A.left` where it has several. */
  name: channelName,
  end: documentId,
  /** What it is called among the lead's others; nothing where there is one only. */
  label: string().defined().strict().max(40),
  /** What the equipment does with it. */
  direction: string()
    .oneOf(['sends', 'receives'] as const)
    .required(),
  port: portSchema.required(),
  /** Which contact of the end has which role. */
  roles: roleMap.required(),
}).noUnknown();
export type Channel = Shape<typeof channelSchema>;

/** Which channel is meant to reach which, by name. */
const linkSchema = object({
  out: channelName,
  in: channelName,
  /** Roles that are meant to reach another than their own, on purpose: hot the cold leg where polarity is reversed. */
  reaches: array(
    object({
      role: string().oneOf(ROLES).required(),
      to: string().oneOf(ROLES).required(),
    }).noUnknown(),
  )
    .max(ROLES.length)
    .optional(),
  /** How much less is meant to arrive than the two sides alone would have, dB: a pad’s. */
  lossDb: number().min(0).max(120),
  /** Between what impedance on either side that is meant, Ω; where nothing is said, from a source of none into its own input. */
  lossOhms: number().positive().max(1e6),
}).noUnknown();
export type ChannelLink = Shape<typeof linkSchema>;

/** What the ends of a lead meet in one use of it, and where. A lead that is used in several ways has several. */
export const situationSchema = object({
  version: number()
    .oneOf([SITUATION_VERSION] as const)
    .required(),
  /** What this use is called beside the lead's others. */
  name: string().required().max(80),
  surroundings: string().oneOf(SURROUNDING_IDS).required(),
  channels: array(channelSchema).max(400).required(),
  links: array(linkSchema).max(400).required(),
  /** Whether what feeds is switched on: it is where nothing is said. */
  supplies: string().oneOf(['on', 'off'] as const),
  /** Between the chassis of what sends and of what receives, V r.m.s.; what is usual where nothing is said. */
  groundVolts: number().min(0).max(1000),
  /** What is known better of cable and equipment than from memory. */
  facts: factsSchema,
  /** What was refused and is done anyway. */
  overruled: array(
    object({
      id: string().required().max(60),
      says: string().required().max(600),
      hear: string().required().max(400),
    }).noUnknown(),
  )
    .required()
    .max(20),
}).noUnknown();
export type Situation = Shape<typeof situationSchema>;

/** The terminal of a role at a channel's end; undefined where the channel has no such role. */
export function roleTerminal(channel: Pick<Channel, 'end' | 'roles'>, role: Role): Terminal | undefined {
  const contact = channel.roles[role];
  return contact === undefined ? undefined : contactTerminal(channel.end, contact);
}

/** The contact that a channel's ground is on: its screen's or, where it has none of its own, its return's. */
export const groundTerminal = (channel: Pick<Channel, 'end' | 'roles'>): Terminal | undefined =>
  roleTerminal(channel, 'screen') ?? roleTerminal(channel, 'return');

/** The channels of each situation by name: asked for by every figure of every link. */
const NAMED = new WeakMap<Situation['channels'], ReadonlyMap<string, Channel>>();

/** The channel of this name; the first, where a document that is not sound has two. */
export function channelNamed({ channels }: Situation, name: string): Channel | undefined {
  const known = NAMED.get(channels) ?? new Map([...channels].reverse().map((each) => [each.name, each]));
  NAMED.set(channels, known);
  return known.get(name);
}

/** Two channels that are meant to reach each other, and what is asked of that beside. */
export interface ChannelPair extends Pick<ChannelLink, 'reaches' | 'lossDb' | 'lossOhms'> {
  readonly out: Channel;
  readonly in: Channel;
}

/** The pairs of channels that are meant to reach each other. */
export const pairsOf = (situation: Situation): readonly ChannelPair[] =>
  situation.links.flatMap((link) => {
    const [out, to] = [channelNamed(situation, link.out), channelNamed(situation, link.in)];
    return out && to ? [{ ...link, out, in: to }] : [];
  });

/** What a channel is called among those of its end: `left` of `A.left`; nothing where it is the only one. */
export const withinEnd = ({ name, end }: Pick<Channel, 'name' | 'end'>): string =>
  name.startsWith(`${end}.`) ? name.slice(end.length + 1) : '';

/** A channel in words: its end, and which of it: “A left”. */
export const sayChannel = ({ end, label }: Pick<Channel, 'end' | 'label'>): string =>
  label === '' ? end : `${end} ${label}`;

/** A situation without what meets ends that are not there any more, and without links to that. */
export function ofEnds(situation: Situation, ends: ReadonlySet<string>): Situation {
  const channels = situation.channels.filter(({ end }) => ends.has(end));
  if (channels.length === situation.channels.length) return situation;
  const names = new Set(channels.map(({ name }) => name));
  return {
    ...situation,
    channels,
    links: situation.links.filter((link) => names.has(link.out) && names.has(link.in)),
  };
}
