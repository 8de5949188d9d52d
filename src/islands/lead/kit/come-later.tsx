import { Later } from '../../../ui';
import type { Lead } from '../../../core/lead';
import type { CostsProps } from './Costs';
import type { DrillingProps } from './Drilling';
import type { LengthsProps } from './Rest';

const loadLengths = async () => (await import('./Rest')).Lengths;
const loadTools = async () => (await import('./Rest')).Tools;
const loadCosts = async () => (await import('./Costs')).Costs;
const loadDrilling = async () => (await import('./Drilling')).Drilling;
const [lengths, tools, costs, drilling] = import.meta.env.SSR
  ? await Promise.all([loadLengths(), loadTools(), loadCosts(), loadDrilling()])
  : [];

/** What is cut and stripped: there at once, its script after that of the list. */
export const LengthsLater = (props: LengthsProps) => (
  <Later name="lengths" load={loadLengths} onServer={lengths} with={props} />
);
/** The tools, likewise. */
export const ToolsLater = (props: { readonly lead: Lead }) => (
  <Later name="tools" load={loadTools} onServer={tools} with={props} />
);
/** What it costs, likewise. */
export const CostsLater = (props: CostsProps) => (
  <Later name="costs" load={loadCosts} onServer={costs} with={props} />
);
/** How its box or cover is drilled, likewise. */
export const DrillingLater = (props: DrillingProps) => (
  <Later name="drilling" load={loadDrilling} onServer={drilling} with={props} />
);
