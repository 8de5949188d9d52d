import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useFieldArray, useForm, useWatch, type UseFormRegister } from 'react-hook-form';
import { familiesFor, familyName, PORTS, type PortKind } from '../../core/catalogue';
import { parseLength, type Problem } from '../../core/quantity';
import { ApiProblem, ask, put, useStored } from '../app';
import { askLead } from '../../workers';
import { newId } from '../kept';
import { Button, Unseen } from '../../ui';
import styles from './Job.module.css';

export interface ChainFormProps {
  readonly job: string;
}

/** A device as it is typed: its name, where it stands, and `port family` of what a lead comes to and leaves from. */
interface TypedDevice {
  readonly name: string;
  readonly at: string;
  readonly in: string;
  readonly out: string;
}
interface Typed {
  readonly devices: TypedDevice[];
  readonly pairs: boolean;
  readonly slack: string;
}

const BLANK: TypedDevice = {
  name: '',
  at: '',
  in: 'line-input xlr3',
  out: 'line-ground-referenced xlr3',
};
const EMPTY: Typed = { devices: [BLANK, BLANK], pairs: false, slack: '300 mm' };

const isSide = (port: PortKind, side: 'in' | 'out'): boolean =>
  port.direction === side || port.direction === 'either';
/** What a lead may come to, or leave from, each on every connector that it stands on. */
const placesOf = (side: 'in' | 'out') =>
  PORTS.filter((port) => isSide(port, side)).flatMap((port) =>
    familiesFor(port).map((family) => ({
      id: `${port.id} ${family}`,
      says: `${port.name} on ${familyName(family)}`,
    })),
  );
const [INTO, OUT_OF] = [placesOf('in'), placesOf('out')];

const endOf = (typed: string) => {
  const [port = '', family = ''] = typed.split(' ');
  return { port, family };
};

/** A chain as it is typed, as its document; the first comes from nowhere, the last goes nowhere. */
function documentOf({ devices, pairs, slack }: Typed): { document?: object; problems: readonly Problem[] } {
  const problems: Problem[] = [];
  // The first stands where it is measured from; 0 is a place, though it is no length.
  const lengthOf = (text: string, path: string): number => {
    if (/^\s*0\s*(m|mm|cm|ft|in)?\s*$/.test(text)) return 0;
    const read = parseLength(text, { path });
    if (!read.ok) problems.push(...read.problems);
    return read.ok ? read.value : 0;
  };
  const all = devices.map((device, n) => ({
    name: device.name.trim(),
    atMm: lengthOf(device.at, `devices[${n}].atMm`),
    ...(n > 0 ? { in: endOf(device.in) } : {}),
    ...(n < devices.length - 1 ? { out: endOf(device.out) } : {}),
  }));
  const document = { devices: all, pairs, slackMm: lengthOf(slack, 'slackMm') };
  return problems.length > 0 ? { problems } : { document, problems };
}

