import type { ReactNode } from 'react';
import styles from './Unseen.module.css';

/** What is said to whoever hears the page: whoever sees it has it from the place where it stands. */
export const Unseen = ({ children }: { readonly children: ReactNode }) => (
  <span className={styles['unseen']}>{children}</span>
);
