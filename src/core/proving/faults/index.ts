import type { Assembly } from '../../assembly';
import { crossed } from './crossed';
import { highResistance } from './high-resistance';
import { leak } from './leak';
import { melted } from './melted';
import { open } from './open';
import { part } from './part';
import { short } from './short';
import type { Fault, FaultModel } from './types';

export type { Fault, FaultKind, FaultModel, Variant } from './types';

export const FAULT_MODELS: readonly FaultModel[] = [open, crossed, short, highResistance, melted, leak, part];

/** Every single fault that is modelled, at every place of this lead where it can be. */
export const faultsOf = (assembly: Assembly): readonly Fault[] =>
  FAULT_MODELS.flatMap((model) => model(assembly));