/** What was typed, kept in this browser until its leads are made. */
function useKeptForm(job: string) {
  const [kept, keep] = useStored<Typed>(`chain.${job}`, EMPTY);
  const form = useForm<Typed>({ defaultValues: EMPTY });
  const { control, formState, reset } = form;
  const isRead = useRef(false);
  useEffect(() => {
    if (isRead.current || kept === EMPTY) return;
    isRead.current = true;
    reset(kept);
  }, [kept, reset]);
  const typed = useWatch({ control });
  useEffect(() => {
    if (formState.isDirty) {
      isRead.current = true;
      keep(() => typed as Typed);
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- kept as it is typed, and not when it is kept
  }, [typed]);
  return {
    ...form,
    forget() {
      keep(() => EMPTY);
      reset(EMPTY);
    },
  };
}

/** Devices in the order that the signal goes through them: each hop becomes a lead of the job, as short as its way. */
export function ChainForm({ job }: ChainFormProps) {
  const client = useQueryClient();
  const { register, control, handleSubmit, formState, forget } = useKeptForm(job);
  const { fields, append, remove, move } = useFieldArray({ control, name: 'devices' });
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [said, setSaid] = useState('');
  // Under the same ids it may be sent again: each lead is made once.
  const [ids] = useState(() => new Map<string, string>());
  const make = handleSubmit(async (form) => {
    setSaid('');
    const { document, problems: wrong } = documentOf(form);
    setProblems(wrong);
    if (!document) return;
    try {
      const { leads, problems: refused } = await askLead((remote) => remote.chain(document));
      setProblems(refused);
      for (const [n, lead] of leads.entries()) {
        const key = `${n} ${JSON.stringify(lead.intent)}`;
        const id = ids.get(key) ?? newId();
        ids.set(key, id);
        await ask('POST', '/api/leads', { id, jobId: job, name: lead.name, intent: lead.intent }).catch(
          (error: unknown) => {
            if (!(error instanceof ApiProblem) || error.problems[0]?.code !== 'id.taken') throw error;
          },
        );
        if (form.pairs) await put(`/api/jobs/${job}/making`, { lead: id, count: 1, pairs: true });
      }
      if (leads.length === 0) return;
      ids.clear();
      setSaid(`${leads.length} ${leads.length === 1 ? 'lead hangs' : 'leads hang'} in this job now.`);
      forget();
      await client.invalidateQueries();
    } catch (error) {
      setSaid(error instanceof ApiProblem ? error.message : 'The server did not answer: press again.');
    }
  });
  return (
    <details className={styles['chain']}>
      <summary>A chain of devices: the shortest lead for each hop</summary>
      <form
        aria-label="A chain of devices"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <ol>
          {fields.map(({ id }, n) => (
            <Device
              key={id}
              n={n}
              of={fields.length}
              register={register}
              problems={problems.filter(({ path }) => path.startsWith(`devices[${n}]`))}
              onUp={() => move(n, n - 1)}
              onRemove={() => remove(n)}
            />
          ))}
        </ol>
        <p className={styles['row']}>
          <Button look="plain" onClick={() => append(BLANK)}>
            Another device
          </Button>
          <label>
            left over at each hop <input {...register('slack')} maxLength={20} />
          </label>
          <label>
            <input type="checkbox" {...register('pairs')} /> as pairs, left and right
          </label>
          <Button type="submit" disabled={formState.isSubmitting}>
            Make its leads
          </Button>
          <span role="status">{said}</span>
        </p>
        <Problems of={problems.filter(({ path }) => !path.startsWith('devices['))} />
      </form>
    </details>
  );
}

const Problems = ({ of }: { readonly of: readonly Problem[] }) =>
  of.length === 0 ? null : (
    <ul role="alert" className={styles['problems']}>
      {of.map(({ path, says }) => (
        <li key={`${path} ${says}`}>{says}</li>
      ))}
    </ul>
  );

function Device({
  n,
  of,
  register,
  problems,
  onUp,
  onRemove,
}: {
  readonly n: number;
  readonly of: number;
  readonly register: UseFormRegister<Typed>;
  readonly problems: readonly Problem[];
  readonly onUp: () => void;
  readonly onRemove: () => void;
}) {
  const place = (side: 'in' | 'out', says: string, all: typeof INTO) => (
    <label>
      {says}
      <select {...register(`devices.${n}.${side}`)}>
        {all.map((each) => (
          <option key={each.id} value={each.id}>
            {each.says}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <li>
      <div className={styles['row']}>
        <label>
          device <input {...register(`devices.${n}.name`)} maxLength={60} />
        </label>
        <label>
          stands at{' '}
          <input {...register(`devices.${n}.at`)} maxLength={20} placeholder={n === 0 ? '0' : '1.2 m'} />
        </label>
        {n > 0 && place('in', 'comes in at', INTO)}
        {n < of - 1 && place('out', 'goes out at', OUT_OF)}
        {n > 0 && (
          <Button look="plain" onClick={onUp}>
            up<Unseen>, device {n + 1}</Unseen>
          </Button>
        )}
        {of > 2 && (
          <Button look="plain" onClick={onRemove}>
            take out<Unseen> device {n + 1}</Unseen>
          </Button>
        )}
      </div>
      <Problems of={problems} />
    </li>
  );
}
