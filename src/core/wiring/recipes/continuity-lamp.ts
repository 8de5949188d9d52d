import { leadTerminal } from '../../assembly';
import type { Joint } from '../../assembly';
import { formatResistance, nearestE24, ohms } from '../../quantity';
import { connect } from '../connect';
import { roleTerminal } from '../../situation';
import { cableProblem, lay } from '../lay';
import { other, practice } from './shape';
import { answer, cannot, type Choice, type Recipe, wired } from './types';

/** Forward voltage of a white LED and what lights it well, from memory; cells of 1.5 V. */
const LED = { volts: 3, amps: 0.01, least: 0.002 } as const;
const CELL = 1.5;
const FILAMENT = { volts: 3, ohms: 15 } as const;

/** The resistor of a lamp with an LED, Ω: what the cells have over it, at the current that lights it well, to the next E24. */
const ledOhms = (cells: number): number => nearestE24((cells * CELL - LED.volts) / LED.amps);

/** What is in the light: it comes as it is bought, so the builder says which. */
const bulb: Choice = {
  id: 'lamp',
  question: 'What lights in it?',
  options: {
    filament: 'a filament bulb on two cells',
    led: 'an LED with its resistor on three cells',
    'led-bare': 'an LED on three cells, with no resistor in it: one is put in',
  },
  default: 'filament',
  because: 'A filament lamp has two cells, one with LEDs three: look into it.',
};

/** Through how much the lamp still lights, Ω: an LED at its least current, a filament at half of its own. */
const lightsThrough = (kind: string): number =>
  kind === 'filament' ? FILAMENT.ohms : Math.round((3 * CELL - LED.volts) / LED.least - ledOhms(3));

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
  asks: () => [bulb],
  wire(ask, d) {
    const [lamp] = ask.from;
    const [channel] = lamp?.channels ?? [];
    const [here, there] = channel ? [roleTerminal(channel, 'hot'), roleTerminal(channel, 'return')] : [];
    if (!lamp || !here || !there) return cannot('The battery lamp has no two points where its switch was.');
    d.body({ id: lamp.body, kind: 'device', name: 'battery lamp' });
    for (const run of lay(d, ask, ask.links, { legs: 2 })) connect(d, ask, run);
    const kind = answer(ask, bulb);
    if (kind === 'filament') {
      d.part(lamp.body, { id: 'BT1', kind: 'battery', volts: 2 * CELL, marks: 'two cells' });
      d.part(lamp.body, {
        id: 'LA1',
        kind: 'lamp',
        litOhms: FILAMENT.ohms,
        ratings: { volts: FILAMENT.volts, milliamps: { from: 0, to: 200 } },
      });
    } else {
      d.part(lamp.body, { id: 'BT1', kind: 'battery', volts: 3 * CELL, marks: 'three cells' });
      d.part(lamp.body, { id: 'R1', kind: 'resistor', ohms: ledOhms(3), ratings: { watts: 0.25 } });
      d.part(lamp.body, {
        id: 'LA1',
        kind: 'led',
        forwardVolts: LED.volts,
        ratings: { milliamps: { from: LED.least * 1000, to: 20 } },
      });
    }
    const inside: readonly (readonly [string, Joint['terminals']])[] =
      kind === 'filament'
        ? [
            ['switch', [leadTerminal('BT1', 'pos'), here]],
            ['cells', [leadTerminal('BT1', 'neg'), leadTerminal('LA1', 'a')]],
            ['bulb', [leadTerminal('LA1', 'b'), there]],
          ]
        : [
            ['switch', [leadTerminal('BT1', 'pos'), here]],
            ['led', [leadTerminal('LA1', 'anode'), there]],
            ['resistor', [leadTerminal('LA1', 'cathode'), leadTerminal('R1', 'a')]],
            ['cells', [leadTerminal('R1', 'b'), leadTerminal('BT1', 'neg')]],
          ];
    for (const [name, terminals] of inside)
      if (name === 'resistor' && kind === 'led-bare')
        d.air(
          lamp.body,
          'led-resistor',
          terminals,
          practice(`${formatResistance(ohms(ledOhms(3)))} keeps the LED at ${LED.amps * 1000} mA.`),
        );
      else d.existing(lamp.body, { id: `inside-${name}`, terminals, how: 'pad' });
    d.because(
      practice(
        `It still lights through ${kind === 'filament' ? 'some' : 'hundreds of'} ohms (about ${lightsThrough(kind)} Ω): that it lights proves “not open”, and no more.`,
      ),
    );
    d.because(
      practice(
        'Only on leads that are plugged into nothing. It finds breaks and crossings, not poor joints. Take the cells out before metering it.',
      ),
    );
    return wired;
  },
};
