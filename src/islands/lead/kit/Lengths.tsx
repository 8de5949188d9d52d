import { COLOURS } from '../../../core/catalogue';
import { sayFrom, sayRemade } from '../../../core/cutting';
import type { KitSheet } from '../../../core/kit';
import { formatLength, type LengthSystem } from '../../../core/quantity';
import styles from './Kit.module.css';

interface LengthsProps {
  readonly sheet: KitSheet;
  readonly system: LengthSystem;
}

const signed = (mm: number, system: LengthSystem): string =>
  `${mm < 0 ? '−' : '+'} ${formatLength(Math.abs(mm), system)}`;

/** How a length comes about, each part with its reason. */
function Sum({
  of,
  system,
}: {
  of: readonly { readonly what: string; readonly mm: number; readonly because: string }[];
  system: LengthSystem;
}) {
  return (
    <table className={styles['sum']}>
      <caption>How that comes about</caption>
      <tbody>
        {of.map(({ what, mm, because }) => (
          <tr key={what}>
            <td className={styles['figure']}>{signed(mm, system)}</td>
            <td>{what}</td>
            <td className={styles['soft']}>{because}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Each piece of cable as it is cut, and where it is parted. */
export function Cuts({ sheet: { cuts, partings }, system }: LengthsProps) {
  return (
    <>
      {cuts.map((cut) => (
        <div key={cut.span}>
          <p className={styles['big']}>
            {cut.count > 1 && `${cut.count} × `}
            {formatLength(cut.total, system)}
          </p>
          {cut.from && <p>of the donor lead, from {sayFrom(cut.from)}</p>}
          {cut.wires && (
            <ul className={styles['wires']}>
              {cut.wires.map(({ id, colour, mm, because }) => (
                <li key={id}>
                  {COLOURS[colour]}: {formatLength(mm, system)}
                  {because !== undefined && `, longer by ${because}`}
                </li>
              ))}
            </ul>
          )}
          <Sum of={cut.allowances} system={system} />
        </div>
      ))}
      {partings.map(({ body, jacketMm, allowances, legs }) => (
        <div key={body}>
          <h3>Where it is parted: {formatLength(jacketMm, system)} of jacket off, from the raw end</h3>
          <Sum of={allowances} system={system} />
          {new Set(legs.map(({ mm }) => mm)).size > 1 && (
            <ul className={styles['wires']}>
              {legs.map(({ span, mm }) => (
                <li key={span}>
                  {span}: cut {formatLength(mm, system)} from the split
                </li>
              ))}
            </ul>
          )}
        </div>
      ))}
    </>
  );
}

/** What each end costs when it is made again, and what is left: folded, for it is of a later day. */
export function Remade({ sheet: { remade }, system }: LengthsProps) {
  if (remade.length === 0) return null;
  return (
    <details className={styles['fold']}>
      <summary>When an end is made again</summary>
      <ul className={styles['wires']}>
        {sayRemade(remade, system).map((says) => (
          <li key={says}>{says}</li>
        ))}
      </ul>
    </details>
  );
}
