import { useFieldArray } from 'react-hook-form';
import { COLOURS, ownCable, type CableEntry, type ColourCode, type OwnCable } from '../../core/catalogue';
import type { Result } from '../../core/quantity';
import { Button } from '../../ui';
import { Field } from './Field';
import { figure, useEntryForm, type Saved } from './useEntryForm';
import styles from './Workshop.module.css';

type TypedCable = Omit<OwnCable, 'ohmsPerKm' | 'jacketMm' | 'conductors'> & {
  readonly conductors: OwnCable['conductors'][number][];
  readonly ohms: string;
  readonly jacket: string;
};

const EMPTY: TypedCable = {
  name: '',
  kind: 'pair',
  screen: 'braid',
  conductors: [
    { is: 'core', colour: 'RD' },
    { is: 'core', colour: 'BU' },
    { is: 'screen', colour: 'CU' },
  ],
  ohms: '84',
  jacket: '6',
  flex: 'stage',
};

const KINDS: Readonly<Record<CableEntry['kind'], string>> = {
  pair: 'a pair',
  quad: 'a star quad',
  coax: 'one core, coaxial',
  twin: 'twin screened cores',
  multipair: 'several pairs',
  loudspeaker: 'for loudspeakers',
  'hook-up': 'single wires together',
  litz: 'lacquered litz',
};
const SCREENS = { braid: 'woven braid', spiral: 'spiral', foil: 'foil and drain', none: 'none' };
const STANDS = { stage: 'the stage floor', rack: 'a rack', fixed: 'fixed runs' };

const entryOf = ({ ohms, jacket, conductors, ...rest }: TypedCable): Result<CableEntry> =>
  ownCable({
    ...rest,
    // A field of a pair that was emptied says nothing.
    conductors: conductors.map(({ pair, ...each }) => (pair ? { ...each, pair } : each)),
    ohmsPerKm: figure(ohms),
    jacketMm: figure(jacket),
  });
const FIELDS: Readonly<Record<string, keyof TypedCable>> = {
  conductors: 'conductors',
  ohmsPerKm: 'ohms',
  jacketMm: 'jacket',
};
/** Where the server refuses the entry, its path begins at the entry. */
const fieldOf = (path: string): keyof TypedCable =>
  FIELDS[path.replace(/^entry\./, '').split(/[.[]/)[0] ?? ''] ?? 'name';

const options = (names: Readonly<Record<string, string>>) =>
  Object.entries(names).map(([id, name]) => (
    <option key={id} value={id}>
      {name}
    </option>
  ));

/** Describing a cable that is in no list. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function CableForm({
  onSave,
  opened,
}: {
  onSave: (entry: CableEntry) => Promise<Saved>;
  opened: boolean;
}) {
  const { form, begun, said, submit } = useEntryForm<TypedCable, CableEntry>({
    about: 'own.cable',
    empty: EMPTY,
    entryOf,
    fieldOf,
    onSave,
    opened,
    after: { says: ({ name }) => `${name} is on the list.` },
  });
  const { register, control, watch, formState } = form;
  const { errors } = formState;
  const { fields, append, remove } = useFieldArray({ control, name: 'conductors' });
  const [kind, conductors] = watch(['kind', 'conductors']);
  const pick = (label: string, name: 'kind' | 'screen' | 'flex', names: Readonly<Record<string, string>>) => (
    <Field label={label} name={name} errors={errors}>
      {(props) => (
        <select {...props} {...register(name)}>
          {options(names)}
        </select>
      )}
    </Field>
  );
  const text = (label: string, name: 'name' | 'ohms' | 'jacket') => (
    <Field label={label} name={name} errors={errors}>
      {(props) => <input {...props} maxLength={120} {...register(name)} />}
    </Field>
  );
  return (
    <>
      <p role="status">{said}</p>
      <details className={styles['form']} open={begun}>
        <summary>Describe a cable</summary>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            submit();
          }}
        >
          <div className={styles['fields']}>
            {text('Name of the cable', 'name')}
            {pick('It is', 'kind', KINDS)}
            {pick('Screen', 'screen', SCREENS)}
            {pick('Stands', 'flex', STANDS)}
            {text('A core, Ω/km', 'ohms')}
            {text('Over the jacket, mm', 'jacket')}
          </div>
          <Field label="Conductors" name="conductors" errors={errors}>
            {(props) => (
              <span {...props}>
                {fields.map((field, n) => (
                  <span key={field.id} className={styles['conductor']}>
                    <select aria-label={`conductor ${n + 1} is`} {...register(`conductors.${n}.is`)}>
                      <option value="core">core</option>
                      <option value="screen">screen</option>
                      <option value="drain">drain</option>
                    </select>
                    {conductors[n]?.is === 'core' && (
                      <select
                        aria-label={`conductor ${n + 1} colour`}
                        {...register(`conductors.${n}.colour`)}
                      >
                        {options(COLOURS)}
                      </select>
                    )}
                    {(kind === 'multipair' || kind === 'twin' || kind === 'quad') && (
                      <input
                        className={styles['short']}
                        aria-label={`conductor ${n + 1} pair`}
                        placeholder="pair"
                        {...register(`conductors.${n}.pair`)}
                      />
                    )}
                    <button
                      type="button"
                      aria-label={`take conductor ${n + 1} out`}
                      onClick={() => remove(n)}
                    >
                      ✕
                    </button>
                  </span>
                ))}
              </span>
            )}
          </Field>
          <Button onClick={() => append({ is: 'core', colour: 'WH' satisfies ColourCode })}>
            Another conductor
          </Button>{' '}
          <Button type="submit" look="main">
            Keep this cable
          </Button>
        </form>
      </details>
    </>
  );
}
