import { schoolsSchema } from '../../wiring';
import { setting } from './kind';

/** The house's answers to the schools: what a new lead starts with. */
export const schools = setting({ id: 'schools', shape: schoolsSchema.required() });
