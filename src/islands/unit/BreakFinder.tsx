import { useEffect, useState } from 'react';
import { placeOf, type Terminal } from '../../core/assembly';
import { coreFacts, provenOf, repairOf, type CoreFacts, type Repair } from '../../core/bench';
import type { Serving } from '../../core/findings';
import type { Lead } from '../../core/lead';
import { locate, type Fault, type Located } from '../../core/proving';
import { parseCapacitance, parseResistance, type Result } from '../../core/quantity';
import { Button } from '../../ui';
import { askLead } from '../../workers';
import { useTyped } from '../kept';
import styles from './Unit.module.css';
import type { UnitOnPage } from './useUnit';

/** The conductor that a fault is about, where it is one in a cable. */
const coreOf = ({ near }: Fault): Terminal | undefined => near.find((each) => each.includes('@'));

/** What is looked for, and in which core of which cable; nothing where what is wrong cannot lie along one. */
export function whatToFind(
  page: UnitOnPage,
): { is: 'open' | 'short'; span: string; core: string } | undefined {
  const { suspects } = page.verdict;
  const is = suspects.every(({ kind }) => kind === 'open')
    ? 'open'
    : suspects.some(({ id }) => id.startsWith('melted:')) && suspects.every(({ kind }) => kind === 'short')
      ? 'short'
      : undefined;
  const about = suspects.find(({ id }) => is === 'open' || id.startsWith('melted:'));
  const place = about && placeOf(page.assembly, coreOf(about) ?? '');
  return is && place?.kind === 'conductor'
    ? { is, span: place.span.id, core: place.conductor.id }
    : undefined;
}

/** A cable drawn to its length: where it may lie, and where it most likely does. */
function Along({ found, facts }: { found: Located; facts: CoreFacts }) {
  const at = (mm: number): number => 4 + (mm / facts.lengthMm) * 92;
  return (
    <svg
      viewBox="0 0 100 16"
      className={styles['along']}
      role="img"
      aria-label={`${facts.near} on the left, ${facts.far} on the right. ${found.says}`}
    >
      <text x="0" y="9.6" className={styles['endName']}>
        {facts.near.replace('end ', '')}
      </text>
      <text x="100" y="9.6" textAnchor="end" className={styles['endName']}>
        {facts.far.replace('end ', '')}
      </text>
      <rect x="4" y="6" width="92" height="4" className={styles['jacket']} />
      <rect
        x={at(found.fromMm)}
        y="3"
        width={Math.max(0.8, at(found.toMm) - at(found.fromMm))}
        height="10"
        className={styles['range']}
      />
      <path d={`M ${at(found.mm)} 2 v 12`} className={styles['likely']} />
      <path d={`M ${at(found.cut.atMm)} 5 v 6`} className={styles['cutHere']} />
    </svg>
  );
}

/** What was typed at each end, and what it comes to. */
function useFinding(page: UnitOnPage) {
  const what = whatToFind(page);
  const key = `break:${page.unit.id}`;
  const [near, setNear] = useTyped(`${key}:near`);
  const [far, setFar] = useTyped(`${key}:far`);
  const { lead } = page.unit;
  const facts = what && coreFacts(lead, provenOf(lead).situation, what);
  if (!what || !facts?.ok) return undefined;
  const parse = (text: string): Result<number> =>
    what.is === 'open'
      ? parseCapacitance(/[a-zµμ]/i.test(text) ? text : `${text} pF`, 'reading')
      : parseResistance(text, 'reading');
  const fields = [
    { at: 'near', end: facts.value.near, text: near, set: setNear },
    { at: 'far', end: facts.value.far, text: far, set: setFar },
  ] as const;
  const read = fields.flatMap(({ at, text }) => (text.trim() === '' ? [] : [{ at, value: parse(text) }]));
  const bad = read.flatMap(({ value }) => (value.ok ? [] : value.problems))[0]?.says;
  const located =
    read.length === 0 || bad !== undefined
      ? undefined
      : locate({
          version: 1,
          is: what.is,
          ...facts.value,
          readings: read.flatMap(({ at, value }) =>
            value.ok ? [{ at, [what.is === 'open' ? 'farads' : 'ohms']: value.value }] : [],
          ),
        });
  const found = located?.ok ? located.value : undefined;
  const repaired = found && repairOf(lead, found, what.span);
  return {
    is: what.is,
    facts: facts.value,
    fields,
    problem: bad ?? (located && !located.ok ? located.problems[0]?.says : undefined) ?? '',
    found,
    repair: repaired?.ok ? repaired.value : undefined,
  };
}

