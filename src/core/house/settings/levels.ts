import { array, number, object, string } from 'yup';
import { setting } from './kind';

/** Below how much of an item it is to be bought: in mm of what is cut by length, in pieces of all else. */
export const levelSchema = object({
  item: string().required('Say which item.').max(120),
  /** What it is called. */
  name: string().required('Say what it is called.').max(120),
  least: number()
    .typeError('Give how much.')
    .moreThan(0, 'A level is more than 0.')
    .max(1e8, 'That is more than any shelf holds: check the unit.')
    .required('Give how much.'),
  unit: string()
    .oneOf(['mm', 'pieces'] as const)
    .required(),
}).noUnknown();

/** What the house wants to have always; nothing where nothing is said. */
export const levels = setting({
  id: 'levels',
  shape: array(levelSchema.required()).max(1000).optional().default(undefined),
});
