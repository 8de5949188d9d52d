import { number, object } from 'yup';
import { setting } from './kind';

/** How the house cuts: what each cut costs beside its length, and which rest is still kept; mm. */
export const cuttingSchema = object({
  kerfMm: number()
    .typeError('Give in mm what each cut costs.')
    .min(0, 'A cut costs 0 mm or more.')
    .max(50, 'No cutter takes more than 50 mm.')
    .required('Give in mm what each cut costs.'),
  leastOffcutMm: number()
    .typeError('Give in mm the shortest rest that is kept.')
    .min(0, 'The shortest rest that is kept is 0 mm or more.')
    .max(100_000, 'More than 100 m is no rest.')
    .required('Give in mm the shortest rest that is kept.'),
}).noUnknown();

/** How the house cuts; a blade, and rests from 600 mm, where nothing is said. */
export const cutting = setting({ id: 'cutting', shape: cuttingSchema.optional().default(undefined) });
