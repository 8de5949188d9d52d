import { colour } from './colour';
import { conductorLengths } from './conductor-lengths';
import { hand } from './hand';
import { screen } from './screen';
import { screenWire } from './screen-wire';
import { shell } from './shell';
import { solderOrder } from './solder-order';
import { spareLength } from './spare-length';
import { contactsTinned } from './contacts';
import { direction } from './direction';
import { proving } from './proving';
import { recordPlayerEarth } from './record-player-earth';
import { solderKind } from './solder';
import { spareCores } from './spare-cores';
import { thirdStrand } from './third-strand';
import type { School } from './types';
import { units } from './units';
import { words } from './words';

export type { School, SchoolChoice } from './types';

export const SCHOOLS: readonly School[] = [
  colour,
  screen,
  shell,
  spareCores,
  thirdStrand,
  recordPlayerEarth,
  screenWire,
  conductorLengths,
  spareLength,
  solderOrder,
  solderKind,
  contactsTinned,
  proving,
  direction,
  hand,
  words,
  units,
];

/** The chosen answer to each school's question, by school id. */
export type Schools = Readonly<Record<string, string>>;

/** Every school with its answer: the one chosen, or the default where none is or it is not one of the choices. */
export const resolveSchools = (chosen: Schools): Schools =>
  Object.fromEntries(
    SCHOOLS.map((school) => {
      const answer = chosen[school.id];
      return [
        school.id,
        school.choices.some((choice) => choice.id === answer) && answer ? answer : school.default,
      ];
    }),
  );
