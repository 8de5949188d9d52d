import {
  contactTerminal,
  type Assembly,
  type AskedLength,
  type Because,
  type Body,
  type BodyKind,
  type Dressing,
  type End,
  type How,
  type Joint,
  type Part,
  type Span,
  type Terminal,
  type Unjoined,
  ASSEMBLY_VERSION,
  caseTerminal,
  dress,
  inId,
  isOf,
  jointOn,
  leadsOf,
  leadTerminal,
  memberOf,
  ownerOf as ownerNamed,
} from '../assembly';
import type { ChannelPair, LeftOut } from '../situation';
import type { CableEntry, ConnectorEntry, Role } from '../catalogue';
import type { Ask, AskEnd } from './types';

interface Open {
  readonly id: string;
  readonly kind: BodyKind;
  readonly name: string;
  readonly case?: boolean;
  readonly ends: End[];
  readonly parts: Part[];
  readonly joints: Joint[];
  readonly existing: Joint[];
  readonly spans: string[];
}

/** Everything that lands at one place: a contact, or a lead of a part. */
interface Place {
  readonly target: Terminal;
  readonly body: string;
  readonly terminals: Terminal[];
  readonly reasons: Because[];
}

/** The id of a link names so many contacts; of more the first and the last. */
const MOST_NAMED = 6;

type LinkAsks = Omit<ChannelPair, 'out' | 'in'>;

/** A lead being put together. What lands on one contact becomes one joint, whoever put it there. */
export interface Draft {
  readonly body: (body: { id: string; kind: BodyKind; name: string; case?: boolean }) => void;
  readonly end: (end: AskEnd, madeOn?: End['madeOn']) => void;
  /** A tail of loose wires that no port is behind, such as an earth wire's spade. */
  readonly tail: (body: string, end: End) => void;
  readonly span: (span: Span, cable: CableEntry) => void;
  readonly part: (body: string, part: Part) => void;
  /** These terminals land on a contact or a part's lead. */
  readonly land: (terminals: readonly Terminal[], target: Terminal, because: Because) => void;
  /** Terminals joined in the air. */
  readonly air: (body: string, id: string, terminals: readonly Terminal[], because: Because) => void;
  /** Contacts joined to each other inside one body. */
  readonly link: (body: string, contacts: readonly Terminal[], because: Because) => void;
  readonly existing: (body: string, joint: Joint) => void;
  readonly through: (body: string, conductor: string, terminals: readonly Terminal[]) => void;
  readonly leave: (at: Terminal, is: Unjoined['is'], because: Because) => void;
  readonly dress: (dressing: Parameters<typeof dress>[0]) => void;
  readonly length: (length: AskedLength) => void;
  /** Roles of a link that are not carried on purpose, and why. */
  readonly leaveOut: (pair: ChannelPair, roles: readonly Role[], says: string) => void;
  readonly leftOut: () => readonly LeftOut[];
  /** What is asked of a link beside that it is carried: roles that reach another on purpose, a loss. */
  readonly asksOf: (pair: ChannelPair, asks: LinkAsks) => void;
  /** What was asked of it. */
  readonly asked: (pair: ChannelPair) => LinkAsks;
  /** Something that was decided on the way. */
  readonly because: (because: Because) => void;
  readonly reasons: () => readonly Because[];
  readonly finish: () => Assembly;
}

const BODY_NAMES = { from: 'source end', to: 'receiving end' } as const;

