import { useState } from 'react';
import type { Assembly, End } from '../../core/assembly';
import { OneEnd, type HoldProps } from './Ends';
import styles from './Stage.module.css';

/** How much is at an end: parts, then contacts. */
const fullness = ({ id, connector }: End, { bodies, uses }: Assembly): number =>
  100 * (bodies.find(({ ends }) => ends.some((end) => end.id === id))?.parts.length ?? 0) +
  (uses.connectors.find((each) => each.id === connector)?.contacts.length ?? 0);

/** One end large, as it lies in the hand, and the others small beside it: each is taken up by a touch. */
export function InHand({ ends, facts }: HoldProps) {
  const [taken, setTaken] = useState<string>();
  const held =
    ends.find(({ id }) => id === taken) ??
    [...ends].sort((a, b) => fullness(b, facts(b).assembly) - fullness(a, facts(a).assembly))[0];
  if (!held) return null;
  const others = ends.filter((end) => end !== held);
  return (
    <div className={styles['inHand']}>
      <div className={styles['held']}>
        <OneEnd {...facts(held)} isLarge />
      </div>
      {others.length > 0 && (
        <div className={styles['others']} role="group" aria-label="The other ends">
          {others.map((end) => (
            <button key={end.id} type="button" className={styles['takeUp']} onClick={() => setTaken(end.id)}>
              <OneEnd {...facts(end)} lit={undefined} onLight={undefined} onPick={undefined} />
            </button>
          ))}
        </div>
      )}
    </div>
  );
}
