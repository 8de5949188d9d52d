export { DatabaseAway, isAway, isCollision, isFull, isHindered, isTaken } from './away';
export {
  connect,
  connectAtLeisure,
  inTransaction,
  migrate,
  migrateTo,
  unmigrate,
  type Database,
} from './connect';
export { OFTEN } from './pool';
