import { Check, Minus } from 'lucide-react';
import { pickKey, type KitLine } from '../../../core/kit';
import type { PickState } from '../../../server/leads/picked';
import { Button, Unseen } from '../../../ui';
import { useKeys } from '../../app';
import styles from './Kit.module.css';

/** What became of a line, in a word. */
const SAID: Readonly<Record<PickState, string>> = { picked: 'picked', have: 'have it', waived: 'left out' };

/** The lines of a kit to tick off: with the hand, with the space bar or a pedal the next one. */
export function PickList({
  lines,
  whereIs,
  stateOf,
  onPick,
}: {
  readonly lines: readonly KitLine[];
  /** Where it lies on the shelf, and how much; nothing where it is not known. */
  readonly whereIs: (line: KitLine) => string | undefined;
  readonly stateOf: (line: KitLine) => PickState | undefined;
  readonly onPick: (line: KitLine, is: PickState | 'open') => void;
}) {
  const next = lines.find((line) => stateOf(line) === undefined);
  useKeys({
    ' ': () => {
      if (next) onPick(next, next.owned ? 'have' : 'picked');
    },
  });
  const done = lines.filter((line) => stateOf(line) !== undefined).length;
  const groups = [
    { name: 'To take', of: lines.filter(({ owned }) => !owned) },
    { name: 'To have by you', of: lines.filter(({ owned }) => owned) },
  ].filter(({ of }) => of.length > 0);
  return (
    <>
      <p role="status" className={styles['count']}>
        {done === lines.length
          ? 'All of it is laid out.'
          : `${done} of ${lines.length} laid out; the space bar takes the next.`}
      </p>
      {groups.map(({ name, of }) => (
        <section key={name} aria-label={name}>
          {groups.length > 1 && <h3>{name}</h3>}
          <ul className={styles['picks']}>
            {of.map((line) => (
              <Line
                key={pickKey(line)}
                line={line}
                where={line.owned ? undefined : whereIs(line)}
                is={stateOf(line)}
                isNext={line === next}
                onPick={(is) => onPick(line, is)}
              />
            ))}
          </ul>
        </section>
      ))}
    </>
  );
}

/** What a line is for; of many places alike the first and how many more. */
function sayFor(detail: string): string {
  const places = detail.split('; ');
  return places.length > 4 ? `${places.slice(0, 2).join('; ')}; and ${places.length - 2} more` : detail;
}

function Line({
  line,
  where,
  is,
  isNext,
  onPick,
}: {
  line: KitLine;
  where: string | undefined;
  is: PickState | undefined;
  isNext: boolean;
  onPick: (is: PickState | 'open') => void;
}) {
  const { count, what, detail, owned } = line;
  return (
    <li className={styles['pick']} data-state={is ?? 'open'} data-next={isNext || undefined}>
      <button
        type="button"
        role="checkbox"
        aria-checked={is !== undefined}
        className={styles['tick']}
        onClick={() => onPick(is === undefined ? (owned ? 'have' : 'picked') : 'open')}
      >
        <span className={styles['box']} aria-hidden="true">
          {is === 'waived' ? <Minus size={18} /> : is && <Check size={18} />}
        </span>
        <span className={styles['many']}>{count}</span>
        <span className={styles['what']}>
          {what}
          <span className={styles['for']}>{sayFor(detail)}</span>
          {where !== undefined && <span className={styles['where']}>{where}</span>}
        </span>
      </button>
      {is === undefined && !owned ? (
        <span className={styles['else']}>
          <Button look="plain" onClick={() => onPick('have')}>
            Have it<Unseen>: {what}</Unseen>
          </Button>
          <Button look="plain" onClick={() => onPick('waived')}>
            Leave out<Unseen>: {what}</Unseen>
          </Button>
        </span>
      ) : (
        is !== undefined && is !== 'picked' && <span className={styles['said']}>{SAID[is]}</span>
      )}
    </li>
  );
}
