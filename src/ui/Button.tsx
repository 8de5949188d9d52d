import type { ButtonHTMLAttributes, AnchorHTMLAttributes } from 'react';
import styles from './Button.module.css';

type Look = 'main' | 'plain' | 'outline';
interface Looks {
  look?: Look;
  big?: boolean;
}

const classes = (look: Look, big: boolean): string =>
  [styles['button'], styles[look], big ? styles['big'] : ''].filter(Boolean).join(' ');

export function Button({
  look = 'outline',
  big = false,
  ...rest
}: Looks & ButtonHTMLAttributes<HTMLButtonElement>) {
  return <button type="button" className={classes(look, big)} {...rest} />;
}

export function ButtonLink({
  look = 'outline',
  big = false,
  children,
  ...rest
}: Looks & AnchorHTMLAttributes<HTMLAnchorElement>) {
  return (
    <a className={classes(look, big)} {...rest}>
      {children}
    </a>
  );
}
