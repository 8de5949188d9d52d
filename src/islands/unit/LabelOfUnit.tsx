import { labelLines } from '../../core/kit';
import type { Lead } from '../../core/lead';
import styles from './Unit.module.css';

export interface LabelProps {
  readonly lead: Pick<Lead, 'name' | 'assembly' | 'situations' | 'schools'>;
  readonly number: number;
}

/** What stands on the label of a unit. */
export const LabelOfUnit = ({ lead, number }: LabelProps) => (
  <pre className={styles['label']}>{labelLines(lead, number).join('\n')}</pre>
);
