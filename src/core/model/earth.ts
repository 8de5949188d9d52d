import type { PortKind } from '../catalogue';

/** Equipment that stands on mains earth: not what is held in the hand or worn. */
export const isEarthed = (port: PortKind): boolean =>
  port.screenBond !== 'none' &&
  !(port.direction === 'out' && ['microphone', 'instrument', 'pickup', 'headphone'].includes(port.signal)) &&
  port.signal !== 'test';
