import type { Path } from 'react-hook-form';
import {
  arrange,
  ownConnector,
  type Arrangement,
  type ConnectorEntry,
  type OwnConnector,
} from '../../core/catalogue';
import { Button, Face } from '../../ui';
import { Field } from './Field';
import { figure, useEntryForm, type Saved } from './useEntryForm';
import styles from './Workshop.module.css';

interface TypedConnector {
  readonly name: string;
  readonly gender: OwnConnector['gender'];
  readonly contacts: string;
  readonly kind: Arrangement['kind'];
  readonly radius: string;
  readonly first: string;
  readonly columns: string;
  readonly pitch: string;
  readonly places: Readonly<Record<string, { readonly x: string; readonly y: string }>>;
  readonly insert: string;
  readonly bore: string;
  readonly shell: boolean;
  readonly threadOn: string;
  readonly thin: string;
  readonly thick: string;
  readonly jacket: string;
  readonly bare: string;
  readonly reach: string;
}

const EMPTY: TypedConnector = {
  name: '',
  gender: 'plug',
  contacts: '1 2 3 4',
  kind: 'circle',
  radius: '4',
  first: '120',
  columns: '3',
  pitch: '3',
  places: {},
  insert: '7',
  bore: '2',
  shell: true,
  threadOn: 'boot, ring',
  thin: '3.5',
  thick: '7',
  jacket: '18',
  bare: '3',
  reach: '32',
};

const contactsOf = (typed: TypedConnector): readonly string[] =>
  typed.contacts.split(/[\s,]+/).filter(Boolean);

function described(typed: TypedConnector): OwnConnector {
  const contacts = contactsOf(typed);
  const arrangement: Arrangement =
    typed.kind === 'circle'
      ? { kind: 'circle', radiusMm: figure(typed.radius), firstDegrees: figure(typed.first) }
      : typed.kind === 'grid'
        ? { kind: 'grid', columns: figure(typed.columns), pitchMm: figure(typed.pitch) }
        : {
            kind: 'hand',
            places: contacts.map((contact) => ({
              contact,
              x: figure(typed.places[placeOf(contact)]?.x ?? '0'),
              y: figure(typed.places[placeOf(contact)]?.y ?? '0'),
            })),
          };
  return {
    name: typed.name,
    gender: typed.gender,
    contacts,
    arrangement,
    insertRadiusMm: figure(typed.insert),
    boreMm: figure(typed.bore),
    shell: typed.shell,
    threadOn: typed.threadOn
      .split(',')
      .map((each) => each.trim())
      .filter(Boolean),
    cableMm: { min: figure(typed.thin), max: figure(typed.thick) },
    jacketMm: figure(typed.jacket),
    bareMm: figure(typed.bare),
    reachMm: figure(typed.reach),
  };
}

/** The faces as they are while it is being typed, wrong or not. */
function drawn(own: OwnConnector): ConnectorEntry {
  const places = arrange(own.contacts, own.arrangement).filter((place) => Number.isFinite(place.x + place.y));
  return {
    id: 'drawn',
    name: own.name || 'connector',
    family: 'drawn',
    gender: own.gender,
    contacts: own.contacts.map((id) => ({ id, name: id, boreMm: own.boreMm > 0 ? own.boreMm : 2 })),
    shell: own.shell,
    views: {
      mating: places,
      insertRadiusMm: own.insertRadiusMm > 0 ? own.insertRadiusMm : 7,
      keyed: true,
      source: 'the user',
    },
    source: 'the user',
  };
}

