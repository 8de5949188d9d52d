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
    if (intent.length)
      d.length({ from: plug.id, to: cups.id, datum: intent.length.datum, mm: intent.length.mm });
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
