export { rankCables, withCable, type CableChoice } from './cable';
export type { BodyChoice } from './body';
export { madeOf, type EndChoices, type MadeOf } from './made-of';
export { CRITERIA } from './criteria';
export { GRADES, type Grade, type Reason } from './reason';
export { type Criterion } from './types';
export { preferenceSchema, readPreference, type Preference } from './preference';
