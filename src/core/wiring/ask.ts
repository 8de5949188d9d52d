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
import type { Problem, Result } from '../quantity';
import type { ChannelPair } from '../situation';
import { readIntent, type Form, type Intent, type IntentEnd } from './intent';
import { routeOf } from './links';
import { resolveSchools } from './schools';
import type { Ask, AskEnd } from './types';

/** Everything that an intent may name: the catalogue, and the workshop's own that the intent carries. */
export interface Among {
  readonly connectors: readonly ConnectorEntry[];
  readonly cables: readonly CableEntry[];
}
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
    (key) => !known.includes(key as Role) && !/^unused/.test(key),
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
    ...(wanted.family === 'tail-pin' ? { colour: PIN_COLOURS[n % 10] ?? 'BK', sleeve: 'heat-shrink' } : {}),
  }));

/** The connector that is put on: of the family, gender and angle asked for, and one for a panel where it is a box. */
function chosenConnector(
  wanted: IntentEnd,
  side: 'from' | 'to',
  form: Form,
  port: PortKind,
  { connectors }: Among,
): ConnectorEntry | undefined {
  const direction = port.direction === 'either' ? (side === 'from' ? 'out' : 'in') : port.direction;
  const usual = usualGender(wanted.family, direction, connectors);
  // A box stands where the lead's other end would be plugged in, so its gender is the opposite of the lead's.
  const boxed = connectors.find((entry) => entry.family === wanted.family && entry.mount === 'panel')?.gender;
  const gender = wanted.gender ?? (form === 'box' ? boxed : usual);
  const of = connectors.filter(
    (entry) => entry.family === wanted.family && (entry.gender === gender || entry.gender === 'none'),
  );
  const mount = form === 'box' ? 'panel' : 'cable';
  const fitting = of.filter((entry) => (entry.mount ?? 'cable') === mount || entry.gender === 'none');
  return fitting.find((entry) => (entry.angle ?? 'straight') === (wanted.angle ?? 'straight')) ?? fitting[0];
}

function askEnd(
  wanted: IntentEnd,
  side: 'from' | 'to',
  n: number,
  count: number,
  form: Form,
  among: Among,
  problems: Problem[],
): AskEnd | undefined {
  const path = `intent.${side}[${n}]`;
  const report: Report = (field, code, says) => void problems.push({ code, says, path: `${path}.${field}` });
  const kind = PORTS.find((each) => each.id === wanted.port);
  if (!kind)
    return report(
      'port',
      'intent.port',
      `“${wanted.port}” is not a kind of port that Antler knows: choose one from the list.`,
    );
  // Whoever types an impedance means that and nothing wound.
  const { coil, ...rest } = kind;
  const port: PortKind = {
    ...rest,
    ...(coil && wanted.values?.impedance === undefined ? { coil } : {}),
    ...definedOf(wanted.values ?? {}),
  };
  const tail = isTail(wanted.family);
  const name = tail ? TAILS[wanted.family].name : familyName(wanted.family, among.connectors);
  const families = familiesFor(port, among.connectors);
  if (!tail && !families.includes(wanted.family))
    return report(
      'family',
      'intent.family',
      `${port.name} does not come on ${name}: choose ${families.map((each) => familyName(each, among.connectors)).join(' or ')}.`,
    );
  const layouts = tail ? [] : layoutsFor(wanted.family, port.format, among.connectors);
  const layout = layouts.find((each) => each.id === wanted.layout) ?? layouts[0];
  if (wanted.layout !== undefined && !layouts.some((each) => each.id === wanted.layout))
    return report(
      'layout',
      'intent.layout',
      layouts.length === 0
        ? `${name} has no usual order for ${port.name}: type the pin list instead.`
        : `There is no order “${wanted.layout}” here: choose ${layouts.map((each) => each.id).join(' or ')}.`,
    );
  if (!wanted.pinout && layout?.asks && wanted.layout === undefined)
    return report(
      'layout',
      'intent.layout',
      `Makers differ here, so Antler does not guess: look it up in the equipment’s manual and choose ${layouts.map((each) => `“${each.name}”`).join(' or ')}.`,
    );
  if (!wanted.pinout && (tail || asksPinout(wanted.family, among.connectors)))
    return report(
      'pinout',
      'intent.pinout',
      `There is no common order on ${name}: type the pin list from the equipment’s manual.`,
    );
  const connector = tail ? undefined : chosenConnector(wanted, side, form, port, among);
  if (!tail && !connector)
    return report(
      'gender',
      'intent.gender',
      `There is no ${name} ${form === 'box' ? 'panel' : 'cable'} ${wanted.gender ?? 'connector'} in the catalogue: choose the other.`,
    );
  if (wanted.channel !== undefined && channelsOf(port.format).length > 1)
    return report(
      'channel',
      'intent.channel',
      `${port.name} has ${channelsOf(port.format).length} channels, each with a name of its own: leave the name of this end out.`,
    );
  const id = endName(side === 'from' ? n : count + n);
  const loose = tail ? looseOf(wanted) : undefined;
  const roles = rolesOf(
    port,
    wanted,
    layout,
    connector?.contacts.map((each) => each.id),
    report,
  );
  if (!roles) return undefined;
  return {
    id,
    body: form === 'lead' ? id.toLowerCase() : form,
    side,
    path,
    intent: wanted,
    port,
    ...(connector ? { connector } : {}),
    ...(loose ? { loose } : {}),
    ...(layout && !wanted.pinout ? { layout } : {}),
    channels: channelsOf(port.format).map((channel) => ({
      name: channel.id === '' ? id : `${id}.${channel.id}`,
      end: id,
      label: wanted.channel ?? channel.id,
      direction: sendsOn(channel, port, side) ? ('sends' as const) : ('receives' as const),
      port,
      roles: roles[channel.id] ?? {},
    })),
  };
}

