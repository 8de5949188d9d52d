import { useLayoutEffect, useRef, useState } from 'react';
import type { Circuit } from '../../core/circuit';
import type { Problem, Result } from '../../core/quantity';
import { QUESTIONS, typeNumber, type Answer, type Question } from '../../core/signal';
import { Button, Chart, CircuitText, FigureLine, Mark, Rows } from '../../ui';
import { askLead } from '../../workers';
import { Frame, searchOf, stored, usePlace, useWorker } from '../app';
import slots from '../app/Sentence.module.css';
import styles from './Sums.module.css';

const KEYS = [['Tab', 'from slot to slot']] as const;

/** The sums of the trade with no lead: pick a question, answer its sentence, keep it or share its link. */
export function SumsPage() {
  return (
    <Frame keys={KEYS} trail={<a href="/">the board</a>}>
      <Sums />
    </Frame>
  );
}

/** What is asked, as it stands in the page's address: `?q=sum&load=600`. */
interface Asked {
  readonly id: string;
  readonly typed: Readonly<Record<string, string>>;
}

function askedIn(search: string): Asked {
  const { q = '', ...typed } = Object.fromEntries(new URLSearchParams(search));
  const known = QUESTIONS.find((question) => question.id === q);
  if (!known) return { id: QUESTIONS[0]?.id ?? '', typed: {} };
  // What a link has that this sum does not ask for is let go.
  const slots = new Set(known.slots.map((slot) => slot.id));
  return { id: q, typed: Object.fromEntries(Object.entries(typed).filter(([key]) => slots.has(key))) };
}

const addressOf = ({ id, typed }: Asked): string =>
  `/sums?${new URLSearchParams({ q: id, ...typed }).toString()}`;

interface Kept extends Asked {
  readonly says: string;
}

const keptSums = stored<readonly Kept[]>('sums');

// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
function Sums() {
  const place = usePlace();
  const [asked, setAsked] = useState<Asked>(() => askedIn(searchOf(place)));
  const newest = useRef(asked);
  const [kept, setKept] = useState<readonly Kept[]>([]);
  // What this browser keeps, the server does not know.
  // eslint-disable-next-line react-hooks/set-state-in-effect -- read once, before anything is seen
  useLayoutEffect(() => setKept(keptSums.read() ?? []), []);
  const [copied, setCopied] = useState(false);
  const question = QUESTIONS.find((each) => each.id === asked.id) ?? QUESTIONS[0];
  const worker = useWorker<Result<Answer>>(JSON.stringify(asked), (remote) =>
    remote.sum(asked.id, asked.typed),
  );
  if (!question) return null;
  const put = (next: Asked): void => {
    newest.current = next;
    setAsked(next);
    setCopied(false);
    // The address is the sum: a reload, or the link, brings back what was typed.
    place.rename(addressOf(next));
  };
  /** What is typed goes to what was typed last, and only into the sum that asked for it. */
  const type = (id: string, slot: string, value: string): void => {
    if (newest.current.id === id) put({ id, typed: { ...newest.current.typed, [slot]: value } });
  };
  const keep = (list: readonly Kept[]): void => {
    setKept(list);
    keptSums.write(list);
  };
  const result = worker.value;
  const problems = result && !result.ok ? result.problems : [];
  const address = addressOf(asked);
  return (
    <main id="main" tabIndex={-1} className={styles['page']}>
      <nav aria-label="Sums">
        <h1 className={styles['title']}>Sums</h1>
        <ul className={styles['list']}>
          {QUESTIONS.map((each) => (
            <li key={each.id}>
              <a
                href={`/sums?q=${each.id}`}
                aria-current={each.id === question.id ? 'page' : undefined}
                onClick={(event) => {
                  event.preventDefault();
                  put({ id: each.id, typed: {} });
                }}
              >
                {each.name}
              </a>
            </li>
          ))}
        </ul>
        {kept.length > 0 && (
          <>
            <h2 className={styles['title']}>Kept</h2>
            <ul className={styles['kept']}>
              {kept.map((each) => (
                <li key={addressOf(each)}>
                  <a
                    href={addressOf(each)}
                    onClick={(event) => {
                      event.preventDefault();
                      put({ id: each.id, typed: each.typed });
                    }}
                  >
                    {QUESTIONS.find(({ id }) => id === each.id)?.name}
                  </a>{' '}
                  <button
                    type="button"
                    aria-label={`let go of ${each.says}`}
                    onClick={() => keep(kept.filter((other) => addressOf(other) !== addressOf(each)))}
                  >
                    ✕
                  </button>
                  <span>{each.says}</span>
                </li>
              ))}
            </ul>
          </>
        )}
      </nav>
      <div>
        <Sentence
          key={question.id}
          question={question}
          typed={asked.typed}
          problems={problems}
          onType={(slot, value) => type(question.id, slot, value)}
        />
        <div role="status" className={styles['verdict']} data-stale={!worker.current}>
          {result?.ok && (
            <p>
              <Mark kind={result.value.weight} /> {result.value.says}
            </p>
          )}
          {problems.length > 0 && <p>What is typed above has to be put right first; it is kept.</p>}
          {worker.failed && <p>{worker.failed}</p>}
          {worker.slow && <Button onClick={worker.stop}>Stop</Button>}
          {worker.stopped && <Button onClick={worker.again}>Go on</Button>}
        </div>
        <div className={styles['actions']}>
          <Button
            onClick={() => {
              void navigator.clipboard.writeText(location.origin + address).then(
                () => setCopied(true),
                () => setCopied(false),
              );
            }}
          >
            Copy its link
          </Button>
          {result?.ok && (
            <Button
              onClick={() =>
                keep(
                  [
                    { ...asked, says: result.value.says },
                    ...kept.filter((each) => addressOf(each) !== address),
                  ].slice(0, 20),
                )
              }
            >
              Keep it here
            </Button>
          )}
          <span role="status">{copied ? 'Copied.' : ''}</span>
        </div>
        {result?.ok && <AnswerBelow answer={result.value} />}
      </div>
    </main>
  );
}

