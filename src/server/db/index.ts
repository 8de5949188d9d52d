export { connect, inTransaction, migrate, unmigrate, type Database } from './connect';
export type { Schema } from './types';
