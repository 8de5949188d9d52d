import { useRef, useState } from 'react';
import { endsOf, connectorOf, placeOf } from '../../core/assembly';
import { peel, sayMeterAt, sayPeeled, sideFace } from '../../core/drawing';
import { unitNumber } from '../../core/kit';
import { sayAnswer, sayExpectation, type Answer, type Probe } from '../../core/proving';
import { parseResistance } from '../../core/quantity';
import { sayConnector } from '../../core/wiring';
import { Button, ButtonLink, Mark, PeeledEnd, SideFace, Tape } from '../../ui';
import { useKeys, usePlace } from '../app';
import { useTyped } from '../kept';
import { KeptCount, KeptTrouble } from './KeptHere';
import type { PageProps } from '../app/page-props';
import { UnitPage } from './UnitPage';
import { useDigits } from './useDigits';
import drawing from '../../ui/PeeledEnds.module.css';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

const KEYS = [
  ['0–9 .', 'type the reading, in ohms'],
  ['Enter', 'take the reading'],
  ['b', 'it beeps'],
  ['o', 'no beep: open'],
  ['u', 'the figure jumps while wiggling'],
  ['space, PgDn', 'on to the bench, when good'],
] as const;

export function Prove({ id = '' }: PageProps) {
  return (
    <UnitPage id={id} keys={KEYS}>
      {(page) => <Proving page={page} />}
    </UnitPage>
  );
}

function Proving({ page }: { page: UnitOnPage }) {
  const { unit, verdict, proof, readings, state } = page;
  const { go } = usePlace();
  const [again, setAgain] = useState<Probe | undefined>();
  const probe = again ?? verdict.next;
  const proveStep = page.operations.find((op) => op.kind === 'prove');
  const closed = [...(page.before.get(proveStep?.id ?? '') ?? [])].every((id) => state.done.has(id));
  const proven = proveStep !== undefined && state.done.has(proveStep.id);
  const take = (answer: Answer): void => {
    if (!probe) return;
    page.read(probe.id, answer);
    setAgain(undefined);
  };
  const finish = (): void => {
    if (verdict.is !== 'good' || !proveStep) return;
    if (proven || page.record('done', proveStep.id)) go(`/unit/${unit.id}/bench`);
  };
  useKeys({
    ' ': finish,
    PageDown: finish,
    b: () => take({ kind: 'beep' }),
    o: () => take({ kind: 'silent' }),
    u: () => take({ kind: 'unsteady' }),
  });
  const taken = proof.probes.filter((each) => readings.some((reading) => reading.probe === each.id)).length;
  return (
    <main id="main" tabIndex={-1} className={styles['bench']}>
      <div className={styles['head']}>
        <h1>
          <Tape>
            {unitNumber(unit.number)} {unit.lead.name}
          </Tape>
        </h1>
        <p className={styles['count']}>
          {taken} of {proof.probes.length} probes read
        </p>
        <ButtonLink look="plain" href={`/lead/${unit.leadId}/prove`}>
          leave the meter
        </ButtonLink>
      </div>
      <KeptCount page={page} />
      {!closed && (
        <p className={styles['caution']}>
          <Mark kind="caution" /> Both ends are not closed yet. Readings are kept, but it is the closed lead
          that is proven.
        </p>
      )}
      <div className={styles['step']}>
        <section className={styles['words']} aria-live="polite">
          {probe && !state.logged ? (
            <AskProbe key={probe.id + readings.length} probe={probe} page={page} onAnswer={take} />
          ) : (
            <VerdictWords page={page} />
          )}
          <KeptTrouble page={page} />
          {page.refused && (
            <p role="alert" className={styles['refused']}>
              <Mark kind="stop" /> {page.refused}
            </p>
          )}
        </section>
        <div className={styles['aside']}>
          <Faces page={page} probe={probe} />
          <Readings page={page} onAgain={state.logged || proven ? undefined : setAgain} />
        </div>
      </div>
      <footer className={styles['foot']}>
        {!state.logged && !proven && readings.length > 0 && (
          <Button onClick={() => page.record('mended', proveStep?.id)}>Mended: measure it all again</Button>
        )}
        <p className={styles['next']}>{verdict.is === 'unfinished' ? verdict.says : ''}</p>
        {verdict.is === 'good' && !state.logged && (
          <Button look="main" big onClick={finish}>
            {proven ? 'Back to the bench' : 'Proven: go on'}
          </Button>
        )}
      </footer>
    </main>
  );
}

