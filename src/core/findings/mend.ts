import {
  conductorsOf,
  conductorTerminal,
  joinedTerminals,
  jointsOf,
  placeOf,
  sayTerminal,
  type Assembly,
  type Body,
  type How,
  type Terminal,
} from '../assembly';
import { applyEdit, BY_HAND, sayEdit, type Edit } from '../lead';
import { capital } from '../quantity';
import { miswired, type Miswiring } from '../situation';
import type { LeadInUse, Remedy } from './types';

/** The contacts that a miswiring is about. */
export function contactsIn(wrong: Miswiring): readonly Terminal[] {
  switch (wrong.is) {
    case 'open':
      return [wrong.from, wrong.to, ...(wrong.lands ? [wrong.lands.at] : [])];
    case 'closed':
      return [wrong.from, wrong.to];
    case 'crossed':
      return wrong.legs.flatMap(({ from, to }) => [from, to]);
    case 'exchanged':
      return wrong.legs.flatMap((legs) => legs.flatMap(({ from, to }) => [from, to]));
    case 'stray':
      return [wrong.contact, ...(wrong.with ? [wrong.with.at] : [])];
    case 'joined':
    case 'outputs':
    case 'twice':
      return [wrong.one.at, wrong.other.at];
  }
}

/** What a miswiring is told from others by. */
const keyOf = (wrong: Miswiring): string => `${wrong.is} ${contactsIn(wrong).join(' ')}`;

/** The terminals of a body that are in no joint and were left by nobody’s word. */
function looseIn(assembly: Assembly): ReadonlySet<Terminal> {
  const dealt = new Set([...joinedTerminals(assembly), ...assembly.unjoined.map(({ at }) => at)]);
  return new Set(
    assembly.spans
      .flatMap((span) =>
        conductorsOf(assembly, span).flatMap((conductor) =>
          [span.from, span.to].map((body) => conductorTerminal(span.id, conductor.id, body)),
        ),
      )
      .filter((terminal) => !dealt.has(terminal)),
  );
}

/** How joints on contacts of a body are made: as most of those that are there. */
function howIn(body: Body | undefined): How {
  const onContacts: readonly How[] = ['cup', 'tab', 'lug', 'pad', 'screw', 'crimp'];
  return (body ? jointsOf(body) : []).find(({ how }) => onContacts.includes(how))?.how ?? 'cup';
}

/** More than this is not tried: what is wrong in so many places is not mended by one move. */
const MOST = 80;

