import { portById } from '../../core/catalogue';
import { endName, type Intent, type IntentEnd, type PortValues } from '../../core/wiring';
import styles from './Stage.module.css';

const PHANTOM = {
  needs: 'needs phantom',
  unhurt: 'is not hurt by phantom',
  harmed: 'is harmed by phantom',
  gives: 'gives phantom',
} as const;

/** What the equipment at each end is like, where the builder knows better than the list of ports. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function Figures({ intent, onChange }: { intent: Intent; onChange: (intent: Intent) => void }) {
  const rows = (['from', 'to'] as const).flatMap((side) =>
    intent[side].map((end, n) => ({
      side,
      n,
      end,
      name: endName(side === 'from' ? n : intent.from.length + n),
    })),
  );
  const put = (side: 'from' | 'to', n: number, end: IntentEnd, values: PortValues): void => {
    const { values: _, ...rest } = end;
    const known = Object.fromEntries(
      Object.entries(values).filter(([, value]) => value !== undefined),
    ) as PortValues;
    const next = Object.keys(known).length === 0 ? rest : { ...rest, values: known };
    onChange({ ...intent, [side]: intent[side].map((each, k) => (k === n ? next : each)) });
  };
  return (
    <details className={styles['figures']}>
      <summary>Figures of the equipment</summary>
      <table className={styles['table']}>
        <thead>
          <tr>
            <th scope="col">End</th>
            <th scope="col">What is there</th>
            <th scope="col">Impedance, Ω</th>
            <th scope="col">Level, dBu</th>
            <th scope="col">Phantom</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ side, n, end, name }) => {
            const port = portById(end.port);
            if (!port) return null;
            const number = (key: 'impedance' | 'levelDbu', text: string): void => {
              const value = Number(text.replace(',', '.'));
              const { [key]: _, ...rest } = end.values ?? {};
              put(
                side,
                n,
                end,
                text.trim() === '' || !Number.isFinite(value) ? rest : { ...rest, [key]: value },
              );
            };
            return (
              <tr key={name}>
                <td>{name}</td>
                <td>
                  {port.name} <span className={styles['source']}>{port.source}</span>
                </td>
                {(['impedance', 'levelDbu'] as const).map((key) => (
                  <td key={key}>
                    <input
                      className={styles['number']}
                      inputMode="decimal"
                      aria-label={`${key === 'impedance' ? 'impedance' : 'level'} at end ${name}`}
                      placeholder={`${port[key]}`}
                      defaultValue={end.values?.[key] ?? ''}
                      onBlur={(event) => number(key, event.target.value)}
                    />
                  </td>
                ))}
                <td>
                  <select
                    aria-label={`phantom at end ${name}`}
                    value={end.values?.phantom ?? port.phantom}
                    onChange={(event) => {
                      const phantom = event.target.value as keyof typeof PHANTOM;
                      const { phantom: _, ...rest } = end.values ?? {};
                      put(side, n, end, phantom === port.phantom ? rest : { ...rest, phantom });
                    }}
                  >
                    {Object.entries(PHANTOM).map(([id, says]) => (
                      <option key={id} value={id}>
                        {says}
                      </option>
                    ))}
                  </select>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </details>
  );
}
