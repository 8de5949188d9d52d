import type { Dressed } from '../../dressing';
import type { Schools } from '../../wiring';
import { always, closers, drills, strippers } from './bench';
import { extraFlux, heatSink, irons, lacquer } from './iron';
import type { Tool, ToolRule } from './types';

export type { Tool } from './types';

const RULES: readonly ToolRule[] = [irons, extraFlux, lacquer, heatSink, strippers, closers, drills, always];

/** Everything that has to lie on the bench for a lead, each with its setting and its reason. */
export const tools = (assembly: Dressed, schools: Schools): readonly Tool[] =>
  RULES.flatMap((rule) => rule(assembly, schools));
