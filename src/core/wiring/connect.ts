import { contactTerminal, isOf, type Because, type Terminal, type Unjoined } from '../assembly';
import { COLOURS, isBalanced, type ColdLeg, type Role } from '../catalogue';
import { capital } from '../quantity';
import { groundTerminal, roleTerminal, type Channel } from '../situation';
import { shellWanted } from './schools/shell';
import type { Ask, AskEnd } from './types';
import type { Draft } from './draft';
import type { Run } from './lay';

/** What to do with the cold leg of a balanced output at an unbalanced input. */
export const COLD_TREATMENTS = {
  open: 'cold left open',
  far: 'cold joined to the return at the far end',
  source: 'cold joined to ground at the source',
} as const;
export type ColdTreatment = keyof typeof COLD_TREATMENTS;

const priced = (wants: string, costs: string) => ({ wants, says: `${wants} ${costs}` });

/** What each kind of output wants done with its cold leg at an unbalanced input (common practice). */
export const COLD_LEG_RULE: Readonly<
  Record<
    ColdLeg,
    {
      readonly treatment: ColdTreatment;
      /** What it is like, and so what it wants. */
      readonly wants: string;
      /** That, and what it costs where it is done. */
      readonly says: string;
    }
  >
> = {
  'ground-referenced': {
    treatment: 'open',
    ...priced(
      'The cold leg is driven against ground: joining it to ground would short that amplifier.',
      'It is left open; half the voltage is lost (−6 dB).',
    ),
  },
  'cross-coupled': {
    treatment: 'source',
    ...priced(
      'The output senses a grounded cold leg and makes up the level, but only if the join is at its own end.',
      'Nothing is lost, but it clips about 6 dB sooner.',
    ),
  },
  transformer: {
    treatment: 'far',
    ...priced(
      'The winding floats: the cold leg is its way back, so it is carried to the far end and joined to the return there.',
      'Nothing is lost.',
    ),
  },
  'impedance-balanced': {
    treatment: 'open',
    ...priced(
      'The cold leg carries no signal, so it may be open or joined: left open it is one joint less.',
      'Nothing is lost.',
    ),
  },
};

/** Where one side of a conductor goes: onto a contact or a part's lead, or nowhere and why. */
export type Landing =
  | { readonly on: Terminal; readonly because: Because }
  | { readonly left: Unjoined['is']; readonly because: Because };

/** A conductor that lands on a terminal; cut back where there is none. */
export const on = (target: Terminal | undefined, because: Because): Landing =>
  target === undefined
    ? { left: 'cut back', because: { says: 'There is no contact for it here.' } }
    : { on: target, because };

/** A conductor that lands nowhere: cut back, insulated or spare. */
export const left = (because: Because, is: Unjoined['is'] = 'cut back'): Landing => ({ left: is, because });

/** Conductors from one landing to another; in a body without cable the two places are joined to each other. */
export function carry(
  d: Draft,
  ask: Ask,
  run: Run,
  conductors: readonly string[],
  out: Landing,
  into: Landing,
): void {
  if (!run.carrier) {
    if (!('on' in out) || !('on' in into) || out.on === into.on) return;
    const isContact = (terminal: Terminal): boolean => ask.ends.some((end) => isOf(end.id, terminal));
    if (isContact(out.on) && isContact(into.on))
      d.link(bodyOf(ask, run.link.out.end), [out.on, into.on].sort(), out.because);
    else if (isContact(out.on)) d.land([into.on], out.on, out.because);
    else d.land([out.on], into.on, into.because);
    return;
  }
  for (const [side, landing] of [
    ['out', out],
    ['in', into],
  ] as const)
    for (const id of conductors) {
      const terminal = run.at(side, id);
      if ('on' in landing) d.land([terminal], landing.on, landing.because);
      else d.leave(terminal, landing.left, landing.because);
    }
}

/** The body that an end of the ask is in. */
export const bodyOf = (ask: Ask, end: string): string => ask.ends.find((each) => each.id === end)?.body ?? '';

/** Places that stand instead of a channel's own contacts: leads of parts in its shell. */
export type Instead = Readonly<Partial<Record<Role, Terminal>>>;

export interface Connecting {
  /** The cold leg of a balanced output at an unbalanced input. */
  readonly cold?: ColdTreatment;
  readonly coldBecause?: Because;
  /** Hot to cold and cold to hot. */
  readonly reversed?: Because;
  /** The screen is not joined at the receiving end. */
  readonly lifted?: Because;
  /** A return of its own in the pair, and the screen joined at the source only. */
  readonly quasi?: Because;
  /** Why the screen has to be at both ends whatever the school. */
  readonly screenBoth?: string;
  readonly instead?: { readonly out?: Instead; readonly in?: Instead };
}

