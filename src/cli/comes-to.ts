import { parentPort } from 'node:worker_threads';
import type { Lead } from '../core/lead';
import { summaryOf } from '../server/leads/comes-to';

/** Works out what leads come to, beside the thread that answers: of a trunk it takes seconds. */
parentPort?.on('message', ({ n, lead }: { readonly n: number; readonly lead: Lead }) => {
  try {
    parentPort?.postMessage({ n, summary: summaryOf(lead) });
  } catch (error) {
    parentPort?.postMessage({ n, failed: error instanceof Error ? error.message : String(error) });
  }
});
