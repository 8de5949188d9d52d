import { leadTerminal } from '../../assembly';
import { bodyOf, connect, linkShells } from '../connect';
import { roleTerminal, groundTerminal } from '../../situation';
import { lay } from '../lay';
import { formatResistance, nearestE24 } from '../../quantity';
import { LINE_OHMS, padValues, type PadDesign } from '../../signal';
import { isSpecial, kindOf, lacksCable, other, practice } from './shape';
import { answer, cannot, type Choice, type Recipe, wired } from './types';

const LOSS: Choice = {
  id: 'loss',
  question: 'How much less?',
  options: Object.fromEntries([6, 10, 15, 20, 26, 30, 40, 50].map((db) => [`${db}`, `${db} dB`])),
  default: '20',
  because: 'Twenty takes most hot outputs down to where an input is at ease.',
};
const DESIGN: Choice = {
  id: 'pad',
  question: 'Which kind of pad?',
  options: {
    bridging: 'bridging: U, or L where unbalanced',
    'matched-t': 'matched 600 Ω: H, or T where unbalanced',
    'matched-pi': 'matched 600 Ω: balanced π, or π where unbalanced',
  },
  default: 'bridging',
  because: 'Today’s inputs bridge: they do not want to be matched, and the low shunt keeps noise low.',
};
export const pad: Recipe = {
  id: 'pad',
  name: 'pad in line',
  source: 'textbook formulas; values IEC 60063, series E24',
  suits(ask) {
    const [link] = ask.links;
    const kind = link && kindOf(link);
    if (isSpecial(ask) || !link || ask.links.length > 1 || (kind !== 'balanced' && kind !== 'unbalanced'))
      return other('It is for one channel that is balanced at both ends or at neither.');
    const over = link.out.port.levelDbu - link.in.port.levelDbu;
    return over >= 30
      ? {
          is: 'right',
          why: `The output is ${Math.round(over)} dB hotter than the input is made for: a pad takes it down.`,
        }
      : { is: 'possible', why: 'Takes the level down by resistors, where an input overloads.' };
  },
  lacks: lacksCable,
  asks: () => [LOSS, DESIGN],
  wire(ask, d) {
    const [link] = ask.links;
    if (!link) return cannot('A pad is for one channel, and there is none.');
    const balanced = kindOf(link) === 'balanced';
    const design = answer(ask, DESIGN);
    const db = Number(answer(ask, LOSS));
    const into = link.in;
    const body = bodyOf(ask, into.end);
    const hot = roleTerminal(into, 'hot');
    const low = balanced ? roleTerminal(into, 'cold') : groundTerminal(into);
    if (!hot || !low) return cannot('The input has no two contacts for a pad to lie between.');
    const runs = lay(d, ask, [link]);
    const { series, shunts } = padValues(design as PadDesign, db, into.port.impedance);
    const because = practice(`${db} dB less.`);
    d.asksOf(link, { lossDb: db, ...(design === 'bridging' ? {} : { lossOhms: LINE_OHMS }) });
    let count = 0;
    const resistor = (ohms: number): string => {
      const id = `R${++count}`;
      d.part(body, {
        id,
        kind: 'resistor',
        ohms: nearestE24(ohms),
        tolerance: 0.05,
        ratings: { watts: 0.25 },
      });
      return id;
    };
    const legs = balanced ? 2 : 1;
    /** The series resistors of one stage: one in each leg. */
    const stage = (ohms: number): readonly string[] =>
      Array.from({ length: legs }, () => resistor(ohms / legs));
    const first = stage(series[0] ?? 0);
    const second = series.length > 1 ? stage(series[1] ?? 0) : undefined;
    const [hotIn, coldIn] = [leadTerminal(first[0] ?? '', 'a'), leadTerminal(first[1] ?? '', 'a')];
    const [hotOut, coldOut] = (second ?? first).map((id) => leadTerminal(id, 'b'));
    if (second)
      first.forEach((id, n) => d.land([leadTerminal(second[n] ?? '', 'a')], leadTerminal(id, 'b'), because));
    if (hotOut) d.land([hotOut], hot, because);
    if (balanced && coldOut) d.land([coldOut], low, because);
    const across = (ohms: number, a: string, b: string): void => {
      const id = resistor(ohms);
      d.land([leadTerminal(id, 'a')], a, because);
      d.land([leadTerminal(id, 'b')], b, because);
    };
    if (design === 'matched-t')
      across(
        shunts[0] ?? 0,
        leadTerminal(first[0] ?? '', 'b'),
        balanced ? leadTerminal(first[1] ?? '', 'b') : low,
      );
    else if (design === 'matched-pi') {
      across(shunts[0] ?? 0, hotIn, balanced ? coldIn : low);
      across(shunts[1] ?? 0, hot, low);
    } else across(shunts[0] ?? 0, hot, low);
    for (const run of runs)
      connect(d, ask, run, { instead: { in: { hot: hotIn, ...(balanced ? { cold: coldIn } : {}) } } });
    d.because({
      says: `${db} dB asked for: ${[...series.map((ohms) => `${formatResistance(ohms)} in series`), ...shunts.map((ohms) => `${formatResistance(ohms)} across`)].join(', ')}, each to the nearest E24 value${balanced ? ', series halved between the legs' : ''}.`,
      source: 'textbook formulas, from memory; IEC 60063',
    });
    linkShells(d, ask);
    return wired;
  },
};
