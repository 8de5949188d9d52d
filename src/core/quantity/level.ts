import type { Brand } from './problem';

/** Root-mean-square volts. */
export type Volts = Brand<number, 'V'>;
/** A voltage, V r.m.s. */
export const volts = (value: number): Volts => value as Volts;

/** 0 dBu: the voltage that puts 1 mW into 600 Ω, √0.6 V. */
export const DBU_REFERENCE = volts(Math.sqrt(0.6));
/** 0 dBV. */
export const DBV_REFERENCE = volts(1);

/** V r.m.s. from dBu: 0 dBu is √0.6 V. */
export const dbuToVolts = (dbu: number): Volts => volts(DBU_REFERENCE * 10 ** (dbu / 20));
/** dBu from V r.m.s. */
export const voltsToDbu = (value: Volts): number => 20 * Math.log10(value / DBU_REFERENCE);
/** V r.m.s. from dBV: 0 dBV is 1 V. */
export const dbvToVolts = (dbv: number): Volts => volts(10 ** (dbv / 20));
/** dBV from V r.m.s. */
export const voltsToDbv = (value: Volts): number => 20 * Math.log10(value / DBV_REFERENCE);
/** Decibels as said, with a true minus. */
export const formatDecibels = (db: number, reference: '' | 'u' | 'V' = ''): string =>
  `${db < 0 ? '−' : db > 0 ? '+' : ''}${Math.abs(db).toFixed(1)} dB${reference}`;
