import { leave } from './leave';

/** Cuts one side of a conductor back. */
export const cutBack = leave('cut-back', 'cut back', 'cut back');
