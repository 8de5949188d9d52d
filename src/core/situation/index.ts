export * from './situation';
export * from './facts';
export { currentSituation, readSituation, SITUATION_MIGRATIONS, situationProblems } from './read';
export { carriedBy, notCarried, partnersOf, type Carried, type LeftOut, type Partner } from './carried';
export { miswired } from './compare';
export { foremostOn, isLive, rolePlaces, type Miswiring, type RolePlace } from './miswiring';
export { SITUATION_PROBLEMS } from './problems';
