import { leadTerminal } from '../../assembly';
import type { Joint } from '../../assembly';
import { connect } from '../connect';
import { roleTerminal } from '../../situation';
import { cableProblem, lay } from '../lay';
import { other, practice } from './shape';
import { cannot, type Recipe, wired } from './types';

export const continuityLamp: Recipe = {
  id: 'continuity-lamp',
  name: 'continuity lamp',
  source: 'common practice',
  suits: (ask) =>
    ask.from[0]?.port.id === 'battery-lamp' && ask.links.length === 1 && ask.form === 'lead'
      ? {
          is: 'right',
          why: 'Two probes in the place of the switch: it lights where the path between them is good.',
        }
      : other('It is for a battery lamp whose switch has been taken out.'),
  lacks: (ask) =>
    ask.cable && ask.cable.screen !== 'none'
      ? {
          code: 'wiring.probe-wire',
          says: `${ask.cable.name} has a screen, which probes do not want: choose probe wire.`,
          path: 'intent.cable',
        }
      : cableProblem(ask, ask.links, { unscreened: true, legs: 2 }),
  wire(ask, d) {
    const [lamp] = ask.from;
    const [channel] = lamp?.channels ?? [];
    const [here, there] = channel ? [roleTerminal(channel, 'hot'), roleTerminal(channel, 'return')] : [];
    if (!lamp || !here || !there) return cannot('The battery lamp has no two points where its switch was.');
    d.body({ id: lamp.body, kind: 'device', name: 'battery lamp' });
    for (const run of lay(d, ask, ask.links, { legs: 2 })) connect(d, ask, run);
    d.part(lamp.body, { id: 'BT1', kind: 'battery', volts: 3, marks: 'two cells' });
    d.part(lamp.body, {
      id: 'LA1',
      kind: 'lamp',
      litOhms: 15,
      ratings: { volts: 3, milliamps: { from: 0, to: 200 } },
    });
    const inside: readonly (readonly [string, Joint['terminals']])[] = [
      ['switch', [leadTerminal('BT1', 'pos'), here]],
      ['cells', [leadTerminal('BT1', 'neg'), leadTerminal('LA1', 'a')]],
      ['bulb', [leadTerminal('LA1', 'b'), there]],
    ];
    for (const [name, terminals] of inside)
      d.existing(lamp.body, { id: `inside-${name}`, terminals, how: 'pad' });
    d.because(
      practice(
        'Only on leads that are plugged into nothing. It lights through some ohms as through none: it finds breaks and crossings, not poor joints. Take the cells out before metering it.',
      ),
    );
    return wired;
  },
};
