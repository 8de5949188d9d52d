import type { Operation } from '../types';

export const prove: Operation = {
  id: 'prove',
  kind: 'prove',
  title: 'Prove the lead',
  detail: ['Every path, every short, the shells. Wiggle each end while measuring.'],
};

export const label: Operation = {
  id: 'label',
  kind: 'label',
  title: 'Label and coil',
  detail: [
    'Wrap label under clear shrink. Coil over-under; no bend tighter than ten times the cable’s thickness.',
  ],
};
