import { conductorTerminal, type End, type Terminal } from '../assembly';
import { widestOf, type CableEntry } from '../catalogue';
import type { Problem } from '../quantity';
import type { Ask, AskEnd } from './types';
import { allot, coresOf, needsTwo, unitsOf, type AllotOptions, type Carrier } from './cores';
import type { Draft } from './draft';
import type { ChannelPair } from '../situation';

/** One link with the conductors that carry it; a body's own insides carry it where there is no cable. */
export interface Run {
  readonly link: ChannelPair;
  readonly carrier?: Carrier;
  /** A conductor's terminal at the sending end, and at the receiving one. */
  readonly at: (side: 'out' | 'in', conductor: string) => Terminal;
}

/** Left over beyond the break-out where nothing else is said: a leg that reaches both sides of a recorder, mm (common practice). */
export const USUAL_LEG = 390;

interface Way {
  readonly from: AskEnd;
  readonly to: AskEnd;
  readonly links: readonly ChannelPair[];
}

/** The pairs of ends that links run between, from the first side to the other. */
function waysOf(ask: Ask, links: readonly ChannelPair[]): readonly Way[] {
  const ways: { from: AskEnd; to: AskEnd; links: ChannelPair[] }[] = [];
  for (const from of ask.from)
    for (const to of ask.to) {
      const own = links.filter(
        (link) =>
          (link.out.end === from.id && link.in.end === to.id) ||
          (link.out.end === to.id && link.in.end === from.id),
      );
      if (own.length > 0) ways.push({ from, to, links: own });
    }
  return ways;
}

/** Cable along which all channels go together to a break-out; otherwise each pair of ends has a cable of its own. */
const isTrunk = (cable: CableEntry, ways: readonly Way[], links: readonly ChannelPair[]): boolean =>
  ways.length > 1 && unitsOf(cable).length > 1 && unitsOf(cable).length >= links.length;

/** Why a cable has too few cores for so many channels, and what to choose. */
function tooFew(cable: CableEntry, channels: number, twoEach: boolean): string {
  const units = unitsOf(cable);
  const oneCore = units.every((unit) => unit.legs.length < 2);
  if (twoEach && oneCore && units.length >= channels)
    return `${cable.name} has one core in each screen, and each of these ${channels} channels needs two: choose a multipair.`;
  const carries = units.length === 1 ? 'one channel' : `${units.length} channels`;
  const each = twoEach && units.length > 1 && !oneCore ? ' of two cores' : '';
  return `${cable.name} carries ${carries}${each}, and this lead has ${channels}: choose a ${cable.kind === 'multipair' ? 'larger ' : ''}multipair${twoEach ? '' : ', a twin, or a cable with more cores'}.`;
}

/** Why the cable cannot carry these links, or undefined where it can. */
export function cableProblem(
  ask: Ask,
  links: readonly ChannelPair[],
  options: AllotOptions & { readonly unscreened?: boolean } = {},
): Problem | undefined {
  const { cable } = ask;
  if (ask.form !== 'lead' || !cable) return undefined;
  const say = (code: string, says: string): Problem => ({ code, says, path: 'intent.cable' });
  const loudspeaker = links.some((link) => 'plus' in link.out.roles);
  if (loudspeaker && cable.kind !== 'loudspeaker')
    return say(
      'wiring.loudspeaker-cable',
      `${cable.name} is not for loudspeakers: its copper is too thin${cable.screen === 'none' ? '' : ' and its screen loads the amplifier'}. Choose loudspeaker cable.`,
    );
  if (!loudspeaker && cable.kind === 'loudspeaker')
    return say('wiring.unscreened', `${cable.name} has no screen: choose a screened cable.`);
  if (cable.id === 'video-coax')
    return say('wiring.video-coax', `${cable.name} is for 75 Ω digital and clock: choose instrument cable.`);
  if (!loudspeaker && cable.screen === 'none' && !options.unscreened)
    return say(
      'wiring.unscreened',
      `${cable.name} has no screen, which this wiring needs: choose a screened cable.`,
    );
  const ways = waysOf(ask, links);
  const trunk = isTrunk(cable, ways, links);
  const groups = trunk || ways.length === 1 ? [links] : ways.map((way) => way.links);
  if (!groups.every((group) => allot(cable, group, ask.schools, options))) {
    const cores = coresOf(cable).length;
    const twoEach = links.some((link) => (options.legs === undefined ? needsTwo(link) : options.legs === 2));
    return ways.length === 1 && links.length === 1
      ? say(
          'wiring.two-cores',
          `${cable.name} has ${cores} core${cores === 1 ? '' : 's'}: this lead needs two and a screen. Choose a pair or star quad.`,
        )
      : say('wiring.too-few-cores', tooFew(cable, links.length, twoEach));
  }
  if (!trunk && ways.length > 1 && ask.from.length > 1 && ask.to.length > 1) {
    if (cable.kind === 'multipair' && !allot(cable, links, ask.schools, options))
      return say('wiring.too-few-cores', tooFew(cable, links.length, true));
    return say(
      'wiring.apart',
      'With a cable from each end to its own these are separate leads: make them one by one, or choose a multipair that carries them together.',
    );
  }
  return undefined;
}

