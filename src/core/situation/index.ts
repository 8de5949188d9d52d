export * from './situation';
export * from './facts';
export { currentSituation, readSituation, SITUATION_MIGRATIONS, situationProblems } from './read';
export { carriedBy, notCarried, partnersOf, type Carried, type LeftOut, type Partner } from './carried';
export { foremostOn, isLive, miswired, rolePlaces, type Miswiring, type RolePlace } from './compare';
export { SITUATION_PROBLEMS } from './problems';
