import { useId, useState } from 'react';
import { placeOf, sayPart, sayTerminal, type Assembly } from '../../core/assembly';
import { possibleEdits, sayEdit, type Deed, type Edit, type Lead } from '../../core/lead';
import { capital, parseCapacitance, parseResistance, type Problem } from '../../core/quantity';
import { Button } from '../../ui';
import { useKeys } from '../app';
import { MakingHere } from './MakingHere';
import { OneOf } from './OneOf';
import type { StageProps } from './stage-props';
import styles from './Stage.module.css';

/** What touching another place does with what is in hand: a core goes to it, a contact is linked to it. */
export const deedBetween = (assembly: Assembly, picked: string, other: string): Deed | undefined =>
  possibleEdits(assembly, picked).find(
    (deed) => deed.other === other && (deed.group === 'move to' || deed.group === 'link to'),
  );

/** What can be done with what is in hand, besides touching where it goes; and the way back. */
export function ChangeHere({
  lead,
  picked,
  taken,
  steps,
  onEdit,
  onLetGo,
}: Pick<StageProps, 'steps' | 'taken'> & {
  lead: Lead;
  picked: string | undefined;
  onEdit: (edit: Edit) => void;
  onLetGo: () => void;
}) {
  const { assembly, edits } = lead;
  useKeys({ Escape: onLetGo });
  const deeds = picked === undefined ? [] : possibleEdits(assembly, picked);
  const last = edits.at(-1);
  return (
    <section aria-label="Change by hand">
      {picked !== undefined && deeds.length > 0 && (
        <OneOf
          label={
            <>
              <b>{capital(sayTerminal(assembly, picked))}</b> in hand: touch{' '}
              {deeds[0]?.group === 'link to' ? 'what it is linked to' : 'where it goes'}, or
            </>
          }
          of={deeds}
          says={({ group, says, other }) => (other === undefined ? says : `${group} ${says}`)}
          onEdit={onEdit}
        >
          <Button onClick={onLetGo}>Let go</Button>
        </OneOf>
      )}
      {picked !== undefined && deeds.length === 0 && (
        <p>
          {capital(sayTerminal(assembly, picked))}{' '}
          {wasThere(assembly, picked)
            ? 'is in a joint that was there before: it is not ours to change.'
            : 'has nothing beside it here that it could be joined to.'}
        </p>
      )}
      {picked !== undefined && <Value key={picked} assembly={assembly} picked={picked} onEdit={onEdit} />}
      <MakingHere lead={lead} taken={taken} onEdit={onEdit} />
      <p className={styles['row']} role="status">
        {last && <span>By hand: {sayEdit(last, assembly)}.</span>}
        {steps.back > 0 && <Button onClick={steps.undo}>Undo</Button>}
        {steps.on > 0 && <Button onClick={steps.redo}>Make it again</Button>}
      </p>
    </section>
  );
}

/** Whether it is in a joint that was not made by us. */
const wasThere = ({ bodies }: Assembly, terminal: string): boolean =>
  bodies.some(({ existing }) => existing?.some(({ terminals }) => terminals.includes(terminal)));

/** What kinds of part have a value that can be typed, and how it is read. */
const VALUES = {
  resistor: { field: 'ohms', read: parseResistance },
  capacitor: { field: 'farads', read: parseCapacitance },
} as const;

/** The value of a part that is in hand by one of its legs. */
function Value({
  assembly,
  picked,
  onEdit,
}: {
  assembly: Assembly;
  picked: string;
  onEdit: (edit: Edit) => void;
}) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<Problem>();
  const at = useId();
  const place = placeOf(assembly, picked);
  const part = place?.kind === 'lead' ? place.part : undefined;
  if (part?.kind !== 'resistor' && part?.kind !== 'capacitor') return null;
  const { field, read } = VALUES[part.kind];
  return (
    <form
      className={styles['row']}
      onSubmit={(event) => {
        event.preventDefault();
        const value = read(text, field);
        setProblem(value.ok ? undefined : value.problems[0]);
        if (!value.ok) return;
        onEdit({ kind: 'change-part', part: { ...part, [field]: value.value } });
        setText('');
      }}
    >
      <label htmlFor={at}>
        {part.id} is {sayPart(part)}; make it
      </label>
      <input
        id={at}
        size={8}
        value={text}
        aria-invalid={problem !== undefined}
        onChange={(event) => setText(event.target.value)}
      />
      <Button type="submit" disabled={text.trim() === ''}>
        Change it
      </Button>
      {problem && <span role="alert">{problem.says}</span>}
    </form>
  );
}
