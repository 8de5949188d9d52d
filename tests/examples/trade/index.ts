import { BALANCED } from './balanced';
import { POWER } from './power';
import { UNBALANCED } from './unbalanced';
import type { Wanted } from './write';

/** Leads as the trade asks for them, each with what must come of it, written down before any of them was derived. */
export const TRADE: readonly Wanted[] = [...BALANCED, ...UNBALANCED, ...POWER];
export type { Wanted } from './write';