/** Whether the equipment at an end sends a channel: what goes either way sends where the lead comes from. */
const sendsOn = ({ goes }: FormatChannel, port: PortKind, side: 'from' | 'to'): boolean =>
  goes === 'with port'
    ? port.direction === 'either'
      ? side === 'from'
      : port.direction === 'out'
    : goes === 'out';

/** Whether an end both sends and receives, so that what faces it may do either. */
const bothWays = (end: AskEnd): boolean => new Set(end.channels.map((channel) => channel.direction)).size > 1;

/** Reads an intent: its shape, that everything it names is in the catalogue and goes together, and what goes where. */
export function readAsk(document: unknown): Result<Ask> {
  const read = readIntent(document);
  if (!read.ok) return read;
  const intent = read.value;
  const form = intent.form ?? 'lead';
  const among = amongOf(intent.own);
  const problems: Problem[] = [];
  const side = (which: 'from' | 'to'): readonly AskEnd[] =>
    intent[which].flatMap((end, n) => askEnd(end, which, n, intent.from.length, form, among, problems) ?? []);
  const from = side('from');
  const to = side('to');
  const ends = [...from, ...to];
  if (intent.from.length + intent.to.length === 0)
    problems.push({
      code: 'intent.ends',
      says: 'Say what the lead comes from and goes to.',
      path: 'intent.from',
    });
  else if (form !== 'plug' && (intent.from.length === 0 || intent.to.length === 0))
    problems.push({
      code: 'intent.ends',
      says: 'It needs something at both ends; only a plug stands alone.',
      path: intent.from.length === 0 ? 'intent.from' : 'intent.to',
    });
  if (form === 'plug' && intent.from.length + intent.to.length > 1)
    problems.push({
      code: 'intent.ends',
      says: 'One plug and nothing else has one end: take the others out, or make it a lead.',
      path: 'intent.form',
    });
  if (!ends.some(bothWays))
    for (const end of ends) {
      const sends = end.channels[0]?.direction === 'sends';
      if (sends === (end.side === 'from') || form === 'plug') continue;
      problems.push({
        code: 'intent.direction',
        says: `${end.port.name} is an ${sends ? 'out' : 'in'}put: the first ends must be outputs and the others inputs.`,
        path: `${end.path}.port`,
      });
    }
  const cable = among.cables.find((entry) => entry.id === intent.cable);
  if (form === 'lead') {
    if (intent.cable === undefined)
      problems.push({ code: 'intent.cable', says: 'Choose a cable.', path: 'intent.cable' });
    else if (!cable)
      problems.push({
        code: 'intent.cable',
        says: `“${intent.cable}” is not a cable that Antler knows: choose one from the list.`,
        path: 'intent.cable',
      });
    if (!intent.length)
      problems.push({
        code: 'intent.length',
        says: 'A length is needed: write it like 6 m or 20 ft.',
        path: 'intent.length.mm',
      });
    problems.push(...tooShort(intent, from, to));
    if (cable?.jacketMm !== undefined && intent.through && cable.jacketMm > intent.through.mm)
      problems.push({
        code: 'intent.through',
        says: `The cable is ${cable.jacketMm} mm thick and does not go through ${intent.through.mm} mm.`,
        path: 'intent.through.mm',
      });
  }
  if (problems.length > 0) return { ok: false, problems };
  const links = routeOf(ends);
  if (!links.ok) return links;
  problems.push(...mixedInsert(ends, links.value), ...(form === 'lead' ? sameSide(ends, links.value) : []));
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    value: {
      intent,
      form,
      ends,
      from,
      to,
      channels: ends.flatMap((end) => end.channels),
      links: links.value,
      ...(cable ? { cable } : {}),
      schools: resolveSchools(intent.schools),
    },
  };
}

