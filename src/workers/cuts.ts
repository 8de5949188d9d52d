import type { CutPlan, CutProblem } from '../core/stock';
import type { CutWork } from './cut.worker';

/** A cutting plan in the making. */
export interface Planning {
  /** The plan in the end; rejects where it could not be made, and never comes once it is stopped. */
  readonly done: Promise<CutPlan>;
  /** Ends it: what was told last is the best so far. */
  readonly stop: () => void;
}

/** Plans cuts in a worker of their own, for so many seconds at the most; each better plan is told as it is found. */
export function planCuts(problem: CutProblem, seconds: number, onBetter: (plan: CutPlan) => void): Planning {
  let stopped = false;
  let worker: Worker | undefined;
  const run = async (): Promise<CutPlan> => {
    const { proxy, wrap } = await import('comlink');
    if (stopped) return new Promise(() => undefined);
    const own = (worker = new Worker(new URL('./cut.worker.ts', import.meta.url), { type: 'module' }));
    const broken = new Promise<never>((_, reject) => {
      own.onerror = () => reject(new Error('What plans cuts could not be had.'));
    });
    try {
      return await Promise.race([wrap<CutWork>(own).plan(problem, seconds, proxy(onBetter)), broken]);
    } finally {
      own.terminate();
    }
  };
  return {
    done: run(),
    stop() {
      stopped = true;
      worker?.terminate();
    },
  };
}
