import type { Remote } from 'comlink';
import type { LeadWork } from './lead.worker';
import type { SignalWork } from './signal.worker';

export type { BoxFound, DescribedLead, Judgement } from './lead.worker';
export type { HeardLead } from './signal.worker';
export type SignalRemote = Remote<SignalWork>;
export { listenLive } from './live';
export type { Told } from './live.worker';

/** The heavy sums off the page's own thread: it can be dropped in the middle of one, and is made anew for the next. */
export interface SignalWorker {
  readonly ask: <T>(work: (remote: Remote<SignalWork>) => Promise<T>) => Promise<T>;
  /** Ends whatever is being worked out; nothing comes of it any more. */
  readonly drop: () => void;
  /** Nothing is worked out, and nothing more is wanted of it: it is there, warm, for the next. */
  readonly rest: () => void;
}

/** What talks to workers: fetched when one is first wanted, so that no first screen waits for it. */
const talking = () => import('comlink');

async function startSignal() {
  const { wrap } = await talking();
  const worker = new Worker(new URL('./signal.worker.ts', import.meta.url), { type: 'module' });
  return { remote: wrap<SignalWork>(worker), end: (): void => worker.terminate() };
}
type Started = ReturnType<typeof startSignal>;
const end = (started: Started | undefined): void =>
  void started?.then((worker) => worker.end()).catch(() => undefined);
/** The one that has nothing to do. */
let rested: Started | undefined;

export function signalWorker(): SignalWorker {
  let made: Started | undefined;
  return {
    async ask(work) {
      const mine = (made ??= rested ?? startSignal());
      if (rested === mine) rested = undefined;
      try {
        return await work((await mine).remote);
      } catch (error) {
        // What could not be had is fetched anew the next time.
        await mine.catch(() => made === mine && (made = undefined));
        throw error;
      }
    },
    drop() {
      end(made);
      made = undefined;
    },
    rest() {
      if (rested) end(made);
      else rested = made;
      made = undefined;
    },
  };
}

/** What reads leads: one for the window, made when it is first wanted, and anew where it could not be had. */
interface LeadWorker {
  readonly remote: Remote<LeadWork>;
  /** Rejects where the worker cannot be had, or breaks: nothing that was asked of it is ever answered then. */
  readonly broken: Promise<never>;
}
let lead: Promise<LeadWorker> | undefined;

async function startLead(): Promise<LeadWorker> {
  const { wrap } = await talking();
  const worker = new Worker(new URL('./lead.worker.ts', import.meta.url), { type: 'module' });
  const broken = new Promise<never>((_, reject) => {
    worker.onerror = () => {
      lead = undefined;
      worker.terminate();
      reject(new Error('What works leads out could not be had.'));
    };
  });
  // Whoever asks hears of it; where nobody does it is not an error of the page.
  broken.catch(() => undefined);
  return { remote: wrap<LeadWork>(worker), broken };
}

/** Asks what reads leads, off the page's own thread. Rejects where it cannot be had: the next that is asked tries anew. */
export async function askLead<T>(work: (remote: Remote<LeadWork>) => Promise<T>): Promise<T> {
  const mine = (lead ??= startLead());
  mine.catch(() => lead === mine && (lead = undefined));
  const { remote, broken } = await mine;
  return Promise.race([work(remote), broken]);
}