const FIELDS: Readonly<Record<string, Path<TypedConnector>>> = {
  gender: 'gender',
  contacts: 'contacts',
  arrangement: 'kind',
  insertRadiusMm: 'insert',
  boreMm: 'bore',
  cableMm: 'thin',
  jacketMm: 'jacket',
  bareMm: 'bare',
  reachMm: 'reach',
  bodyParts: 'threadOn',
};
/** Where the server refuses the entry, its path begins at the entry. */
const fieldOf = (path: string): Path<TypedConnector> =>
  FIELDS[path.replace(/^entry\./, '').split(/[.[]/)[0] ?? ''] ?? 'name';

/** A contact's name may hold what the form takes for a path. */
const placeOf = (contact: string): string => contact.replace(/[^\w+-]/g, '_');

/** Describing a connector that is in no list, with its faces drawn as it is typed. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function ConnectorForm({
  onSave,
  opened,
}: {
  onSave: (entry: ConnectorEntry) => Promise<Saved>;
  opened: boolean;
}) {
  const { form, begun, said, submit } = useEntryForm<TypedConnector, ConnectorEntry>({
    about: 'own.connector',
    empty: EMPTY,
    entryOf: (typed) => ownConnector(described(typed)),
    fieldOf,
    onSave,
    opened,
    after: { says: ({ name }) => `${name} is on the list.` },
  });
  const { register, watch, formState } = form;
  const { errors } = formState;
  const typed = watch();
  const own = described(typed);
  const face = drawn(own);
  const text = (label: string, name: Path<TypedConnector>, short = true) => (
    <Field label={label} name={name} errors={errors}>
      {(props) => (
        <input
          {...props}
          className={short ? styles['short'] : undefined}
          maxLength={200}
          {...register(name)}
        />
      )}
    </Field>
  );
  return (
    <>
      <p role="status">{said}</p>
      <details className={styles['form']} open={begun}>
        <summary>Describe a connector</summary>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            submit();
          }}
        >
          <div className={styles['faces']}>
            <figure>
              <Face connector={face} side="mating" />
              <figcaption>mating face</figcaption>
            </figure>
            <figure>
              <Face connector={face} side="solder" />
              <figcaption>solder side</figcaption>
            </figure>
          </div>
          <div className={styles['fields']}>
            {text('Name', 'name', false)}
            <Field label="Gender" name="gender" errors={errors}>
              {(props) => (
                <select {...props} {...register('gender')}>
                  <option value="plug">plug</option>
                  <option value="socket">socket</option>
                  <option value="none">neither</option>
                </select>
              )}
            </Field>
            {text('Contacts, apart by spaces', 'contacts', false)}
            <Field label="They lie" name="kind" errors={errors}>
              {(props) => (
                <select {...props} {...register('kind')}>
                  <option value="circle">round a circle, clockwise</option>
                  <option value="grid">in rows</option>
                  <option value="hand">by hand</option>
                </select>
              )}
            </Field>
            {typed.kind === 'circle' && text('Circle radius, mm', 'radius')}
            {typed.kind === 'circle' && text('First at, degrees (90 is the top)', 'first')}
            {typed.kind === 'grid' && text('Columns', 'columns')}
            {typed.kind === 'grid' && text('Pitch, mm', 'pitch')}
            {typed.kind === 'hand' &&
              own.contacts.map((contact) => (
                <Field
                  key={contact}
                  label={`${contact}: right and up, mm`}
                  name={`places.${placeOf(contact)}`}
                  errors={errors}
                >
                  {(props) => (
                    <span {...props}>
                      {(['x', 'y'] as const).map((axis) => (
                        <input
                          key={axis}
                          className={styles['short']}
                          aria-label={`${contact} ${axis === 'x' ? 'right' : 'up'}, mm`}
                          defaultValue="0"
                          {...register(`places.${placeOf(contact)}.${axis}`)}
                        />
                      ))}
                    </span>
                  )}
                </Field>
              ))}
            {text('Insert radius, mm', 'insert')}
            {text('Cup or tab bore, mm', 'bore')}
            {text('Cable from, mm', 'thin')}
            {text('Cable to, mm', 'thick')}
            {text('Jacket off, mm', 'jacket')}
            {text('Copper bared, mm', 'bare')}
            {text('Face to jacket, mm', 'reach')}
            {text('Thread on first, in order', 'threadOn', false)}
            <label className={styles['check']}>
              <input type="checkbox" {...register('shell')} />
              has a metal shell that can be joined
            </label>
          </div>
          <Button type="submit" look="main">
            Keep this connector
          </Button>
        </form>
      </details>
    </>
  );
}