/** How wide a connector is whose outline is not known, mm (nominal). */
const USUAL_MM = 14;

/** How thick an end is where it has to go through a hole, mm; a tail is no thicker than its cable. */
const thickness = (end: AskEnd): number => (end.connector ? (widestOf(end.connector) ?? USUAL_MM) : 0);

/**
 * Which ends are made on site because they do not go through the narrowest place: the side that has fewer ends, the
 * receiving one where both have as many; none where one side goes through as it is.
 */
export function madeOnSite(ask: Ask): { readonly ends: ReadonlySet<string>; readonly says?: string } {
  const wall = ask.intent.surroundings === 'wall';
  // In a wall nothing is sure to go through but the cable.
  const hole = ask.intent.through?.mm ?? (wall ? 0 : undefined);
  if (hole === undefined || ask.form !== 'lead') return { ends: new Set() };
  const goes = (ends: readonly AskEnd[]): boolean =>
    ends.length === 1 && ends.every((end) => end.connector === undefined || thickness(end) < hole);
  if (goes(ask.to))
    return { ends: new Set(), says: `The receiving end goes through ${hole} mm as it is: pull it through.` };
  if (goes(ask.from))
    return { ends: new Set(), says: `The source end goes through ${hole} mm as it is: pull it through.` };
  const site = ask.from.length < ask.to.length ? ask.from : ask.to;
  const names = site.map((end) => end.id).join(', ');
  return {
    ends: new Set(site.map((end) => end.id)),
    says: `${hole > 0 ? `No connector goes through ${hole} mm` : 'In a wall or conduit nothing is sure to go through but the cable'}: end ${names} is made on site, after the cable has been pulled through.`,
  };
}

/** Puts the bodies of all ends down, and the cable between them; gives each link its conductors. */
export function lay(
  d: Draft,
  ask: Ask,
  links: readonly ChannelPair[],
  options: AllotOptions = {},
): readonly Run[] {
  putEnds(d, ask);
  const { cable } = ask;
  if (ask.form !== 'lead' || !cable) return links.map((link) => ({ link, at: () => '' }));
  const ways = waysOf(ask, links);
  return isTrunk(cable, ways, links)
    ? layTrunk(d, ask, cable, ways, links, options)
    : ways.flatMap((way, n) => layWay(d, ask, cable, way, `W${n + 1}`, options));
}

/** Puts every end of the ask into its body. */
export function putEnds(d: Draft, ask: Ask): void {
  const site = madeOnSite(ask);
  if (site.says) d.because({ says: site.says });
  if (ask.form === 'box') d.body({ id: 'box', kind: 'box', name: 'box', case: true });
  if (ask.form === 'barrel') d.body({ id: 'barrel', kind: 'barrel', name: 'barrel' });
  if (ask.form === 'plug') d.body({ id: 'plug', kind: 'shell', name: 'plug' });
  const madeOn = (end: AskEnd): End['madeOn'] => (site.ends.has(end.id) ? 'site' : 'bench');
  for (const end of ask.ends) d.end(end, madeOn(end));
}

function layWay(
  d: Draft,
  ask: Ask,
  cable: CableEntry,
  { from, to, links }: Way,
  id: string,
  options: AllotOptions,
): readonly Run[] {
  d.span({ id, cable: cable.id, from: from.body, to: to.body }, cable);
  askedLength(d, ask, from.id, to.id);
  const carriers = allot(cable, links, ask.schools, options) ?? [];
  leaveUnused(d, ask, cable, carriers, [
    { span: id, body: from.body },
    { span: id, body: to.body },
  ]);
  return links.map((link, n): Run => {
    const carrier = carriers[n];
    const bodyAt = (side: 'out' | 'in'): string => (link[side].end === from.id ? from.body : to.body);
    return {
      link,
      ...(carrier ? { carrier } : {}),
      at: (side, conductor) => conductorTerminal(id, conductor, bodyAt(side)),
    };
  });
}

function askedLength(d: Draft, ask: Ask, from: string, to: string): void {
  const { length } = ask.intent;
  if (length) d.length({ from, to, ...length });
}

/** Where a conductor ends: one side of a span. */
interface Side {
  readonly span: string;
  readonly body: string;
}

