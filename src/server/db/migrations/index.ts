import type { Migration } from 'kysely';
import { first } from './0001-first';

/** In the order they are run; a name, once released, is never changed. */
export const MIGRATIONS: Readonly<Record<string, Migration>> = { '0001-first': first };
