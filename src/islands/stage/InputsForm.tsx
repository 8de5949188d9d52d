import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import { INPUT_PORTS, readPasted, type InputList } from '../../core/sweep';
import type { Problem } from '../../core/quantity';
import type { Stage } from '../../server/stage/service';
import { Button, Unseen } from '../../ui';
import { ApiProblem, put, useStored } from '../app';
import { useTyped } from '../kept';
import styles from './Stage.module.css';
import { blank, documentOf, typedOf, type Typed, type TypedInput } from './typed-inputs';

/** What is kept of it here, with what it was changed from. */
interface Kept {
  readonly base: number;
  readonly typed: Typed;
}

/** The form, with what was typed before in this browser; as it is kept on the server until something is. */
function useKeptForm({ job, list, revision }: Stage) {
  const [kept, keep] = useStored<Kept | null>(`inputs.${job.id}`, null);
  const form = useForm<Typed>({ defaultValues: typedOf(list) });
  const { control, formState, reset } = form;
  /** Of which revision what is in the form was changed from. */
  const base = useRef(revision);
  const isRead = useRef(false);
  useEffect(() => {
    if (isRead.current || kept === null) return;
    isRead.current = true;
    base.current = kept.base;
    reset(kept.typed, { keepDefaultValues: true });
  }, [kept, reset]);
  // What another window kept is shown where nothing is typed here.
  useEffect(() => {
    if (kept !== null || base.current === revision) return;
    base.current = revision;
    reset(typedOf(list));
  }, [kept, list, revision, reset]);
  const typed = useWatch({ control });
  useEffect(() => {
    if (!formState.isDirty) return;
    isRead.current = true;
    keep(() => ({ base: base.current, typed: typed as Typed }));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- kept as it is typed, and not when it is kept
  }, [typed]);
  return {
    ...form,
    isChanged: kept !== null,
    base,
    /** It is on the server, or let go: what stands there is what is shown. */
    settle(now: { readonly list: InputList; readonly revision: number }) {
      keep(() => null);
      base.current = now.revision;
      reset(typedOf(now.list));
    },
  };
}

const PLACE = /^list\.inputs\[(\d+)\]\.(\w+)$/;

