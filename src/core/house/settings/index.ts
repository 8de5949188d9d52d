import { cutting } from './cutting';
import { levels } from './levels';
import { meter } from './meter';
import { plug } from './plug';
import { schools } from './schools';
import { setUps } from './set-ups';
import { tools } from './tools';

/** Everything that is settled for the house. One is added by its file and its line. */
export const SETTINGS = [schools, meter, plug, tools, cutting, levels, setUps] as const;
