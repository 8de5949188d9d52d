export { DatabaseAway, isAway, isCollision, isFull, isHindered } from './away';
export {
  connect,
  connectAtLeisure,
  inTransaction,
  migrate,
  migrateTo,
  unmigrate,
  type Database,
} from './connect';
