import type { KitLine } from '../../../core/kit';
import type { Shelf } from '../../../server/shelf/service';
import { useGot } from '../../app';

/** How much, in words: a length, or a count. */
const say = (unit: 'mm' | 'pieces', much: number): string =>
  unit === 'mm' ? `${(much / 1000).toFixed(2)} m` : `${much}`;

/** Where the lines of a kit lie on the shelf, and how much of each there is. */
export function useWhere(): (line: KitLine) => string | undefined {
  const { data } = useGot<Shelf>('/api/shelf');
  return ({ item, mm, count }) => {
    const unit = mm === undefined ? 'pieces' : 'mm';
    const there = (data?.pieces ?? []).filter((each) => each.item === item && each.unit === unit);
    if (there.length === 0) return undefined;
    const left = there.reduce((sum, each) => sum + each.left, 0);
    const places = [...new Set(there.filter((each) => each.left > 0).map(({ place }) => place))].filter(
      Boolean,
    );
    if (left === 0) return 'none left on the shelf';
    const is = left < (mm ?? count) ? `only ${say(unit, left)}` : say(unit, left);
    return `${is} on the shelf${places.length > 0 ? `: ${places.join(', ')}` : ''}`;
  };
}
