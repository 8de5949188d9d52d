import type { CableEntry } from '../types';
import { instrumentCoax } from './coax';
import { pairBraid, pairFoil } from './pair';
import { starQuad } from './quad';

export const CABLES: readonly CableEntry[] = [pairBraid, pairFoil, starQuad, instrumentCoax];
