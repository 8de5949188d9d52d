import type { LooseContact } from '../assembly';
import {
  asksPinout,
  CABLES,
  channelsOf,
  CONNECTORS,
  familiesFor,
  familyName,
  isTail,
  layoutsFor,
  PORTS,
  TAILS,
  usualGender,
  type CableEntry,
  type ColourCode,
  type ConnectorEntry,
  type FormatChannel,
  type Layout,
  type PortKind,
  type Role,
  type RoleMap,
} from '../catalogue';
import type { Problem } from '../quantity';
import { rankBodies, type BodyChoice } from './choosing/body';
import type { Preference } from './choosing/preference';
import type { Form, Intent, IntentEnd } from './intent';
import type { AskEnd } from './types';

/** Everything that an intent may name: the catalogue, and the workshop's own that the intent carries. */
export interface Among {
  readonly connectors: readonly ConnectorEntry[];
  readonly cables: readonly CableEntry[];
}
/** The catalogue with a workshop’s own before it. */
export const amongOf = (own: Intent['own']): Among => ({
  connectors: [...(own?.connectors ?? []), ...CONNECTORS],
  cables: [...(own?.cables ?? []), ...CABLES],
});

/** A, B … Z, AA, AB …: the name of the nth end. */
export const endName = (n: number): string =>
  (n >= 26 ? String.fromCharCode(64 + Math.floor(n / 26)) : '') + String.fromCharCode(65 + (n % 26));

/** A part of something without what is said to be nothing. */
const definedOf = <T extends object>(of: T): { [K in keyof T]?: NonNullable<T[K]> } =>
  Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]?: NonNullable<T[K]>;
  };

type Report = (field: string, code: string, says: string) => undefined;

/** Roles that channels may share a contact for. */
const GROUNDS: readonly Role[] = ['screen', 'return', 'earth'];

/** The role → contact of each channel of an end: from the typed pin list, or from the family's layout. */
function rolesOf(
  port: PortKind,
  wanted: IntentEnd,
  layout: Layout | undefined,
  contacts: readonly string[] | undefined,
  report: Report,
): Readonly<Record<string, RoleMap>> | undefined {
  const channels = channelsOf(port.format);
  if (!wanted.pinout) return layout?.roles;
  const roles: Record<string, Partial<Record<Role, string>>> = {};
  const taken = new Map<string, { readonly key: string; readonly isGround: boolean }>();
  for (const channel of channels)
    for (const role of channel.roles) {
      const key = channel.id === '' ? role : `${channel.id}.${role}`;
      const contact = wanted.pinout[key];
      if (contact === undefined) {
        if (role === 'screen') continue;
        return report('pinout', 'intent.pinout', `The pin list does not say which contact is ${key}.`);
      }
      if (contacts && !contacts.includes(contact))
        return report(
          'pinout',
          'intent.pinout',
          `There is no contact “${contact}” here: it has ${contacts.join(', ')}.`,
        );
      const twice = taken.get(contact);
      if (twice !== undefined && !(GROUNDS.includes(role) && twice.isGround))
        return report(
          'pinout',
          'intent.pinout-twice',
          `Contact “${contact}” is given to ${twice.key} and to ${key}: each signal needs a contact of its own.`,
        );
      taken.set(contact, { key, isGround: GROUNDS.includes(role) });
      roles[channel.id] = { ...roles[channel.id], [role]: contact };
    }
  const known = channels.flatMap((channel) =>
    channel.roles.map((role) => (channel.id === '' ? role : `${channel.id}.${role}`)),
  );
  const strange = Object.keys(wanted.pinout).find(
    (key) =>
      !known.includes(key as Role) && !/^unused/.test(key) && !(key === 'shell' && isTail(wanted.family)),
  );
  return strange === undefined
    ? roles
    : report(
        'pinout',
        'intent.pinout',
        `“${strange}” is nothing that ${port.name} has: give ${known.join(', ')}, or unused1, unused2 … for the rest.`,
      );
}

const PIN_COLOURS: readonly ColourCode[] = ['BN', 'RD', 'OG', 'YE', 'GN', 'BU', 'VT', 'GY', 'WH', 'BK'];