/** The question as a sentence whose slots are typed or picked. */
function Sentence({
  question,
  typed,
  problems,
  onType,
}: {
  question: Question;
  typed: Readonly<Record<string, string>>;
  problems: readonly Problem[];
  onType: (slot: string, value: string) => void;
}) {
  return (
    <div className={slots['sentence']}>
      <p>
        {question.sentence.split(/(\{\w+\})/).map((piece, n) => {
          const slot = question.slots.find((each) => `{${each.id}}` === piece);
          if (!slot) return <span key={n}>{piece}</span>;
          const problem = problems.find((each) => each.path === slot.id);
          const shared = {
            'aria-label': slot.name,
            'aria-invalid': problem !== undefined,
            'aria-describedby': problem ? `problem-${slot.id}` : undefined,
          };
          return (
            <span key={slot.id} className={slots['slot']}>
              {slot.kind === 'choice' ? (
                <select
                  {...shared}
                  value={typed[slot.id] ?? slot.usual}
                  onChange={(event) => onType(slot.id, event.target.value)}
                >
                  {Object.entries(slot.options).map(([value, name]) => (
                    <option key={value} value={value}>
                      {name}
                    </option>
                  ))}
                </select>
              ) : (
                <>
                  <input
                    {...shared}
                    inputMode="text"
                    value={typed[slot.id] ?? typeNumber(slot.usual)}
                    maxLength={16}
                    onChange={(event) => onType(slot.id, event.target.value)}
                  />
                  {slot.unit && <span className={styles['unit']}>{slot.unit}</span>}
                </>
              )}
              {problem && (
                <span id={`problem-${slot.id}`} role="alert" className={slots['problem']}>
                  {problem.says}
                </span>
              )}
            </span>
          );
        })}
      </p>
    </div>
  );
}

function AnswerBelow({ answer }: { answer: Answer }) {
  const { figures, chart, table, notes } = answer;
  return (
    <div className={styles['below']} data-wide={chart === undefined && table === undefined}>
      <div>
        {figures.map((each) => (
          <FigureLine key={each.kind} figure={each} />
        ))}
        <ul className={styles['notes']}>
          {notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
        </ul>
        <CircuitText
          key={JSON.stringify(answer.circuit)}
          text={() => askLead((remote) => remote.deck('a sum', answer.circuit as Circuit))}
        />
      </div>
      <div>
        {chart && <Chart chart={chart} height={240} />}
        {table && <Rows table={table} />}
      </div>
    </div>
  );
}
