import type { Schools } from '../../wiring';
import { thingOf, type Assembly, type Dressing } from '../../assembly';
import { capital } from '../../quantity';
import type { Operation } from '../types';
import { sayDressing } from './dressing';

/** The finished lead to the meter. */
export const prove = (assembly: Assembly, schools: Schools): Operation => ({
  id: 'prove',
  kind: 'prove',
  title: `Prove the ${thingOf(assembly)}`,
  detail: [
    assembly.spans.length > 0
      ? 'Every path, every short, the shells. Wiggle each end while measuring.'
      : 'Every path, every short, the shells.',
    ...(schools['proving'] === 'spot'
      ? [
          'This house proves by spot checks: it may be passed by, and the log then says that it was not measured.',
        ]
      : []),
  ],
  ...(schools['proving'] === 'spot' ? { mayPass: true } : {}),
});

/** Its name on it. */
export const label = (assembly: Assembly, schools: Schools, left: readonly Dressing[] = []): Operation => ({
  id: 'label',
  kind: 'label',
  title: assembly.spans.length > 0 ? 'Label and coil' : `Label the ${thingOf(assembly)}`,
  detail: [
    assembly.spans.length > 0
      ? 'Wrap label under clear shrink. Coil over-under; no bend tighter than ten times the cable’s thickness.'
      : thingOf(assembly) === 'box'
        ? 'On its lid: what it is for, and its number; each socket by what goes in there.'
        : 'Wrap label under clear shrink: what it is for, and its number.',
    ...left.map((each) => `${capital(sayDressing(each, schools))}.`),
  ],
  ...(left.length > 0 ? { dressings: left.map(({ id }) => id) } : {}),
});