/** Whether what a repair leaves still serves, and whether that is worked out. */
function useServing(
  lead: Lead,
  repair: Repair | undefined,
): { readonly isKnown: boolean; readonly serving: Serving | undefined } {
  const [serving, setServing] = useState<{ readonly of: number; readonly is?: Serving }>();
  const { newMm, askedMm } = repair ?? {};
  useEffect(() => {
    if (newMm === undefined || askedMm === undefined) return;
    let isHere = true;
    void askLead((remote) => remote.serving(lead, { newMm, askedMm }))
      .then((is) => isHere && setServing({ of: newMm, is }))
      // Away from the server nothing is said of it.
      .catch(() => isHere && setServing({ of: newMm }));
    return () => {
      isHere = false;
    };
  }, [lead, newMm, askedMm]);
  const isKnown = newMm === undefined || serving?.of === newMm;
  return { isKnown, serving: isKnown ? serving?.is : undefined };
}

/** Where along the cable: by capacitance or by loop, from one end or from both, and what a repair leaves. */
export function BreakFinder({ page, onNote }: { page: UnitOnPage; onNote: (text: string) => void }) {
  const finding = useFinding(page);
  const [kept, setKept] = useState('');
  const { isKnown, serving } = useServing(page.unit.lead, finding?.repair);
  if (!finding) return null;
  const { is, facts, fields, problem, found, repair } = finding;
  const says = found
    ? [
        found.says.replaceAll('the near end', facts.near).replaceAll('the far end', facts.far),
        repair?.says ?? '',
        ...(serving ? [serving.says, ...serving.against] : []),
      ]
        .join(' ')
        .trim()
    : '';
  return (
    <section className={styles['finder']}>
      <h3>Where along the cable?</h3>
      <p>
        {is === 'open'
          ? 'Both ends unplugged. Capacitance from the broken core to everything else tied together, at each end; at one end alone it is less sure.'
          : 'Loop resistance from the shorted core to what it is shorted to, at each end; the other end open.'}
      </p>
      <div className={styles['reading']}>
        {fields.map(({ at, end, text, set }) => (
          <label key={at}>
            At {end}, {is === 'open' ? 'pF' : 'Ω'}{' '}
            <input
              value={text}
              inputMode="decimal"
              autoComplete="off"
              onChange={(event) => set(event.target.value)}
            />
          </label>
        ))}
      </div>
      <p role="alert" className={styles['problem']}>
        {problem}
      </p>
      {found && (
        <>
          <Along found={found} facts={facts} />
          <p className={styles['expect']} role="status">
            {says}
          </p>
          <p className={styles['why']}>
            By {found.by}. The dashed line is where to cut; the longer piece stays.
          </p>
          {repair && (
            <details>
              <summary>The work at end {repair.end} again</summary>
              <ol className={styles['detail']}>
                {repair.steps.map((step) => (
                  <li key={step}>{step}</li>
                ))}
              </ol>
            </details>
          )}
          <Button
            // What is noted is all that there is to say.
            disabled={kept === says || !isKnown}
            onClick={() => {
              onNote(says);
              setKept(says);
            }}
          >
            {kept === says ? 'Noted with this lead' : 'Note it with this lead'}
          </Button>
        </>
      )}
    </section>
  );
}
