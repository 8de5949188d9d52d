import {
  legible,
  pages,
  PAPERS,
  pictureOf,
  SMALLEST,
  strip,
  type Captioned,
  type Paper,
  type Quarters,
  type Sheet,
} from '../drawing';
import { lengthSystem } from '../wiring';
import { inBoth, type Problem, type Result } from '../quantity';
import { schoolsOf, type Lead } from '../lead';
import { inVice, type View } from './vice';

/** What is asked of a drawing, as it was typed: every one of them may be left out. */
export interface SheetOptions {
  readonly end?: string | undefined;
  readonly side?: string | undefined;
  readonly hand?: string | undefined;
  /** Degrees clockwise: 0, 90, 180 or 270. */
  readonly turn?: string | undefined;
  readonly channel?: string | undefined;
  /** A page at true size. */
  readonly page?: string | undefined;
}

const problem = (path: string, code: string, says: string): Problem => ({ path, code, says });

const TURNS = ['0', '90', '180', '270'] as const;

function oneOf<T extends string>(
  path: string,
  value: string | undefined,
  all: readonly T[],
): Result<T | undefined> {
  const found = all.find((each) => each === value);
  return value === undefined || found !== undefined
    ? { ok: true, value: found }
    : {
        ok: false,
        problems: [
          problem(
            path,
            'drawing.view',
            `“${value}” is no ${path}: it is ${all.slice(0, -1).join(', ')} or ${all.at(-1) ?? ''}.`,
          ),
        ],
      };
}

/** What stands at the head of a page: the lead’s name and its length. */
function headOf(lead: Lead): string {
  const [asked] = lead.assembly.lengths;
  return asked ? `${lead.name}, ${inBoth(asked, lengthSystem(schoolsOf(lead)))}` : lead.name;
}

/**
 * The sheets that a lead is drawn on: pages of paper at true size, or one as large as what is on it. Refused where an end, a side,
 * a hand, a turn or a paper is asked for that there is not.
 */
export function sheetsOf(lead: Lead, options: SheetOptions = {}): Result<readonly Sheet[]> {
  const side = oneOf('side', options.side, ['solder', 'mating'] as const);
  const hand = oneOf('hand', options.hand, ['left', 'right'] as const);
  const turn = oneOf('turn', options.turn, TURNS);
  const page = oneOf('page', options.page, Object.keys(PAPERS) as readonly Paper[]);
  if (!side.ok) return side;
  if (!hand.ok) return hand;
  if (!turn.ok) return turn;
  if (!page.ok) return page;
  const view: View = {
    side: side.value ?? 'solder',
    hand: hand.value ?? (schoolsOf(lead)['hand'] === 'left' ? 'left' : 'right'),
    turn: TURNS.indexOf(turn.value ?? '0') as Quarters,
    channel: options.channel,
  };
  const vice = inVice(lead, view);
  if (options.channel !== undefined && !vice.inFocus)
    return {
      ok: false,
      problems: [problem('channel', 'drawing.view', `This lead has no channel “${options.channel}”.`)],
    };
  const wanted = vice.ends.filter(
    (end) => options.end === undefined || vice.within(end).some(({ id }) => id === options.end),
  );
  const drawn = wanted.flatMap((end): readonly Captioned[] => {
    const peeled = vice.peeled(end);
    return peeled
      ? [
          {
            picture: (page.value ? pictureOf : legible)(peeled, {
              typeMm: SMALLEST,
              turn: view.turn,
              ...(vice.inFocus ? { focus: vice.inFocus } : {}),
            }),
            caption: vice
              .within(end)
              .map(({ id, says }) => `${id}: ${says}`)
              .join('; '),
          },
        ]
      : [];
  });
  if (drawn.length === 0)
    return {
      ok: false,
      problems: [
        problem(
          'end',
          'drawing.end',
          options.end === undefined
            ? 'No end of this lead has a shape that is known.'
            : `There is no end “${options.end}” to draw: there is ${vice.ends.join(', ')}.`,
        ),
      ],
    };
  return { ok: true, value: page.value ? pages(drawn, headOf(lead), page.value) : [strip(drawn)] };
}
