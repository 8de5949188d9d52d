import { SET_UP_SECONDS, TOOL_NAMES, type ToolName } from '../../core/bench';
import type { House } from '../../core/house';
import type { Result } from '../../core/quantity';
import { Button } from '../../ui';
import { Field } from './Field';
import { figure, useEntryForm, type Saved } from './useEntryForm';
import styles from './Workshop.module.css';

type SetUps = NonNullable<House['setUps']>;
/** As it is typed: seconds in each field, and nothing where it was not timed. */
type Typed = Record<ToolName, string>;

const typedOf = (setUps: SetUps): Typed =>
  Object.fromEntries(
    TOOL_NAMES.map((tool) => [tool, String(setUps.find((each) => each.tool === tool)?.seconds ?? '')]),
  ) as Typed;

/** What is wrong with one, in words; nothing where it is right. */
const wrong = (seconds: number): string | undefined =>
  Number.isNaN(seconds)
    ? 'Give the seconds as a number, or leave it empty.'
    : seconds < 1
      ? 'It takes 1 s or more to lay hands on a tool.'
      : seconds > 3600
        ? 'More than an hour is no setting up.'
        : undefined;

function setUpsOf(typed: Typed): Result<SetUps> {
  const timed = TOOL_NAMES.flatMap((tool) => {
    const text = typed[tool];
    return text.trim() === '' ? [] : [{ tool, seconds: figure(text) }];
  });
  const problems = timed.flatMap(({ tool, seconds }) => {
    const says = wrong(seconds);
    return says === undefined ? [] : [{ code: 'house.set-up', says, path: tool }];
  });
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: timed };
}

const isTool = (path: string): path is ToolName => TOOL_NAMES.some((tool) => tool === path);

/** How long it takes at this bench to lay hands on each tool: by these batches are ordered, and what they save is counted. */
export function SetUpForm({
  onSave,
  opened,
  now,
}: {
  onSave: (setUps: SetUps) => Promise<Saved>;
  opened: boolean;
  now: SetUps;
}) {
  const { form, begun, said, submit } = useEntryForm<Typed, SetUps>({
    about: 'house.set-ups',
    empty: typedOf(now),
    entryOf: setUpsOf,
    fieldOf: (path) => (isTool(path) ? path : 'iron'),
    onSave,
    opened,
    after: { keeps: true, says: () => 'Kept. What a batch saves is counted by these.' },
  });
  const { register, formState } = form;
  return (
    <>
      <p role="status">{said}</p>
      <details className={styles['form']} open={begun}>
        <summary>Time your own</summary>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            submit();
          }}
        >
          <div className={styles['fields']}>
            {TOOL_NAMES.map((tool) => (
              <Field key={tool} label={`${tool}, s`} name={tool} errors={formState.errors}>
                {(props) => (
                  <input
                    {...props}
                    inputMode="numeric"
                    maxLength={6}
                    placeholder={`usually ${SET_UP_SECONDS[tool]}`}
                    {...register(tool)}
                  />
                )}
              </Field>
            ))}
          </div>
          <Button type="submit">Keep these times</Button>
        </form>
      </details>
    </>
  );
}
