import { balancedStraight } from './balanced-straight';
import { balancedToUnbalanced } from './balanced-to-unbalanced';
import type { Recipe } from './types';
import { unbalancedStraight } from './unbalanced-straight';
import { unbalancedToBalanced } from './unbalanced-to-balanced';

export type { Fit, Recipe } from './types';
export { COLD_LEG_RULE } from './balanced-to-unbalanced';

/** In the order they are offered where more than one fits. */
export const RECIPES: readonly Recipe[] = [
  balancedStraight,
  balancedToUnbalanced,
  unbalancedToBalanced,
  unbalancedStraight,
];