/** Cable runs from one side to the other: what would have to go from an end to another beside it has none. */
function sameSide(ends: readonly AskEnd[], links: readonly ChannelPair[]): readonly Problem[] {
  const endOf = (id: string): AskEnd | undefined => ends.find((end) => end.id === id);
  return links.flatMap((link): Problem[] => {
    const [out, into] = [endOf(link.out.end), endOf(link.in.end)];
    return out && into && out.side === into.side
      ? [
          {
            code: 'intent.side',
            says: `${out.port.name} would go to ${into.port.name}, and both are on the same side: put one of them on the other.`,
            path: `${out.path}.port`,
          },
        ]
      : [];
  });
}

/** An insert is a send and its return, and a lead of its own. */
function mixedInsert(ends: readonly AskEnd[], links: readonly ChannelPair[]): readonly Problem[] {
  const insert = ends.find((end) => end.port.format === 'insert');
  const other = ends.find((end) =>
    links.some(
      (link) =>
        [link.out.end, link.in.end].includes(end.id) &&
        link.out.end !== insert?.id &&
        link.in.end !== insert?.id,
    ),
  );
  return insert && other
    ? [
        {
          code: 'intent.insert',
          says: `An insert has a lead of its own, send and return: make another for ${other.port.name}.`,
          path: `${other.path}.port`,
        },
      ]
    : [];
}

/** Jacket left over after connectors and legs has to be long enough to be a lead, mm. */
const LEAST_JACKET = 30;

function tooShort(
  { length, legs }: Intent,
  from: readonly AskEnd[],
  to: readonly AskEnd[],
): readonly Problem[] {
  if (!length) return [];
  const datum = length.datum;
  const reach = (ends: readonly AskEnd[]): number =>
    datum === 'jacket' ? 0 : Math.max(0, ...ends.map((end) => end.connector?.reachMm?.[datum] ?? 0));
  const taken = reach(from) + reach(to);
  const least = taken + LEAST_JACKET + (legs?.mm ?? 0);
  if (length.mm > least || taken === 0) return [];
  return [
    {
      code: 'intent.length',
      says: legs
        ? `Connectors and legs take up ${Math.round(least - LEAST_JACKET)} mm of that by themselves: ask for more than ${Math.round(least)} mm.`
        : `The two connectors take up ${taken} mm of that by themselves: ask for more than ${least} mm.`,
      path: 'intent.length.mm',
    },
  ];
}
