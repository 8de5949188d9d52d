export { connect, inTransaction, migrate, migrateTo, unmigrate, type Database } from './connect';
