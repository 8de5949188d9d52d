import { operatingPoint, type Circuit, type Element } from '../../circuit';
import { junctionOf } from '../../model';
import { PHANTOM_SUPPLIES, type PhantomKind } from '../../catalogue';
import { good } from '../../quantity';
import { figure, R, sayAmps, sayOhms, sayVolts, sayWatts, sound } from '../figures';
import { brightness, GOOD, lampTable, lineOn, LINES, unseen, type LampRow, type Line } from '../lines';
import type { Question } from '../types';
import { SUPPLY_OPTIONS } from './phantom';

/** A tell-tale on a line with this fault, as a circuit. */
export const tellTaleCircuit = (
  line: Line,
  supply: PhantomKind,
  resistor: number,
  forward: number,
  guard: boolean,
): Circuit => ({ elements: plugOn(line, supply, resistor, forward, guard) });

function plugOn(
  line: Line,
  supply: PhantomKind,
  resistor: number,
  forward: number,
  guard: boolean,
): readonly Element[] {
  const lamps = ([2, 3] as const).flatMap((leg, n): readonly Element[] => [
    R(`${n + 1}`, `p${leg}`, `l${leg}`, resistor),
    { kind: 'diode', id: `D${n + 1}`, a: `l${leg}`, b: 'p1', ...junctionOf('led', forward) },
    ...(guard
      ? [{ kind: 'diode', id: `D${n + 3}`, a: 'p1', b: `l${leg}`, ...junctionOf('diode', 0.6) } as const]
      : []),
  ]);
  return [...lineOn(line, supply), ...lamps];
}

/** What the two lamps show for every single fault of the line, found by solving each. */
export const truthTable = (
  supply: PhantomKind,
  resistor: number,
  forward: number,
  guard: boolean,
  lines: readonly Line[] = LINES,
): readonly LampRow[] =>
  lines.map((line) => {
    const point = sound(operatingPoint(tellTaleCircuit(line, supply, resistor, forward, guard)));
    const lamp = (leg: 2 | 3): number => {
      const across = point.voltage(`l${leg}`) - point.voltage('p1');
      const through = (point.voltage(`p${leg}`) - point.voltage(`l${leg}`)) / resistor;
      return across > 0 ? through : 0;
    };
    const reverse = Math.max(
      0,
      ...([2, 3] as const).map((leg) => point.voltage('p1') - point.voltage(`l${leg}`)),
    );
    return { line, lamps: [lamp(2), lamp(3)], total: -point.current('Vsupply'), reverse };
  });

/** The two lamps of a phantom tell-tale, lit and dark, for every fault of the line. */
export const tellTale: Question = {
  id: 'tell-tale',
  name: 'Phantom tell-tale',
  sentence: 'Two lamps of {forward} with {resistor} each and {guard}, on {supply}.',
  slots: [
    { id: 'forward', kind: 'number', name: 'Lamp voltage', unit: 'V', usual: 2, min: 1.2, max: 4 },
    { id: 'resistor', kind: 'number', name: 'Resistor', unit: 'Ω', usual: 4700, min: 1, max: 1e6 },
    {
      id: 'guard',
      kind: 'choice',
      name: 'Guard',
      options: { yes: 'guard diodes', no: 'no guard diodes' },
      usual: 'yes',
    },
    { id: 'supply', kind: 'choice', name: 'Supply', options: SUPPLY_OPTIONS, usual: 'P48' },
  ],
  answer({ number, choice }) {
    const supply = choice('supply') as PhantomKind;
    const { volts, feedOhms, limitMilliamps } = PHANTOM_SUPPLIES[supply];
    const guard = choice('guard') === 'yes';
    const [resistor, forward] = [number('resistor'), number('forward')];
    const rows = truthTable(supply, resistor, forward, guard);
    const [right] = rows;
    const amps = right?.lamps[0] ?? 0;
    const total = right?.total ?? 0;
    const blind = unseen(rows);
    const reverse = Math.max(...rows.map((row) => row.reverse));
    const over = total * 1000 > limitMilliamps;
    const inputs = [
      ['supply', `${volts} V through ${sayOhms(feedOhms)} a leg`],
      ['resistor', sayOhms(resistor)],
      ['lamp', sayVolts(forward)],
    ] as const;
    return good({
      says: `${sayAmps(amps)} a lamp: ${brightness(amps)}. ${sayAmps(total)} in all${over ? `, over the supply’s ${limitMilliamps} mA` : ''}. It cannot see: ${blind.map((row) => row.line.says).join('; ') || 'nothing'}.`,
      weight: over || reverse > 5 ? 'caution' : amps < 0.0015 ? 'caution' : 'good',
      figures: [
        figure(
          'lamp',
          'through each lamp',
          amps,
          'A',
          `${sayAmps(amps)}, ${brightness(amps)}`,
          '(V − lamp) ÷ (feed + resistor)',
          inputs,
          'by the circuit; IEC 61938 (cited, from memory)',
        ),
        figure(
          'total',
          'from the supply',
          total,
          'A',
          sayAmps(total),
          'both legs',
          inputs,
          `at most ${limitMilliamps} mA, IEC 61938 (cited, from memory)`,
        ),
        figure(
          'heat',
          'warmth of a resistor',
          amps * amps * resistor,
          'W',
          sayWatts(amps * amps * resistor),
          'I² · R',
          inputs,
          'by the circuit',
        ),
        figure(
          'reverse',
          'on a lamp the wrong way round at worst',
          reverse,
          'V',
          sayVolts(reverse),
          guard ? 'held by the guard diode' : 'a lamp is rated about 5 V',
          inputs,
          'by the circuit; rating common practice',
        ),
      ],
      table: lampTable(rows, ['lamp at 2', 'lamp at 3']),
      circuit: tellTaleCircuit(GOOD, supply, resistor, forward, guard),
      notes: [
        ...(guard
          ? [
              'One lit means that the other leg is open, is shorted to 1, or is transposed with it: the guard diode passes the current that then lights the lamp of the leg that is right.',
            ]
          : []),
        'Mute before plugging it in. Unplug microphones that phantom harms first.',
      ],
    });
  },
};
