/** Errors that the meter reports, by their numbers (SCPI 1999, volume 2, section 21; from memory). */
export const SCPI_ERRORS = {
  [-102]: 'Syntax error',
  [-108]: 'Parameter not allowed',
  [-109]: 'Missing parameter',
  [-113]: 'Undefined header',
  [-120]: 'Numeric data error',
  [-222]: 'Data out of range',
  [-224]: 'Illegal parameter value',
  [-230]: 'Data corrupt or stale',
  [-350]: 'Queue overflow',
  [-363]: 'Input buffer overrun',
} as const;
export type ScpiError = keyof typeof SCPI_ERRORS;

/** The bit of the standard event register that an error sets (IEEE 488.2, section 11.5.1). */
export const eventBit = (error: ScpiError): number =>
  error <= -400 ? 4 : error <= -300 ? 8 : error <= -200 ? 16 : 32;
