import { ANY_METER, ownInstrument, type Instrument } from '../../core/proving';
import type { Result } from '../../core/quantity';
import { Button } from '../../ui';
import { Field } from './Field';
import { figure, useEntryForm, type Saved } from './useEntryForm';
import styles from './Workshop.module.css';

/** The house's meter as it is settled: what it can do, and where it is plugged in. */
export interface HouseMeter {
  readonly meter: Instrument;
  readonly plug?: string | undefined;
}

/** As it is typed: a number in each field, and nothing where the meter cannot do it. */
interface TypedMeter {
  readonly lowest: string;
  readonly highest: string;
  readonly diode: string;
  readonly capacitance: boolean;
  readonly leads: string;
  readonly sure: string;
  readonly never: string;
  readonly plug: string;
}

const typedOf = ({ meter, plug = '' }: HouseMeter): TypedMeter => ({
  lowest: String(meter.testVolts.from),
  highest: String(meter.testVolts.to),
  diode: meter.diodeVolts === undefined ? '' : String(meter.diodeVolts),
  capacitance: meter.capacitance,
  leads: String(meter.leadOhms),
  sure: String(meter.beeper.sure),
  never: String(meter.beeper.never),
  plug,
});

function meterOf(typed: TypedMeter): Result<HouseMeter> {
  const read = ownInstrument({
    testVolts: { from: figure(typed.lowest), to: figure(typed.highest) },
    diodeVolts: typed.diode.trim() === '' ? undefined : figure(typed.diode),
    capacitance: typed.capacitance,
    leadOhms: figure(typed.leads),
    beeper: { sure: figure(typed.sure), never: figure(typed.never) },
  });
  return read.ok
    ? { ok: true, value: { meter: read.value, ...(typed.plug === '' ? {} : { plug: typed.plug }) } }
    : read;
}

const FIELDS: Readonly<Record<string, keyof TypedMeter>> = {
  'testVolts.from': 'lowest',
  'testVolts.to': 'highest',
  diodeVolts: 'diode',
  leadOhms: 'leads',
  'beeper.sure': 'sure',
  'beeper.never': 'never',
  plug: 'plug',
};
/** Where the server refuses it, its path begins at the meter. */
const fieldOf = (path: string): keyof TypedMeter => FIELDS[path.replace(/^meter\./, '')] ?? 'lowest';

/** Describing the house's meter: what a probe may ask of it, and what it then shows. */
export function MeterForm({
  onSave,
  opened,
  now: { meter = ANY_METER, plug },
  sockets,
}: {
  onSave: (entry: HouseMeter) => Promise<Saved>;
  opened: boolean;
  now: { readonly meter?: Instrument | undefined; readonly plug?: string | undefined };
  sockets: readonly string[];
}) {
  const { form, begun, said, submit } = useEntryForm<TypedMeter, HouseMeter>({
    about: 'house.meter',
    empty: typedOf({ meter, plug }),
    entryOf: meterOf,
    fieldOf,
    onSave,
    opened,
    after: { keeps: true, says: () => 'Kept. Units that are started from now on are proven by it.' },
  });
  const { register, formState } = form;
  const { errors } = formState;
  const text = (label: string, name: Exclude<keyof TypedMeter, 'capacitance' | 'plug'>) => (
    <Field label={label} name={name} errors={errors}>
      {(props) => <input {...props} inputMode="decimal" maxLength={12} {...register(name)} />}
    </Field>
  );
  return (
    <>
      <p role="status">{said}</p>
      <details className={styles['form']} open={begun}>
        <summary>Describe the meter</summary>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            submit();
          }}
        >
          <div className={styles['fields']}>
            {text('On open leads, lowest range, V', 'lowest')}
            {text('On open leads, highest range, V', 'highest')}
            {text('Diode test reaches, V (empty: none)', 'diode')}
            {text('Its own leads, Ω (0: nulled)', 'leads')}
            {text('Surely beeps below, Ω', 'sure')}
            {text('Never beeps above, Ω', 'never')}
            <Field label="Measures capacitance" name="capacitance" errors={errors}>
              {(props) => <input type="checkbox" {...props} {...register('capacitance')} />}
            </Field>
            <Field label="Plugged in at" name="plug" errors={errors}>
              {(props) => (
                <select {...props} {...register('plug')}>
                  <option value="">nowhere: what it shows is typed</option>
                  {[...new Set([...sockets, ...(plug === undefined ? [] : [plug])])].map((each) => (
                    <option key={each} value={each}>
                      {each}
                    </option>
                  ))}
                </select>
              )}
            </Field>
          </div>
          <p className={styles['soft']}>
            The first two are in the meter’s manual, or read by a second meter on its leads. Where a meter may
            be plugged in is named when Antler is started.
          </p>
          <Button type="submit">Keep it</Button>
        </form>
      </details>
    </>
  );
}
