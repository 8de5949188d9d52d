import { useQueryClient } from '@tanstack/react-query';
import { createElement, useRef, useState } from 'react';
import type { Mapping, Unknown } from '../../core/formats';
import type { Problem } from '../../core/quantity';
import type { Imported } from '../../server/jobs/service';
import { Button, useLater } from '../../ui';
import { ApiProblem, ask } from '../app';
import { newId } from '../kept';
import styles from './Board.module.css';

// Seldom wanted, and heavy with what forms need.
const loadStandIns = async () => (await import('./StandIns')).StandIns;

interface Pending {
  readonly requestId: string;
  readonly document: unknown;
  readonly file: string;
}

/** Taking leads in from a file: all of them or, with the reason, none; what the catalogue does not have is asked for. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function ImportFile({ jobId, jobName }: { jobId: string; jobName: string }) {
  const client = useQueryClient();
  const field = useRef<HTMLInputElement>(null);
  const [pending, setPending] = useState<Pending | undefined>();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [unknown, setUnknown] = useState<readonly Unknown[]>([]);
  /** What was chosen so far: taking a file in may ask more than once. */
  const [stands, setStands] = useState<Mapping>({});
  const [said, setSaid] = useState('');
  const StandIns = useLater(loadStandIns, unknown.length > 0, 0);
  const refuse = (says: string): void => setProblems([{ code: 'file', says, path: '' }]);

  const send = async (wanted: Pending, mapping: Mapping): Promise<void> => {
    setProblems([]);
    setStands(mapping);
    try {
      const { leads } = await ask<Imported>('POST', `/api/jobs/${jobId}/import`, {
        requestId: wanted.requestId,
        document: wanted.document,
        mapping,
      });
      await client.invalidateQueries();
      setPending(undefined);
      setUnknown([]);
      setStands({});
      const other = leads.filter((lead) => !lead.same).map((lead) => lead.name);
      setSaid(
        `Taken in: ${leads.map((lead) => lead.name).join(', ')}.${
          other.length > 0
            ? ` The wiring of ${other.join(', ')} was worked out afresh and differs from the file’s.`
            : ''
        }`,
      );
    } catch (error) {
      if (!(error instanceof ApiProblem))
        return refuse('That did not work; nothing was taken in. Try again.');
      const missing = (error.more['unknown'] as readonly Unknown[] | undefined) ?? [];
      setUnknown(missing);
      setPending(missing.length > 0 ? wanted : undefined);
      setProblems(
        error.problems.length > 0
          ? error.problems
          : [{ code: 'failed', says: `${error.message} Nothing was taken in.`, path: '' }],
      );
    }
  };

  const read = async (file: File): Promise<void> => {
    setSaid('');
    setUnknown([]);
    setProblems([]);
    let document: unknown;
    try {
      document = JSON.parse(await file.text());
    } catch {
      refuse(`${file.name} is not JSON, or is damaged: nothing was taken in.`);
      return;
    }
    await send({ requestId: newId(), document, file: file.name }, {});
  };

  return (
    <>
      <Button onClick={() => field.current?.click()}>Take in a file</Button>
      <input
        ref={field}
        type="file"
        accept=".json,application/json"
        hidden
        aria-label={`file to take into ${jobName}`}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) void read(file);
        }}
      />
      <p role="status" className={styles['said']}>
        {said}
      </p>
      {problems.length > 0 && (
        <ul role="alert" className={styles['problem']}>
          {problems.slice(0, 8).map((problem) => (
            <li key={problem.path + problem.code + problem.says}>
              {problem.path && <code>{problem.path}: </code>}
              {problem.says}
            </li>
          ))}
          {unknown.length === 0 && <li>Nothing was taken in, and nothing was changed.</li>}
        </ul>
      )}
      {StandIns &&
        pending &&
        unknown.length > 0 &&
        createElement(StandIns, {
          key: unknown.map(({ id }) => id).join(),
          file: pending.file,
          unknown,
          onChosen: (mapping) => send(pending, { ...stands, ...mapping }),
        })}
    </>
  );
}
