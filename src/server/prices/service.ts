import { number, object, string } from 'yup';
import type { Shape } from '../../core/quantity';
import { inTransaction, type Database } from '../db';

/** The currency of a house that has named none. */
const USUAL = 'EUR';
const CURRENCIES: readonly string[] = Intl.supportedValuesOf('currency');
const MOST = 1e6;
/** No roll is longer, mm, and no pack is bigger. */
const MOST_SOLD = 10_000_000;

/** What the house pays. */
export interface PriceList {
  readonly currency: string;
  /** By item: a metre of what is cut from a length, a piece, or an hour. */
  readonly prices: Readonly<Record<string, number>>;
  /** By item: how much of it is sold at once, mm of what is cut from a length, else pieces. */
  readonly sold: Readonly<Record<string, number>>;
}

export const priceSchema = object({
  item: string().required('Say what is priced.').max(120),
  /** None takes the price out of the list. */
  amount: number()
    .typeError('Give the price as a number.')
    .min(0, 'A price is 0 or more.')
    .max(MOST, `A price is ${MOST} at the most.`)
    .nullable()
    .defined('Give the price, or null to take it out.'),
}).noUnknown();

export const soldSchema = object({
  item: string().required('Say what is sold.').max(120),
  /** None: it is sold as it is wanted. */
  much: number()
    .typeError('Give how much as a number.')
    .integer('Give whole millimetres, or whole pieces.')
    .min(1, 'A pack holds one at least.')
    .max(MOST_SOLD, `${MOST_SOLD} at the most.`)
    .nullable()
    .defined('Give how much, or null where it is sold as it is wanted.'),
}).noUnknown();

export const currencySchema = object({
  currency: string()
    .required('Name the currency.')
    .oneOf(CURRENCIES, 'Name a currency by its three letters, such as EUR.'),
}).noUnknown();

/** The price list of the house. */
export async function priceList(db: Database): Promise<PriceList> {
  const [money, prices, sold] = await Promise.all([
    db.selectFrom('money').select('currency').executeTakeFirst(),
    db.selectFrom('price').select(['item', 'amount']).orderBy('item').execute(),
    db.selectFrom('sold_by').select(['item', 'much']).orderBy('item').execute(),
  ]);
  return {
    currency: money?.currency ?? USUAL,
    prices: Object.fromEntries(prices.map(({ item, amount }) => [item, Number(amount)])),
    sold: Object.fromEntries(sold.map(({ item, much }) => [item, much])),
  };
}

/** Sets what one thing costs, or takes its price out. Said twice it is the same. */
export async function putPrice(
  db: Database,
  { item, amount }: Shape<typeof priceSchema>,
): Promise<PriceList> {
  await inTransaction(db, async (trx) => {
    if (amount === null) await trx.deleteFrom('price').where('item', '=', item).execute();
    else
      await trx
        .insertInto('price')
        .values({ item, amount })
        .onConflict((known) => known.column('item').doUpdateSet({ amount, at: new Date() }))
        .execute();
  });
  return priceList(db);
}

/** Sets by how much one thing is sold at once. Said twice it is the same. */
export async function putSold(db: Database, { item, much }: Shape<typeof soldSchema>): Promise<PriceList> {
  await inTransaction(db, async (trx) => {
    if (much === null) await trx.deleteFrom('sold_by').where('item', '=', item).execute();
    else
      await trx
        .insertInto('sold_by')
        .values({ item, much })
        .onConflict((known) => known.column('item').doUpdateSet({ much, at: new Date() }))
        .execute();
  });
  return priceList(db);
}

/** Sets the money that the prices are in. They stay as they are. */
export async function putCurrency(
  db: Database,
  { currency }: Shape<typeof currencySchema>,
): Promise<PriceList> {
  await inTransaction(db, (trx) =>
    trx
      .insertInto('money')
      .values({ currency })
      .onConflict((known) => known.column('singleton').doUpdateSet({ currency, at: new Date() }))
      .execute(),
  );
  return priceList(db);
}
