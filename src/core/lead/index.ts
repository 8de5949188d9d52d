export { changedByHand } from './by-hand';
export { leadSchema, LEAD_VERSION, type Lead, type Why } from './document';
export { mainUse } from './main-use';
export { schoolsOf } from './schools-of';
export { derive } from './derive';
export { difference } from './difference';
export {
  applyEdit,
  applyEdits,
  EDIT_KINDS,
  editSchema,
  readEdits,
  sayEdit,
  type Edit,
  type EditKindId,
  type Lapsed,
} from './edits';
export { BY_HAND } from './edits/surgery';
export { possibleEdits, type Deed } from './edits/possible';
export { nextEnd, possibleCables, possibleMakings, type Making } from './edits/makings';
export { currentLead, LEAD_MIGRATIONS, readLead, storedLead } from './read';
export {
  driftOf,
  editedOf,
  editedOfLead,
  hasIntent,
  lengthUnitsOf,
  readEdited,
  readStored,
  START,
  type EditedIntent,
  type EditedLead,
  type Read,
} from './edited';
export { variantsInSteps, variantsOf, type Variant } from './variants';
export { hangingOn } from './hanging';
export { slotOf } from './slot';
export { LEAD_PROBLEMS } from './problems';
