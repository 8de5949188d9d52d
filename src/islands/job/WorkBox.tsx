import { useQueryClient } from '@tanstack/react-query';
import { dequal } from 'dequal';
import { useState } from 'react';
import { unitsOf } from '../../core/kit';
import type { Problem } from '../../core/quantity';
import type { LeadSheet } from '../../server/leads/service';
import type { Making } from '../../server/making/asked';
import { Button, HowMany, Mark, Unseen } from '../../ui';
import { askLead, type BoxFound } from '../../workers';
import { ApiProblem, ask, got, put, useStored } from '../app';
import { newId } from '../kept';
import styles from './Job.module.css';

export interface WorkBoxProps {
  readonly job: string;
  readonly leads: readonly Making[];
}

/** What is needed at once: of each lead so many; of one that is not named as many as the job asks for. */
interface Occasion {
  readonly name: string;
  readonly counts: Readonly<Record<string, number>>;
}
const AT_ONCE: readonly Occasion[] = [{ name: 'at once', counts: {} }];
const MOST_AT_ONCE = 200;
const MOST_OCCASIONS = 8;

/** How many a job asks for of a lead, both of each pair. */
const askedOf = ({ count, pairs }: Making): number => unitsOf({ count, pairs });
const neededOn = ({ counts }: Occasion, lead: Making): number => counts[lead.lead] ?? askedOf(lead);

type Adapter = BoxFound['adapters'][number];
/** What was found, the lead of the job that each adapter is, and for what it was asked. */
interface Found {
  readonly of: readonly Occasion[];
  readonly box: BoxFound;
  readonly is: ReadonlyMap<Adapter, Making>;
  readonly wanted: readonly Making[];
}

type Keep = (change: (now: readonly Occasion[]) => readonly Occasion[]) => void;

const NO_ANSWER = 'The server did not answer: press again.';

/** Finding the box, and having the job ask for it. */
function useBox(job: string, occasions: readonly Occasion[], keep: Keep, leads: readonly Making[]) {
  const client = useQueryClient();
  const [found, setFound] = useState<Found>();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [said, setSaid] = useState('');
  const [isBusy, setBusy] = useState(false);
  // Under the same ids it may be sent again: each lead is made once.
  const [ids] = useState(() => new Map<string, string>());
  const wanted = leads.filter((lead) => occasions.some((each) => neededOn(each, lead) > 0));

  const guarded = async (work: () => Promise<string>): Promise<void> => {
    setSaid('');
    setBusy(true);
    try {
      setSaid(await work());
    } catch (error) {
      setSaid(error instanceof ApiProblem ? error.message : NO_ANSWER);
    } finally {
      setBusy(false);
    }
  };

  const find = async (): Promise<string> => {
    const sheets = await Promise.all(
      wanted.map(({ lead }) => client.fetchQuery(got<LeadSheet>(`/api/leads/${lead}`))),
    );
    const needs = sheets.map(({ lead }, n) => ({ name: wanted[n]?.lead, intent: lead.intent }));
    const { box, problems: wrong } = await askLead((remote) =>
      remote.box({ needs, occasions: occasions.map((each) => occasionOf(each, wanted)) }),
    );
    setProblems(wrong.map((each) => inWords(each, wanted)));
    const is = new Map(
      (box?.adapters ?? []).flatMap((adapter) => {
        const lead = wanted[needs.findIndex(({ intent }) => dequal(intent, adapter.intent))];
        return lead ? [[adapter, lead] as const] : [];
      }),
    );
    setFound(box && { of: occasions, box, is, wanted });
    return '';
  };

  const settle = async ({ box, is, wanted: of }: Found): Promise<string> => {
    for (const adapter of box.adapters)
      if (!is.has(adapter)) {
        const key = JSON.stringify(adapter.intent);
        const id = ids.get(key) ?? newId();
        ids.set(key, id);
        const name = nameOf(adapter, of);
        await ask('POST', '/api/leads', { id, jobId: job, name, intent: adapter.intent });
        await put(`/api/jobs/${job}/making`, { lead: id, count: adapter.count, pairs: false });
      }
    const counts = new Map([...is].map(([adapter, { lead }]) => [lead, adapter.count]));
    for (const each of of) {
      const count = counts.get(each.lead) ?? 0;
      // What it asks for already stays as it is: as pairs, where it is.
      if (count !== askedOf(each))
        await put(`/api/jobs/${job}/making`, { lead: each.lead, count, pairs: false });
    }
    keep((now) => now.map((each) => ({ ...each, counts: settled(each, of) })));
    ids.clear();
    await client.invalidateQueries();
    return 'The job asks for these now.';
  };

  return {
    found: found?.of === occasions ? found : undefined,
    problems,
    said,
    isBusy,
    canFind: !isBusy && wanted.length > 0,
    find: () => void guarded(find),
    settle: (of: Found) => void guarded(() => settle(of)),
  };
}

/** An occasion as a work box’s document has it. */
const occasionOf = (occasion: Occasion, wanted: readonly Making[]) => ({
  name: occasion.name,
  needs: wanted.flatMap((lead) => {
    const count = neededOn(occasion, lead);
    return count > 0 ? [{ need: lead.lead, count }] : [];
  }),
});

