import { existsSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import { drilledFor } from './leads/drilled-for';
import { leadPlanFor, workPlanFor } from './leads/planned-for';
import { summaryOf } from './leads/comes-to';
import { jobComesTo } from './making/comes-to';
import { entryOf } from './units/entry-of';
import { batchFor } from './units/batch-for';
import { plannedFor } from './stage/planned-for';

/** What takes long: of a trunk seconds. Added by its line. */
const TASKS = {
  summaryOf,
  entryOf,
  jobComesTo,
  batchFor,
  drilledFor,
  plannedFor,
  leadPlanFor,
  workPlanFor,
};
type Tasks = typeof TASKS;
type Task = keyof Tasks;

/** What is asked of the other thread, and what it answers. */
interface Asked {
  readonly n: number;
  readonly task: Task;
  readonly of: unknown;
}
type Said = { readonly n: number } & ({ readonly value: unknown } | { readonly failed: string });

/** Does what is asked: on the other thread. */
export function answerTo({ n, task, of }: Asked): Said {
  try {
    return { n, value: (TASKS[task] as (of: unknown) => unknown)(of) };
  } catch (error) {
    return { n, failed: error instanceof Error ? error.message : String(error) };
  }
}

interface Waiting {
  readonly resolve: (value: unknown) => void;
  readonly reject: (error: Error) => void;
}

let program: URL | undefined;
/** Says where the program is that does it on a thread of its own; without one it is done here. */
export function workBeside(at: URL): void {
  program = existsSync(at) ? at : undefined;
}

let worker: Worker | undefined;
let count = 0;
const waiting = new Map<number, Waiting>();

function started(at: URL): Worker {
  const own = new Worker(at);
  // It holds nobody up who wants to leave.
  own.unref();
  own.on('message', (said: Said) => {
    const asked = waiting.get(said.n);
    waiting.delete(said.n);
    if ('value' in said) asked?.resolve(said.value);
    else asked?.reject(new Error(said.failed));
  });
  own.on('error', (error) => {
    worker = undefined;
    for (const asked of waiting.values()) asked.reject(error);
    waiting.clear();
  });
  return own;
}

/** Does something that takes long beside the thread that answers. */
export function beside<Name extends Task>(
  task: Name,
  of: Parameters<Tasks[Name]>[0],
): Promise<ReturnType<Tasks[Name]>> {
  type Value = ReturnType<Tasks[Name]>;
  const at = program;
  if (!at) return Promise.resolve((TASKS[task] as (of: unknown) => Value)(of));
  return new Promise<Value>((resolve, reject) => {
    worker ??= started(at);
    const n = count++;
    waiting.set(n, { resolve: resolve as (value: unknown) => void, reject });
    worker.postMessage({ n, task, of } satisfies Asked);
  });
}
