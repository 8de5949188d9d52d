import type { PortKind } from '../types';
import { DESTINATIONS } from './destinations';
import { SOURCES } from './sources';

export const PORTS: readonly PortKind[] = [...SOURCES, ...DESTINATIONS];
