import { yupResolver } from '@hookform/resolvers/yup';
import { useEffect, useState } from 'react';
import {
  useForm,
  type DefaultValues,
  type FieldValues,
  type Path,
  type UseFormReturn,
} from 'react-hook-form';
import { object, ValidationError, type ObjectSchema } from 'yup';
import type { Problem, Result } from '../../core/quantity';
import { draft, useAdopted } from '../kept';

/** What a save came to: nothing to say, or the problems by field. */
export type Saved = readonly Problem[];

interface EntryForm<Typed extends FieldValues> {
  readonly form: UseFormReturn<Typed>;
  /** Whether it was opened, or something of it typed: it stays open then. */
  readonly begun: boolean;
  /** What became of the last one. */
  readonly said: string;
  readonly submit: () => void;
}

/** A number typed with a point or a comma; not a number where it is none. */
export const figure = (text: string): number =>
  text.trim() === '' ? Number.NaN : Number(text.replace(',', '.'));

/**
 * A form in which an entry of the workshop's own is described. What is wrong is what the entry's own rules say, each at its
 * field; what is typed is kept in this window until the server has it.
 */
export function useEntryForm<Typed extends FieldValues, Entry>({
  about,
  empty,
  entryOf,
  fieldOf,
  onSave,
  opened,
  after,
}: {
  /** Under which name it is kept while it is half done. */
  readonly about: string;
  readonly empty: Typed;
  readonly entryOf: (typed: Typed) => Result<Entry>;
  /** The field in which a problem of the entry stands. */
  readonly fieldOf: (path: string) => Path<Typed>;
  readonly onSave: (entry: Entry) => Promise<Saved>;
  /** Whether somebody opened it before it was there. */
  readonly opened: boolean;
  /** What is said once it is kept, and whether what was typed stays in the form. */
  readonly after: { readonly says: (entry: Entry) => string; readonly keeps?: true };
}): EntryForm<Typed> {
  const [kept] = useState(() => draft<Typed>(about));
  const [begun, setBegun] = useState(opened);
  const [said, setSaid] = useState('');
  const [resolver] = useState(() => yupResolver(typedSchema(entryOf, fieldOf)));
  const form = useForm<Typed>({
    defaultValues: empty as DefaultValues<Typed>,
    // What is typed goes out as it came in.
    resolver: resolver as never,
  });
  useAdopted(kept, (left) => {
    if (form.formState.isDirty) return;
    form.reset({ ...empty, ...left }, { keepDefaultValues: true });
    setBegun(true);
  });
  useEffect(
    () =>
      form.subscribe({
        formState: { values: true, isDirty: true },
        callback({ values, name }) {
          if (name === undefined) return;
          kept.write(values);
          setBegun(true);
          setSaid('');
        },
      }),
    [form, kept],
  );
  const save = async (typed: Typed): Promise<void> => {
    const entry = entryOf(typed);
    if (!entry.ok) return;
    const [problem] = await onSave(entry.value);
    if (problem) {
      form.setError(fieldOf(problem.path), { message: problem.says });
      return;
    }
    form.reset(after.keeps ? typed : empty);
    kept.write(undefined);
    setBegun(false);
    setSaid(after.says(entry.value));
  };
  return { form, begun, said, submit: () => void form.handleSubmit(save)() };
}

const typedSchema = <Typed extends FieldValues>(
  entryOf: (typed: Typed) => Result<unknown>,
  fieldOf: (path: string) => Path<Typed>,
): ObjectSchema<Typed> =>
  object().test('entry', (typed, { createError }) => {
    const entry = entryOf(typed as unknown as Typed);
    return (
      entry.ok ||
      new ValidationError(
        entry.problems.map(({ path, says }) => createError({ path: fieldOf(path), message: says })),
      )
    );
  }) as unknown as ObjectSchema<Typed>;
