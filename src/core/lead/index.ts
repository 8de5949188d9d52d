export { leadSchema, LEAD_VERSION, mainUse, schoolsOf, type Lead, type Why } from './document';
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
export { currentLead, LEAD_MIGRATIONS, readLead, storedLead } from './read';
export { slotOf } from './slot';
export { LEAD_PROBLEMS } from './problems';
