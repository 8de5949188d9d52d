import { useState } from 'react';
import { COLOURS, ownCable, type CableEntry, type ColourCode, type OwnCable } from '../../core/catalogue';
import { Button } from '../../ui';
import { draft, useAdopted } from '../kept';

import { Field, figure, type Saved } from './Field';
import styles from './Workshop.module.css';

type TypedEntry = Omit<OwnCable, 'ohmsPerKm' | 'jacketMm'> & {
  readonly ohms: string;
  readonly jacket: string;
};

const EMPTY: TypedEntry = {
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

/** Describing a cable that is in no list. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function CableForm({ onSave }: { onSave: (entry: CableEntry) => Promise<Saved> }) {
  const [kept] = useState(() => draft<TypedEntry>('own.cable'));
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
  const conductor = (n: number, patch: Partial<TypedEntry['conductors'][number]>): void =>
    put({ conductors: typed.conductors.map((each, k) => (k === n ? { ...each, ...patch } : each)) });
  const save = async (): Promise<void> => {
    const { ohms, jacket, ...rest } = typed;
    const entry = ownCable({ ...rest, ohmsPerKm: figure(ohms), jacketMm: figure(jacket) });
    const found = entry.ok ? await onSave(entry.value) : entry.problems;
    setProblems(found);
    if (found.length > 0 || !entry.ok) return;
    kept.write(undefined);
    setTyped(EMPTY);
    setSaid(`${entry.value.name} is on the list.`);
  };
  const pick = <T extends string>(
    label: string,
    value: T,
    names: Readonly<Record<T, string>>,
    onPick: (value: T) => void,
  ) => (
    <Field label={label} path={label} problems={problems}>
      {(props) => (
        <select {...props} value={value} onChange={(event) => onPick(event.target.value as T)}>
          {(Object.keys(names) as T[]).map((id) => (
            <option key={id} value={id}>
              {names[id]}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
  const text = (label: string, path: string, key: 'name' | 'ohms' | 'jacket') => (
    <Field label={label} path={path} problems={problems}>
      {(props) => (
        <input
          {...props}
          value={typed[key]}
          maxLength={120}
          onChange={(event) => put({ [key]: event.target.value })}
        />
      )}
    </Field>
  );
  return (
    <>
      <p role="status">{said}</p>
      <details className={styles['form']} open={typed !== EMPTY}>
        <summary>Describe a cable</summary>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void save();
          }}
        >
          <div className={styles['fields']}>
            {text('Name of the cable', 'name', 'name')}
            {pick('It is', typed.kind, KINDS, (kind) => put({ kind }))}
            {pick(
              'Screen',
              typed.screen,
              { braid: 'woven braid', spiral: 'spiral', foil: 'foil and drain', none: 'none' },
              (screen) => put({ screen }),
            )}
            {pick(
              'Stands',
              typed.flex,
              { stage: 'the stage floor', rack: 'a rack', fixed: 'fixed runs' },
              (flex) => put({ flex }),
            )}
            {text('A core, Ω/km', 'ohmsPerKm', 'ohms')}
            {text('Over the jacket, mm', 'jacketMm', 'jacket')}
          </div>
          <Field label="Conductors" path="conductors" problems={problems}>
            {(props) => (
              <span {...props}>
                {typed.conductors.map((each, n) => (
                  <span key={n} className={styles['conductor']}>
                    <select
                      aria-label={`conductor ${n + 1} is`}
                      value={each.is}
                      onChange={(event) => conductor(n, { is: event.target.value as 'core' })}
                    >
                      <option value="core">core</option>
                      <option value="screen">screen</option>
                      <option value="drain">drain</option>
                    </select>
                    {each.is === 'core' && (
                      <select
                        aria-label={`conductor ${n + 1} colour`}
                        value={each.colour}
                        onChange={(event) => conductor(n, { colour: event.target.value as ColourCode })}
                      >
                        {(Object.keys(COLOURS) as ColourCode[]).map((code) => (
                          <option key={code} value={code}>
                            {COLOURS[code]}
                          </option>
                        ))}
                      </select>
                    )}
                    {(typed.kind === 'multipair' || typed.kind === 'twin' || typed.kind === 'quad') && (
                      <input
                        className={styles['short']}
                        aria-label={`conductor ${n + 1} pair`}
                        placeholder="pair"
                        value={each.pair ?? ''}
                        onChange={(event) => conductor(n, { pair: event.target.value })}
                      />
                    )}
                    <button
                      type="button"
                      aria-label={`take conductor ${n + 1} out`}
                      onClick={() => put({ conductors: typed.conductors.filter((_, k) => k !== n) })}
                    >
                      ✕
                    </button>
                  </span>
                ))}
              </span>
            )}
          </Field>
          <Button onClick={() => put({ conductors: [...typed.conductors, { is: 'core', colour: 'WH' }] })}>
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