const COLD_SAYS =
  'The return goes to the cold leg by its own core, so that the input sees the source and not the ground between.';

/** Where a role is at a channel: what has no return of its own comes back by its screen, as a plug with a sleeve alone does. */
const placeOfRole = (channel: Channel, role: Role): Terminal | undefined =>
  roleTerminal(channel, role) ?? (role === 'return' ? roleTerminal(channel, 'screen') : undefined);

/** Wires one link by what its two sides are: balanced or not, or a loudspeaker's. */
export function connect(d: Draft, ask: Ask, run: Run, how: Connecting = {}): void {
  const { out, in: into } = run.link;
  const at = (side: 'out' | 'in', role: Role): Terminal | undefined =>
    how.instead?.[side]?.[role] ?? placeOfRole(side === 'out' ? out : into, role);
  const carrier = run.carrier;
  const [hot, cold] = [carrier?.hot ?? [], carrier?.cold ?? []];
  // The cold core is cold at both ends only where both have one.
  const whole = 'plus' in out.roles || (isBalanced(out.roles) && isBalanced(into.roles));
  const probes = out.port.format === 'probe' ? sayProbes(ask, hot, cold) : undefined;
  const core: Because = carrier
    ? {
        says: probes ?? (whole ? carrier.says : (carrier.hotSays ?? carrier.says)),
        ...(carrier.school ? { school: carrier.school } : {}),
      }
    : { says: 'Straight through inside.' };
  if (carrier) d.because(core);
  const join = (conductors: readonly string[], from: Role, to: Role, because: Because = core): void =>
    carry(d, ask, run, conductors, on(at('out', from), because), on(at('in', to), because));

  if ('plus' in out.roles) {
    join(hot, 'plus', 'plus');
    join(cold, 'minus', 'minus');
    return;
  }
  const screen = (required?: string): void => screenOf(d, ask, run, how, required);
  if (isBalanced(out.roles) && isBalanced(into.roles)) {
    const turned = how.reversed;
    if (turned) {
      d.because(turned);
      d.asksOf(run.link, {
        reaches: [
          { role: 'hot', to: 'cold' },
          { role: 'cold', to: 'hot' },
        ],
      });
    }
    screen();
    join(hot, 'hot', turned ? 'cold' : 'hot', turned ?? core);
    join(cold, 'cold', turned ? 'hot' : 'cold', turned ?? core);
    return;
  }
  if (isBalanced(out.roles)) {
    coldLeg(d, ask, run, how);
    join(hot, 'hot', 'hot');
    return;
  }
  if (isBalanced(into.roles)) {
    const because: Because = { says: COLD_SAYS, source: 'common practice' };
    d.because(because);
    screen();
    join(hot, 'hot', 'hot');
    join(cold, 'return', 'cold', because);
    if (!carrier || cold.length === 0) tieCold(d, ask, run, how);
    return;
  }
  if (how.quasi) {
    d.because(how.quasi);
    join(hot, 'hot', 'hot');
    join(cold, 'return', 'return', how.quasi);
    if (carrier?.screen)
      carry(d, ask, run, [carrier.screen], on(at('out', 'return'), how.quasi), left(how.quasi));
    return;
  }
  const shared = 'The screen is the return, so it is joined at both ends.';
  if (carrier?.screen === undefined)
    join(cold, 'return', 'return', { says: probes ?? 'The second core is the return.' });
  else screen(shared);
  join(hot, 'hot', 'hot');
}

/** Probes are red and black, whatever the cores are. */
function sayProbes({ cable }: Ask, red: readonly string[], black: readonly string[]): string {
  const colour = ([id]: readonly string[]): string =>
    COLOURS[cable?.conductors.find((each) => each.id === id)?.colour ?? '??'].toLowerCase();
  return `${capital(colour(red))} is for the red probe and ${colour(black)} for the black one, at both ends.`;
}

/** Without a core for the return, the cold contact is joined to the screen at the balanced end. */
function tieCold(d: Draft, ask: Ask, { link, carrier }: Run, how: Connecting): void {
  const cold = how.instead?.in?.cold ?? roleTerminal(link.in, 'cold');
  const ground = groundTerminal(link.in);
  if (cold && ground && cold !== ground && carrier)
    d.link(bodyOf(ask, link.in.end), [ground, cold], {
      says: 'The cold leg is joined to ground at the balanced end: the source has no cold of its own.',
      source: 'common practice',
    });
}