/** A tail's loose contacts: one for each that the pin list names, in its order. */
const looseOf = (wanted: IntentEnd): readonly LooseContact[] =>
  [...new Set(Object.values(wanted.pinout ?? {}))].map((id, n) => ({
    id,
    name: Object.entries(wanted.pinout ?? {})
      .filter(([, contact]) => contact === id)
      .map(([role]) => role)
      .join(' and '),
    ...(isTail(wanted.family) ? { finish: TAILS[wanted.family].finish } : {}),
    ...(wanted.family === 'tail-pin' ? { colour: PIN_COLOURS[n % 10] ?? 'BK', sleeve: 'heat-shrink' } : {}),
  }));

/** The connectors that could be put on: of the family and gender asked for, and for a panel where it is a box. */
function bodiesFor(
  wanted: IntentEnd,
  { side, form }: Pick<EndPlace, 'side' | 'form'>,
  port: PortKind,
  { connectors }: Among,
): readonly ConnectorEntry[] {
  const direction = port.direction === 'either' ? (side === 'from' ? 'out' : 'in') : port.direction;
  const usual = usualGender(wanted.family, direction, connectors);
  // A box stands where the lead's other end would be plugged in, so its gender is the opposite of the lead's.
  const boxed = connectors.find((entry) => entry.family === wanted.family && entry.mount === 'panel')?.gender;
  const asked = connectors.find((entry) => entry.id === wanted.body)?.gender;
  const gender = wanted.gender ?? asked ?? (form === 'box' ? boxed : usual);
  const of = connectors.filter(
    (entry) => entry.family === wanted.family && (entry.gender === gender || entry.gender === 'none'),
  );
  const mount = form === 'box' ? 'panel' : 'cable';
  return of.filter((entry) => (entry.mount ?? 'cable') === mount || entry.gender === 'none');
}

/** The same, best first for the cable that goes into them and the place. */
export function rankedFor(
  wanted: IntentEnd,
  place: EndPlace,
  port: PortKind,
  among: Among,
  preference?: Preference,
): readonly BodyChoice[] {
  const { surroundings, jacketMm, cables } = place;
  const need = {
    port,
    surroundings,
    cables,
    ...(jacketMm === undefined ? {} : { jacketMm }),
    ...(wanted.angle ? { angle: wanted.angle } : {}),
  };
  return rankBodies(bodiesFor(wanted, place, port, among), need, preference);
}

/** Where an end stands in the intent, and what it is made into. */
export interface EndPlace {
  readonly side: 'from' | 'to';
  /** Which one it is on its side, and how many stand before it on the other. */
  readonly n: number;
  readonly before: number;
  readonly form: Form;
  readonly surroundings: Intent['surroundings'];
  /** The jacket that goes into it, mm, where it is known; and how many such cables do. */
  readonly jacketMm?: number;
  readonly cables: number;
}

/** The port that is asked for, with the values that were typed for it. */
function portOf({ values }: IntentEnd, { coil, ...kind }: PortKind): PortKind {
  return {
    ...kind,
    // Whoever types an impedance means that and nothing wound.
    ...(coil && values?.impedance === undefined ? { coil } : {}),
    ...definedOf(values ?? {}),
  };
}

/** The order of contacts that is meant, or what keeps Antler from knowing it. */
function layoutOf(
  wanted: IntentEnd,
  port: PortKind,
  name: string,
  { connectors }: Among,
  report: Report,
): { readonly layout?: Layout } | undefined {
  const tail = isTail(wanted.family);
  const layouts = tail ? [] : layoutsFor(wanted.family, port.format, connectors);
  const layout = layouts.find((each) => each.id === wanted.layout) ?? layouts[0];
  if (wanted.layout !== undefined && !layouts.some((each) => each.id === wanted.layout))
    return report(
      'layout',
      'intent.layout',
      layouts.length === 0
        ? `${name} has no usual order for ${port.name}: type the pin list instead.`
        : `There is no order “${wanted.layout}” here: choose ${layouts.map((each) => each.id).join(' or ')}.`,
    );
  if (wanted.pinout) return {};
  if (layout?.asks && wanted.layout === undefined)
    return report(
      'layout',
      'intent.layout',
      `Makers differ here, so Antler does not guess: look it up in the equipment’s manual and choose ${layouts.map((each) => `“${each.name}”`).join(' or ')}.`,
    );
  if (tail || asksPinout(wanted.family, connectors))
    return report(
      'pinout',
      'intent.pinout',
      `There is no common order on ${name}: type the pin list from the equipment’s manual.`,
    );
  return layout ? { layout } : {};
}

