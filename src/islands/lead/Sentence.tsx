import { useId, type ReactNode } from 'react';
import {
  CABLES,
  familiesFor,
  familyName,
  isDirected,
  PORTS,
  portById,
  usualGender,
} from '../../core/catalogue';
import type { Problem } from '../../core/quantity';
import {
  COLD_TREATMENTS,
  DATUMS,
  derive,
  SURROUNDINGS,
  type Intent,
  type IntentEnd,
} from '../../core/wiring';
import styles from './Sentence.module.css';
import type { Draft } from './useLead';

interface SentenceProps {
  readonly draft: Draft;
  readonly problems: readonly Problem[];
  readonly onChange: (draft: Draft) => void;
}

/** What a lead is for, as a sentence whose slots are pickers. Each slot leaves only what goes with the others. */
export function Sentence({ draft, problems, onChange }: SentenceProps) {
  const { intent } = draft;
  const put = (patch: Partial<Intent>): void => onChange({ ...draft, intent: { ...intent, ...patch } });
  const toPort = portById(intent.to.port);
  const unbalances = portById(intent.from.port)?.balanced === true && toPort?.balanced === false;
  const { cold: _, ...rest } = intent;
  return (
    <form className={styles['sentence']} onSubmit={(event) => event.preventDefault()}>
      <p>
        A lead from a{' '}
        <EndSlots side="from" end={intent.from} problems={problems} onChange={(from) => put({ from })} /> into
        a <EndSlots side="to" end={intent.to} problems={problems} onChange={(to) => put({ to })} />,{' '}
        <TextSlot
          label="length"
          path="intent.length.mm"
          problems={problems}
          value={draft.lengthText}
          placeholder="how long"
          onChange={(lengthText) => onChange({ ...draft, lengthText })}
        />{' '}
        <Slot
          label="measured"
          path="intent.length.datum"
          problems={problems}
          value={intent.length.datum}
          onChange={(datum) =>
            put({ length: { ...intent.length, datum: datum as Intent['length']['datum'] } })
          }
        >
          {options(DATUMS)}
        </Slot>
        ,{' '}
        <Slot
          label="surroundings"
          path="intent.surroundings"
          problems={problems}
          value={intent.surroundings}
          onChange={(value) => put({ surroundings: value as Intent['surroundings'] })}
        >
          {options(SURROUNDINGS)}
        </Slot>
        , in{' '}
        <Slot
          label="cable"
          path="intent.cable"
          problems={problems}
          value={intent.cable}
          onChange={(cable) => put({ cable })}
        >
          {CABLES.map((cable) => {
            const fits = derive({ ...intent, cable: cable.id, length: { mm: 3000, datum: 'face' } }).ok;
            return (
              <option key={cable.id} value={cable.id} disabled={!fits}>
                {cable.name.toLowerCase()}
                {fits ? '' : ' (too few cores)'}
              </option>
            );
          })}
        </Slot>
        {unbalances && (
          <>
            , with{' '}
            <Slot
              label="cold leg"
              path="intent.cold"
              problems={problems}
              value={intent.cold ?? ''}
              onChange={(cold) =>
                onChange({
                  ...draft,
                  intent: cold === '' ? rest : { ...rest, cold: cold as NonNullable<Intent['cold']> },
                })
              }
            >
              <option value="">the cold leg as this output wants it</option>
              {options(COLD_TREATMENTS)}
            </Slot>
          </>
        )}
        .
      </p>
    </form>
  );
}

const options = (names: Readonly<Record<string, string>>): ReactNode =>
  Object.entries(names).map(([value, name]) => (
    <option key={value} value={value}>
      {name}
    </option>
  ));

function EndSlots({
  side,
  end,
  problems,
  onChange,
}: {
  side: 'from' | 'to';
  end: IntentEnd;
  problems: readonly Problem[];
  onChange: (end: IntentEnd) => void;
}) {
  const direction = side === 'from' ? 'out' : 'in';
  const port = portById(end.port);
  const usual = usualGender(end.family, direction);
  const where = side === 'from' ? 'source' : 'destination';
  const withPort = (id: string): IntentEnd => {
    const kind = portById(id);
    const families = kind ? familiesFor(kind) : [];
    return families.includes(end.family)
      ? { ...end, port: id }
      : { port: id, family: families[0] ?? end.family };
  };
  return (
    <>
      <Slot
        label={where}
        path={`intent.${side}.port`}
        problems={problems}
        value={end.port}
        onChange={(id) => onChange(withPort(id))}
      >
        {PORTS.filter((each) => each.direction === direction).map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </Slot>{' '}
      on{' '}
      <Slot
        label={`${where} connector`}
        path={`intent.${side}.family`}
        problems={problems}
        value={end.family}
        onChange={(family) => onChange({ port: end.port, family })}
      >
        {(port ? familiesFor(port) : [end.family]).map((family) => (
          <option key={family} value={family}>
            {familyName(family)}
          </option>
        ))}
      </Slot>
      {isDirected(end.family) && (
        <>
          {' '}
          <Slot
            label={`${where} plug or socket`}
            path={`intent.${side}.gender`}
            problems={problems}
            value={end.gender ?? usual}
            onChange={(gender) =>
              onChange(
                gender === usual
                  ? { port: end.port, family: end.family }
                  : { ...end, gender: gender as 'plug' | 'socket' },
              )
            }
          >
            <option value={usual}>({usual}, as usual)</option>
            <option value={usual === 'plug' ? 'socket' : 'plug'}>
              ({usual === 'plug' ? 'socket' : 'plug'})
            </option>
          </Slot>
        </>
      )}
    </>
  );
}

interface SlotProps {
  readonly label: string;
  readonly path: string;
  readonly problems: readonly Problem[];
  readonly value: string;
  readonly onChange: (value: string) => void;
}

function Slot({ label, path, problems, value, onChange, children }: SlotProps & { children: ReactNode }) {
  const id = useId();
  const problem = problems.find((each) => each.path === path);
  return (
    <span className={styles['slot']}>
      <select
        aria-label={label}
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? id : undefined}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      >
        {children}
      </select>
      <Said id={id} problem={problem} />
    </span>
  );
}

function TextSlot({
  label,
  path,
  problems,
  value,
  onChange,
  placeholder,
}: SlotProps & { placeholder: string }) {
  const id = useId();
  const problem = problems.find((each) => each.path === path);
  return (
    <span className={styles['slot']}>
      <input
        aria-label={label}
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? id : undefined}
        value={value}
        placeholder={placeholder}
        maxLength={80}
        onChange={(event) => onChange(event.target.value)}
      />
      <Said id={id} problem={problem} />
    </span>
  );
}

const Said = ({ id, problem }: { id: string; problem: Problem | undefined }) =>
  problem ? (
    <span id={id} role="alert" className={styles['problem']}>
      {problem.says}
    </span>
  ) : null;
