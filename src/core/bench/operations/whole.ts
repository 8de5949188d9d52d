import type { Schools } from '../../wiring';
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

export const label: Operation = {
  id: 'label',
  kind: 'label',
  title: 'Label and coil',
  detail: [
    'Wrap label under clear shrink. Coil over-under; no bend tighter than ten times the cable’s thickness.',
  ],
};
