import { leadTerminal } from '../../assembly';
import { groundTerminal, roleTerminal } from '../../situation';
import { bodyOf, carry, left, linkShells, on } from '../connect';
import { lay } from '../lay';
import type { Ask } from '../types';
import { isSpecial, kindOf, lacksCable, other, practice } from './shape';
import { eachOf, sumChoice } from './sum-values';
import { WINDING_OHMS } from './transformer';
import { answer, cannot, type Choice, type Recipe, wired } from './types';

/** Several balanced senders, one balanced receiver, each at an end of its own. */
const sums = (ask: Ask): boolean =>
  !isSpecial(ask) &&
  ask.links.length > 1 &&
  ask.links.every((link) => link.in === ask.links[0]?.in && kindOf(link) === 'balanced') &&
  new Set(ask.links.map(({ out }) => out.end)).size === ask.links.length;

const BY: Choice = {
  id: 'by',
  question: 'What do the resistors meet at?',
  options: {
    input: 'the input itself',
    transformer: 'a 1:1 transformer before it',
  },
  default: 'input',
  because:
    'A transformer is the thorough answer where grounds differ or phantom cannot be switched off; elsewhere it is a part more.',
};

export const balancedSum: Recipe = {
  id: 'balanced-sum',
  name: 'sum of balanced outputs, a resistor in every leg',
  source: 'common practice; by the circuit',
  suits: (ask) =>
    sums(ask)
      ? {
          is: 'right',
          why: `${ask.links.length} balanced outputs into one input: both legs of each through a resistor of their own, so that none drives another and the sum stays balanced.`,
          rank: 1,
        }
      : other('It is for several balanced outputs into one balanced input.'),
  lacks: lacksCable,
  asks: (ask) => [sumChoice(ask, true), BY],
  wire(ask, d) {
    const [first] = ask.links;
    if (!first) return cannot('There is nothing to sum.');
    const into = first.in;
    const ground = groundTerminal(into);
    const body = bodyOf(ask, into.end);
    const ohms = eachOf(ask, true);
    const each = practice('A resistor in every leg: no output drives another, and hot and cold stay alike.');
    const parted = answer(ask, BY) === 'transformer';
    const screen = practice(
      parted
        ? 'Each screen at its source: a transformer parts the two sides, and no metal joins them.'
        : 'The screens meet at the input.',
    );
    const meets: Record<'hot' | 'cold', string[]> = { hot: [], cold: [] };
    d.because(each);
    lay(d, ask, ask.links).forEach((run, n) => {
      const { carrier, link } = run;
      (['hot', 'cold'] as const).forEach((role, leg) => {
        const id = `R${2 * n + leg + 1}`;
        const target = parted ? leadTerminal('T1', role === 'hot' ? 'p1' : 'p2') : roleTerminal(into, role);
        if (!target) return;
        d.part(body, { id, kind: 'resistor', ohms, tolerance: 0.01, ratings: { watts: 0.25 } });
        carry(
          d,
          ask,
          run,
          carrier?.[role] ?? [],
          on(roleTerminal(link.out, role), each),
          on(leadTerminal(id, 'a'), each),
        );
        if (parted) meets[role].push(leadTerminal(id, 'b'));
        else d.land([leadTerminal(id, 'b')], target, each);
      });
      carry(
        d,
        ask,
        run,
        carrier?.screen === undefined ? [] : [carrier.screen],
        on(groundTerminal(link.out), screen),
        parted ? left(screen) : on(ground, screen),
      );
      if (parted) d.leaveOut(link, ['screen'], screen.says);
    });
    if (parted) {
      d.part(body, {
        id: 'T1',
        kind: 'transformer',
        windingOhms: WINDING_OHMS,
        name: '1:1 line transformer',
      });
      const through = practice('The resistors meet at its first winding; the second is the input’s.');
      for (const [role, first, second] of [
        ['hot', 'p1', 's1'],
        ['cold', 'p2', 's2'],
      ] as const) {
        const contact = roleTerminal(into, role);
        d.land(meets[role], leadTerminal('T1', first), through);
        if (contact) d.land([leadTerminal('T1', second)], contact, through);
      }
      d.because(screen);
    }
    if (!parted) {
      d.because(practice('Resistors of 1 %: what differs between the legs lets hum in.'));
      d.because(practice('Phantom off at this input: it would reach every output.'));
    }
    linkShells(d, ask);
    return wired;
  },
};