function coldLeg(d: Draft, ask: Ask, run: Run, how: Connecting): void {
  const { out, in: into } = run.link;
  const treatment = how.cold ?? 'open';
  const because = how.coldBecause ?? { says: COLD_LEG_RULE[out.port.coldLeg ?? 'ground-referenced'].says };
  d.because(because);
  const [cold, ground] = [roleTerminal(out, 'cold'), groundTerminal(out)];
  const far = treatment === 'far';
  if (!far) d.leaveOut(run.link, ['cold'], because.says);
  screenOf(
    d,
    ask,
    run,
    how,
    far
      ? undefined
      : 'With the cold leg not carried, the screen is the only return: it is joined at both ends.',
  );
  const onGround = cold !== undefined && cold === ground;
  carry(
    d,
    ask,
    run,
    run.carrier?.cold ?? [],
    far ? on(cold, because) : left(because),
    far ? on(how.instead?.in?.return ?? placeOfRole(into, 'return'), because) : left(because),
  );
  if (treatment === 'source' && cold && ground && !onGround)
    d.link(bodyOf(ask, out.end), [cold, ground], because);
}

/** The screen of one link: joined where its school says, except that the wiring may have to have it otherwise. */
function screenOf(d: Draft, ask: Ask, run: Run, how: Connecting, needed = how.screenBoth): void {
  // Where there is no cable there is no screen to leave open at an end of it.
  const required =
    needed ?? (ask.form === 'barrel' ? 'There is no cable between: the ground goes through.' : undefined);
  const { out, in: into } = run.link;
  const conductors = run.carrier?.screen === undefined ? [] : [run.carrier.screen];
  if (run.carrier && conductors.length === 0) {
    // Where the screen would be the only way back there is none: that is said, and not excused.
    if (required === undefined) d.leaveOut(run.link, ['screen'], 'The cable has no screen.');
    return;
  }
  const [from, to] = [
    how.instead?.out?.screen ?? how.instead?.out?.return ?? groundTerminal(out),
    how.instead?.in?.screen ?? how.instead?.in?.return ?? groundTerminal(into),
  ];
  const school = required === undefined ? (ask.schools.screen ?? 'both') : 'both';
  if (how.lifted) {
    d.because(how.lifted);
    d.leaveOut(run.link, ['screen'], how.lifted.says);
    carry(d, ask, run, conductors, on(from, how.lifted), left(how.lifted));
    return;
  }
  if (school !== 'both')
    d.leaveOut(
      run.link,
      ['screen'],
      `The screen is joined at the ${school === 'source' ? 'source' : 'receiving'} end only.`,
    );
  const joined: Because = {
    says:
      required ??
      (school === 'both'
        ? 'Screen at both ends: full screening and a return.'
        : 'The screen is joined here and not at the other end.'),
    ...(required === undefined ? { school: 'screen' } : {}),
  };
  const open = (other: string): Landing =>
    left({ says: `The screen is joined at the ${other} end only.`, school: 'screen' });
  carry(
    d,
    ask,
    run,
    conductors,
    school === 'destination' ? open('receiving') : on(from, joined),
    school === 'source' ? open('source') : on(to, joined),
  );
}

/** Shell links by the shell's school, for connectors whose shell is not one metal with a contact already. */
export function linkShells(d: Draft, ask: Ask): void {
  const school = ask.schools.shell ?? 'open';
  // The shells of a barrel are one piece of metal: joined at both ends it would go round whatever is open between them.
  const isBonded = ({ connector }: AskEnd): boolean =>
    connector?.bonded?.some((bond) => bond.includes('shell')) ?? false;
  let done = ask.form === 'barrel' && ask.ends.some(isBonded);
  for (const end of ask.ends) {
    if (done) return;
    const chosen = shellWanted(school, end.side === 'from' ? 'source' : 'destination', end.connector?.gender);
    const grounds = new Set(
      end.channels.flatMap((channel) => channel.roles.screen ?? channel.roles.return ?? []),
    );
    const [ground] = grounds;
    const free = end.connector?.shell && !isBonded(end);
    if (chosen && free && grounds.size === 1 && ground !== undefined) {
      d.link(end.body, [contactTerminal(end.id, ground), contactTerminal(end.id, 'shell')], {
        says: `Shell joined to ${ground} by choice.`,
        school: 'shell',
      });
      done = ask.form === 'barrel';
    }
  }
}
