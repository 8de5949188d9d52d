import { asks, type Route } from '../http';
import { leaveDemo } from './service';

/** The address of the demo: it can only be left. */
export const demoRoutes: readonly Route[] = [asks('DELETE', '/api/demo', ({ db }) => leaveDemo(db))];