/** The leads of a job as what may be needed, and the fewest adapters that do for all of it, judged by their nets. */
export function WorkBox({ job, leads }: WorkBoxProps) {
  const [occasions, keep] = useStored<readonly Occasion[]>(`box.${job}`, AT_ONCE);
  const { found, problems, said, isBusy, canFind, find, settle } = useBox(job, occasions, keep, leads);
  return (
    <details className={styles['chain']}>
      <summary>A work box: the fewest adapters that do for what may be needed</summary>
      <Occasions leads={leads} occasions={occasions} keep={keep} />
      <p className={styles['row']}>
        {occasions.length < MOST_OCCASIONS && (
          <Button
            look="plain"
            onClick={() => keep((now) => [...now, { name: `occasion ${now.length + 1}`, counts: {} }])}
          >
            Another occasion
          </Button>
        )}
        {occasions.length > 1 && (
          <Button look="plain" onClick={() => keep((now) => now.slice(0, -1))}>
            Take out {occasions.at(-1)?.name}
          </Button>
        )}
        <Button disabled={!canFind} onClick={find}>
          Find the fewest
        </Button>
        <span role="status">{isBusy ? 'Trying each for each…' : said}</span>
      </p>
      {problems.length > 0 && (
        <ul role="alert" className={styles['problems']}>
          {problems.map(({ path, says }) => (
            <li key={`${path} ${says}`}>{says}</li>
          ))}
        </ul>
      )}
      {found && <Box found={found} isBusy={isBusy} onSettle={() => settle(found)} />}
    </details>
  );
}

/** How many of each lead are needed at once, an occasion a column. */
function Occasions({
  leads,
  occasions,
  keep,
}: {
  readonly leads: readonly Making[];
  readonly occasions: readonly Occasion[];
  readonly keep: Keep;
}) {
  const change = (n: number, patch: Partial<Occasion>): void =>
    keep((now) => now.map((each, k) => (k === n ? { ...each, ...patch } : each)));
  return (
    <div className={styles['wide']}>
      <table className={styles['occasions']}>
        <caption>How many of each are needed at once</caption>
        <thead>
          <tr>
            <th scope="col">Lead</th>
            {occasions.map((each, n) => (
              <th key={n} scope="col">
                <input
                  aria-label={`name of occasion ${n + 1}`}
                  value={each.name}
                  maxLength={40}
                  onChange={({ target }) => change(n, { name: target.value })}
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {leads.map((lead) => (
            <tr key={lead.lead}>
              <th scope="row">{lead.name}</th>
              {occasions.map((each, n) => (
                <td key={n}>
                  <label>
                    <Unseen>
                      {lead.name}, {each.name}
                    </Unseen>
                    <HowMany
                      count={neededOn(each, lead)}
                      least={0}
                      most={MOST_AT_ONCE}
                      onCount={(count) => change(n, { counts: { ...each.counts, [lead.lead]: count } })}
                    />
                  </label>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What each need stands at once the job asks for the box: what may be needed stays as it was said. */
const settled = (occasion: Occasion, of: readonly Making[]): Occasion['counts'] => ({
  ...occasion.counts,
  ...Object.fromEntries(of.map((lead) => [lead.lead, neededOn(occasion, lead)])),
});

/** What is wrong, at the lead that it is of. */
function inWords({ path, says, ...problem }: Problem, wanted: readonly Making[]): Problem {
  const at = /^needs\[(\d+)\]/.exec(path)?.[1];
  const name = at === undefined ? undefined : wanted[Number(at)]?.name;
  return { ...problem, path, says: name === undefined ? says : `${name}: ${says}` };
}

const called = (lead: string, wanted: readonly Making[]): string =>
  wanted.find((each) => each.lead === lead)?.name ?? lead;
/** A way of making a lead that is not the job’s own is called after the lead and how it is wired. */
const nameOf = ({ name, wiring }: Adapter, wanted: readonly Making[]): string =>
  `${called(name, wanted)}, ${wiring}`.slice(0, 120);

function Box({
  found: { box, is, wanted, of },
  isBusy,
  onSettle,
}: {
  readonly found: Found;
  readonly isBusy: boolean;
  readonly onSettle: () => void;
}) {
  const each = wanted.reduce(
    (sum, lead) => sum + Math.max(...of.map((occasion) => neededOn(occasion, lead))),
    0,
  );
  return (
    <section aria-label="The work box">
      <p>
        <Mark
          kind={box.optimal ? 'good' : 'note'}
          word={`${box.count} ${box.count === 1 ? 'adapter' : 'adapters'}`}
        />{' '}
        {box.count < each ? `where one for each would be ${each}` : 'as many as are needed at once'}
        {box.optimal
          ? ', and fewer do not do.'
          : '; whether fewer would do was not looked through to the end.'}
      </p>
      <ul className={styles['minds']}>
        {box.adapters.map((adapter) => {
          const own = is.get(adapter);
          const others = adapter.serves.filter((lead) => lead !== own?.lead);
          return (
            <li key={`${adapter.name} ${adapter.wiring}`}>
              {adapter.count} × <b>{own?.name ?? nameOf(adapter, wanted)}</b>
              {own ? '' : ', to be added to the job'}
              {others.length > 0 && `: does for ${others.map((lead) => called(lead, wanted)).join(', ')} too`}
            </li>
          );
        })}
      </ul>
      <p className={styles['row']}>
        <Button disabled={isBusy} onClick={onSettle}>
          Ask the job for these
        </Button>
        <span className={styles['soft']}>Of what another does for, the job asks for none then.</span>
      </p>
    </section>
  );
}
