import { useEffect, useState } from 'react';
import { useKeys, useStored } from '../app';
import { Button } from '../../ui';
import styles from './Unit.module.css';

/** Between two looks at the clock, ms. */
const LOOK_MS = 50;

/** Counts how long the iron stays, in figures and with a flash at each second, where that is wanted. */
export function Dwell({ seconds }: { readonly seconds: number | undefined }) {
  const [isOn, keepOn] = useStored('count-dwell', false);
  const [begun, setBegun] = useState<number>();
  const [now, setNow] = useState(0);
  const isRunning = begun !== undefined && seconds !== undefined && (now - begun) / 1000 < seconds;
  useEffect(() => {
    if (!isRunning) return;
    const timer = setInterval(() => setNow(performance.now()), LOOK_MS);
    return () => clearInterval(timer);
  }, [isRunning]);
  const start = (): void => {
    const at = performance.now();
    setNow(at);
    setBegun(at);
  };
  useKeys({ t: () => isOn && seconds !== undefined && start() });
  if (seconds === undefined) return null;
  const held = begun === undefined ? undefined : (now - begun) / 1000;
  return (
    <div className={styles['dwell']}>
      <label>
        <input type="checkbox" checked={isOn} onChange={({ target }) => keepOn(() => target.checked)} /> Count
        how long the iron stays
      </label>
      {isOn && (
        <>
          <Button onClick={start}>Iron on (t)</Button>
          <output data-beat={isRunning ? Math.floor(held ?? 0) % 2 : undefined} className={styles['beat']}>
            {held === undefined
              ? `${seconds.toFixed(1)} s`
              : isRunning
                ? `${Math.floor(held)} of ${seconds.toFixed(1)} s`
                : 'Let go.'}
          </output>
        </>
      )}
    </div>
  );
}
