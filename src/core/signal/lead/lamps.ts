import { contactTerminal, leadTerminal, type Assembly, type Part } from '../../assembly';
import { PHANTOM_SUPPLIES } from '../../catalogue';
import { operatingPoint, type Element, type Operating } from '../../circuit';
import { leadCircuit, type Conditions, type LeadCircuit } from '../../model';
import type { Channel, Situation } from '../../situation';
import { brightness, lampTable, LINES, unseen, type LampRow, type Line } from '../lines';
import { figure, sayAmps, sayVolts, sayWatts } from '../figures';
import type { Figure, Table } from '../types';
import type { FigureKind } from './context';

/** More than this the wrong way round harms a lamp, V (common practice). */
export const REVERSE_VOLTS = 5;
/** What a strand across two contacts is, Ω. */
const SHORT_OHMS = 0.01;

/** What the lamps of a lead do on every single fault of the line that it is plugged into. */
export interface LampsSolved {
  readonly leds: readonly Part[];
  readonly giver: Channel;
  readonly made: LeadCircuit;
  readonly rows: readonly LampRow[];
}

/** The lamps of a lead on a supply, solved for every single fault of the line that it is plugged into. */
export interface Lamps {
  readonly figures: readonly Figure[];
  readonly table: Table;
  readonly says: string;
  readonly good: boolean;
}

type Contact = 1 | 2 | 3;

/** The circuit with the line broken, crossed or shorted between the input and the plug. */
function faulty(
  made: LeadCircuit,
  line: Line,
  contacts: Readonly<Record<Contact, string>>,
): readonly Element[] {
  const contactResistanceOf = (contact: Contact) => made.contactResistances.get(contacts[contact]);
  const all = ([1, 2, 3] as const).flatMap((contact) => contactResistanceOf(contact) ?? []);
  const ids = new Set(all.map((each) => each.id));
  return [
    ...made.circuit.elements
      .filter((each) => !ids.has(each.id))
      .map((each) => (line.off && each.kind === 'voltage' ? { ...each, dc: 0 } : each)),
    ...([1, 2, 3] as const).flatMap((contact): readonly Element[] => {
      const [here, from] = [
        contactResistanceOf(contact),
        contactResistanceOf(line.arrives[contact] ?? contact),
      ];
      return here && from && line.arrives[contact] !== undefined ? [{ ...here, a: from.a }] : [];
    }),
    ...(line.shorts ?? []).map(([a, b]): Element => ({
      kind: 'resistor',
      id: `R_short_${a}_${b}`,
      a: contactResistanceOf(a)?.b ?? '0',
      b: contactResistanceOf(b)?.b ?? '0',
      ohms: SHORT_OHMS,
    })),
  ];
}

/** Solves the lamps of a lead on an input that gives phantom: nothing where it has none, or where the input gives nothing. */
export function solveLamps(
  assembly: Assembly,
  situation: Situation,
  conditions: Conditions,
): LampsSolved | undefined {
  const leds = assembly.bodies.flatMap((body) => body.parts).filter((part) => part.kind === 'led');
  const giver = situation.channels.find(
    (each) => each.direction === 'receives' && each.port.phantom === 'gives',
  );
  const contacts = giver && contactsOf(giver);
  if (leds.length === 0 || !giver || !contacts) return undefined;
  const made = leadCircuit(assembly, situation, { ...conditions, supplies: true });
  const at = (lamp: Part, point: Operating): number =>
    point.voltage(made.node(leadTerminal(lamp.id, 'anode'))) -
    point.voltage(made.node(leadTerminal(lamp.id, 'cathode')));
  const supply = made.heard.find((each) => each.channel === giver.name)?.supply ?? '';
  const rows = LINES.flatMap((line): readonly LampRow[] => {
    const solved = operatingPoint({ elements: faulty(made, line, contacts) });
    if (!solved.ok) return [];
    return [
      {
        line,
        lamps: leds.map((lamp) => Math.max(0, solved.value.current(`D_${lamp.id}`))),
        total: -solved.value.current(supply),
        reverse: Math.max(0, ...leds.map((lamp) => -at(lamp, solved.value))),
      },
    ];
  });
  return { leds, giver, made, rows };
}

