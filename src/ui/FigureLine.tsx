import type { Figure } from '../core/signal';
import styles from './FigureLine.module.css';

/** One number that opens to how it came about. */
export function FigureLine({
  figure,
  children,
}: {
  readonly figure: Figure;
  readonly children?: React.ReactNode;
}) {
  return (
    <details className={styles['figure']}>
      <summary>
        <span className={styles['name']}>{figure.name}</span>
        <span className={styles['says']}>
          {figure.says}
          {figure.range && (
            <>
              {' '}
              <span className={styles['range']}>({figure.range.says})</span>
            </>
          )}
        </span>
      </summary>
      <dl className={styles['why']}>
        <dt>formula</dt>
        <dd>{figure.formula}</dd>
        {figure.inputs.map(([name, says]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{says}</dd>
          </div>
        ))}
        {figure.range && (
          <div>
            <dt>range</dt>
            <dd>
              {figure.range.says}: it hangs on {figure.range.hangsOn}
            </dd>
          </div>
        )}
        <dt>source</dt>
        <dd>{figure.source}</dd>
      </dl>
      {children}
    </details>
  );
}
