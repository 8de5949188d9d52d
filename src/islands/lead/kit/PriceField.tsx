import { SettledField, Unseen } from '../../../ui';
import styles from './Kit.module.css';

/** A price as it is typed, with a point or a comma; nothing typed is none. */
function priceOf(text: string): number | null | undefined {
  const typed = text.trim().replace(',', '.');
  if (typed === '') return null;
  const value = Number(typed);
  return Number.isFinite(value) && value >= 0 && value <= 1e6 ? value : undefined;
}
const textOf = (price: number | null | undefined): string =>
  typeof price !== 'number'
    ? ''
    : Math.abs(price * 100 - Math.round(price * 100)) < 1e-9
      ? price.toFixed(2)
      : String(price);

/** One price, or none. */
export function PriceField({
  name,
  price,
  onSettle,
}: {
  readonly name: string;
  readonly price: number | undefined;
  readonly onSettle: (price: number | null) => void;
}) {
  return (
    <div className={styles['price']}>
      <SettledField
        text={textOf(price)}
        read={priceOf}
        write={textOf}
        otherwise="Give a price, such as 3.20, or nothing."
        onSettle={onSettle}
        label={<Unseen>{name}</Unseen>}
        input={{ inputMode: 'decimal', maxLength: 12 }}
      />
    </div>
  );
}
