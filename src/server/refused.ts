import type { Problem } from '../core/quantity';

/** A request that cannot be met as it is: the status to answer with, the problems, and what may help the client. */
export class Refused extends Error {
  constructor(
    readonly status: 400 | 403 | 404 | 409 | 413 | 415 | 422 | 502,
    readonly problems: readonly Problem[],
    readonly more: Readonly<Record<string, unknown>> = {},
  ) {
    super(problems[0]?.says ?? 'Refused.');
  }
}

/** What is asked for is not there: 404. */
export const missing = (what: string): Refused =>
  new Refused(404, [
    {
      code: 'not-found',
      says: `There is no such ${what}: it may be on another Antler, or the demo was reset.`,
      path: '',
    },
  ]);
