import { expose } from 'comlink';
import { cutPlan, type CutPlan, type CutProblem } from '../core/stock';

const work = {
  /** The best plan that is found in so many seconds; each better one is told on the way. */
  plan(problem: CutProblem, seconds: number, onBetter: (plan: CutPlan) => void): CutPlan {
    const until = performance.now() + seconds * 1000;
    return cutPlan(problem, { mayGoOn: () => performance.now() < until, onBetter: (plan) => onBetter(plan) });
  },
};

export type CutWork = typeof work;

expose(work);
