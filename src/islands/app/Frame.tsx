import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Keyboard, Moon, Sun } from 'lucide-react';
import { createElement, useState, useSyncExternalStore, type ReactNode } from 'react';
import { Button, isMissing, onMissing, useLater } from '../../ui';
import type { Room } from '../../server/house/service';
import { ApiProblem } from './api';
import { got } from './data';
import styles from './Frame.module.css';
import { useKeys, type KeyHelp } from './useKeys';

const loadKeyList = async () => (await import('./KeyList')).KeyList;

/** Where one goes from anywhere. */
const WAYS = [
  ['/sums', 'sums'],
  ['/shelf', 'the shelf'],
  ['/workshop', 'the workshop'],
] as const;

/** What every screen stands in: its data, the theme switch, the keys, and word of a database that is away. */
export function Frame({
  children,
  keys = [],
  trail,
  bare = false,
}: {
  children: ReactNode;
  keys?: KeyHelp;
  trail?: ReactNode;
  bare?: boolean;
}) {
  return (
    <div className={bare ? styles['bare'] : styles['frame']}>
      <a href="#main" className={styles['skip']}>
        To what is on this page
      </a>
      <header className={styles['top']}>
        <a href="/" className={styles['name']}>
          Antler
        </a>
        <div className={styles['trail']}>{trail}</div>
        {!bare && (
          <>
            {WAYS.map(([to, name]) => (
              <a key={to} href={to} className={styles['workshop']}>
                {name}
              </a>
            ))}
          </>
        )}
        <ThemeSwitch />
        <Keys keys={keys} />
      </header>
      <Away />
      <LittleRoom />
      {children}
    </div>
  );
}

/** Says so while any of the screen's data cannot be had because the server or its database is away, and where a script could not. */
function Away() {
  const client = useQueryClient();
  const cache = client.getQueryCache();
  const away = useSyncExternalStore(
    (changed) => cache.subscribe(changed),
    () =>
      cache.getAll().some((query) => query.state.error instanceof ApiProblem && query.state.error.passing),
    () => false,
  );
  const lacks = useSyncExternalStore(onMissing, isMissing, () => false);
  return (
    <div role="status" aria-live="polite">
      {lacks && <p className={styles['away']}>A part of this page could not be fetched: load it again.</p>}
      {away && (
        <p className={styles['away']}>
          The database is away. What you do is kept in this window and sent when it is back.
        </p>
      )}
    </div>
  );
}

/** Says so while there is little room left on the disk that keeps the house. */
function LittleRoom() {
  const { data } = useQuery({
    ...got<Room>('/api/house'),
    refetchInterval: 60_000,
  });
  return (
    <div role="status" aria-live="polite">
      {data?.isLittle && (
        <p className={styles['away']}>
          Only {Math.floor((data.freeBytes ?? 0) / 1_048_576)} MB are free on the disk that keeps everything
          here. Make room: when it is full, nothing more can be recorded.
        </p>
      )}
    </div>
  );
}

const readTheme = (): 'bench' | 'stage' =>
  (document.documentElement.dataset['theme'] as 'bench' | 'stage' | undefined) ??
  (matchMedia('(prefers-color-scheme: dark)').matches ? 'stage' : 'bench');

const onTheme = (changed: () => void): (() => void) => {
  const dark = matchMedia('(prefers-color-scheme: dark)');
  addEventListener('antler-theme', changed);
  dark.addEventListener('change', changed);
  return () => {
    removeEventListener('antler-theme', changed);
    dark.removeEventListener('change', changed);
  };
};

function ThemeSwitch() {
  const theme = useSyncExternalStore(onTheme, readTheme, () => 'bench' as const);
  const other = theme === 'bench' ? 'stage' : 'bench';
  return (
    <Button
      look="plain"
      onClick={() => {
        document.documentElement.dataset['theme'] = other;
        localStorage.setItem('antler.theme', other);
        dispatchEvent(new Event('antler-theme'));
      }}
    >
      {theme === 'bench' ? <Moon size={18} aria-hidden="true" /> : <Sun size={18} aria-hidden="true" />}
      <span className={styles['word']}>{other} light</span>
    </Button>
  );
}

function Keys({ keys }: { keys: KeyHelp }) {
  const [open, setOpen] = useState(false);
  const KeyList = useLater(loadKeyList);
  useKeys({
    '?': () => setOpen((was) => !was),
    ...(open && { Escape: () => setOpen(false) }),
  });
  return (
    <div className={styles['keys']}>
      <Button look="plain" aria-expanded={open} onClick={() => setOpen(!open)}>
        <Keyboard size={18} aria-hidden="true" />
        <span className={styles['word']}>keys</span>
      </Button>
      {open && KeyList && createElement(KeyList, { keys })}
    </div>
  );
}
