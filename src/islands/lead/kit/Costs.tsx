import {
  amountIn,
  costOf,
  isPriced,
  unitsOf,
  type Cost,
  type KitLine,
  type LoggedPace,
  type Many,
  type Prices,
} from '../../../core/kit';
import type { Lead } from '../../../core/lead';
import { useGot } from '../../app';
import { SortedTable } from '../../../ui';
import styles from './Kit.module.css';
import { PriceField } from './PriceField';
import { usePrices } from './usePrices';

export interface CostsProps {
  readonly id: string;
  /** What goes into one of it. */
  readonly lines: readonly KitLine[];
  readonly lead: Lead;
  readonly making: Many;
}

/** The commonest moneys; another that the house has named stands among them. */
const MONEYS = [
  'EUR',
  'GBP',
  'USD',
  'CAD',
  'AUD',
  'NZD',
  'CHF',
  'SEK',
  'NOK',
  'DKK',
  'PLN',
  'CZK',
  'JPY',
  'ZAR',
];

/** Lines of one item are priced once: what goes into them together. */
function byItem(lines: readonly KitLine[]): readonly KitLine[] {
  const items = new Map<string, KitLine>();
  for (const line of lines.filter(isPriced)) {
    const before = items.get(line.item);
    items.set(
      line.item,
      before
        ? {
            ...before,
            count: before.count + line.count,
            ...(line.mm === undefined ? {} : { mm: (before.mm ?? 0) + line.mm }),
          }
        : line,
    );
  }
  return [...items.values()];
}

/** What of tubing is priced is not the length of the first piece. */
const nameOf = ({ what, name = what }: KitLine): string => name;

const takes = (line: KitLine): string =>
  line.mm === undefined ? `${line.count}` : `${amountIn(line).toFixed(2)} m`;

/** What one costs: each thing at the house’s price, the builder’s time, and that against a bought one. */
export function Costs({ id, lines, lead, making }: CostsProps) {
  const { currency, prices, settle, settleCurrency, problem } = usePrices();
  const money = new Intl.NumberFormat(undefined, { style: 'currency', currency });
  const bought = `bought ${id}`;
  const units = unitsOf(making);
  const { data: log } = useGot<{ readonly pace?: LoggedPace }>(`/api/leads/${id}/pace`);
  const cost = costOf(lines, lead.assembly, prices, {
    count: units,
    hourly: prices['hour'],
    bought: prices[bought],
    logged: log?.pace,
  });
  const moneys = MONEYS.includes(currency) ? MONEYS : [currency, ...MONEYS];
  return (
    <section aria-label="What it costs">
      <h2>What one costs</h2>
      <p className={styles['costly']}>
        <b>{money.format(cost.total)}</b> {sayWhatOf(cost, units)}
      </p>
      {problem !== undefined && <p role="alert">{problem}</p>}
      <details className={styles['fold']}>
        <summary>Prices of the house, by the piece and the metre</summary>
        <label className={styles['money']}>
          in{' '}
          <select value={currency} onChange={({ target }) => settleCurrency(target.value)}>
            {moneys.map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </select>
        </label>
        <Priced lines={byItem(lines)} prices={prices} money={money} onSettle={settle} />
        <p className={styles['soft']}>Solder and flux are not counted.</p>
      </details>
      <dl className={styles['worth']}>
        <dt>The builder’s hour</dt>
        <dd>
          <PriceField
            name="The builder’s hour"
            price={prices['hour']}
            onSettle={(amount) => settle('hour', amount)}
          />
          {cost.labour === undefined ? 'not counted' : `${money.format(cost.labour)} of it here`}
        </dd>
        <dt>A bought one</dt>
        <dd>
          <PriceField
            name="A bought one"
            price={prices[bought]}
            onSettle={(amount) => settle(bought, amount)}
          />
          {cost.bought && sayBought(cost, cost.bought, units, money)}
        </dd>
      </dl>
    </section>
  );
}

function Priced({
  lines,
  prices,
  money,
  onSettle,
}: Pick<CostsProps, 'lines'> & {
  readonly prices: Prices;
  readonly money: Intl.NumberFormat;
  readonly onSettle: (item: string, amount: number | null) => void;
}) {
  return (
    <SortedTable
      name="What goes into one, and what it costs"
      rows={lines}
      keyOf={({ item }) => item}
      columns={[
        { head: 'What', value: nameOf },
        { head: 'Takes', value: amountIn, cell: takes, figures: true },
        {
          head: 'Price',
          value: ({ item }) => prices[item] ?? -1,
          unsorted: true,
          cell: (line) => (
            <PriceField
              name={`Price of ${nameOf(line)}, ${line.mm === undefined ? 'a piece' : 'a metre'}`}
              price={prices[line.item]}
              onSettle={(amount) => onSettle(line.item, amount)}
            />
          ),
        },
        {
          head: 'Costs',
          figures: true,
          value: (line) => (prices[line.item] ?? 0) * amountIn(line),
          cell: (line) => {
            const price = prices[line.item];
            return price === undefined ? '' : money.format(price * amountIn(line));
          },
        },
      ]}
    />
  );
}

function sayWhatOf({ lines, unpriced, minutes, labour, pace }: Cost, units: number): string {
  const known =
    lines.length === 0
      ? 'nothing of it has a price yet'
      : `${lines.length} of ${lines.length + unpriced.length} things priced`;
  const time = `${Math.round(minutes)} min${units > 1 ? `, of ${units} made together` : ''}${labour === undefined ? '' : ', counted'}`;
  return `– ${known}; about ${time} (${pace}).`;
}

function sayBought(
  { unpriced }: Cost,
  { saving, breakEven }: NonNullable<Cost['bought']>,
  units: number,
  money: Intl.NumberFormat,
): string {
  const but =
    unpriced.length > 0
      ? ` Without ${unpriced.length === 1 ? 'a price' : 'prices'} of ${unpriced.length} of its things.`
      : '';
  const amount = money.format(Math.abs(saving));
  const now = saving >= 0 ? `Making it saves ${amount} apiece.` : `Buying it saves ${amount} apiece.`;
  const from =
    breakEven === undefined
      ? ' However many are made, buying stays cheaper.'
      : breakEven > units
        ? ` From ${breakEven} made together on, making is no dearer.`
        : '';
  return `${now}${from}${but}`;
}
