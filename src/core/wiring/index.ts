export * from './intent';
export * from './situation';
export * from './schools';
export { derive, type Lead } from './lead';
export { COLD_LEG_RULE, RECIPES, type Recipe } from './recipes';
export { coresOf, pairOf, screenOf } from './cores';
export { sayConnector, lengthSystem } from './words';
