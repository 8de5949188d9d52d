import { array, number, object, string } from 'yup';
import { TOOL_NAMES } from '../../bench';
import { setting } from './kind';

/** How long it takes at this bench to lay hands on a tool and set it, s. */
export const setUpSchema = object({
  tool: string().oneOf(TOOL_NAMES, 'There is no such tool at a bench.').required('Say which tool.'),
  seconds: number()
    .typeError('Give the seconds as a number.')
    .min(1, 'It takes 1 s or more to lay hands on a tool.')
    .max(3600, 'More than an hour is no setting up.')
    .required('Give the seconds.'),
}).noUnknown();

/** The tools whose setting up was timed; as usual where nothing is said. */
export const setUps = setting({
  id: 'setUps',
  shape: array(setUpSchema.required()).max(TOOL_NAMES.length).optional().default(undefined),
});
