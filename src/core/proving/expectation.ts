import { formatCapacitance, formatResistance, OPEN } from '../quantity';
import type { Probe } from './check';
import type { Instrument } from './instrument';
import { ISOLATION, type Meter } from './meter';
import type { Stand } from './pieces';

/** The readings that are right for a probe, in Ω, or in V or F by what the meter is set to: `from` to `to`, and the value as marked. */
export interface Expectation {
  readonly nominal: number;
  readonly from: number;
  readonly to: number;
  readonly mode?: Probe['mode'];
  /** What would work it out is not at hand: it may be anything. */
  readonly isPending?: true;
}

/** Added to a path for the two touches of the meter's leads, and again for those of a shorting plug or of a lead in series, Ω: 0.2 a contact (from memory). */
export const CONTACT_ALLOWANCE = 0.4;
/** How far leads that were nulled may be off, Ω; and how far a figure of the meter, a share (from memory). */
const NULLED = 0.1;
const ACCURACY = 0.01;
/** The same of a diode test, V, and of a capacitance range, a share and F: what the cable adds (from memory). */
const DIODE_VOLTS = 0.1;
const CAPACITANCE = 0.05;
const CABLE_FARADS = 2e-9;

/**
 * What a probe of a lead may read where every value of it lies within its tolerance: from the reading with all as low as it may be to that with all as high,
 * which bounds every other, since no resistance of a network falls when one of its parts rises (Rayleigh’s monotonicity law); with the meter’s
 * accuracy and the touches. Between junctions, from the least to the most that any of its ranges shows.
 */
export function expectationOf(
  meter: (stand: Stand) => Meter,
  probe: Probe,
  { leadOhms }: Pick<Instrument, 'leadOhms'>,
): Expectation {
  const { turn = 0, shorting, series } = probe;
  const at = (corner: Stand['corner']): Meter =>
    meter({
      corner,
      turn,
      ...(shorting === undefined ? {} : { shorting }),
      ...(series === undefined ? {} : { series }),
    });
  const marked = at('marked');
  if (!marked.isKnown(probe)) return { nominal: OPEN, from: 0, to: OPEN, isPending: true };
  // What hangs on nothing does so at every corner.
  if (probe.mode === undefined && marked.ohms(probe) === OPEN && !marked.hasPolarity(probe))
    return { nominal: OPEN, from: ISOLATION, to: OPEN };
  const [low, high] = [at('low'), at('high')];
  if (probe.mode === 'diode')
    return {
      mode: probe.mode,
      nominal: marked.volts(probe),
      from: Math.max(0, low.volts(probe) - DIODE_VOLTS),
      to: high.volts(probe) + DIODE_VOLTS,
    };
  if (probe.mode === 'capacitance')
    return {
      mode: probe.mode,
      nominal: marked.farads(probe),
      from: low.farads(probe) * (1 - CAPACITANCE),
      to: high.farads(probe) * (1 + CAPACITANCE) + CABLE_FARADS,
    };
  const from = low.span(probe).from;
  const to = high.span(probe).to;
  const nominal = marked.ohms(probe);
  return {
    nominal: nominal > ISOLATION ? OPEN : nominal,
    from: from > ISOLATION ? ISOLATION : Math.max(0, from * (1 - ACCURACY) - NULLED),
    to:
      to > ISOLATION
        ? OPEN
        : to * (1 + ACCURACY) + ((shorting ?? series) === undefined ? 1 : 2) * CONTACT_ALLOWANCE + leadOhms,
  };
}

/** What a probe should read, in words. */
export function sayExpectation({ nominal, from, to, mode, isPending }: Expectation): string {
  if (isPending) return 'what is not worked out here yet';
  if (mode === 'diode')
    return nominal === OPEN
      ? 'OL: it does not conduct this way'
      : `${from.toFixed(1)} to ${to.toFixed(1)} V on the diode test`;
  if (mode === 'capacitance') return `${formatCapacitance(from)} to ${formatCapacitance(to)}`;
  if (from >= ISOLATION) return `open: OL, or over ${formatResistance(ISOLATION)}`;
  if (to === OPEN) return `over ${formatResistance(from)}, or OL: it depends on the meter`;
  if (nominal < 10) return `${formatResistance(nominal)} and the contacts: under ${formatResistance(to)}`;
  // A wide range is of something that conducts one way only: no figure of it is the right one.
  return to > 2 * from
    ? `anything from ${formatResistance(from)} to ${formatResistance(to)}`
    : `about ${formatResistance(nominal)}: ${formatResistance(from)} to ${formatResistance(to)}`;
}
