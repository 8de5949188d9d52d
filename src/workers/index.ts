import { releaseProxy, wrap, type Remote } from 'comlink';
import type { LeadWork } from './lead.worker';
import type { SignalWork } from './signal.worker';

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

let lead: Remote<LeadWork> | undefined;

/** What reads leads, off the page's own thread: one for the window, made when it is first wanted. */
export function leadWorker(): Remote<LeadWork> {
  lead ??= wrap<LeadWork>(new Worker(new URL('./lead.worker.ts', import.meta.url), { type: 'module' }));
  return lead;
}
