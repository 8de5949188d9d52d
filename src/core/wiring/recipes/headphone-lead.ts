import { conductorTerminal } from '../../assembly';
import { roleTerminal } from '../../situation';
import { putEnds } from '../lay';
import type { Ask } from '../types';
import { allOneToOne, other, practice } from './shape';
import { answer, cannot, type Choice, type Recipe, wired } from './types';

const WHICH = {
  left: 'left',
  'left-return': 'left return',
  right: 'right',
  'right-return': 'right return',
} as const;
type Which = keyof typeof WHICH;

const UNFOUND = 'Not joined until it has been found by continuity from the pads.';

const strand = (ask: Ask, which: Which): Choice => ({
  id: which,
  question: `Which strand is ${WHICH[which]}?`,
  options: {
    unknown: 'not found yet',
    ...Object.fromEntries((ask.cable?.conductors ?? []).map((each) => [each.id, `strand ${each.id}`])),
  },
  default: 'unknown',
  because: 'Colours in headphone leads mean nothing: measure from the earpiece pads, then say it here.',
});

const found = (ask: Ask): Readonly<Record<Which, string>> | undefined => {
  const each = (Object.keys(WHICH) as Which[]).map(
    (which) => [which, answer(ask, strand(ask, which))] as const,
  );
  const ids = each.map(([, id]) => id);
  return ids.includes('unknown') || new Set(ids).size < ids.length
    ? undefined
    : (Object.fromEntries(each) as Record<Which, string>);
};

/** Of a cord with a plug at either end: any strand may be any conductor, so each is one from the start. */
const cordStrand = (ask: Ask, which: Which, n: number): Choice => {
  const { default: _, because: __, options, ...rest } = strand(ask, which);
  const { unknown: ___, ...strands } = options;
  return {
    ...rest,
    options: strands,
    default: ask.cable?.conductors[n]?.id ?? '',
    because: 'Any strand may be any of them, as long as both ends agree: its far end is found by continuity.',
  };
};

const cordStrands = (ask: Ask): readonly string[] =>
  (Object.keys(WHICH) as Which[]).map((which, n) => answer(ask, cordStrand(ask, which, n)));

/** An old headphone cord made a lead of: plug to plug, its strands told apart by the meter. */
export const headphoneCord: Recipe = {
  id: 'headphone-cord',
  name: 'headphone cord, strands found by continuity',
  source: 'common practice',
  suits(ask) {
    if (
      ask.cable?.kind !== 'litz' ||
      ask.ends.length !== 2 ||
      ask.ends.some(({ connector, port }) => !connector || port.id === 'headphone-cups') ||
      ask.links.length !== 2 ||
      !allOneToOne(ask, 'unbalanced') ||
      ask.form !== 'lead'
    )
      return other('It is for a cord of lacquered strands with a connector at either end.');
    return ask.to[0]?.port.signal === 'headphone'
      ? { is: 'right', why: 'Each side with a return of its own; headphones ask for no screen.' }
      : {
          is: 'right',
          rank: -1,
          why: 'Each side with a return of its own, and no screen: for a metre or two, away from mains leads.',
        };
  },
  lacks: (ask) =>
    new Set(cordStrands(ask)).size === 4
      ? undefined
      : {
          code: 'wiring.strand-twice',
          says: 'One strand is named for two of the four: give each its own.',
          path: 'intent.choices',
        },
  asks: (ask) => (Object.keys(WHICH) as Which[]).map((which, n) => cordStrand(ask, which, n)),
  wire(ask, d) {
    const { cable, intent } = ask;
    const [one, other] = ask.ends;
    const [left, right] = ask.links;
    if (!cable || !one || !other || !left || !right)
      return cannot('A headphone cord has two ends, two sides and a cable: one of them is missing.');
    putEnds(d, ask);
    d.span({ id: 'W1', cable: cable.id, from: one.body, to: other.body }, cable);
    if (intent.length) d.length({ from: one.id, to: other.id, ...intent.length });
    const strands = cordStrands(ask);
    (Object.keys(WHICH) as Which[]).forEach((which, n) => {
      const link = n < 2 ? left : right;
      const role = n % 2 === 0 ? 'hot' : 'return';
      for (const { name, body } of [
        { name: roleTerminal(link.out, role), body: one.body },
        { name: roleTerminal(link.in, role), body: other.body },
      ])
        if (name)
          d.land(
            [conductorTerminal('W1', strands[n] ?? '', body)],
            name,
            practice(`Strand ${strands[n] ?? ''} is ${WHICH[which]} at both ends.`),
          );
    });
    d.because(
      practice(
        'Burn the lacquer off in a blob of solder, at both ends, then find each strand’s other end by continuity and mark it before anything is joined.',
      ),
    );
    return wired;
  },
};

export const headphoneLead: Recipe = {
  id: 'headphone-lead',
  name: 'headphone lead, strands found by continuity',
  source: 'common practice',
  suits: (ask) =>
    ask.to[0]?.port.id === 'headphone-cups' &&
    ask.ends.length === 2 &&
    ask.links.length === 2 &&
    allOneToOne(ask, 'unbalanced') &&
    ask.form === 'lead'
      ? { is: 'right', why: 'Four lacquered strands that are told apart by measuring, not by colour.' }
      : other('It is for a lead that goes inside headphones.'),
  lacks: (ask) =>
    ask.cable?.kind === 'litz'
      ? undefined
      : {
          code: 'wiring.litz',
          says: 'The lead inside headphones is litz: choose that cable.',
          path: 'intent.cable',
        },
  asks: (ask) => (Object.keys(WHICH) as Which[]).map((which) => strand(ask, which)),
  wire(ask, d) {
    const { cable, intent } = ask;
    const [plug, cups] = ask.ends;
    const [left, right] = ask.links;
    if (!cable || !plug || !cups || !left || !right)
      return cannot('A headphone lead has a plug, two sides and a cable: one of them is missing.');
    d.body({ id: cups.body, kind: 'device', name: 'headphones' });
    putEnds(d, ask);
    d.span({ id: 'W1', cable: cable.id, from: plug.body, to: cups.body }, cable);
    if (intent.length) d.length({ from: plug.id, to: cups.id, ...intent.length });
    const strands = found(ask);
    const pads: readonly (readonly [Which, string | undefined, string | undefined])[] = [
      ['left', roleTerminal(left.in, 'hot'), roleTerminal(left.out, 'hot')],
      ['left-return', roleTerminal(left.in, 'return'), roleTerminal(left.out, 'return')],
      ['right', roleTerminal(right.in, 'hot'), roleTerminal(right.out, 'hot')],
      ['right-return', roleTerminal(right.in, 'return'), roleTerminal(right.out, 'return')],
    ];
    pads.forEach(([which, pad, contact], n) => {
      const id = strands?.[which] ?? cable.conductors[n]?.id ?? '';
      if (pad)
        d.existing(cups.body, {
          id: `pad-${which}`,
          terminals: [conductorTerminal('W1', id, cups.body), pad],
          how: 'pad',
        });
      const here = conductorTerminal('W1', id, plug.body);
      if (strands && contact)
        d.land([here], contact, practice(`Strand ${id} is ${WHICH[which]}, found by continuity.`));
      else {
        d.leave(here, 'spare', { says: UNFOUND });
        d.leaveOut(n < 2 ? left : right, ['hot', 'return'], UNFOUND);
      }
    });
    d.because(
      practice(
        strands
          ? 'Leave slack inside, burn the lacquer off in a blob of solder, and test before closing.'
          : 'Measure each strand from the earpiece pads, then say which is which: that is a new revision.',
      ),
    );
    return wired;
  },
};
