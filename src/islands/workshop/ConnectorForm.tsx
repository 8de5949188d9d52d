import { useState } from 'react';
import {
  arrange,
  ownConnector,
  type Arrangement,
  type ConnectorEntry,
  type OwnConnector,
} from '../../core/catalogue';
import { Button, Face } from '../../ui';
import { draft, useAdopted } from '../kept';

import { Field, figure, type Saved } from './Field';
import styles from './Workshop.module.css';

interface TypedEntry {
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

const EMPTY: TypedEntry = {
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

const contactsOf = (typed: TypedEntry): readonly string[] => typed.contacts.split(/[\s,]+/).filter(Boolean);

function described(typed: TypedEntry): OwnConnector {
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
              x: figure(typed.places[contact]?.x ?? '0'),
              y: figure(typed.places[contact]?.y ?? '0'),
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

/** Describing a connector that is in no list, with its faces drawn as it is typed. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function ConnectorForm({ onSave }: { onSave: (entry: ConnectorEntry) => Promise<Saved> }) {
  const [kept] = useState(() => draft<TypedEntry>('own.connector'));
  const [typed, setTyped] = useState<TypedEntry>(EMPTY);
  useAdopted(kept, (left) => setTyped((now) => (now === EMPTY ? left : now)));
  const [problems, setProblems] = useState<Saved>([]);
  const [said, setSaid] = useState('');
  const put = (patch: Partial<TypedEntry>): void => {
    const next = { ...typed, ...patch };
    kept.write(next);
    setTyped(next);
    setProblems([]);
    setSaid('');
  };
  const own = described(typed);
  const entry = ownConnector(own);
  const places = arrange(own.contacts, own.arrangement).filter((place) => Number.isFinite(place.x + place.y));
  const drawn: ConnectorEntry = {
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
  const save = async (): Promise<void> => {
    if (!entry.ok) {
      setProblems(entry.problems);
      return;
    }
    const found = await onSave(entry.value);
    setProblems(found);
    if (found.length > 0) return;
    kept.write(undefined);
    setTyped(EMPTY);
    setSaid(`${entry.value.name} is on the list.`);
  };
  const text = (label: string, path: string, key: keyof TypedEntry, short = true) => (
    <Field label={label} path={path} problems={problems}>
      {(props) => (
        <input
          {...props}
          className={short ? styles['short'] : undefined}
          value={typed[key] as string}
          maxLength={200}
          onChange={(event) => put({ [key]: event.target.value })}
        />
      )}
    </Field>
  );
  return (
    <>
      <p role="status">{said}</p>
      <details className={styles['form']} open={typed !== EMPTY}>
        <summary>Describe a connector</summary>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void save();
          }}
        >
          <div className={styles['faces']}>
            <figure>
              <Face connector={drawn} side="mating" />
              <figcaption>mating face</figcaption>
            </figure>
            <figure>
              <Face connector={drawn} side="solder" />
              <figcaption>solder side</figcaption>
            </figure>
          </div>
          <div className={styles['fields']}>
            {text('Name', 'name', 'name', false)}
            <Field label="Gender" path="gender" problems={problems}>
              {(props) => (
                <select
                  {...props}
                  value={typed.gender}
                  onChange={(event) => put({ gender: event.target.value as TypedEntry['gender'] })}
                >
                  <option value="plug">plug</option>
                  <option value="socket">socket</option>
                  <option value="none">neither</option>
                </select>
              )}
            </Field>
            {text('Contacts, apart by spaces', 'contacts', 'contacts', false)}
            <Field label="They lie" path="arrangement" problems={problems}>
              {(props) => (
                <select
                  {...props}
                  value={typed.kind}
                  onChange={(event) => put({ kind: event.target.value as TypedEntry['kind'] })}
                >
                  <option value="circle">round a circle, clockwise</option>
                  <option value="grid">in rows</option>
                  <option value="hand">by hand</option>
                </select>
              )}
            </Field>
            {typed.kind === 'circle' && text('Circle radius, mm', 'radius', 'radius')}
            {typed.kind === 'circle' && text('First at, degrees (90 is the top)', 'first', 'first')}
            {typed.kind === 'grid' && text('Columns', 'columns', 'columns')}
            {typed.kind === 'grid' && text('Pitch, mm', 'pitch', 'pitch')}
            {typed.kind === 'hand' &&
              own.contacts.map((contact) => (
                <Field
                  key={contact}
                  label={`${contact}: right and up, mm`}
                  path={`place.${contact}`}
                  problems={problems}
                >
                  {(props) => (
                    <span {...props}>
                      {(['x', 'y'] as const).map((axis) => (
                        <input
                          key={axis}
                          className={styles['short']}
                          aria-label={`${contact} ${axis === 'x' ? 'right' : 'up'}, mm`}
                          value={typed.places[contact]?.[axis] ?? '0'}
                          onChange={(event) =>
                            put({
                              places: {
                                ...typed.places,
                                [contact]: {
                                  x: typed.places[contact]?.x ?? '0',
                                  y: typed.places[contact]?.y ?? '0',
                                  [axis]: event.target.value,
                                },
                              },
                            })
                          }
                        />
                      ))}
                    </span>
                  )}
                </Field>
              ))}
            {text('Insert radius, mm', 'insertRadiusMm', 'insert')}
            {text('Cup or tab bore, mm', 'boreMm', 'bore')}
            {text('Cable from, mm', 'cableMm', 'thin')}
            {text('Cable to, mm', 'cableMm', 'thick')}
            {text('Jacket off, mm', 'jacketMm', 'jacket')}
            {text('Copper bared, mm', 'bareMm', 'bare')}
            {text('Face to jacket, mm', 'reachMm', 'reach')}
            {text('Thread on first, in order', 'threadOn', 'threadOn', false)}
            <label className={styles['check']}>
              <input
                type="checkbox"
                checked={typed.shell}
                onChange={(event) => put({ shell: event.target.checked })}
              />
              has a metal shell that can be joined
            </label>
          </div>
          <Button type="submit" look="main">
            Keep this connector
          </Button>
          {problems
            .filter((problem) => problem.path === '')
            .map((problem) => (
              <p key={problem.code} role="alert" className={styles['problem']}>
                {problem.says}
              </p>
            ))}
        </form>
      </details>
    </>
  );
}
