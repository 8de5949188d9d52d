import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { array, object, string } from 'yup';
import type { Mapping, Unknown } from '../../core/formats';
import { Button } from '../../ui';
import styles from './Board.module.css';

const keyOf = ({ kind, id }: Unknown): string => `${kind}:${id}`;
const chosenSchema = object({
  chosen: array(string().required('Choose what stands for it.')).required(),
});

/** What the file has and this catalogue has not: for each of them what stands for it is chosen. */
export function StandIns({
  file,
  unknown,
  onChosen,
}: {
  file: string;
  unknown: readonly Unknown[];
  onChosen: (mapping: Mapping) => Promise<void>;
}) {
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { chosen: unknown.map(() => '') },
    resolver: yupResolver(chosenSchema),
  });
  const take = handleSubmit(({ chosen }) =>
    onChosen(Object.fromEntries(unknown.map((each, n) => [keyOf(each), chosen[n] ?? '']))),
  );
  return (
    <form
      className={styles['mapping']}
      onSubmit={(event) => {
        void take(event);
      }}
    >
      {unknown.map((each, n) => {
        const problem = formState.errors.chosen?.[n]?.message;
        return (
          <p key={keyOf(each)}>
            <label>
              In {file}, {each.kind === 'family' ? 'connector' : each.kind} “{each.id}” is{' '}
              <select
                {...register(`chosen.${n}`)}
                aria-invalid={problem !== undefined}
                aria-describedby={problem && `unknown-${n}`}
              >
                <option value="">choose what stands for it</option>
                {each.instead.map((other) => (
                  <option key={other.id} value={other.id}>
                    {other.name}
                  </option>
                ))}
              </select>
            </label>
            {problem && (
              <span id={`unknown-${n}`} role="alert" className={styles['problem']}>
                {' '}
                {problem}
              </span>
            )}
          </p>
        );
      })}
      <Button type="submit">Take it in so</Button>
    </form>
  );
}
