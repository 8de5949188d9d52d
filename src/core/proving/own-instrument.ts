import { bad, good, type Result } from '../quantity';
import { INSTRUMENT_VERSION, MOST, type Instrument } from './instrument';

/** A meter as somebody describes it who has it in the hand; a figure that is none is not a number. */
export interface OwnInstrument {
  readonly testVolts: { readonly from: number; readonly to: number };
  readonly diodeVolts?: number | undefined;
  readonly capacitance: boolean;
  readonly leadOhms: number;
  readonly beeper: { readonly sure: number; readonly never: number };
}

/** Checks a description. Errors: the first that is wrong, at its field. */
export function ownInstrument({ diodeVolts, ...own }: OwnInstrument): Result<Instrument> {
  const { testVolts, leadOhms, beeper } = own;
  const isVolts = (value: number): boolean => value > 0 && value <= MOST.volts;
  if (!isVolts(testVolts.from))
    return bad(
      'meter.volts',
      'Give the volts on open leads in the lowest range: 0.4 is usual.',
      'testVolts.from',
    );
  if (!isVolts(testVolts.to))
    return bad(
      'meter.volts',
      'Give the volts on open leads in the highest range: 3 is usual.',
      'testVolts.to',
    );
  if (testVolts.from > testVolts.to)
    return bad('meter.volts', 'The highest range has no less volts than the lowest.', 'testVolts.to');
  if (diodeVolts !== undefined && !isVolts(diodeVolts))
    return bad(
      'meter.diode',
      'Give what the diode test reaches in volts, or nothing where there is none.',
      'diodeVolts',
    );
  if (!(leadOhms >= 0 && leadOhms <= MOST.leadOhms))
    return bad('meter.leads', 'Give what its own leads add in ohms: 0 where they are nulled.', 'leadOhms');
  if (!(beeper.sure >= 0 && beeper.sure <= MOST.beeperOhms))
    return bad('meter.beeper', 'Give the ohms below which it surely beeps: 20 is usual.', 'beeper.sure');
  if (!(beeper.never > 0 && beeper.never <= MOST.beeperOhms))
    return bad('meter.beeper', 'Give the ohms above which it never beeps: 100 is usual.', 'beeper.never');
  if (beeper.sure > beeper.never)
    return bad('meter.beeper', 'It never beeps above what it surely beeps below.', 'beeper.never');
  return good({ version: INSTRUMENT_VERSION, ...own, ...(diodeVolts === undefined ? {} : { diodeVolts }) });
}
