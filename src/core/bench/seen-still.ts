import type { Proof } from '../proving';
import type { Operation } from './types';

/**
 * What was seen at an end that stays closed while another is mended stands: nobody opens it to look again. Of the readings that
 * stood before, those that answer a look asked for by a step that is done still. What a meter said is measured anew.
 */
export const seenStill = <T extends { readonly probe: string }>(
  operations: readonly Operation[],
  done: ReadonlySet<string>,
  readings: readonly T[],
  { check }: Pick<Proof, 'check'>,
): readonly T[] =>
  readings.filter(
    ({ probe }) =>
      check(probe)?.kind === 'look' &&
      operations.some(
        ({ id, kind, checks = [] }) => kind === 'measure' && done.has(id) && checks.includes(probe),
      ),
  );