/** Single changes near a miswiring that could mend it, the likeliest first. */
function candidates({ assembly, netlist }: LeadInUse, wrong: Miswiring): readonly Edit[] {
  const contacts = [...new Set(contactsIn(wrong))];
  const nets = new Set(contacts.flatMap((each) => netlist.netOf.get(each) ?? []));
  const places = [...nets]
    .flatMap(({ terminals }) => terminals)
    .flatMap((at) => {
      const place = placeOf(assembly, at);
      return place ? [{ at, place }] : [];
    });
  const loose = looseIn(assembly);
  // What was changed by hand is looked at first, then what is made last.
  const byHand = (body: Body): boolean => body.joints.some(({ because }) => because?.says === BY_HAND.says);
  const bodies = [...assembly.bodies].reverse().sort((a, b) => Number(byHand(b)) - Number(byHand(a)));
  const all = bodies.flatMap((body): readonly Edit[] => {
    const here = places.filter(({ place }) => place.body.id === body.id);
    if (here.length === 0) return [];
    const [movable, fixed] = [
      here.filter(({ place }) => place.kind !== 'contact' && place.kind !== 'case'),
      here.filter(({ place, at }) => place.kind === 'contact' && contacts.includes(at)),
    ];
    const jointOf = (at: Terminal) => body.joints.find((joint) => joint.terminals.includes(at));
    return [
      ...(wrong.is === 'closed'
        ? movable
            .flatMap(({ at, place }): readonly Edit[] =>
              place.kind === 'conductor' && jointOf(at) ? [{ kind: 'cut-back', at }] : [],
            )
            .reverse()
        : []),
      ...movable.flatMap(({ at }) =>
        loose.has(at)
          ? fixed.map((to): Edit => ({ kind: 'join', terminals: [at, to.at], how: howIn(body) }))
          : [],
      ),
      ...movable.flatMap((one, n) =>
        movable
          .slice(n + 1)
          .flatMap((other): readonly Edit[] =>
            jointOf(one.at) !== jointOf(other.at) ? [{ kind: 'exchange', one: one.at, other: other.at }] : [],
          ),
      ),
      ...movable.flatMap(({ at }) =>
        fixed.flatMap((to): readonly Edit[] =>
          jointOf(at) && !jointOf(at)?.terminals.includes(to.at)
            ? [{ kind: 'move', terminal: at, to: to.at }]
            : [],
        ),
      ),
      ...body.joints
        .filter(
          (joint) =>
            joint.terminals.length > 2 && joint.terminals.some((at) => here.some((each) => each.at === at)),
        )
        .flatMap(({ terminals }) => [
          ...terminals.flatMap((one, n) =>
            terminals.length < 4
              ? []
              : terminals.slice(n + 1).map((other): Edit => ({ kind: 'separate', terminals: [one, other] })),
          ),
          ...terminals.map((one): Edit => ({ kind: 'separate', terminals: [one] })),
        ]),
      // Two contacts of one connector that were to be linked.
      ...(wrong.is === 'open' && wrong.lands
        ? [[wrong.to, wrong.lands.at] as const]
            .filter((both) => both.every((at) => fixed.some((each) => each.at === at)))
            .map((both): Edit => ({ kind: 'join', terminals: [...both], how: 'link' }))
        : []),
      ...body.joints
        .filter(
          ({ how, terminals }) =>
            how === 'link' && terminals.some((at) => here.some((each) => each.at === at)),
        )
        .map(({ id }): Edit => ({ kind: 'remove-joint', joint: id })),
    ];
  });
  return all.slice(0, MOST);
}

/**
 * One change by hand that mends a miswiring: tried on the lead, and offered only where the miswiring is gone after it,
 * nothing else is wired wrongly that was not before, and nothing hangs loose that was not.
 */
export function mendings(used: LeadInUse, wrong: Miswiring): readonly Remedy[] {
  const { lead, assembly } = used;
  const all = (of: Assembly): ReadonlySet<string> =>
    new Set(
      lead.situations.flatMap((situation) =>
        miswired(of, situation, { leftOut: lead.because.leftOut, uses: lead.situations }).map(keyOf),
      ),
    );
  const before = all(assembly);
  const [loose, target] = [looseIn(assembly), keyOf(wrong)];
  let best: { readonly edit: Edit; readonly left: number; readonly after: Assembly } | undefined;
  for (const edit of candidates(used, wrong)) {
    const made = applyEdit(assembly, edit);
    if (!made.ok) continue;
    const left = all(made.value);
    const worse =
      [...left].some((key) => !before.has(key)) || [...looseIn(made.value)].some((at) => !loose.has(at));
    if (worse || left.has(target) || (best && best.left <= left.size)) continue;
    best = { edit, left: left.size, after: made.value };
    if (left.size === 0) break;
  }
  return best
    ? [{ says: sayRemedy(best.edit, assembly, best.after), change: { kind: 'edit', edit: best.edit } }]
    : [];
}

function sayRemedy(edit: Edit, before: Assembly, after: Assembly): string {
  const say = (at: Terminal): string => sayTerminal(before, at);
  if (edit.kind === 'join') return `Join ${edit.terminals.map(say).join(' to ')}`;
  if (edit.kind === 'move') return `Move ${say(edit.terminal)} to ${say(edit.to)}`;
  if (edit.kind === 'exchange') return `Exchange ${say(edit.one)} and ${say(edit.other)}`;
  if (edit.kind === 'separate') return `Part ${edit.terminals.map(say).join(' and ')} from what is beside`;
  return capital(sayEdit(edit, after));
}
