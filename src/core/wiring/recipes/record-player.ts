import { caseTerminal, conductorTerminal, contactTerminal } from '../../assembly';
import { CABLES } from '../../catalogue';
import { connect } from '../connect';
import { roleTerminal } from '../../situation';
import { endName } from '../ask-end';
import { lay } from '../lay';
import { allOneToOne, lacksCable, other, practice } from './shape';
import { cannot, type Recipe, wired } from './types';

/** How much longer than the signal the earth wire is left, mm: it has to reach a terminal beside the sockets (nominal). */
const EARTH_LONGER = 100;

export const recordPlayer: Recipe = {
  id: 'record-player',
  name: 'record-player lead',
  source: 'common practice',
  suits: (ask) =>
    ask.ends.some((end) => end.port.format === 'pickup') &&
    allOneToOne(ask, 'unbalanced') &&
    ask.form === 'lead'
      ? {
          is: 'right',
          why: 'Tiny signals: each channel with its own return; the earth by the school chosen.',
        }
      : other('It is for record players.'),
  lacks: lacksCable,
  wire(ask, d) {
    const deck = ask.ends.find((end) => end.port.format === 'pickup');
    if (!deck) return cannot('There is no record player at either end.');
    d.body({ id: deck.body, kind: 'device', name: 'record player', case: true });
    for (const run of lay(d, ask, ask.links)) connect(d, ask, run);
    if (ask.schools['record-player-earth'] === 'unified') {
      const returns = deck.channels.flatMap((channel) => roleTerminal(channel, 'return') ?? []);
      const because = {
        says: 'Returns joined to the chassis inside, and no earth wire: with both there would be a ground loop.',
        school: 'record-player-earth',
      };
      d.link(deck.body, [...returns, caseTerminal(deck.body)], because);
      d.because(because);
      return wired;
    }
    const earth = CABLES.find((cable) => cable.id === 'earth-wire');
    const [conductor] = earth?.conductors ?? [];
    if (!earth || !conductor) return cannot('The catalogue has no earth wire.');
    const id = endName(ask.ends.length);
    const body = id.toLowerCase();
    const because = {
      says: 'A separate earth wire from the chassis; the returns touch it nowhere.',
      school: 'record-player-earth',
    };
    d.tail(body, {
      id,
      loose: [{ id: 'spade', name: 'earth spade', colour: 'GN', finish: 'spade' }],
      mount: 'cable',
      madeOn: 'bench',
    });
    d.span({ id: 'WE', cable: earth.id, from: deck.body, to: body }, earth);
    d.land([conductorTerminal('WE', conductor.id, deck.body)], caseTerminal(deck.body), because);
    d.land([conductorTerminal('WE', conductor.id, body)], contactTerminal(id, 'spade'), because);
    if (ask.intent.length)
      d.length({ from: deck.id, to: id, datum: 'jacket', mm: ask.intent.length.mm + EARTH_LONGER });
    d.because(because);
    d.because(
      practice(
        'Pickup leads: white left +, blue left −, red right +, green right −. Whole load 100 to 300 pF.',
      ),
    );
    return wired;
  },
};
