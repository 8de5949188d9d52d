import { asks, type Route } from '../http';
import { board } from './service';

/** The address of the board. */
export const boardRoutes: readonly Route[] = [asks('GET', '/api/board', ({ db }) => board(db))];
