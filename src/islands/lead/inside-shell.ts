/** What draws contacts as they are and the parts inside shells, in a piece of its own: the first screen does without. */
export { inside } from '../../core/drawing';
export { PartsInside, SolderContact } from '../../ui';
