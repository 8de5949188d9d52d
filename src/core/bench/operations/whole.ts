import type { Schools } from '../../wiring';
import type { Assembly } from '../../assembly';
import type { Operation } from '../types';

/** The finished lead to the meter. */
export const prove = (schools: Schools): Operation => ({
  id: 'prove',
  kind: 'prove',
  title: 'Prove the lead',
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
export const label = ({ spans }: Assembly): Operation => ({
  id: 'label',
  kind: 'label',
  title: spans.length > 0 ? 'Label and coil' : 'Label it',
  detail: [
    spans.length > 0
      ? 'Wrap label under clear shrink. Coil over-under; no bend tighter than ten times the cable’s thickness.'
      : 'Wrap label under clear shrink: what it is for, and its number.',
  ],
});
