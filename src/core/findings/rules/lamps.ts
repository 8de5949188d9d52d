import { PHANTOM_SUPPLIES } from '../../catalogue';
import { brightness, REVERSE_VOLTS, solveLamps, type LampsSolved } from '../../signal';
import type { Finding, LeadInUse, Rule } from '../types';

type Found = Omit<Finding, 'rule'>;

/** So many times as bright is seen (from memory). */
const UNLIKE = 1.3;

export const lampsOff: Rule = {
  id: 'lamps',
  what: 'Lamps that do not show what a tell-tale is to show, by solving it on good and on bad lines.',
  source: 'by the circuit; supply IEC 61938 (cited, from memory); ratings of lamps common practice',
  find: (used) => [...tellTale(used), ...onBattery(used)],
};

function tellTale({ assembly, situation, lengths }: LeadInUse): readonly Found[] {
  const seen = solveLamps(assembly, situation, { lengths });
  if (!seen) return [];
  const { leds, giver, rows } = seen;
  const { limitMilliamps } = PHANTOM_SUPPLIES[giver.port.supply ?? 'P48'];
  const row = (id: string) => rows.find(({ line }) => line.id === id);
  const lit = (id: string): readonly boolean[] =>
    (row(id)?.lamps ?? []).map((amps) => ['lit', 'bright'].includes(brightness(amps)));
  const common = { about: giver.end, at: [], remedies: [] };
  const found: Found[] = [];
  const good = row('good');
  leds.forEach((lamp, n) => {
    if (!lit('good')[n])
      found.push({
        ...common,
        severity: 'stop',
        says: `The lamp ${lamp.id} stays dark on a good line.`,
        because:
          'By the circuit no current that lights it goes through it: it is turned round, bridged, or fed from the wrong place.',
        hear: 'Every good line is called bad.',
        about: lamp.id,
      });
    else if ((good?.lamps[n] ?? 0) > 1e-3 * (lamp.ratings?.milliamps?.to ?? 20))
      found.push({
        ...common,
        severity: 'caution',
        says: `The lamp ${lamp.id} gets ${(1000 * (good?.lamps[n] ?? 0)).toFixed(0)} mA.`,
        because: 'More than a lamp bears: its resistor is too small.',
        hear: 'A lamp that is very bright, and soon dark for good.',
        about: lamp.id,
      });
  });
  const count = (id: string): number => lit(id).filter(Boolean).length;
  const blind = (['open1', 'open2', 'open3', 'short12', 'short13'] as const).filter(
    (id) => count('good') > 0 && (id === 'open1' ? count(id) > 0 : count(id) === leds.length),
  );
  const legs = [lit('open2'), lit('open3')] as const;
  if (
    leds.length > 1 &&
    count('good') === leds.length &&
    blind.length === 0 &&
    legs.some((each) => each.filter(Boolean).length !== leds.length - 1)
  )
    found.push({
      ...common,
      severity: 'stop',
      says: 'One open leg does not put out its own lamp alone.',
      because: 'Each lamp is to stand from one leg to contact 1: by the circuit these are not.',
      hear: 'The lamps do not say which leg is open.',
    });
  if (blind.length > 0)
    found.push({
      ...common,
      severity: 'stop',
      says: `${count('open1') > 0 && count('open1') < leds.length ? 'A lamp is' : 'Both lamps are'} lit on a line with ${blind.map((id) => row(id)?.line.says ?? id).join(', or ')}.`,
      because: 'A lamp is fed by a way that does not lead over all of the contacts it is to prove.',
      hear: 'Bad lines are called good.',
    });
  if ((good?.total ?? 0) * 1000 > limitMilliamps)
    found.push({
      ...common,
      severity: 'caution',
      says: `It takes ${(1000 * (good?.total ?? 0)).toFixed(1)} mA, and the supply gives ${limitMilliamps} mA at most.`,
      because: 'Above its limit a supply falls, and what hangs on its other inputs with it.',
      hear: 'Microphones beside it fade or crackle while it is plugged in.',
      about: `${giver.end} supply`,
    });
  return [...found, ...unlike(seen), ...backward(seen)];
}

/** Two lamps that are not equally bright on a good line. */
function unlike({ leds, rows }: LampsSolved): readonly Found[] {
  const amps = (rows.find(({ line }) => line.id === 'good')?.lamps ?? []).filter((each) => each > 0);
  const [least, most] = [Math.min(...amps), Math.max(...amps)];
  return amps.length < leds.length || most <= UNLIKE * least
    ? []
    : [
        {
          severity: 'caution',
          says: `The lamps are not alike: ${(1000 * most).toFixed(1)} mA in one, ${(1000 * least).toFixed(1)} mA in the other.`,
          because: 'Both legs of a good line give the same: the resistors beside the lamps differ.',
          hear: 'One lamp is dimmer on every line, as if its leg were poor.',
          about: leds.map(({ id }) => id).join(' '),
          at: [],
          remedies: [],
        },
      ];
}

/** A lamp that gets more the wrong way round than it bears, on some bad line. */
function backward({ giver, rows }: LampsSolved): readonly Found[] {
  const reverse = Math.max(0, ...rows.map((each) => each.reverse));
  return reverse <= REVERSE_VOLTS
    ? []
    : [
        {
          severity: 'caution',
          says: `A lamp may get ${reverse.toFixed(0)} V the wrong way round.`,
          because: `Where 1 is crossed with 2 or 3 the supply stands on it backward; a lamp is rated about ${REVERSE_VOLTS} V. A signal diode across each, the other way round, keeps it off.`,
          hear: 'A lamp that is dark ever after, and calls good lines bad.',
          about: `${giver.end} reverse`,
          at: [],
          remedies: [{ says: 'Put guard diodes in', change: { kind: 'clear', path: 'choices.guard' } }],
        },
      ];
}

/** A lamp on a battery that is not for it, by what either says of itself. */
function onBattery({ assembly }: LeadInUse): readonly Found[] {
  const parts = assembly.bodies.flatMap((body) => body.parts);
  const volts = parts.reduce((sum, part) => sum + (part.kind === 'battery' ? (part.volts ?? 0) : 0), 0);
  return volts === 0
    ? []
    : parts.flatMap((part): readonly Found[] => {
        if (part.kind !== 'lamp') return [];
        const [rated, most] = [part.ratings?.volts, part.ratings?.milliamps?.to];
        const amps = part.litOhms ? volts / part.litOhms : 0;
        const over =
          (most !== undefined && 1000 * amps > 1.1 * most) || (rated !== undefined && volts > 1.3 * rated);
        const under = rated !== undefined && volts < 0.6 * rated;
        return over || under
          ? [
              {
                severity: over ? 'stop' : 'caution',
                says: `The lamp ${part.id} gets ${volts} V${amps > 0 ? ` and ${(1000 * amps).toFixed(0)} mA` : ''}; it is for ${rated ?? '?'} V${most === undefined ? '' : ` and ${most} mA`}.`,
                because: 'A filament lamp is made for the cells it stands on.',
                hear: over ? 'It burns out at the first touch.' : 'It does not light, or hardly.',
                about: part.id,
                at: [],
                remedies: [],
              },
            ]
          : [];
      });
}
