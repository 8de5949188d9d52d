import { isPriced } from './cost';
import { kitSheet, type Wanted } from './sheet';
import { unitsOf } from './lines';

/** One thing that several leads take together: of what is cut from a length mm, else pieces. */
export interface JobItem {
  /** On the shelf and in the price list. */
  readonly item: string;
  readonly name: string;
  readonly unit: 'mm' | 'pieces';
  readonly much: number;
  /** Which lead takes how much of it. */
  readonly of: readonly { readonly lead: string; readonly much: number }[];
}

/**
 * What leads take together, by what it is on the shelf: tubing of one bore is one thing whatever lengths it is cut to. What is
 * had already is not in it, and solder is a reel for all of them.
 *
 *     jobItems([{ lead: microphone, count: 4 }, { lead: insert, count: 1 }])[0]; // → { item: 'xlr3-plug', much: 4, … }
 */
export function jobItems(
  wanted: readonly (Wanted & {
    /** The ids of lines that nothing is taken for. */ readonly spared?: ReadonlySet<string>;
  })[],
): readonly JobItem[] {
  const items = new Map<string, JobItem>();
  for (const each of wanted) {
    if (unitsOf(each) === 0) continue;
    for (const line of kitSheet([each]).items) {
      if (each.spared?.has(line.id) || (!isPriced(line) && line.id !== 'solder')) continue;
      const { item, what, name = what, mm, count } = line;
      const much = mm ?? count;
      const before = items.get(item);
      const isReel = line.id === 'solder';
      const already = before?.of.find(({ lead }) => lead === each.lead.name);
      items.set(item, {
        item,
        name,
        unit: mm === undefined ? 'pieces' : 'mm',
        much: isReel ? 1 : (before?.much ?? 0) + much,
        of: already
          ? (before?.of ?? []).map((of) => (of === already && !isReel ? { ...of, much: of.much + much } : of))
          : [...(before?.of ?? []), { lead: each.lead.name, much }],
      });
    }
  }
  return [...items.values()];
}
