import { endsOf } from '../assembly';
import {
  cuts,
  partings,
  remadeEnds,
  strips,
  type Cut,
  type Parting,
  type Remade,
  type Strip,
} from '../cutting';
import { dressed } from '../dressing';
import { fits, type Fit, type OnItsWay } from '../fit';
import { schoolsOf, type Lead } from '../lead';
import { kit } from './kit';
import { manyOf, unitsOf, type KitLine, type Many } from './lines';
import { tools, type Tool } from './tools';

/** How many of a lead are made. */
export interface Wanted extends Many {
  readonly lead: Lead;
}

/** Which of several leads something is for. */
interface OfLead {
  readonly lead: string;
}

/** What to lay out and to do for one lead or several, in one piece: what the page shows and the shell prints. */
export interface KitSheet {
  readonly version: 1;
  readonly leads: readonly { readonly name: string; readonly units: number; readonly pairs: boolean }[];
  /** All of it together: alike things are one line. */
  readonly items: readonly KitLine[];
  /** Each piece of cable: how long, and how many of it. */
  readonly cuts: readonly (Cut & OfLead & { readonly count: number })[];
  readonly partings: readonly (Parting & OfLead)[];
  readonly strips: readonly (Strip & OfLead)[];
  /** Each end made again at a repair: what is cut away, what is left. */
  readonly remade: readonly (Remade & OfLead)[];
  readonly fits: readonly (Fit & OfLead)[];
  readonly tools: readonly Tool[];
}

/** Alike lines of several leads in one: counts and lengths add up, and it is said for which lead. */
function together(wanted: readonly Wanted[]): readonly KitLine[] {
  const lines = new Map<string, KitLine>();
  for (const each of wanted)
    for (const line of manyOf(
      kit(dressed(each.lead), schoolsOf(each.lead)),
      each,
      endsOf(each.lead.assembly).length,
    )) {
      const key = `${line.what}|${line.owned ?? false}`;
      const detail = wanted.length > 1 ? `${each.lead.name}: ${line.detail}` : line.detail;
      const before = lines.get(key);
      lines.set(
        key,
        before
          ? {
              ...before,
              // A reel of solder is one, however much is made of it.
              count: line.id === 'solder' ? 1 : before.count + line.count,
              ...(line.mm === undefined ? {} : { mm: (before.mm ?? 0) + line.mm }),
              detail: `${before.detail}; ${detail}`,
            }
          : { ...line, detail },
      );
    }
  return [...lines.values()];
}

/** The first of each id: several leads need a tool once. */
const once = (all: readonly Tool[]): readonly Tool[] =>
  all.filter(
    (tool, n) =>
      all.findIndex(({ id, set, what }) => id === tool.id && set === tool.set && what === tool.what) === n,
  );

/** What a lead is pulled through and laid in, by what it is for. */
const wayOf = ({ intent }: Lead): OnItsWay => ({
  holeMm: intent?.through?.mm,
  inWall: intent?.surroundings === 'wall',
});

/**
 * Everything for one lead or several, each so many times or in pairs. None: an empty sheet.
 *
 *     kitSheet([{ lead, count: 4 }]).items.find(({ id }) => id === 'pair-braid')?.mm; // → 4 × 5966
 */
export function kitSheet(wanted: readonly Wanted[]): KitSheet {
  const whole = wanted.map((each) => ({
    ...each,
    name: each.lead.name,
    made: dressed(each.lead),
    schools: schoolsOf(each.lead),
    way: wayOf(each.lead),
  }));
  return {
    version: 1,
    leads: whole.map((each) => ({ name: each.name, units: unitsOf(each), pairs: each.pairs ?? false })),
    items: together(wanted),
    cuts: whole.flatMap((each) =>
      cuts(each.made, each.schools).map((cut) => ({ ...cut, lead: each.name, count: unitsOf(each) })),
    ),
    partings: whole.flatMap(({ made, name }) => partings(made).map((each) => ({ ...each, lead: name }))),
    strips: whole.flatMap(({ made, schools, name }) =>
      strips(made, schools).map((each) => ({ ...each, lead: name })),
    ),
    remade: whole.flatMap(({ made, schools, name }) =>
      remadeEnds(made, schools).map((each) => ({ ...each, lead: name })),
    ),
    fits: whole.flatMap(({ made, name, way }) => fits(made, way).map((each) => ({ ...each, lead: name }))),
    tools: once(whole.flatMap(({ made, schools }) => tools(made, schools))),
  };
}