/** Begins an assembly: what recipes write on, and what it comes to. */
// eslint-disable-next-line max-lines-per-function -- the handle that recipes write with: its verbs share one sheet.
export function draft(ask: Ask): Draft {
  const bodies = new Map<string, Open>();
  const owner = new Map<string, string>();
  const places = new Map<Terminal, Place>();
  const spans: Span[] = [];
  const unjoined: Unjoined[] = [];
  const dressings: Dressing[] = [];
  const lengths: AskedLength[] = [];
  const reasons: Because[] = [];
  const leftOut: LeftOut[] = [];
  const asked = new Map<string, LinkAsks>();
  const linkName = ({ out, in: into }: ChannelPair): string => `${out.name}>${into.name}`;
  const connectors: ConnectorEntry[] = [];
  const cables: CableEntry[] = [];

  const opened = (id: string): Open => {
    const body = bodies.get(id);
    if (!body) throw new Error(`no body ${id} in the draft`);
    return body;
  };
  const ownerOf = (terminal: Terminal): string => {
    const name = ownerNamed(terminal);
    return owner.get(name) ?? name;
  };
  const once = <T>(list: T[], item: T, same: (a: T) => boolean): void => {
    if (!list.some(same)) list.push(item);
  };
  const openBody: Draft['body'] = (body) => {
    if (!bodies.has(body.id))
      bodies.set(body.id, { ...body, ends: [], parts: [], joints: [], existing: [], spans: [] });
  };

  return {
    body: openBody,
    end({ id, body, side, connector, loose }, madeOn = 'bench') {
      openBody({ id: body, kind: loose ? 'tail' : 'shell', name: BODY_NAMES[side] });
      opened(body).ends.push({
        id,
        ...(connector ? { connector: connector.id } : {}),
        ...(loose ? { loose } : {}),
        mount: connector?.mount ?? 'cable',
        madeOn,
      });
      owner.set(id, body);
      if (connector) once(connectors, connector, (each) => each.id === connector.id);
    },
    tail(body, end) {
      openBody({ id: body, kind: 'tail', name: 'loose end' });
      opened(body).ends.push(end);
      owner.set(end.id, body);
    },
    span(span, cable) {
      spans.push(span);
      once(cables, cable, (each) => each.id === cable.id);
      for (const id of [span.from, span.to]) opened(id).spans.push(span.id);
    },
    part(body, part) {
      opened(body).parts.push(part);
      owner.set(part.id, body);
    },
    land(terminals, target, because) {
      const place = places.get(target) ?? { target, body: ownerOf(target), terminals: [], reasons: [] };
      for (const terminal of terminals) once(place.terminals, terminal, (each) => each === terminal);
      once(place.reasons, because, (each) => each.says === because.says);
      places.set(target, place);
    },
    air(body, id, terminals, because) {
      opened(body).joints.push({
        id: `joint-${body}-${id}`,
        terminals,
        how: 'air',
        sleeve: 'heat-shrink',
        because,
      });
    },
    link(body, contacts, because) {
      const ends = contacts.map(ownerNamed);
      const all = contacts.map((terminal) => inId(memberOf(terminal)));
      const names = all.length > MOST_NAMED ? [all[0] ?? '', 'to', all.at(-1) ?? ''] : all;
      const [first = ''] = ends;
      const id = ends.every((end) => end === first)
        ? `link-${first}-${names.join('-')}`
        : `link-${names.map((name, n) => `${ends[n] ?? ''}-${name}`).join('-')}`;
      if (!opened(body).joints.some((joint) => joint.id === id))
        opened(body).joints.push({ id, terminals: contacts, how: 'link', because });
    },
    existing(body, joint) {
      opened(body).existing.push(joint);
    },
    through(body, conductor, terminals) {
      opened(body).joints.push({ id: `through-${body}-${inId(conductor)}`, terminals, how: 'continues' });
    },
    leave(at, is, because) {
      once(unjoined, { at, is, because }, (each) => each.at === at);
    },
    dress: (dressing) => void dressings.push(dress(dressing)),
    length: (length) => void lengths.push(length),
    leaveOut(pair, roles, says) {
      for (const role of roles)
        once(
          leftOut,
          { out: pair.out.name, in: pair.in.name, role, says },
          (each) => each.out === pair.out.name && each.in === pair.in.name && each.role === role,
        );
    },
    leftOut: () => leftOut,
    asksOf: (pair, asks) => void asked.set(linkName(pair), { ...asked.get(linkName(pair)), ...asks }),
    asked: (pair) => asked.get(linkName(pair)) ?? {},
    because: (because) => once(reasons, because, (each) => each.says === because.says),
    reasons: () => reasons,
    finish() {
      const landed = new Set([...places.values()].flatMap((place) => place.terminals));
      return {
        version: ASSEMBLY_VERSION,
        bodies: [...bodies.values()].map(({ spans: at, existing, joints, ...body }): Body => ({
          ...body,
          entries: at.length > 0 ? [{ gland: 'cable entry', spans: at }] : [],
          joints: [...cups(body, places, ask), ...joints],
          ...(existing.length > 0 ? { existing } : {}),
        })),
        spans,
        // What landed after all, for another channel in the same screen, is not left.
        unjoined: unjoined.filter((each) => !landed.has(each.at)),
        dressings,
        lengths,
        uses: { connectors, cables },
      };
    },
  };
}

/** The joints of what landed in a body: by the order of its ends' contacts, then by part. */
function cups(
  body: Pick<Open, 'id' | 'ends' | 'parts'>,
  places: ReadonlyMap<Terminal, Place>,
  ask: Ask,
): readonly Joint[] {
  const own = [...places.values()].filter((place) => place.body === body.id);
  const contacts = body.ends.flatMap((end) => {
    const connector = ask.ends.find((each) => each.id === end.id)?.connector;
    const ids = connector
      ? [...connector.contacts.map((each) => each.id), 'shell']
      : (end.loose ?? []).map((each) => each.id);
    return ids.map((id) => ({
      terminal: contactTerminal(end.id, id),
      id: jointOn(contactTerminal(end.id, id)),
      how:
        connector?.contacts.find((each) => each.id === id)?.takes ?? ((connector ? 'cup' : 'crimp') as How),
    }));
  });
  const leads = body.parts.flatMap((part) =>
    leadsOf(part).map((lead) => ({
      terminal: leadTerminal(part.id, lead),
      id: jointOn(leadTerminal(part.id, lead)),
      how: 'air' as How,
    })),
  );
  const cases = [{ terminal: caseTerminal(body.id), id: jointOn(caseTerminal(body.id)), how: 'lug' as How }];
  return [...contacts, ...leads, ...cases].flatMap(({ terminal, id, how }): Joint[] => {
    const place = own.find((each) => each.target === terminal);
    if (!place || place.terminals.length === 0) return [];
    const inShell =
      how === 'air' || place.terminals.some((each) => body.parts.some((part) => isOf(part.id, each)));
    return [
      {
        id,
        terminals: [...place.terminals, terminal],
        how,
        ...(inShell ? { sleeve: 'heat-shrink' } : {}),
        because: merged(place.reasons),
      },
    ];
  });
}

/** Two lines on one contact give one reason; the school and the source of the first that has one stand for it. */
function merged(reasons: readonly Because[]): Because {
  const school = reasons.find((reason) => reason.school)?.school;
  const source = reasons.find((reason) => reason.source)?.source;
  return {
    says: [...new Set(reasons.map((reason) => reason.says))].join(' ').slice(0, 400),
    ...(school ? { school } : {}),
    ...(source ? { source } : {}),
  };
}
