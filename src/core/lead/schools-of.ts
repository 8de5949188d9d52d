import { resolveSchools, type Schools } from '../wiring';
import type { Lead } from './document';

/** The answer to every school that a lead is built by: its own, and the default of any that came later. */
export const schoolsOf = ({ schools }: Pick<Lead, 'schools'>): Schools => resolveSchools(schools);
