import { leadTerminal } from '../../assembly';
import { CONTROL_TRACKS, suitingTrack } from '../../signal';
import { roleTerminal } from '../../situation';
import { putEnds } from '../lay';
import type { Ask } from '../types';
import { allOneToOne, other, practice } from './shape';
import { answer, type Choice, type Recipe, wired } from './types';

/** The smallest control of at least three times the headphones, so that loss and bass error stay small (common practice). */
const control = (ask: Ask): Choice => {
  const load = ask.links[0]?.in.port.impedance ?? 32;
  return {
    id: 'control',
    question: 'How large a control?',
    options: Object.fromEntries(
      CONTROL_TRACKS.map((ohms) => [
        `${ohms}`,
        `${ohms < 1000 ? ohms : `${ohms / 1000} k`}${ohms < 1000 ? ' ' : ''}Ω, dual, logarithmic`,
      ]),
    ),
    default: `${suitingTrack(load)}`,
    because: `About three times the headphones’ ${load} Ω: smaller loads the player, larger loses level and bends the bass.`,
  };
};

export const volumeBox: Recipe = {
  id: 'volume-box',
  name: 'volume box',
  source: 'common practice',
  suits: (ask) =>
    ask.form === 'box' && ask.ends.length === 2 && ask.links.length === 2 && allOneToOne(ask, 'unbalanced')
      ? { is: 'right', why: 'A dual control between two sockets. It can only turn down.', rank: 1 }
      : other('It is a box between a stereo output and headphones.'),
  asks: (ask) => [control(ask)],
  wire(ask, d) {
    putEnds(d, ask);
    const gangs = ask.links.map((link) => link.out.label || 'left');
    d.part('box', {
      id: 'RV1',
      kind: 'potentiometer',
      gangs,
      trackOhms: Number(answer(ask, control(ask))),
      tolerance: 0.2,
      taper: 'logarithmic',
    });
    const because = practice(
      'Input on the outer end, wiper to the headphones, the other end on the common return.',
    );
    ask.links.forEach((link, n) => {
      const gang = gangs[n] ?? '';
      const [hot, out, common] = [
        roleTerminal(link.out, 'hot'),
        roleTerminal(link.in, 'hot'),
        roleTerminal(link.out, 'return'),
      ];
      if (hot) d.land([leadTerminal('RV1', `${gang}.cw`)], hot, because);
      if (out) d.land([leadTerminal('RV1', `${gang}.wiper`)], out, because);
      if (common) d.land([leadTerminal('RV1', `${gang}.ccw`)], common, because);
    });
    for (const link of ask.links) {
      const [from, to] = [roleTerminal(link.out, 'return'), roleTerminal(link.in, 'return')];
      if (from && to && from !== to) d.link('box', [from, to], practice('The return goes through the box.'));
    }
    d.because(because);
    d.because(practice(control(ask).because));
    return wired;
  },
};
