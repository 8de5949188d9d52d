import { object, string, type StringSchema } from 'yup';
import { colour } from './colour';
import { conductorLengths } from './conductor-lengths';
import { hand } from './hand';
import { screen } from './screen';
import { screenWire } from './screen-wire';
import { shell } from './shell';
import { solderOrder } from './solder-order';
import { spareLength } from './spare-length';
import { closing } from './closing';
import { contactsTinned } from './contacts';
import { cups } from './cups';
import { direction } from './direction';
import { flux } from './flux';
import { locatingNub } from './locating-nub';
import { proving } from './proving';
import { recordPlayerEarth } from './record-player-earth';
import { solderKind } from './solder';
import { spareCores } from './spare-cores';
import { shrinkTime } from './shrink-time';
import { tailPins } from './tail-pins';
import { thirdStrand } from './third-strand';
import { trimOrder } from './trim-order';
import type { School } from './types';
import { units } from './units';
import { words } from './words';

export type { School, SchoolChoice } from './types';

const ALL = [
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
  flux,
  contactsTinned,
  cups,
  trimOrder,
  shrinkTime,
  closing,
  locatingNub,
  tailPins,
  proving,
  direction,
  hand,
  words,
  units,
] as const;
type All = (typeof ALL)[number];
export type SchoolId = All['id'];

/** Every question on which good builders differ. One is added by its file and its line. */
export const SCHOOLS: readonly (School & { readonly id: SchoolId })[] = ALL;

/** An answer to each school's question, by its id. */
export type Schools = {
  readonly [Each in All as Each['id']]: Each['choices'][number]['id'];
};
/** The answers that were chosen; the default of each school stands for the rest. */
export type ChosenSchools = { readonly [Id in SchoolId]?: Schools[Id] | undefined };

/** The answers that were chosen, checked: unknown schools and unknown answers are refused at their own field. */
export const schoolsSchema = object(
  Object.fromEntries(
    SCHOOLS.map(({ id, question, choices }) => {
      const ids = choices.map((choice) => choice.id);
      return [id, string().oneOf(ids, `“${question}”: choose ${ids.join(' or ')}.`)];
    }),
  ) as { [Id in SchoolId]: StringSchema<Schools[Id] | undefined> },
).noUnknown(true, 'There is no school “${unknown}”.');

/** The default answer to each school's question. */
export const USUAL_SCHOOLS = Object.fromEntries(SCHOOLS.map((each) => [each.id, each.default])) as Schools;

/** Every school with its answer: the one chosen, or the default where none is. */
export function resolveSchools(chosen: ChosenSchools): Schools {
  const known = Object.entries(chosen).filter(([, answer]) => answer !== undefined);
  return { ...USUAL_SCHOOLS, ...Object.fromEntries(known) };
}
