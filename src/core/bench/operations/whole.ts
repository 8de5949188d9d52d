import type { Schools } from '../../wiring';
import { thingOf, type Assembly } from '../../assembly';
import type { Operation } from '../types';

/** The finished lead to the meter. */
export const prove = (assembly: Assembly, schools: Schools): Operation => ({
  id: 'prove',
  kind: 'prove',
  title: `Prove the ${thingOf(assembly)}`,
  detail: [
    'Every path, every short, the shells. Wiggle each end while measuring.',
    ...(schools['proving'] === 'spot'
      ? [
          'This house proves by spot checks: it may be passed by, and the log then says that it was not measured.',
        ]
      : []),
  ],
  ...(schools['proving'] === 'spot' ? { mayPass: true } : {}),
});

/** Its name on it. */
export const label = (assembly: Assembly): Operation => ({
  id: 'label',
  kind: 'label',
  title: assembly.spans.length > 0 ? 'Label and coil' : `Label the ${thingOf(assembly)}`,
  detail: [
    assembly.spans.length > 0
      ? 'Wrap label under clear shrink. Coil over-under; no bend tighter than ten times the cable’s thickness.'
      : thingOf(assembly) === 'box'
        ? 'On its lid: what it is for, and its number; each socket by what goes in there.'
        : 'Wrap label under clear shrink: what it is for, and its number.',
  ],
});
