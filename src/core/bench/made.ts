import { sideOf, type Assembly, type Body } from '../assembly';

/** Whether anything is made at a body: where a device’s own joints hold all that comes in, its lead hangs there already, as a donor’s does. */
export const isMade = (assembly: Assembly, { id, joints, existing = [], asItCame }: Body): boolean =>
  !asItCame &&
  (joints.length > 0 || existing.length === 0 || assembly.unjoined.some(({ at }) => sideOf(at) === id));
