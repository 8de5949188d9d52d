import { schools } from './schools';

/** Everything that is settled for the house. One is added by its file and its line. */
export const SETTINGS = [schools] as const;
