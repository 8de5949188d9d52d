import { instrumentSchema } from '../../proving';
import { setting } from './kind';

/** The house's meter, by what it can do and show: units are proven by it. Any usual meter where nothing is said. */
export const meter = setting({ id: 'meter', shape: instrumentSchema.optional().default(undefined) });
