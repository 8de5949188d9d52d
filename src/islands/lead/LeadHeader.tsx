import { useEffect, useRef } from 'react';
import type { Assembly } from '../../core/assembly';
import { stripOf } from '../../core/drawing';
import { LeadStrip, Tape, Unseen } from '../../ui';
import styles from './LeadHeader.module.css';

/** The tape that a lead is named on, to be written on. */
export function NameTape({
  name,
  onName,
  problem,
}: {
  name: string;
  onName: (name: string) => void;
  problem: string | undefined;
}) {
  return (
    <h1 className={styles['name']}>
      <input
        className={styles['write']}
        aria-label="name of the lead"
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? 'name-problem' : undefined}
        value={name}
        maxLength={80}
        placeholder="name it"
        onChange={(event) => onName(event.target.value)}
      />
      {problem && (
        <span id="name-problem" role="alert" className={styles['problem']}>
          {problem}
        </span>
      )}
    </h1>
  );
}

/** The lead is the page: its stages sit along it in order and fill with copper as they are done. */
export function LeadHeader({
  id,
  name,
  assembly,
  stage,
  stages,
  onName,
  onEnd,
  problem,
}: {
  id: string;
  name: string;
  assembly: Assembly | undefined;
  /** The one that is open. */
  stage: string;
  /** All of them in order, and whether each is done. */
  stages: readonly { readonly name: string; readonly done: boolean }[];
  /** Where the name can be written: takes what is typed. */
  onName?: ((name: string) => void) | undefined;
  /** Where an end can be taken in hand by pointing at it. */
  onEnd?: ((end: string) => void) | undefined;
  problem?: string | undefined;
}) {
  const first = stages.findIndex((each) => !each.done);
  const reached = first === -1 ? stages.length : first;
  const along = useRef<HTMLOListElement>(null);
  // Where the cable is longer than the screen, the stage that is open is in sight.
  useEffect(() => {
    // With the next picture: the page is laid out for it then in any case.
    const frame = requestAnimationFrame(() => {
      const here = along.current?.querySelector<HTMLElement>('[aria-current]');
      const pushed = along.current?.closest<HTMLElement>('[data-pushed]');
      if (here && pushed && pushed.scrollWidth > pushed.clientWidth)
        pushed.scrollLeft +=
          here.getBoundingClientRect().left + here.offsetWidth / 2 - pushed.clientWidth / 2;
    });
    return () => cancelAnimationFrame(frame);
  }, [stage]);
  const stops = (
    <nav aria-label="Stages of this lead">
      <ol ref={along} className={styles['stages']}>
        {stages.map(({ name: each, done }) => (
          <li key={each}>
            <a
              href={`/lead/${id}/${each}`}
              className={styles['stage']}
              aria-current={each === stage ? 'step' : undefined}
              data-done={done}
            >
              <span className={styles['band']} aria-hidden="true" />
              <span className={styles['word']}>
                {each}
                {done && <Unseen> (done)</Unseen>}
              </span>
            </a>
          </li>
        ))}
      </ol>
    </nav>
  );
  return (
    <div className={styles['header']}>
      {onName ? (
        <NameTape name={name} onName={onName} problem={problem} />
      ) : (
        <h1 className={styles['name']}>
          <Tape size="large">{name.trim() === '' ? 'not named yet' : name}</Tape>
        </h1>
      )}
      {assembly ? (
        <LeadStrip strip={stripOf(assembly)} done={reached / stages.length} scale={2.1} onEnd={onEnd}>
          {stops}
        </LeadStrip>
      ) : (
        <div className={styles['noLead']}>{stops}</div>
      )}
    </div>
  );
}
