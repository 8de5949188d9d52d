import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { SCHOOLS, type ChosenSchools } from '../../core/wiring';
import type { Workshop } from '../../server/workshop/service';
import { ButtonLink, Mark } from '../../ui';
import { ApiProblem, ask, Frame, putIn, SchoolGroups, SchoolQuestion, useWorkshop, WORKSHOP } from '../app';
import { CableForm, ConnectorForm, MeterForm, SetUpForm } from './later-forms';
import { OwnCables, OwnConnectors } from './OwnLists';
import type { Saved } from './useEntryForm';
import styles from './Workshop.module.css';

const KEYS = [['Tab', 'from field to field']] as const;

export function WorkshopPage() {
  return (
    <Frame keys={KEYS} trail={<a href="/">the board</a>}>
      <Sheet />
    </Frame>
  );
}

/** Sends a change of the workshop, and keeps the answer as what is known of it. */
function useChange() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({
      method,
      path,
      body,
    }: {
      method: 'PUT' | 'DELETE';
      path: string;
      body?: unknown;
    }) => {
      const workshop = await ask<Workshop>(method, `/api/workshop/${path}`, body);
      putIn(client, WORKSHOP, workshop);
      return workshop;
    },
  });
}

const problemsOf = (error: unknown): Saved =>
  error instanceof ApiProblem && error.problems.length > 0
    ? error.problems
    : [{ code: 'failed', says: 'That did not work; nothing was lost. Try again.', path: '' }];

function Sheet() {
  const workshop = useWorkshop();
  const change = useChange();
  const [said, setSaid] = useState('');
  const put = async (path: string, body: unknown): Promise<Saved> => {
    try {
      await change.mutateAsync({ method: 'PUT', path, body });
      return [];
    } catch (error) {
      return problemsOf(error);
    }
  };
  const remove = async (path: string): Promise<void> => {
    try {
      await change.mutateAsync({ method: 'DELETE', path });
    } catch (error) {
      setSaid(problemsOf(error)[0]?.says ?? '');
    }
  };
  return (
    <main id="main" tabIndex={-1} className={styles['sheet']}>
      <h1>The workshop</h1>
      <p className={styles['soft']}>
        How this house builds, and what it has that no list knows. A new lead starts from these; leads that
        exist keep their own.
      </p>
      <p role="status">{said}</p>
      <div className={styles['halves']}>
        <HouseSchools chosen={workshop.schools} onChoose={(schools) => put('schools', { schools })} />
        <div>
          <section aria-label="The house’s meter">
            <h2>The house’s meter</h2>
            <p className={styles['soft']}>{sayMeter(workshop)}</p>
            <MeterForm
              now={workshop}
              sockets={workshop.sockets}
              onSave={(settled) => put('meter', settled)}
            />
          </section>
          <section aria-label="Laying hands on a tool">
            <h2>Laying hands on a tool</h2>
            <p className={styles['soft']}>{saySetUps(workshop)}</p>
            <SetUpForm now={workshop.setUps ?? []} onSave={(setUps) => put('set-ups', { setUps })} />
          </section>
          <section aria-label="Connectors of our own">
            <h2>Connectors of our own</h2>
            {workshop.connectors.length > 0 && (
              <OwnConnectors
                entries={workshop.connectors}
                onRemove={(id) => void remove(`connectors/${id}`)}
              />
            )}
            {workshop.connectors.length === 0 && (
              <p className={styles['soft']}>
                None. Old screw-ring microphones, maker’s own multipins: describe one and it is chosen like
                any other.
              </p>
            )}
            <ConnectorForm onSave={(entry) => put(`connectors/${entry.id}`, { entry })} />
          </section>
          <section aria-label="Cables of our own">
            <h2>Cables of our own</h2>
            {workshop.cables.length > 0 && (
              <OwnCables entries={workshop.cables} onRemove={(id) => void remove(`cables/${id}`)} />
            )}
            <CableForm onSave={(entry) => put(`cables/${entry.id}`, { entry })} />
          </section>
        </div>
      </div>
      <HouseFile />
    </main>
  );
}

/** What was timed, in words. */
const saySetUps = ({ setUps = [] }: Workshop): string =>
  setUps.length === 0
    ? 'How long it takes to take one up and set it, when several leads are made together: from memory.'
    : `Timed here: ${setUps.map(({ tool, seconds }) => `${tool} ${seconds} s`).join(', ')}. All else is from memory.`;

/** What is known of the meter, in words. */
function sayMeter({ meter, plug }: Workshop): string {
  const where = plug === undefined ? '' : ` It is plugged in at ${plug}: the prove page shows what it reads.`;
  if (!meter)
    return `Not described: probes ask for ohms alone, and expect whatever any meter may show.${where}`;
  const { testVolts, diodeVolts, capacitance, leadOhms } = meter;
  const able = [
    'ohms',
    ...(diodeVolts === undefined ? [] : ['diodes']),
    ...(capacitance ? ['capacitance'] : []),
  ].join(', ');
  const volts =
    testVolts.from === testVolts.to ? `${testVolts.to} V` : `${testVolts.from} to ${testVolts.to} V`;
  const leads = leadOhms === 0 ? 'its leads nulled' : `its leads ${leadOhms} Ω`;
  return `Measures ${able}, with ${volts} on open leads, ${leads}.${where}`;
}

/** All of the house, to be kept elsewhere. */
function HouseFile() {
  return (
    <section aria-label="The house as a file">
      <h2>The house as a file</h2>
      <p className={styles['row']}>
        <ButtonLink href="/api/house/backup" download="">
          Download a backup
        </ButtonLink>
        <span>
          All of it: jobs, leads with every revision, units, events, readings, and this page.{' '}
          <code>npm run restore</code> puts it into another house. One is kept by itself every day.
        </span>
      </p>
      <p className={styles['row']}>
        <ButtonLink look="plain" href="/api/house/export" download="">
          Download it as plain lines
        </ButtonLink>
        <span>The same for any other program: JSON lines, with a schema of each kind in the first.</span>
      </p>
      <p>
        <a href="/notices.txt">Whose work Antler stands on</a>
      </p>
    </section>
  );
}

function HouseSchools({
  chosen,
  onChoose,
}: {
  chosen: ChosenSchools;
  onChoose: (schools: ChosenSchools) => Promise<Saved>;
}) {
  const [said, setSaid] = useState('');
  // What was picked stands on the screen while it is on its way, and is taken back if it is refused.
  const [picked, setPicked] = useState<ChosenSchools | undefined>();
  const now = picked ?? chosen;
  const choose = async (school: (typeof SCHOOLS)[number], answer: string): Promise<void> => {
    const { [school.id]: _, ...rest } = now;
    const next = answer === school.default ? rest : { ...rest, [school.id]: answer };
    setPicked(next);
    setSaid('');
    const problems = await onChoose(next);
    setPicked(undefined);
    setSaid(problems[0]?.says ?? 'Kept. New leads start with it.');
  };
  return (
    <section aria-label="House schools">
      <h2>Where good builders differ: how this house does it</h2>
      <p role="status" className={styles['soft']}>
        {said}
      </p>
      <SchoolGroups
        schools={SCHOOLS}
        one={(school) => {
          const answer = now[school.id] ?? school.default;
          return (
            <SchoolQuestion
              key={school.id}
              school={school}
              answer={answer}
              mark={answer !== school.default && <Mark kind="note" word="house" />}
              onChoose={(next) => void choose(school, next)}
            />
          );
        }}
      />
    </section>
  );
}
