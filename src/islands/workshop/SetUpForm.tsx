import { secondsProblem, SET_UP_SECONDS, TOOL_NAMES, type SetUp, type ToolName } from '../../core/bench';
import type { Result } from '../../core/quantity';
import { Button } from '../../ui';
import { Field } from './Field';
import { figure, useEntryForm, type Saved } from './useEntryForm';
import styles from './Workshop.module.css';

type SetUps = readonly SetUp[];
/** As it is typed: seconds in each field, and nothing where it was not timed. */
type Typed = Record<ToolName, string>;

const typedOf = (setUps: SetUps): Typed =>
  Object.fromEntries(
    TOOL_NAMES.map((tool) => [tool, String(setUps.find((each) => each.tool === tool)?.seconds ?? '')]),
  ) as Typed;

function timedIn(typed: Typed): Result<SetUps> {
  const timed = TOOL_NAMES.flatMap((tool) =>
    typed[tool].trim() === '' ? [] : [{ tool, seconds: figure(typed[tool]) }],
  );
  // Each problem stands at its own tool.
  const problems = timed.flatMap(({ tool, seconds }) => {
    const says = secondsProblem(seconds);
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
    entryOf: timedIn,
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
