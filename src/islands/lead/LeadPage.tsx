import { createElement, useEffect, useState } from 'react';
import { hasIntent, type Read } from '../../core/lead';
import { sayIntent } from '../../core/wiring';
import { useLater } from '../../ui';
import { ApiProblem, fileName, Frame, useKeys, usePlace } from '../app';
import type { PageProps } from '../app/page-props';
import { LEAD_KEYS } from './keys';
import { LeadHeader } from './LeadHeader';
import { STAGES } from './stages';
import styles from './Stage.module.css';
import { useLead, type Saving } from './useLead';

/** Seldom is a lead changed in two windows: what says so, and every kind of change in words, comes when it is. */
const loadConflict = async () => (await import('./Conflict')).Conflict;

export function LeadPage({ id = '', stage = '' }: PageProps) {
  return (
    <Frame keys={LEAD_KEYS} trail={<a href="/">the board</a>}>
      <Sheet id={id} stage={stage} />
    </Frame>
  );
}

function Sheet({ id, stage }: { id: string; stage: string }) {
  const { sheet, error, shown, reading, change, steps, saving, refused, conflict, settle } = useLead(id);
  const [taken, onTake] = useState<string>();
  const place = usePlace();
  const Conflict = useLater(loadConflict, conflict !== undefined, 0);
  const go = (by: number): void => {
    const to = STAGES.from(stage, by);
    if (to !== undefined) place.go(`/lead/${id}/${to}`);
  };
  // The next stage is opened next.
  const next = STAGES.from(stage, 1);
  const { prepare } = place;
  useEffect(() => {
    if (next === undefined) return;
    const timer = setTimeout(() => prepare(`/lead/${id}/${next}`), 300);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- how it is prepared never changes
  }, [id, next]);
  useKeys({
    'Mod+z': steps.undo,
    'Mod+Z': steps.redo,
    'Mod+y': steps.redo,
    '[': () => go(-1),
    ']': () => go(1),
  });
  const lost = error instanceof ApiProblem && !error.passing;
  if (!shown || !sheet || !reading)
    return (
      <main id="main" tabIndex={-1}>
        <p>{lost ? error.message : 'Fetching the lead…'}</p>
        {lost && shown && (
          <p>
            What was changed of it and not saved is kept in this browser: {shown.name}
            {hasIntent(shown) ? `, ${sayIntent(shown.intent)}` : ''}.
          </p>
        )}
      </main>
    );
  const { read, found, hangs } = reading;
  return (
    <main id="main" tabIndex={-1}>
      <LeadHeader
        id={id}
        name={shown.name}
        assembly={read.lead?.assembly ?? sheet.lead.assembly}
        stage={stage}
        stages={STAGES.along.map(({ name, done }) => ({
          name,
          done: done?.({ sheet, read, found, hangs }) ?? false,
        }))}
        onEnd={stage === 'wiring' ? onTake : undefined}
        onName={stage === 'intent' ? (name) => change({ ...shown, name }) : undefined}
        problem={read.problems.find((each) => each.path === 'name')?.says}
      />
      {conflict &&
        (Conflict ? (
          createElement(Conflict, { theirs: conflict.theirs, mine: conflict.mine, onSettle: settle })
        ) : (
          <p role="alert">This lead was changed in another window since you opened it.</p>
        ))}
      {STAGES.doors.draw(stage, { sheet, read, found, hangs, onChange: change, steps, taken, onTake }, stage)}
      <p className={styles['saving']} role="status">
        {saySaving(saving, read, sheet.revision)} {saving === 'refused' && refused}{' '}
        {!reading.isJudged && 'Looking it over…'}{' '}
        <a href={`/api/leads/${id}/export`} download={`${fileName(shown.name)}.json`}>
          Export this lead
        </a>
      </p>
    </main>
  );
}

function saySaving(saving: Saving, read: Read, revision: number): string {
  if (saving === 'saved') return `Saved, revision ${revision}.`;
  if (read.problems.length > 0) return 'Kept in this window; saved as soon as it is whole.';
  return {
    saving: 'Saving…',
    kept: 'Kept in this window; sent when the server is back.',
    unkept: 'This browser cannot keep it: do not close this window before the server is back.',
    refused: 'Kept in this window; the server does not take it:',
    conflict: 'Not saved: changed elsewhere.',
  }[saving];
}
