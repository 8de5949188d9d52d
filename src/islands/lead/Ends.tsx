import { Later } from '../../ui';
import type { LeadDrawingProps } from './LeadDrawing';

const load = async () => (await import('./LeadDrawing')).LeadDrawing;
const onServer = import.meta.env.SSR ? await load() : undefined;

/** The drawing of a lead: there at once, and touched as soon as its script is. */
export const Ends = (props: LeadDrawingProps) => (
  <Later name="drawing" load={load} onServer={onServer} with={props} />
);
