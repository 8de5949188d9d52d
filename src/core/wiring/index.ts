export * from './intent';
export { readAsk } from './ask';
export { amongOf, endName, type Among } from './ask-end';
export type { Ask, AskEnd } from './types';
export * from './schools';
export { shellWanted } from './schools/shell';
export { COLD_LEG_RULE, COLD_TREATMENTS, type ColdTreatment } from './connect';
export { offers, situationsIn, wire, type Wired } from './wire';
export type { Offer } from './offers';
export {
  CRITERIA,
  GRADES,
  madeOf,
  preferenceSchema,
  readPreference,
  rankCables,
  type BodyChoice,
  type CableChoice,
  type EndChoices,
  type Grade,
  type MadeOf,
  type Preference,
  type Reason,
} from './choosing';
export { RECIPES, type Choice, type Recipe, type Refusal } from './recipes';
export { coresOf, unitsOf } from './cores';
export { USUAL_LEG } from './lay';
export { sayConnector, lengthSystem } from './words';
export { sayIntent } from './say-intent';
export { connectorCalled, leadsCalled, NAMED, type NamedLead } from './named';
export { WIRING_PROBLEMS } from './problems';
