import type { Lead } from './document';

/** The first use of a lead: what its figures are shown for. */
export const mainUse = (lead: Pick<Lead, 'situations'>): Lead['situations'][number] | undefined =>
  lead.situations[0];
