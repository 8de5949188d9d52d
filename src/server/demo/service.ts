import { inTransaction, type Database } from '../db';
import { takeOutDemo, type TakenOut } from './rows';

/** Leaves the demo behind: what came with it is taken out, what people recorded stays. Again, it takes out nothing. */
export const leaveDemo = (db: Database): Promise<TakenOut> => inTransaction(db, takeOutDemo);
export type { TakenOut } from './rows';