/** Conductors that carry nothing are cut back or kept, at both ends of the cable. */
function leaveUnused(
  d: Draft,
  ask: Ask,
  cable: CableEntry,
  carriers: readonly Carrier[],
  sides: readonly Side[],
  besides: readonly string[] = [],
): void {
  const used = new Set([
    ...carriers.flatMap(({ hot, cold, screen, spare }) => [
      ...hot,
      ...cold,
      ...spare,
      ...(screen ? [screen] : []),
    ]),
    ...besides,
  ]);
  const spare = ask.schools['spare-cores'] === 'spare';
  const leave = (id: string, { span, body }: Side): void =>
    d.leave(conductorTerminal(span, id, body), spare ? 'spare' : 'cut back', {
      says: spare ? 'Kept as a spare: insulated and folded back.' : 'Nothing goes on it, so it is cut back.',
      school: 'spare-cores',
    });
  for (const side of sides) {
    for (const { id } of cable.conductors) if (!used.has(id)) leave(id, side);
    for (const id of carriers.flatMap((carrier) => carrier.spare)) leave(id, side);
  }
}

const SPLIT = { from: 'split-from', to: 'split-to' } as const;

/** One cable to a break-out, and its units on from there, uncut, each to its own end. */
// eslint-disable-next-line max-lines-per-function -- one trunk with its breakouts: each step needs what the last one placed.
function layTrunk(
  d: Draft,
  ask: Ask,
  cable: CableEntry,
  ways: readonly Way[],
  links: readonly ChannelPair[],
  options: AllotOptions,
): readonly Run[] {
  const carriers = allot(cable, links, ask.schools, options) ?? [];
  const units = unitsOf(cable);
  const conductorsOfLink = (n: number): readonly string[] => {
    const unit = units[n];
    return unit
      ? [...unit.legs.flatMap((leg) => leg.map((c) => c.id)), ...(unit.screen ? [unit.screen.id] : [])]
      : [];
  };
  const used = (side: 'from' | 'to'): readonly AskEnd[] =>
    ask[side].filter((end) => ways.some((way) => way[side].id === end.id));
  const legMm = ask.intent.legs?.mm ?? USUAL_LEG;
  const hub = (side: 'from' | 'to'): string => {
    const ends = used(side);
    if (ends.length === 1 && ends[0]) return ends[0].body;
    d.body({ id: SPLIT[side], kind: 'breakout', name: 'where the cable parts' });
    return SPLIT[side];
  };
  const from = hub('from');
  const to = hub('to');
  d.span({ id: 'W1', cable: cable.id, from, to }, cable);
  const first = { from: used('from')[0], to: used('to')[0] };
  if (first.from && first.to) askedLength(d, ask, first.from.id, first.to.id);

  // Where a conductor comes out: on the trunk itself, or on the leg that it goes on in.
  const exits = new Map<string, { from?: Side; to?: Side }>();
  let next = 2;
  for (const side of ['from', 'to'] as const) {
    const here = side === 'from' ? from : to;
    if (here !== SPLIT[side]) {
      for (const { id } of cable.conductors)
        exits.set(id, { ...exits.get(id), [side]: { span: 'W1', body: here } });
      continue;
    }
    d.dress({
      id: `shrink-${here}`,
      what: 'heat-shrink',
      over: here,
      says: 'over the split of the cable',
    });
    for (const end of used(side)) {
      const carries = links.flatMap((link, n) =>
        link.out.end === end.id || link.in.end === end.id ? conductorsOfLink(n) : [],
      );
      const id = `W${next++}`;
      const ways = side === 'from' ? { from: end.body, to: here } : { from: here, to: end.body };
      d.span({ id, cable: cable.id, ...ways, carries }, cable);
      d.length({ from: here, to: end.id, datum: ask.intent.length?.datum ?? 'face', mm: legMm });
      for (const conductor of carries) {
        d.through(here, conductor, [
          conductorTerminal('W1', conductor, here),
          conductorTerminal(id, conductor, here),
        ]);
        exits.set(conductor, { ...exits.get(conductor), [side]: { span: id, body: end.body } });
      }
    }
  }
  // What goes nowhere ends where the trunk does.
  const inUnits = new Set(links.flatMap((_, n) => conductorsOfLink(n)));
  leaveUnused(
    d,
    ask,
    cable,
    carriers.map((c) => ({ ...c, spare: [] })),
    [
      { span: 'W1', body: from },
      { span: 'W1', body: to },
    ],
    [...inUnits],
  );
  const at = (id: string, side: 'from' | 'to'): Terminal => {
    const exit = exits.get(id)?.[side];
    return exit ? conductorTerminal(exit.span, id, exit.body) : '';
  };
  for (const carrier of carriers)
    for (const id of carrier.spare)
      for (const side of ['from', 'to'] as const)
        d.leave(at(id, side), 'cut back', {
          says: 'Nothing goes on it, so it is cut back.',
          school: 'spare-cores',
        });
  const sideOf = (end: string): 'from' | 'to' => (ask.from.some((each) => each.id === end) ? 'from' : 'to');
  return links.map((link, n): Run => {
    const carrier = carriers[n];
    return {
      link,
      ...(carrier ? { carrier } : {}),
      at: (side, conductor) => at(conductor, sideOf(link[side].end)),
    };
  });
}
