import { useState, type ComponentType } from 'react';
import { mendingOf, type Operation } from '../../core/bench';
import { usePlace } from '../app';
import { Button, Mark } from '../../ui';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

/** So many of what is not proven stand open; the rest unfolds. */
const SHOWN = 4;

/** What may be wrong for all that was asked, each with why it would not have shown: before any verdict. */
function NotProven({ page: { verdict } }: { page: UnitOnPage }) {
  if (verdict.notProven.length === 0) return null;
  const line = ({ what, why, fault }: (typeof verdict.notProven)[number]) => (
    <li key={fault}>
      {what}. <span className={styles['why']}>{why}</span>
    </li>
  );
  const more = verdict.notProven.slice(SHOWN);
  return (
    <section className={styles['notProven']}>
      <h3>Not proven</h3>
      <ul className={styles['detail']}>{verdict.notProven.slice(0, SHOWN).map(line)}</ul>
      {more.length > 0 && (
        <details>
          <summary>and {more.length} more</summary>
          <ul className={styles['detail']}>{more.map(line)}</ul>
        </details>
      )}
    </section>
  );
}

export interface VerdictProps {
  readonly page: UnitOnPage;
  readonly onNote: (text: string) => void;
}

/** Where along the cable: fetched when it is asked for. */
function Finder(finding: VerdictProps) {
  const [Found, setFound] = useState<ComponentType<VerdictProps>>();
  const { suspects } = finding.page.verdict;
  const mayLieAlong =
    suspects.every(({ kind }) => kind === 'open') || suspects.some(({ id }) => id.startsWith('melted:'));
  if (Found) return <Found {...finding} />;
  return mayLieAlong ? (
    <Button
      onClick={() =>
        void import('./BreakFinder')
          .then(({ BreakFinder }) => setFound(() => BreakFinder))
          // Away from the server there is none; the verdict stands all the same.
          .catch(() => undefined)
      }
    >
      Find where along the cable
    </Button>
  ) : null;
}

/** What the answers come to: good and with what exceptions, or what is wrong, where to look and what to do. */
export function VerdictWords({ page, onNote }: VerdictProps) {
  const { verdict } = page;
  const [likely] = [...verdict.suspects].sort((a, b) => b.weight - a.weight);
  if (verdict.is === 'good')
    return (
      <>
        <NotProven page={page} />
        <h2
          className={
            verdict.notProven.length > 0 ? `${styles['title']} ${styles['verdict']}` : styles['title']
          }
        >
          <Mark kind="good" {...(verdict.notProven.length > 0 ? { word: 'Good,' } : {})} />{' '}
          {verdict.says.replace(/^Good, /, '')}
        </h2>
      </>
    );
  return (
    <>
      <h2 className={`${styles['title']} ${styles['verdict']}`}>
        <Mark kind="stop" word={verdict.is === 'fault' ? 'Fault' : 'Not good'} /> {verdict.says}
      </h2>
      {verdict.where && <p className={styles['expect']}>{verdict.where}</p>}
      {likely && (
        <dl className={styles['fault']}>
          <dt>Likely cause</dt>
          <dd>{likely.cause}</dd>
          <dt>Remedy</dt>
          <dd>{likely.remedy}</dd>
        </dl>
      )}
      {verdict.off.length > 0 && <MendIt page={page} />}
      <ul className={styles['detail']}>
        {verdict.off.map((each) => (
          <li key={each.probe.id}>{each.says}</li>
        ))}
      </ul>
      {verdict.is === 'fault' && <Finder page={page} onNote={onNote} />}
    </>
  );
}

/** So many places where it may be are offered, the likeliest first. */
const PLACES = 3;

/** Of what is open again, the last first: the joints that are made anew, or its first step where none is; and what follows. */
function parted(again: readonly Operation[]): {
  readonly anew: readonly Operation[];
  readonly then: readonly Operation[];
} {
  const steps = [...again].reverse();
  const joints = steps.filter(({ joint }) => joint !== undefined);
  const anew = joints.length > 0 ? joints : steps.slice(0, 1);
  return { anew, then: steps.filter((step) => !anew.includes(step)) };
}
/** More than these are not named one by one on a button. */
const MOST_NAMED = 3;
const sayAnew = (anew: readonly Operation[]): string => {
  const titles = anew.map(({ title }) => title);
  return titles.length <= MOST_NAMED
    ? titles.join('; ')
    : `${titles[0] ?? ''}, and ${titles.length - 1} more joints`;
};
const named = (again: readonly Operation[]): string => again.map(({ id }) => id).join();

/** Opens again the steps that mend what is wrong, at each place where it may be, and goes to them: a short course of its own. */
function MendIt({ page }: { readonly page: UnitOnPage }) {
  const { go } = usePlace();
  const { unit, operations, before, state, verdict } = page;
  if (state.logged || state.givenUp !== undefined) return null;
  const ways = [...verdict.suspects]
    .sort((a, b) => b.weight - a.weight)
    .map((fault) => ({
      fault,
      again: mendingOf(page.assembly, { operations, before }, state.done, fault),
    }))
    .filter(
      ({ again }, n, all) =>
        again.length > 0 && all.findIndex((other) => named(other.again) === named(again)) === n,
    )
    .slice(0, PLACES);
  const open = ({ fault, again }: (typeof ways)[number]): void => {
    const first = again.at(-1)?.id;
    const isTaken = page.recordAll([
      { kind: 'wrong', operation: first, text: fault.says.slice(0, 2000) },
      ...again.map(({ id }) => ({ kind: 'undo' as const, operation: id })),
      { kind: 'mended', operation: first },
    ]);
    if (isTaken) go(`/unit/${unit.id}/bench`);
  };
  return ways.map((way) => {
    const { anew, then } = parted(way.again);
    return (
      <div key={named(way.again)} className={styles['mend']}>
        <Button onClick={() => open(way)}>Do again: {sayAnew(anew)}</Button>
        {then.length > 0 && (
          <details>
            <summary>
              with {then.length === 1 ? 'one step' : `${then.length} steps`} after it; then all is measured
              anew
            </summary>
            <ol>
              {then.map(({ id, title }) => (
                <li key={id}>{title}</li>
              ))}
            </ol>
          </details>
        )}
      </div>
    );
  });
}
