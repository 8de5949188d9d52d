export * from './situation';
export * from './facts';
export { currentSituation, readSituation, SITUATION_MIGRATIONS, situationProblems } from './read';
export { carriedBy, notCarried, partnersOf, type Carried, type LeftOut } from './carried';
export { SITUATION_PROBLEMS } from './problems';
