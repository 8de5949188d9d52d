import type { Intent, IntentEnd } from '../../../src/core/wiring';

/** A lead as somebody of the trade would ask for it, and what they know must come of it. */
export interface Wanted {
  /** The row of section 5 of the handbook that it is from, or another section. */
  readonly row: string;
  readonly says: string;
  readonly intent: Record<string, unknown>;
  /** Nets that join contacts, apart by `|`; none where it must be refused. Shells that are one metal with a contact are not named. */
  readonly nets?: string;
  /** Parts, as in the list of examples; `=` for what is of no matter. */
  readonly parts?: string;
  /** The code of the problem that it must be refused with. */
  readonly refused?: string;
  /** Rules that must have something against it, with how bad it is: `phantom-harm stop`. */
  readonly against?: readonly string[];
  /** The recipe that must be taken, where the row says which. */
  readonly recipe?: string;
}

type More = Partial<
  Pick<Intent, 'wiring' | 'form' | 'schools' | 'surroundings' | 'cable' | 'choices' | 'anyway' | 'through'>
> & {
  readonly metres?: number;
} & Pick<Wanted, 'parts' | 'refused' | 'against' | 'recipe'>;

type End = string | IntentEnd;

/** `port/family`, then `:channel`, `@layout`, `!socket` or `!plug`. */
const endOf = (end: End): IntentEnd => {
  if (typeof end !== 'string') return end;
  const [, port = '', family = '', channel, layout, gender] =
    /^([^/]+)\/([^:@!]+)(?::([^@!]+))?(?:@([^!]+))?(?:!(.+))?$/.exec(end) ?? [];
  return {
    port,
    family,
    ...(channel === undefined ? {} : { channel }),
    ...(layout === undefined ? {} : { layout }),
    ...(gender === undefined ? {} : { gender: gender as 'plug' | 'socket' }),
  };
};
const listOf = (ends: End | readonly End[]): readonly IntentEnd[] =>
  (Array.isArray(ends) ? (ends as readonly End[]) : [ends as End]).map(endOf);

/** Writes one down. Nothing is said of its cable unless that matters. */
export function wanted(
  row: string,
  says: string,
  from: End | readonly End[],
  to: End | readonly End[],
  nets: string | undefined,
  { parts, refused, against, recipe, metres = 3, form, ...more }: More = {},
): Wanted {
  return {
    row,
    says,
    intent: {
      version: 5,
      from: listOf(from),
      to: listOf(to),
      ...((form ?? 'lead') === 'lead' ? { length: { mm: metres * 1000, datum: 'face' } } : { form }),
      surroundings: 'stage',
      schools: {},
      ...more,
    },
    ...(nets === undefined ? {} : { nets }),
    ...(parts === undefined ? {} : { parts }),
    ...(refused === undefined ? {} : { refused }),
    ...(against === undefined ? {} : { against }),
    ...(recipe === undefined ? {} : { recipe }),
  };
}

/** Channels 1 to n of one kind of end. */
export const several = (n: number, end: string): readonly string[] =>
  Array.from({ length: n }, (_, k) => `${end}:${k + 1}`);
