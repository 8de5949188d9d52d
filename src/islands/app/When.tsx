import { useSyncExternalStore } from 'react';
import styles from './Frame.module.css';

const OPTIONS: Intl.DateTimeFormatOptions = {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
};

/** A moment as the reader's own machine writes it: 2 Mar 2026, 14:05. */
export const sayWhen = (iso: string): string =>
  new Intl.DateTimeFormat(undefined, OPTIONS).format(new Date(iso));

const never = (): (() => void) => () => undefined;

/** A moment on the page. The server does not know how its reader writes it: until that is known it stands as it was sent. */
export function When({ at }: { readonly at: string }) {
  const here = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  return (
    <time dateTime={at} className={styles['when']}>
      {here ? sayWhen(at) : `${at.slice(0, 10)} ${at.slice(11, 16)} UTC`}
    </time>
  );
}

/** Seconds as minutes and seconds: 3 min 20 s. */
export function saySeconds(seconds: number): string {
  const whole = Math.round(seconds);
  const minutes = Math.floor(whole / 60);
  return minutes > 0 ? `${minutes} min ${whole % 60} s` : `${whole} s`;
}
