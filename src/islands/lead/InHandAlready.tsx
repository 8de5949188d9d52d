import { useId, useState } from 'react';
import type { Described } from '../../core/described';
import { portById } from '../../core/catalogue';
import { sayList } from '../../core/quantity';
import type { Intent } from '../../core/wiring';
import { Button, useLater } from '../../ui';
import { askLead, type DescribedLead } from '../../workers';
import { useTyped } from '../kept';
import styles from './Called.module.css';

/** What is touched on the faces of its ends. */
const touching = () => import('./TouchPairs');

interface Found {
  readonly text: string;
  readonly said: DescribedLead;
}

const AWAY = 'It could not be worked out here: load this page again.';

/** A lead that is there already, described by what the meter says of it: what it is, or what it is most like and what is otherwise. */
export function InHandAlready({
  jobId,
  onTake,
}: {
  readonly jobId: string;
  readonly onTake: (described: Described) => void;
}) {
  const [text, setText] = useTyped(`held:${jobId}`);
  const [found, setFound] = useState<Found>();
  const [asking, setAsking] = useState(false);
  // Where there is an end to touch.
  const touch = useLater(touching, /\S/.test(text));
  const at = useId();
  const ask = async (): Promise<void> => {
    setAsking(true);
    try {
      setFound({ text, said: await askLead((remote) => remote.described(text)) });
    } catch {
      setFound({ text, said: { problems: [{ code: 'away', says: AWAY, path: '' }] } });
    } finally {
      setAsking(false);
    }
  };
  // What was found is of that text alone.
  const { is, problems = [] } = found?.text === text ? found.said : {};
  return (
    <details className={styles['held']}>
      <summary>A lead that is there already: what is it?</summary>
      <form
        aria-label="From what the meter says"
        onSubmit={(event) => {
          event.preventDefault();
          void ask();
        }}
      >
        <label htmlFor={at}>
          A line for each end with its connector, a line for each group of contacts that beep to each other,
          and one for what is read between two that do not (A.T B.2 470)
        </label>
        <textarea
          id={at}
          rows={6}
          maxLength={4000}
          value={text}
          placeholder={'A xlr female\nB 6.35 TS\nA.2 B.T\nA.1 A.3 B.S'}
          aria-invalid={problems.length > 0}
          onChange={(event) => setText(event.target.value)}
        />
        {touch && <touch.TouchPairs text={text} onMeet={(line) => setText(`${text.trimEnd()}\n${line}`)} />}
        <Button type="submit" disabled={text.trim() === '' || asking}>
          What is it?
        </Button>
      </form>
      <div role="status">
        {asking && <p>Trying every lead with such ends…</p>}
        {is && (
          <Named
            is={is}
            onTake={() => {
              onTake(is);
              setText('');
            }}
          />
        )}
      </div>
      {problems.length > 0 && (
        <ul role="alert">
          {problems.map(({ says, path }) => (
            <li key={`${path} ${says}`}>
              {path.startsWith('line') && <b>{path}: </b>}
              {says}
            </li>
          ))}
        </ul>
      )}
    </details>
  );
}

/** What it is, or what it is most like, and what is otherwise. */
function Named({ is, onTake }: { readonly is: Described; readonly onTake: () => void }) {
  const { recipe, also, intent, ends, differs, changes } = is;
  return (
    <>
      <p>
        <b>{differs.length === 0 ? 'It is' : 'The nearest is'}</b> “{recipe.name}”. Such a lead goes, for one,
        from {standing(intent.from)} to {standing(intent.to)}.
      </p>
      {also.length > 0 && (
        <p>
          By the same contacts it may be {sayList(also.map(({ name }) => `“${name}”`))}: what it is used for
          no meter says.
        </p>
      )}
      {ends.some((id, n) => id !== letter(n)) && (
        <p>{ends.map((id, n) => `Your end ${id} is its end ${letter(n)}`).join('; ')}.</p>
      )}
      {differs.length > 0 && (
        <ul>
          {differs.map((says) => (
            <li key={says}>{says}</li>
          ))}
        </ul>
      )}
      {changes.length > 0 && (
        <p>
          Changed by hand it is the one in your hand: {changes.join('; ')}. It goes on with{' '}
          {changes.length === 1 ? 'that change' : 'those changes'}, each of which can be taken back.
        </p>
      )}
      <Button onClick={onTake}>Go on from it</Button>
    </>
  );
}

/** What stands at some ends, each kind once. */
const standing = (side: Intent['from']): string =>
  sayList([...new Set(side.map(({ port }) => portById(port)?.name ?? port))]);

const letter = (n: number): string => String.fromCharCode(65 + n);
