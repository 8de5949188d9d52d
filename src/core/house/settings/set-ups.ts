import { array } from 'yup';
import { setUpSchema, TOOL_NAMES } from '../../bench';
import { setting } from './kind';

/** The tools whose setting up was timed; as usual where nothing is said. */
export const setUps = setting({
  id: 'setUps',
  shape: array(setUpSchema.required()).max(TOOL_NAMES.length).optional().default(undefined),
});
