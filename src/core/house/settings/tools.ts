import { array, object, string } from 'yup';
import { setting } from './kind';

/** What the house has for a tool that a kit asks for, in its own words: “the grey iron, 2 mm chisel”. */
export const ownToolSchema = object({
  /** As kits name it. */
  id: string().required('Say which tool.').max(60),
  ours: string()
    .trim()
    .required('Say what the house has for it.')
    .max(80, 'Say it in 80 letters at the most.'),
}).noUnknown();

/** The tools of the house that it has named; none where nothing is said. */
export const tools = setting({
  id: 'tools',
  shape: array(ownToolSchema.required()).max(200).optional().default(undefined),
});
