import type { Choosable, ChoicesFile } from '../../core/formats';
import { sayList } from '../../core/quantity';
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

/** What speaks most against one; where nothing does, why it stands behind. */
const whyNot = (each: Choosable): string => {
  const worst = worstOf(each);
  return worst === 'wrong' || worst === 'poor'
    ? each.reasons.flatMap(({ grade, says }) => (grade === worst ? says : [])).join(' ')
    : each.because;
};

type EndChoices = ChoicesFile['ends'][number];

/** Ends of one side that have the same to choose from and the same taken are told, and changed, as one. */
function groupsOf(
  ends: readonly EndChoices[],
  isNamed: (path: string) => boolean,
): readonly (readonly EndChoices[])[] {
  const groups = new Map<string, EndChoices[]>();
  for (const each of ends) {
    const key = JSON.stringify([each.path.split('[')[0], each.connector, each.bodies, isNamed(each.path)]);
    groups.set(key, [...(groups.get(key) ?? []), each]);
  }
  return [...groups.values()];
}

/** What the lead is made of: what was chosen and why, and of everything else why not. */
export function MadeOf({
  choices,
  intent,
  onChange,
}: {
  readonly choices: ChoicesFile;
  readonly intent: Intent;
  readonly onChange: (intent: Intent) => void;
}) {
  const withoutCable = (): Intent => {
    const { cable: _, ...rest } = intent;
    return rest;
  };
  const putBody = (paths: readonly string[], body: string | undefined): void => {
    const change = ({ body: _, ...end }: IntentEnd): IntentEnd =>
      body === undefined ? end : { ...end, body };
    const changed = (side: 'from' | 'to'): readonly IntentEnd[] =>
      intent[side].map((end, n) => (paths.includes(`intent.${side}[${n}]`) ? change(end) : end));
    onChange({ ...intent, from: changed('from'), to: changed('to') } as Intent);
  };
  const isNamed = (path: string): boolean =>
    (['from', 'to'] as const).some((side) =>
      intent[side].some((end, n) => path === `intent.${side}[${n}]` && end.body !== undefined),
    );
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
      {groupsOf(choices.ends, isNamed).map((ends) => {
        const [first] = ends;
        const paths = ends.map(({ path }) => path);
        return (
          first && (
            <Chosen
              key={first.path}
              what={`connector at ${ends.length > 1 ? 'ends' : 'end'} ${sayList(ends.map(({ end }) => end))}`}
              all={first.bodies}
              taken={first.connector}
              named={isNamed(first.path)}
              onTake={(body) => putBody(paths, body)}
              onLeave={() => putBody(paths, undefined)}
            />
          )
        );
      })}
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
                <p className={styles['why']}>{whyNot(each)}</p>
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
