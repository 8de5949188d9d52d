import { leave } from './leave';

/** Keeps one side of a conductor as a spare. */
export const spare = leave('spare', 'spare', 'kept as a spare');
