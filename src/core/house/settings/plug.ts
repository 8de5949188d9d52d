import { string } from 'yup';
import { setting } from './kind';

/** Where on the network the house's meter is plugged in, `host:port` as it is named; nowhere where nothing is said. */
export const plug = setting({ id: 'plug', shape: string().max(300) });
