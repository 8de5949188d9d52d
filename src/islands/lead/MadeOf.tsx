import type { Choosable, ChoicesFile } from '../../core/formats';
import type { Grade, Intent, IntentEnd } from '../../core/wiring';
import { Button, Mark, type MarkKind } from '../../ui';
import styles from './MadeOf.module.css';

const WORDS: Readonly<Record<Grade, readonly [mark: MarkKind, word: string]>> = {
  good: ['good', 'Suits'],
  fair: ['note', 'Will do'],
  poor: ['caution', 'Poor'],
  wrong: ['stop', 'Wrong'],
};
const WORST: readonly Grade[] = ['wrong', 'poor', 'fair', 'good'];
const worstOf = ({ reasons }: Choosable): Grade =>
  WORST.find((grade) => reasons.some((reason) => reason.grade === grade)) ?? 'good';

/** What the lead is made of: what was chosen and why, and of everything else why not. */
export function MadeOf({
  choices,
  intent,
  onChange,
}: {
  readonly choices: ChoicesFile | undefined;
  readonly intent: Intent;
  readonly onChange: (intent: Intent) => void;
}) {
  if (!choices) return null;
  const withoutCable = (): Intent => {
    const { cable: _, ...rest } = intent;
    return rest;
  };
  const putBody = (path: string, body: string | undefined): void => {
    const [, side, n] = /^intent\.(from|to)\[(\d+)\]$/.exec(path) ?? [];
    const change = ({ body: _, ...end }: IntentEnd): IntentEnd =>
      body === undefined ? end : { ...end, body };
    if (side === 'from' || side === 'to')
      onChange({ ...intent, [side]: intent[side].map((end, k) => (`${k}` === n ? change(end) : end)) });
  };
  const endOf = (path: string): IntentEnd | undefined => {
    const [, side, n] = /^intent\.(from|to)\[(\d+)\]$/.exec(path) ?? [];
    return side === 'from' || side === 'to' ? intent[side][Number(n)] : undefined;
  };
  return (
    <section aria-label="What it is made of" className={styles['made']}>
      <h2>What it is made of</h2>
      {choices.cable !== undefined && choices.cables[0]?.can && (
        <Chosen
          what="cable"
          all={choices.cables}
          taken={choices.cable}
          named={intent.cable !== undefined}
          onTake={(cable) => onChange({ ...intent, cable })}
          onLeave={() => onChange(withoutCable())}
        />
      )}
      {choices.ends.map(({ end, path, connector, bodies }) => (
        <Chosen
          key={end}
          what={`connector at end ${end}`}
          all={bodies}
          taken={connector}
          named={endOf(path)?.body !== undefined}
          onTake={(body) => putBody(path, body)}
          onLeave={() => putBody(path, undefined)}
        />
      ))}
    </section>
  );
}

/** One thing that was chosen, or named; and everything that could stand in its place, best first. */
function Chosen({
  what,
  all,
  taken,
  named,
  onTake,
  onLeave,
}: {
  readonly what: string;
  readonly all: readonly Choosable[];
  readonly taken: string;
  readonly named: boolean;
  readonly onTake: (id: string) => void;
  readonly onLeave: () => void;
}) {
  const is = all.find(({ id }) => id === taken);
  const others = all.filter(({ id }) => id !== taken);
  const [useful, useless] = [others.filter(({ can }) => can), others.filter(({ can }) => !can)];
  const [first] = all;
  if (!is || !first) return null;
  return (
    <details className={styles['one']}>
      <summary>
        <b>{is.name}</b>
        <span className={styles['soft']}>
          {named ? `, the ${what} that you named` : `, the ${what} that was chosen`}
          {others.length > 0 ? `: why, and why not ${others.length === 1 ? 'the other' : 'another'}` : ''}
        </span>
      </summary>
      {named && first.id !== taken && (
        <p className={styles['why']}>
          Left open, it would be <b>{first.name}</b>. <Button onClick={onLeave}>Leave it open</Button>
        </p>
      )}
      {named && first.id === taken && (
        <p className={styles['why']}>
          Left open, it would be the same. <Button onClick={onLeave}>Leave it open</Button>
        </p>
      )}
      {is.reasons.length === 0 ? (
        <p className={styles['why']}>{is.because}</p>
      ) : (
        is.reasons.map(({ id, grade, says }) => (
          <p key={id} className={styles['why']}>
            <Mark kind={WORDS[grade][0]} word={WORDS[grade][1]} /> {says}
          </p>
        ))
      )}
      {useful.length > 0 && (
        <ol className={styles['list']}>
          {useful.map((each) => {
            const [mark, word] = WORDS[worstOf(each)];
            return (
              <li key={each.id}>
                <Mark kind={mark} word={word} /> <b>{each.name}</b>{' '}
                <Button aria-label={`Take ${each.name}`} onClick={() => onTake(each.id)}>
                  Take it
                </Button>
                <p className={styles['why']}>{each.because}</p>
              </li>
            );
          })}
        </ol>
      )}
      {useless.length > 0 && (
        <details>
          <summary>Not at all: {useless.length === 1 ? 'one other' : `${useless.length} others`}</summary>
          <ul className={styles['list']}>
            {useless.map((each) => (
              <li key={each.id}>
                <b>{each.name}</b>
                <p className={styles['why']}>{each.because}</p>
              </li>
            ))}
          </ul>
        </details>
      )}
    </details>
  );
}
