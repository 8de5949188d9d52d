import { releaseProxy, wrap, type Remote } from 'comlink';
import type { LeadWork } from './lead.worker';
import type { SignalWork } from './signal.worker';

export type { Judgement } from './lead.worker';
export type { HeardLead } from './signal.worker';
export { listenLive } from './live';
export type { Told } from './live.worker';

/** The heavy sums off the page's own thread: it can be dropped in the middle of one, and is made anew for the next. */
export interface SignalWorker {
  readonly ask: <T>(work: (remote: Remote<SignalWork>) => Promise<T>) => Promise<T>;
  /** Ends whatever is being worked out; nothing comes of it any more. */
  readonly drop: () => void;
}

export function signalWorker(): SignalWorker {
  let worker: Worker | undefined;
  let remote: Remote<SignalWork> | undefined;
  const drop = (): void => {
    remote?.[releaseProxy]();
    worker?.terminate();
    worker = undefined;
    remote = undefined;
  };
  return {
    ask(work) {
      if (!remote) {
        worker = new Worker(new URL('./signal.worker.ts', import.meta.url), { type: 'module' });
        remote = wrap<SignalWork>(worker);
      }
      return work(remote);
    },
    drop,
  };
}

/** What reads leads: one for the window, made when it is first wanted, and anew where it could not be had. */
interface LeadWorker {
  readonly remote: Remote<LeadWork>;
  /** Rejects where the worker cannot be had, or breaks: nothing that was asked of it is ever answered then. */
  readonly broken: Promise<never>;
}
let lead: LeadWorker | undefined;

function startLead(): LeadWorker {
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
export function askLead<T>(work: (remote: Remote<LeadWork>) => Promise<T>): Promise<T> {
  lead ??= startLead();
  const { remote, broken } = lead;
  return Promise.race([work(remote), broken]);
}