/** One end of the intent, everything that it names looked up; nothing, and problems, where it does not go together. */
export function askEnd(
  wanted: IntentEnd,
  place: EndPlace,
  among: Among,
  problems: Problem[],
): AskEnd | undefined {
  const { side, n, before, form } = place;
  const path = `intent.${side}[${n}]`;
  const report: Report = (field, code, says) => void problems.push({ code, says, path: `${path}.${field}` });
  const kind = PORTS.find((each) => each.id === wanted.port);
  if (!kind)
    return report(
      'port',
      'intent.port',
      `“${wanted.port}” is not a kind of port that Antler knows: choose one from the list.`,
    );
  const port = portOf(wanted, kind);
  const tail = isTail(wanted.family);
  const name = tail ? TAILS[wanted.family].name : familyName(wanted.family, among.connectors);
  const families = familiesFor(port, among.connectors);
  if (!tail && !families.includes(wanted.family))
    return report(
      'family',
      'intent.family',
      `${port.name} does not come on ${name}: choose ${families.map((each) => familyName(each, among.connectors)).join(' or ')}.`,
    );
  const ordered = layoutOf(wanted, port, name, among, report);
  if (!ordered) return undefined;
  const fitting = tail ? [] : rankedFor(wanted, place, port, among).map((choice) => choice.connector);
  const connector = fitting.find(({ id }) => id === (wanted.body ?? id));
  if (wanted.body !== undefined && !connector && fitting.length > 0)
    return report(
      'body',
      'intent.body',
      `“${wanted.body}” does not go here: choose ${fitting.map((each) => each.name).join(', ')}, or leave it out.`,
    );
  if (!tail && !connector)
    return report(
      'gender',
      'intent.gender',
      `There is no ${name} ${form === 'box' ? 'panel' : 'cable'} ${wanted.gender ?? 'connector'} in the catalogue: choose the other.`,
    );
  const channels = channelsOf(port.format);
  if (wanted.channel !== undefined && channels.length > 1)
    return report(
      'channel',
      'intent.channel',
      `${port.name} has ${channels.length} channels, each with a name of its own: leave the name of this end out.`,
    );
  const contacts = connector?.contacts.map((each) => each.id);
  const roles = rolesOf(port, wanted, ordered.layout, contacts, report);
  if (!roles) return undefined;
  const id = endName(before + n);
  return {
    id,
    body: form === 'lead' ? id.toLowerCase() : form,
    side,
    path,
    intent: wanted,
    port,
    ...(connector ? { connector } : {}),
    ...(tail ? { loose: looseOf(wanted) } : {}),
    ...ordered,
    channels: channels.map((channel) => ({
      name: channel.id === '' ? id : `${id}.${channel.id}`,
      end: id,
      label: wanted.channel ?? channel.id,
      direction: sendsOn(channel, port, side) ? ('sends' as const) : ('receives' as const),
      port: ownPortOf(channel, port, side),
      roles: roles[channel.id] ?? {},
    })),
  };
}

/** What a channel is plugged into: its port, but for what it is of its own. */
function ownPortOf(channel: FormatChannel, port: PortKind, side: 'from' | 'to'): PortKind {
  if (!channel.like) return port;
  return sendsOn(channel, port, side)
    ? { ...port, ...channel.like.sends, direction: 'out' }
    : { ...port, ...channel.like.receives, direction: 'in' };
}

/** Whether the equipment at an end sends a channel: what goes either way sends where the lead comes from. */
function sendsOn({ goes }: FormatChannel, port: PortKind, side: 'from' | 'to'): boolean {
  if (goes === 'out' || goes === 'in') return goes === 'out';
  const sends = port.direction === 'either' ? side === 'from' : port.direction === 'out';
  return sends === (goes === 'with port');
}
