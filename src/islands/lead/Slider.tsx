import { useId } from 'react';
import styles from './Signal.module.css';

const STEPS = 400;

/** A slider over several decades, or over an even range; what it stands at is said beside it. */
export function Slider({
  name,
  value,
  from,
  to,
  says,
  linear = false,
  onChange,
  onTurning,
}: {
  readonly name: string;
  readonly value: number;
  readonly from: number;
  readonly to: number;
  readonly says: string;
  readonly linear?: boolean;
  readonly onChange: (value: number) => void;
  readonly onTurning: (turning: boolean) => void;
}) {
  const id = useId();
  const place = linear ? (value - from) / (to - from) : Math.log(value / from) / Math.log(to / from);
  const at = (share: number): number => (linear ? from + (to - from) * share : from * (to / from) ** share);
  return (
    <div className={styles['slider']}>
      <label htmlFor={id}>{name}</label>
      <input
        id={id}
        type="range"
        min={0}
        max={STEPS}
        step={1}
        value={Math.round(Math.min(1, Math.max(0, place)) * STEPS)}
        aria-valuetext={says}
        onChange={(event) => onChange(Number(at(Number(event.target.value) / STEPS).toPrecision(3)))}
        onPointerDown={() => onTurning(true)}
        onPointerUp={() => onTurning(false)}
        onLostPointerCapture={() => onTurning(false)}
      />
      <output htmlFor={id}>{says}</output>
    </div>
  );
}
