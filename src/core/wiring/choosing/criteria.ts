import { abreast } from './abreast';
import { capacitance } from './capacitance';
import { diameter } from './diameter';
import { gauge } from './gauge';
import { madeFor } from './made-for';
import { spareCores } from './spare-cores';
import { screen } from './screen';
import { surroundings } from './surroundings';
import type { Criterion } from './types';

/** What a cable is judged by, weightiest first. */
export const CRITERIA: readonly Criterion[] = [
  madeFor,
  surroundings,
  screen,
  gauge,
  capacitance,
  diameter,
  abreast,
  spareCores,
];