/**
 * What the lamps of a lead show when it is plugged into an input that gives phantom: nothing where it has none, or where the
 * input gives nothing.
 */
export function lampsOf(assembly: Assembly, situation: Situation, conditions: Conditions): Lamps | undefined {
  const seen = solveLamps(assembly, situation, conditions);
  if (!seen) return undefined;
  const { leds, giver, made, rows } = seen;
  const { volts, limitMilliamps } = PHANTOM_SUPPLIES[giver.port.supply ?? 'P48'];
  const right = rows.find((row) => row.line.id === 'good');
  if (!right) return undefined;
  const reverse = Math.max(...rows.map((row) => row.reverse));
  const [least, most] = [Math.min(...right.lamps), Math.max(...right.lamps)];
  const over = right.total * 1000 > limitMilliamps;
  const inputs = [
    ['supply', `${volts} V, at most ${limitMilliamps} mA`],
    ['at', giver.port.name],
  ] as const;
  const source = 'by the circuit; IEC 61938 (cited, from memory)';
  const through = sayAmps(least) === sayAmps(most) ? sayAmps(least) : `${sayAmps(least)} to ${sayAmps(most)}`;
  const blind = unseen(rows)
    .map((row) => row.line.says)
    .join('; ');
  return {
    says: `${sayAmps(least)} a lamp: ${brightness(least)}. ${sayAmps(right.total)} of ${limitMilliamps} mA in all. It cannot see: ${blind === '' ? 'nothing' : blind}.`,
    good: !over && reverse <= REVERSE_VOLTS && !['dark', 'dim'].includes(brightness(least)),
    figures: [
      figure(
        'lamp',
        'through each lamp',
        least,
        'A',
        `${through}, ${brightness(least)}`,
        '(V − lamp) ÷ (feed + resistor)',
        inputs,
        source,
      ),
      figure('total', 'from the supply', right.total, 'A', sayAmps(right.total), 'both legs', inputs, source),
      ...resistors(assembly, made, conditions, inputs, source),
      figure(
        'reverse',
        'on a lamp the wrong way round at worst',
        reverse,
        'V',
        sayVolts(reverse),
        'of every fault of the line; a lamp is rated about 5 V',
        inputs,
        `${source}; rating common practice`,
      ),
    ],
    table: lampTable(
      rows,
      leds.map((lamp) => `lamp ${lamp.id}`),
    ),
  };
}

function contactsOf({ end, roles }: Channel): Readonly<Record<Contact, string>> | undefined {
  const [screen, hot, cold] = [roles.screen, roles.hot, roles.cold];
  return screen === undefined || hot === undefined || cold === undefined
    ? undefined
    : { 1: contactTerminal(end, screen), 2: contactTerminal(end, hot), 3: contactTerminal(end, cold) };
}

/** The warmth of the resistor that gets warmest, W. */
function resistors(
  assembly: Assembly,
  made: LeadCircuit,
  { partTimes }: Conditions,
  inputs: Figure['inputs'],
  source: string,
): readonly Figure[] {
  const solved = operatingPoint(made.circuit);
  if (!solved.ok) return [];
  const heat = assembly.bodies
    .flatMap((body) => body.parts)
    .flatMap((part) => {
      if (part.kind !== 'resistor' || part.ohms === undefined) return [];
      const volts =
        solved.value.voltage(made.node(leadTerminal(part.id, 'a'))) -
        solved.value.voltage(made.node(leadTerminal(part.id, 'b')));
      return [{ part, watts: volts ** 2 / (part.ohms * (partTimes?.get(part.id) ?? 1)) }];
    })
    .sort((a, b) => b.watts - a.watts);
  const [hottest] = heat;
  return hottest
    ? [
        figure(
          'warmth',
          'warmth of a resistor',
          hottest.watts,
          'W',
          `${sayWatts(hottest.watts)}${
            hottest.part.ratings?.watts === undefined ? '' : ` of ${hottest.part.ratings.watts} W`
          }`,
          'V² ÷ R',
          inputs,
          source,
        ),
      ]
    : [];
}

/** What a lead’s own lamps show on the line. */
export const lamps: FigureKind = {
  kind: 'lamps',
  compute: ({ assembly, situation, conditions }) => lampsOf(assembly, situation, conditions)?.figures ?? [],
};
