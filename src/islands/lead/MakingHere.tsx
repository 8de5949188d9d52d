import { useId, useMemo, useState } from 'react';
import { bodyOfEnd, endsOf } from '../../core/assembly';
import { CABLES, CONNECTORS } from '../../core/catalogue';
import {
  lengthUnitsOf,
  nextEnd,
  possibleCables,
  possibleMakings,
  type Edit,
  type Lead,
} from '../../core/lead';
import { parseLength, type Problem } from '../../core/quantity';
import { Button } from '../../ui';
import { useWorkshop } from '../app';
import { OneOf } from './OneOf';
import styles from './Stage.module.css';

interface MakingProps {
  readonly lead: Lead;
  readonly onEdit: (edit: Edit) => void;
}
interface ChosenProps extends MakingProps {
  /** The end in the hand. */
  readonly taken: string | undefined;
}

/** What the lead is made of, changed by hand: connectors, cable, dressings, an end more or less. */
export function MakingHere(props: ChosenProps) {
  // All that it could be made of is tried out: not before it is looked at.
  const [wasOpen, setWasOpen] = useState(false);
  return (
    <details className={styles['making']} onToggle={() => setWasOpen(true)}>
      <summary>Make it of other things: connector, cable, rings and boots, an end more or less</summary>
      {wasOpen && <Chosen {...props} />}
    </details>
  );
}

function Chosen({ lead, taken, onEdit }: ChosenProps) {
  const { assembly } = lead;
  const workshop = useWorkshop();
  const [end, setEnd] = useState<string>();
  const ends = endsOf(assembly);
  const at = (ends.find(({ id }) => id === (end ?? taken)) ?? ends[0])?.id;
  const where = useId();
  const span = assembly.spans[0]?.id;
  const cables = useMemo(
    () => (span === undefined ? [] : possibleCables(assembly, span, [...workshop.cables, ...CABLES])),
    [assembly, span, workshop.cables],
  );
  return (
    <>
      {at !== undefined && (
        <>
          <p className={styles['row']}>
            <label htmlFor={where}>At end</label>
            <select id={where} value={at} onChange={(event) => setEnd(event.target.value)}>
              {ends.map(({ id }) => (
                <option key={id} value={id}>
                  {id}
                </option>
              ))}
            </select>
          </p>
          <AtEnd key={at} lead={lead} at={at} onEdit={onEdit} />
        </>
      )}
      <OneOf label="make the cable" of={cables} onEdit={onEdit} />
      {at !== undefined && <AnotherEnd lead={lead} from={at} onEdit={onEdit} />}
    </>
  );
}

/** What may be done at one end: worked out when the lead changes, and not each time that something of it is pointed at. */
function AtEnd({ lead: { assembly }, at, onEdit }: MakingProps & { readonly at: string }) {
  const { connectors } = useWorkshop();
  const makings = useMemo(
    () => possibleMakings(assembly, at, [...connectors, ...CONNECTORS]),
    [assembly, at, connectors],
  );
  return <OneOf label={`do this at end ${at}`} of={makings} onEdit={onEdit} />;
}

/** An end more, on a cable of its own from an end that is there. */
function AnotherEnd({ lead, from, onEdit }: MakingProps & { readonly from: string }) {
  const { assembly } = lead;
  const { connectors, cables } = useWorkshop();
  const [id, kind, of] = [useId(), useId(), useId()];
  const [connector, setConnector] = useState('');
  const [cable, setCable] = useState(assembly.spans[0]?.cable ?? '');
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<Problem>();
  const allConnectors = [...connectors, ...CONNECTORS].filter(({ mount }) => mount === 'cable');
  const allCables = [...assembly.uses.cables, ...cables, ...CABLES].filter(
    (each, n, all) => all.findIndex((other) => other.id === each.id) === n,
  );
  const chosen = allConnectors.find((each) => each.id === connector);
  const made = allCables.find((each) => each.id === cable);
  const body = bodyOfEnd(assembly, from);
  return (
    <form
      className={styles['row']}
      onSubmit={(event) => {
        event.preventDefault();
        const length = parseLength(text, {
          bare: lengthUnitsOf(lead) === 'metric' ? 'm' : 'ft',
          path: 'length',
        });
        setProblem(length.ok ? undefined : length.problems[0]);
        if (!length.ok || !chosen || !made || !body) return;
        onEdit({
          kind: 'add-end',
          end: nextEnd(assembly),
          from: body.id,
          connector: chosen,
          cable: made,
          mm: length.value,
        });
        setText('');
      }}
    >
      <label htmlFor={kind}>add an end from {from}:</label>
      <select id={kind} value={connector} onChange={(event) => setConnector(event.target.value)}>
        <option value="">connector…</option>
        {allConnectors.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
      <label htmlFor={of}>on</label>
      <select id={of} value={cable} onChange={(event) => setCable(event.target.value)}>
        <option value="">cable…</option>
        {allCables.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
      <label htmlFor={id}>its length</label>
      <input
        id={id}
        size={8}
        value={text}
        placeholder="0.4 m"
        aria-invalid={problem !== undefined}
        onChange={(event) => setText(event.target.value)}
      />
      <Button type="submit" disabled={!chosen || !made}>
        Add it
      </Button>
      {problem && <span role="alert">{problem.says}</span>}
    </form>
  );
}
