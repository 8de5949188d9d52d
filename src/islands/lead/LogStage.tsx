import { useMemo, useState } from 'react';
import { unitNumber } from '../../core/kit';
import { schoolsOf } from '../../core/lead';
import { sayList } from '../../core/quantity';
import { sayIntent } from '../../core/wiring';
import type { LeadSheet } from '../../server/leads/service';
import type { EntryLine, EntryOnPage } from '../../server/units/entry-of';
import { Mark, SortedTable, type SortedColumn } from '../../ui';
import { PutAway, saySeconds, useGot, usePlace, When } from '../app';
import { Ends } from './Ends';
import type { StageProps } from './stage-props';
import { useView } from './useView';
import { VerdictMark } from './VerdictMark';
import styles from './Stage.module.css';

/** Every unit with its whole record: number, label, who, when, times, readings, remarks. */
export function LogStage({ sheet }: Pick<StageProps, 'sheet'>) {
  const { go } = usePlace();
  return (
    <div className={styles['sheet']}>
      {sheet.units.length === 0 ? (
        <p>Finished leads are entered here by themselves, with each step and reading.</p>
      ) : (
        <Units sheet={sheet} />
      )}
      <h2>This lead</h2>
      <p className={styles['row']}>
        <span>
          {sheet.away ? 'It is put away: the board finds it.' : 'It hangs on the board.'}{' '}
          {sheet.units.length > 0 && 'It was built, and stays in the log.'}
        </span>
        <PutAway
          of={`/api/leads/${sheet.id}`}
          name={sheet.lead.name}
          away={sheet.away}
          built={sheet.units.length > 0}
          onDeleted={() => go('/')}
        />
      </p>
      <h2>Revisions of the wiring</h2>
      <SortedTable
        name="Newest first"
        rows={[...sheet.history].reverse()}
        columns={REVISIONS}
        keyOf={({ revision }) => `${revision}`}
      />
    </div>
  );
}

const REVISIONS: readonly SortedColumn<LeadSheet['history'][number]>[] = [
  { head: 'Revision', value: ({ revision }) => revision, figures: true },
  { head: 'Saved', value: ({ savedAt }) => savedAt, cell: ({ savedAt }) => <When at={savedAt} /> },
  { head: 'Name', value: ({ name }) => name },
  { head: 'What it was for', value: ({ intent }) => sayIntent(intent) },
];

/** The units in a line each, and of one of them everything. */
function Units({ sheet }: Pick<StageProps, 'sheet'>) {
  const { data: entries = [] } = useGot<readonly EntryLine[]>(`/api/leads/${sheet.id}/entries`);
  const newest = sheet.units.at(-1)?.id ?? '';
  const [opened, setOpened] = useState<string>();
  const shown = opened ?? newest;
  const columns: readonly SortedColumn<EntryLine>[] = [
    {
      head: 'No.',
      value: ({ number }) => number,
      cell: ({ id, number }) => (
        <button
          type="button"
          className={styles['open']}
          aria-pressed={id === shown}
          aria-label={`Show No. ${unitNumber(number)}`}
          onClick={() => setOpened(id)}
        >
          {unitNumber(number)}
        </button>
      ),
      figures: true,
    },
    { head: 'Built by', value: ({ builder }) => builder },
    {
      head: 'Started',
      value: ({ startedAt }) => startedAt,
      cell: ({ startedAt }) => <When at={startedAt} />,
    },
    {
      head: 'At the bench',
      value: ({ seconds }) => seconds,
      cell: ({ seconds }) => saySeconds(seconds),
      figures: true,
    },
    { head: 'Revision', value: ({ revision }) => revision, figures: true },
    {
      head: 'Meter',
      value: ({ verdict }) => verdict.says,
      cell: ({ verdict, measured }) => <VerdictMark is={verdict.is} measured={measured} />,
    },
  ];
  return (
    <>
      {entries.length > 1 && (
        <SortedTable
          name="Built so far: press a number"
          rows={[...entries].reverse()}
          columns={columns}
          keyOf={({ id }) => id}
        />
      )}
      <Entry key={shown} id={shown} />
    </>
  );
}

/** The lead of the revision that it was built to: what is soldered as it lies, what was not got to faint. */
function AsBuilt({ entry }: { readonly entry: EntryOnPage }) {
  const view = useView(schoolsOf(entry.lead));
  const [taken, setTaken] = useState<string>();
  const made = useMemo(() => new Set(entry.made), [entry.made]);
  // What is soldered is seen from there.
  return (
    <Ends
      lead={entry.lead}
      as="held"
      view={{ ...view, side: 'solder' }}
      taken={taken}
      onTake={setTaken}
      made={made}
    />
  );
}

function Entry({ id }: { readonly id: string }) {
  const { data: entry } = useGot<EntryOnPage>(`/api/units/${id}/entry`);
  if (!entry) return <p className={styles['unit']}>Reading its entry…</p>;
  return (
    <article className={styles['unit']} aria-label={`Number ${unitNumber(entry.number)}`}>
      <div className={styles['row']}>
        <pre className={styles['label']}>{entry.label.join('\n')}</pre>
        <div>
          <p>
            {entry.givenUp !== undefined ? (
              <Mark kind="caution" word={`Given up: ${entry.givenUp}`} />
            ) : entry.logged ? (
              <Mark kind="good" word="Logged" />
            ) : (
              <Mark kind="note" word={`${entry.done} of ${entry.of} steps`} />
            )}{' '}
            <VerdictMark is={entry.verdict.is} measured={entry.readings.length} />
          </p>
          {entry.readings.length > 0 && <p>{entry.verdict.says}</p>}
          <p>
            Built by <b>{entry.builder}</b> to revision {entry.revision}, started{' '}
            <When at={entry.startedAt} />
          </p>
          <p>
            At the bench <b className={styles['figure']}>{saySeconds(entry.seconds)}</b>
          </p>
        </div>
      </div>
      {entry.glued.length > 0 && (
        <p>
          {entry.glued.length === 1 ? `End ${entry.glued.join()} is` : `Ends ${sayList(entry.glued)} are`}{' '}
          glued shut: a repair cuts the plug off and takes a new one.
        </p>
      )}
      <AsBuilt entry={entry} />
      {entry.remarks.length > 0 && (
        <ul className={styles['reasons']}>
          {entry.remarks.map((remark) => (
            <li key={remark.at + remark.text}>
              {remark.kind === 'wrong' ? 'Wrong' : 'Note'}: {remark.text}
            </li>
          ))}
        </ul>
      )}
      <div className={styles['halves']}>
        <details open>
          <summary>Time by step</summary>
          <table className={styles['table']}>
            <tbody>
              {entry.steps.map(({ id: step, title, seconds }) => (
                <tr key={step}>
                  <td>{title}</td>
                  <td className={styles['figure']}>{seconds === undefined ? '' : saySeconds(seconds)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
        <details open>
          <summary>Readings ({entry.readings.length})</summary>
          <table className={styles['table']}>
            <tbody>
              {entry.readings.map((reading) => (
                <tr key={reading.id}>
                  <td>{reading.says}</td>
                  <td className={styles['figure']}>{reading.read}</td>
                  <td>
                    <When at={reading.at} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      </div>
    </article>
  );
}
