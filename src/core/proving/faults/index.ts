import type { Assembly } from '../../assembly';
import type { Situation } from '../../situation';
import { channels } from './channels';
import { crossed } from './crossed';
import { highResistance } from './high-resistance';
import { leak } from './leak';
import { melted } from './melted';
import { misplaced } from './misplaced';
import { open } from './open';
import { part } from './part';
import { short } from './short';
import { touching } from './touching';
import type { Fault, FaultModel } from './types';

export type { Fault, FaultKind, FaultModel, Variant } from './types';

export const FAULT_MODELS: readonly FaultModel[] = [
  open,
  crossed,
  channels,
  short,
  touching,
  highResistance,
  melted,
  leak,
  part,
  misplaced,
];

/** Every single fault that is modelled, at every place of this lead where it can be. */
export const faultsOf = (assembly: Assembly, situation?: Situation): readonly Fault[] =>
  FAULT_MODELS.flatMap((model) => model(assembly, situation));
