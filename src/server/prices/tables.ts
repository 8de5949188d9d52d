import type { ColumnType, Generated } from 'kysely';
import type { ChangedAt } from '../db/columns';

/** What one thing costs: a metre of what is cut from a length, else a piece. */
export interface PriceTable {
  item: string;
  /** As the database keeps it, so that no cent is lost on the way. */
  amount: ColumnType<string, number, number>;
  at: ChangedAt;
}

/** By how much one thing is sold at once: mm of what is cut from a length, else pieces. */
export interface SoldTable {
  item: string;
  much: number;
  at: ChangedAt;
}

/** One row: the money that the prices are in. */
export interface MoneyTable {
  singleton: Generated<boolean>;
  currency: string;
  at: ChangedAt;
}

/** Its tables by their names. */
export interface PriceTables {
  price: PriceTable;
  sold_by: SoldTable;
  money: MoneyTable;
}
