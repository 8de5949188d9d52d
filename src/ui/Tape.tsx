import type { ReactNode } from 'react';
import styles from './Tape.module.css';

/** A strip of marking tape: for what a person has named, and nothing else. */
export function Tape({
  children,
  size = 'medium',
}: {
  children: ReactNode;
  size?: 'small' | 'medium' | 'large';
}) {
  return <span className={`${styles['tape']} ${styles[size]}`}>{children}</span>;
}
