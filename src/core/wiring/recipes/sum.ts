import { leadTerminal } from '../../assembly';
import { bodyOf, carry, left as leave, linkShells, on } from '../connect';
import { roleTerminal, groundTerminal } from '../../situation';
import { cableProblem, lay } from '../lay';
import { isBalanced } from '../../catalogue';
import { formatResistance, ohms } from '../../quantity';
import type { Ask } from '../types';
import { isSpecial, other, practice } from './shape';
import { eachOf, groundOf, sumChoice } from './sum-values';
import { answer, cannot, type Choice, type Recipe, type Suits, wired } from './types';

/** Several senders, one receiver. */
const sums = (ask: Ask): boolean =>
  !isSpecial(ask) &&
  ask.links.length > 1 &&
  ask.links.every((link) => link.in === ask.links[0]?.in) &&
  ask.links.every(
    (link) => !isBalanced(link.out.roles) && !('plus' in link.out.roles) && !('plus' in link.in.roles),
  );

const oneEnd = (ask: Ask): boolean => new Set(ask.links.map((link) => link.out.end)).size === 1;

const where = (ask: Ask): Choice => ({
  id: 'resistors',
  question: 'Where do the resistors go?',
  options: oneEnd(ask)
    ? { receiving: 'in the shell of the receiving end', source: 'in the shell of the source end' }
    : { receiving: 'in the shell of the receiving end' },
  default: 'receiving',
  because:
    'There is most room in the receiving shell, and least noise: the cable is driven by the low output impedance.',
});

export const sum: Recipe = {
  id: 'sum',
  name: 'sum through resistors',
  source: 'common practice',
  suits: (ask) =>
    sums(ask)
      ? {
          is: 'right',
          why: `${ask.links.length} outputs into one input: each through its own resistor, so that none drives another.`,
          rank: 1,
        }
      : other('It is for several unbalanced outputs into one input.'),
  lacks: (ask) =>
    answer(ask, where(ask)) === 'source'
      ? cableProblem(ask, ask.links.slice(0, 1), { legs: 2 })
      : cableProblem(ask, ask.links, { legs: 1 }),
  asks: (ask) => [where(ask), sumChoice(ask, false)],
  // eslint-disable-next-line max-lines-per-function -- one wiring, in the order in which it is made.
  wire(ask, d) {
    const atSource = answer(ask, where(ask)) === 'source';
    const [first] = ask.links;
    if (!first) return cannot('There is nothing to sum.');
    const runs = atSource ? lay(d, ask, [first], { legs: 2 }) : lay(d, ask, ask.links, { legs: 1 });
    const into = first.in;
    const body = bodyOf(ask, atSource ? first.out.end : into.end);
    const [hot, ground, cold] = [roleTerminal(into, 'hot'), groundTerminal(into), roleTerminal(into, 'cold')];
    const sourceGround = groundTerminal(first.out);
    if (!hot || !ground || !sourceGround)
      return cannot('An end has no contact for its signal or its return.');
    const value = eachOf(ask, false);
    const each = practice(`${formatResistance(ohms(value))} a channel: no output drives another.`);
    const toGround = practice(
      'The third resistor gives the input a way to ground when nothing is plugged in.',
    );
    const returns = practice(
      'Source and input share their return through the screen: it is joined at both ends.',
    );
    d.because(each);
    d.because(returns);
    if (oneEnd(ask))
      d.because({
        says: 'Left and right become one: what was panned comes from the middle, and what they carry out of phase is lost.',
        source: 'circuit law',
      });
    const names = ask.links.map((_, n) => `R${n + 1}`);
    const last = `R${names.length + 1}`;
    for (const id of names)
      d.part(body, {
        id,
        kind: 'resistor',
        ohms: value,
        tolerance: 0.05,
        ratings: { watts: 0.25 },
      });
    d.part(body, {
      id: last,
      kind: 'resistor',
      ohms: groundOf(value),
      tolerance: 0.05,
      ratings: { watts: 0.25 },
    });
    if (atSource) {
      const node = leadTerminal(names[0] ?? '', 'b');
      ask.links.forEach((link, n) => {
        const contact = roleTerminal(link.out, 'hot');
        if (contact) d.land([leadTerminal(names[n] ?? '', 'a')], contact, each);
        if (n > 0) d.land([leadTerminal(names[n] ?? '', 'b')], node, each);
      });
      d.land([leadTerminal(last, 'a')], node, toGround);
      d.land([leadTerminal(last, 'b')], sourceGround, toGround);
      for (const run of runs) {
        const { carrier } = run;
        carry(d, ask, run, carrier?.hot ?? [], on(node, each), on(hot, each));
        carry(
          d,
          ask,
          run,
          carrier?.cold ?? [],
          on(sourceGround, returns),
          cold ? on(cold, returns) : leave(returns),
        );
        carry(
          d,
          ask,
          run,
          carrier?.screen === undefined ? [] : [carrier.screen],
          on(sourceGround, returns),
          on(ground, returns),
        );
      }
    } else {
      runs.forEach((run, n) => {
        const { carrier, link } = run;
        const resistor = names[n] ?? '';
        const from = groundTerminal(link.out);
        carry(
          d,
          ask,
          run,
          carrier?.hot ?? [],
          on(roleTerminal(link.out, 'hot'), each),
          on(leadTerminal(resistor, 'a'), each),
        );
        d.land([leadTerminal(resistor, 'b')], hot, each);
        carry(
          d,
          ask,
          run,
          carrier?.screen === undefined ? [] : [carrier.screen],
          on(from, returns),
          on(ground, returns),
        );
      });
      d.land([leadTerminal(last, 'a')], hot, toGround);
      d.land([leadTerminal(last, 'b')], ground, toGround);
    }
    if (cold && cold !== ground)
      d.link(
        bodyOf(ask, into.end),
        [ground, cold],
        practice('Cold is joined to ground at the balanced end: the sum has no cold of its own.'),
      );
    if (cold && cold !== ground)
      d.because({ says: 'Phantom off at this input: cold is tied to ground.', source: 'common practice' });
    linkShells(d, ask);
    return wired;
  },
};

/** ±1 V from 50 Ω each way: I = (V₁ − V₂) ÷ (Z₁ + Z₂). */
const fightMilliamps = (ask: Ask): number => {
  const [a, b] = ask.links;
  return a && b ? (2 / (a.out.port.impedance + b.out.port.impedance)) * 1000 : 0;
};

export const bareY: Recipe = {
  id: 'bare-y',
  name: 'outputs joined, contact to contact',
  source: 'circuit law',
  refuses: ['bare-y'],
  suits(ask): Suits {
    const joins =
      !isSpecial(ask) && ask.links.length > 1 && ask.links.every((link) => link.in === ask.links[0]?.in);
    if (!joins) return other('Nothing here joins outputs.');
    const says = `Two outputs on one wire: each drives the other’s output impedance. With 1 V one way and 1 V the other that is ${Number(fightMilliamps(ask).toPrecision(2))} mA.`;
    return {
      is: 'wrong',
      why: says,
      refusal: {
        id: 'bare-y',
        says: `${says} Use a sum with resistors.`,
        hear: 'Distortion, one channel pulling the other down, hot output stages, in time a dead one.',
        anyway: false,
      },
    };
  },
  wire: () => cannot('Outputs are never joined contact to contact.', 'intent.wiring'),
};