function AskProbe({
  probe,
  page,
  onAnswer,
}: {
  probe: Probe;
  page: UnitOnPage;
  onAnswer: (answer: Answer) => void;
}) {
  const [text, setText] = useTyped(`reading:${page.unit.id}:${probe.id}`);
  const [problem, setProblem] = useState('');
  const field = useRef<HTMLInputElement>(null);
  useDigits(field);
  const submit = (): void => {
    const read = parseResistance(text, 'reading');
    if (read.ok) {
      setText('');
      onAnswer({ kind: 'ohms', ohms: read.value });
    } else setProblem(read.problems[0]?.says ?? '');
  };
  return (
    <>
      <h2 className={styles['title']}>
        <span className={styles['red']}>Red on {probe.red}</span>
        <br />
        <span className={styles['blackLead']}>
          black {probe.black.length > 1 ? `on each of ${probe.black.join(', ')}` : `on ${probe.black[0]}`}
        </span>
      </h2>
      <p className={styles['expect']}>
        Should read <b>{sayExpectation(page.proof.expects(probe))}</b>
      </p>
      {probe.kind === 'path' && (
        <p>
          Null the meter’s own leads first. Wiggle each end while watching: the figure must stay within 0.1 Ω.
        </p>
      )}
      <form
        className={styles['reading']}
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <label>
          Reading, Ω{' '}
          <input
            ref={field}
            value={text}
            inputMode="decimal"
            autoComplete="off"
            aria-invalid={problem !== ''}
            aria-describedby="reading-problem"
            onChange={(event) => setText(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && field.current?.blur()}
          />
        </label>
        <Button type="submit" big look="main">
          Take it
        </Button>
        <Button big onClick={() => onAnswer({ kind: 'beep' })}>
          Beep
        </Button>
        <Button big onClick={() => onAnswer({ kind: 'silent' })}>
          No beep
        </Button>
        <Button big onClick={() => onAnswer({ kind: 'unsteady' })}>
          It jumps
        </Button>
      </form>
      <p id="reading-problem" role="alert" className={styles['problem']}>
        {problem}
      </p>
    </>
  );
}

function VerdictWords({ page }: { page: UnitOnPage }) {
  const { verdict } = page;
  const [likely] = [...verdict.suspects].sort((a, b) => b.weight - a.weight);
  if (verdict.is === 'good')
    return (
      <>
        <h2 className={styles['title']}>
          <Mark kind="good" /> {verdict.says}
        </h2>
        {verdict.unseen.length > 0 && (
          <details>
            <summary>What these readings could not have seen ({verdict.unseen.length})</summary>
            <ul className={styles['detail']}>
              {[...new Set(verdict.unseen.map((fault) => fault.says))].map((says) => (
                <li key={says}>{says}.</li>
              ))}
            </ul>
          </details>
        )}
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
      <ul className={styles['detail']}>
        {verdict.off.map((each) => (
          <li key={each.probe.id}>{each.says}</li>
        ))}
      </ul>
    </>
  );
}

/** Both connectors from the front, as the builder looks at the closed lead, with the two meter leads on them. */
function Faces({ page, probe }: { page: UnitOnPage; probe: Probe | undefined }) {
  const { assembly, schools } = page;
  const red = new Set(probe ? [probe.red] : []);
  const black = new Set(probe?.black ?? []);
  // Of many ends only those that the meter touches are shown.
  const measuredEnds = new Set(
    [...red, ...black].map((each) => {
      const place = placeOf(assembly, each);
      return place?.kind === 'contact' ? place.end.id : undefined;
    }),
  );
  const all = endsOf(assembly);
  const ends = all
    .filter((end) => all.length <= 3 || measuredEnds.has(end.id))
    .flatMap((end) => {
      const drawn = peel(assembly, end.id, { side: 'mating' });
      const connector = connectorOf(assembly, end);
      return drawn && connector ? [{ drawn, connector, face: sideFace(connector) }] : [];
    });
  return (
    <div className={styles['faces']}>
      {ends.map(({ drawn, connector, face }) => (
        <figure key={drawn.end} className={styles['figure']}>
          <svg
            viewBox={`0 0 ${size(drawn.insertRadius)} ${size(drawn.insertRadius)}`}
            className={drawing['drawing']}
            role="img"
            aria-label={`${face ? `End ${drawn.end}, from the side.` : sayPeeled(drawn)} ${sayMeterAt(drawn, red, black)}`.trim()}
          >
            {face ? (
              <SideFace
                end={drawn.end}
                face={face}
                x={size(drawn.insertRadius) / 2}
                y={size(drawn.insertRadius) / 2 - 1}
                width={25}
                red={red}
                black={black}
              />
            ) : (
              <PeeledEnd
                drawn={drawn}
                x={size(drawn.insertRadius) / 2}
                y={size(drawn.insertRadius) / 2}
                jacket={0}
                red={red}
                black={black}
              />
            )}
          </svg>
          <figcaption>
            End {drawn.end}: {sayConnector(connector, schools).split(',')[0]},{' '}
            {face ? 'from the side' : 'mating face'}
          </figcaption>
        </figure>
      ))}
    </div>
  );
}

/** How wide a face's picture has to be, mm. */
const size = (insertRadius: number): number => Math.max(26, insertRadius * 2 + 8);

function Readings({ page, onAgain }: { page: UnitOnPage; onAgain: ((probe: Probe) => void) | undefined }) {
  const shown = [
    ...page.proof.probes,
    ...page.readings.flatMap((reading) => page.proof.probe(reading.probe) ?? []),
  ].filter((probe, n, all) => all.findIndex((each) => each.id === probe.id) === n);
  return (
    <table className={styles['readings']}>
      <caption>Readings</caption>
      <tbody>
        {shown.map((probe) => {
          const reading = page.readings.findLast((each) => each.probe === probe.id);
          const off = page.verdict.off.some((each) => each.probe.id === probe.id);
          return (
            <tr key={probe.id}>
              <td>
                {onAgain ? (
                  <button type="button" className={styles['again']} onClick={() => onAgain(probe)}>
                    {probe.says}
                  </button>
                ) : (
                  probe.says
                )}
              </td>
              <td>
                {reading ? sayAnswer(reading.answer) : ''}
                {reading && page.here.has(reading.id) && <small> kept here</small>}
              </td>
              <td>
                {reading ? <Mark kind={off ? 'stop' : 'good'} word={off ? 'off' : 'as it should'} /> : ''}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