/** The input list: what goes onto which line, how it stands to phantom, how much it matters. */
// eslint-disable-next-line max-lines-per-function -- one form, read from top to bottom as it is seen.
export function InputsForm({ stage }: { readonly stage: Stage }) {
  const client = useQueryClient();
  const { register, control, handleSubmit, isChanged, base, settle } = useKeptForm(stage);
  const { fields, append, remove, move } = useFieldArray({ control, name: 'inputs', keyName: 'row' });
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [theirs, setTheirs] = useState<{ readonly list: InputList; readonly revision: number }>();
  const [said, setSaid] = useState('');
  const send = (on: number | undefined) =>
    handleSubmit(async (typed) => {
      setSaid('');
      setProblems([]);
      const list = documentOf(typed);
      try {
        const { revision } = await put<{ revision: number }>(`/api/stage/${stage.job.id}/inputs`, {
          base: on ?? base.current,
          list,
        });
        setTheirs(undefined);
        // The server took it: it is of that shape.
        settle({ list: list as InputList, revision });
        setSaid('Kept.');
        await client.invalidateQueries({ queryKey: [`/api/stage/${stage.job.id}`] });
      } catch (error) {
        if (!(error instanceof ApiProblem)) return setSaid('The server did not answer: press again.');
        setProblems(error.problems);
        if (error.problems[0]?.code === 'stage.changed')
          setTheirs(error.more['now'] as { readonly list: InputList; readonly revision: number });
      }
    });
  const problemAt = (n: number, field: string): Problem | undefined =>
    problems.find(({ path = '' }) => {
      const place = PLACE.exec(path);
      return place !== null && Number(place[1]) === n && place[2] === field;
    });
  const invalid = (n: number, field: string) => ({ 'aria-invalid': problemAt(n, field) !== undefined });
  return (
    <section aria-label="What goes onto the lines">
      <h2>What goes onto the lines</h2>
      <form
        aria-label="Input list"
        onSubmit={(event) => {
          event.preventDefault();
          void send(undefined)(event);
        }}
      >
        <div className={styles['wide']}>
          <table className={styles['inputs']}>
            <thead>
              <tr>
                <th scope="col">Way</th>
                <th scope="col">Input</th>
                <th scope="col">What it is</th>
                <th scope="col">Phantom</th>
                <th scope="col">Importance, 1–10</th>
                <th scope="col">Pair</th>
                <th scope="col">
                  <Unseen>Move or take out</Unseen>
                </th>
              </tr>
            </thead>
            <tbody>
              {fields.map(({ row }, n) => (
                <tr key={row}>
                  <td data-says="Way">
                    <input
                      {...register(`inputs.${n}.way`)}
                      {...invalid(n, 'way')}
                      inputMode="numeric"
                      maxLength={6}
                      aria-label={`printed way of input ${n + 1}`}
                      className={styles['figure']}
                    />
                  </td>
                  <td data-says="Input">
                    <input
                      {...register(`inputs.${n}.name`)}
                      {...invalid(n, 'name')}
                      maxLength={60}
                      aria-label={`name of input ${n + 1}`}
                    />
                  </td>
                  <td data-says="What it is">
                    <select {...register(`inputs.${n}.port`)} aria-label={`what input ${n + 1} is`}>
                      <option value="">not said</option>
                      {INPUT_PORTS.map(({ id, name }) => (
                        <option key={id} value={id}>
                          {name}
                        </option>
                      ))}
                    </select>
                  </td>
                  <td data-says="Phantom">
                    <select {...register(`inputs.${n}.phantom`)} aria-label={`phantom of input ${n + 1}`}>
                      <option value="">by what it is</option>
                      <option value="needs">needs it</option>
                      <option value="unhurt">bears it</option>
                      <option value="harmed">harmed by it</option>
                    </select>
                  </td>
                  <td data-says="Importance, 1–10">
                    <input
                      {...register(`inputs.${n}.weight`)}
                      {...invalid(n, 'weight')}
                      inputMode="numeric"
                      maxLength={4}
                      aria-label={`importance of input ${n + 1}`}
                      className={styles['figure']}
                    />
                  </td>
                  <td data-says="Pair">
                    <input
                      {...register(`inputs.${n}.pair`)}
                      {...invalid(n, 'pair')}
                      maxLength={60}
                      aria-label={`pair of input ${n + 1}`}
                      className={styles['pair']}
                    />
                  </td>
                  <td className={styles['acts']}>
                    <Button look="plain" disabled={n === 0} onClick={() => move(n, n - 1)}>
                      up<Unseen>, input {n + 1}</Unseen>
                    </Button>
                    <Button look="plain" onClick={() => remove(n)}>
                      out<Unseen>, input {n + 1}</Unseen>
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        {fields.length === 0 && <p className={styles['soft']}>No inputs yet: add one, or paste a list.</p>}
        <p className={styles['row']}>
          <Button onClick={() => append(blank())}>Another input</Button>
        </p>
        <Paste id={stage.job.id} onPaste={(found) => append(found)} />
        <p className={styles['row']}>
          A move costs{' '}
          <input
            {...register('move')}
            inputMode="decimal"
            aria-label="what a move costs"
            className={styles['figure']}
          />
          an unproven line{' '}
          <input
            {...register('onUnknown')}
            inputMode="decimal"
            aria-label="what an unproven line costs"
            className={styles['figure']}
          />{' '}
          × importance, a pair that is parted{' '}
          <input
            {...register('pairApart')}
            inputMode="decimal"
            aria-label="what a parted pair costs"
            className={styles['figure']}
          />
          , no way 100 × importance.
        </p>
        {problems.length > 0 && (
          <ul role="alert" className={styles['problem']}>
            {problems.map(({ says, path = '' }) => {
              const place = PLACE.exec(path);
              return (
                <li key={`${path} ${says}`}>
                  {place && (
                    <b>
                      Input {Number(place[1]) + 1}, {place[2]}:{' '}
                    </b>
                  )}
                  {says}
                </li>
              );
            })}
          </ul>
        )}
        <p className={styles['row']}>
          {theirs ? (
            <>
              <Button
                onClick={() => {
                  settle(theirs);
                  setTheirs(undefined);
                  setProblems([]);
                }}
              >
                Load theirs
              </Button>
              <Button onClick={() => void send(theirs.revision)()}>Keep mine on top</Button>
            </>
          ) : (
            <Button type="submit" look="main">
              Keep the list
            </Button>
          )}
          <span role="status">{isChanged ? 'Changed here, and not kept on the server yet.' : said}</span>
        </p>
      </form>
    </section>
  );
}

/** A list as it was sent: pasted, a line an input. */
function Paste({ id, onPaste }: { readonly id: string; readonly onPaste: (found: TypedInput[]) => void }) {
  const [text, setText] = useTyped(`paste-inputs:${id}`);
  const found = readPasted(text);
  return (
    <details>
      <summary>Paste a list</summary>
      <label className={styles['paste']}>
        a line for each input, its way first
        <textarea
          rows={4}
          maxLength={8000}
          value={text}
          placeholder={'1 Narrator, left\n2 Narrator, right'}
          onChange={({ target }) => setText(target.value)}
        />
      </label>
      <Button
        disabled={found.length === 0}
        onClick={() => {
          onPaste(found.map(({ name, way }) => blank({ name, way: way === undefined ? '' : String(way) })));
          setText('');
        }}
      >
        {found.length === 0 ? 'Add them' : `Add ${found.length}`}
      </Button>
    </details>
  );
}
