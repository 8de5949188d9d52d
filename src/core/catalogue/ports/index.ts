import type { PortKind } from '../entries';
import { DESTINATIONS, LINES, MEASURED, TEST_LAMP } from './destinations';
import { SOURCES } from './sources';

export const PORTS: readonly PortKind[] = [...SOURCES, ...DESTINATIONS, ...LINES, ...TEST_LAMP, ...MEASURED];
