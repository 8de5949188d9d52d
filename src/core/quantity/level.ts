import type { Brand } from './problem';

/** Root-mean-square volts. */
export type Volts = Brand<number, 'V'>;
export const volts = (value: number): Volts => value as Volts;

/** 0 dBu: the voltage that puts 1 mW into 600 Ω, √0.6 V. */
export const DBU_REFERENCE = volts(Math.sqrt(0.6));
/** 0 dBV. */
export const DBV_REFERENCE = volts(1);

export const dbuToVolts = (dbu: number): Volts => volts(DBU_REFERENCE * 10 ** (dbu / 20));
export const voltsToDbu = (value: Volts): number => 20 * Math.log10(value / DBU_REFERENCE);
export const dbvToVolts = (dbv: number): Volts => volts(10 ** (dbv / 20));
export const voltsToDbv = (value: Volts): number => 20 * Math.log10(value / DBV_REFERENCE);
export const formatDecibels = (db: number, reference: '' | 'u' | 'V' = ''): string =>
  `${db < 0 ? '−' : db > 0 ? '+' : ''}${Math.abs(db).toFixed(1)} dB${reference}`;
