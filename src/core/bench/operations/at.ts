import { isSoldered, spansAt } from '../../assembly';
import type { Workplace } from '../types';

/** Whether a cable comes in here. */
export const hasCable = ({ assembly, body }: Pick<Workplace, 'assembly' | 'body'>): boolean =>
  spansAt(assembly, body.id).length > 0;

/** Whether what comes in here has a jacket that a clamp could hold. */
export const hasJacket = ({ strips }: Pick<Workplace, 'strips'>): boolean =>
  strips.some(({ jacket }) => jacket !== 'none');

/** Whether anything is soldered here. */
export const isHot = ({ assembly, body }: Workplace): boolean =>
  body.joints.some((joint) => isSoldered(assembly, joint));

/** Whether lamps look out where a cable would come in. */
export const looksOut = (place: Workplace): boolean =>
  !hasCable(place) && place.body.kind === 'shell' && place.body.parts.some(({ kind }) => kind === 'led');

/** The end in words; of a box, its socket. */
export const sayEnd = ({ body, end }: Pick<Workplace, 'body' | 'end'>): string =>
  body.kind === 'box' ? `socket ${end.id}` : `end ${end.id}`;
