export { connect, inTransaction, migrate, migrateTo, unmigrate, type Database } from './connect';
export type { Schema } from './types';
