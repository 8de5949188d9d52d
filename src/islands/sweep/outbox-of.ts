import type { Look } from '../../core/sweep';
import { Outbox } from '../kept/outbox';
import { outboxes } from '../kept/outboxes';

/** The outbox of each sweep. */
export const outboxOf = outboxes(
  (client, id) =>
    new Outbox<Look>({
      about: `sweep:${id}`,
      name: `sweep.${id}`,
      address: `/api/sweeps/${id}/looks`,
      beside: () => ({ now: new Date().toISOString() }),
      onTaken: () => client.refetchQueries({ queryKey: [`/api/sweeps/${id}`] }),
    }),
);
