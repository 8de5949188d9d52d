import { leave } from './leave';

/** Insulates one side of a conductor that goes nowhere. */
export const insulate = leave('insulate', 'insulated', 'insulated');
