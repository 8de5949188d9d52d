import type { Problem } from '../../core/quantity';

/** What the server answered when it did not do what was asked. Status 0: it could not be reached at all. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly problems: readonly Problem[],
    readonly more: Readonly<Record<string, unknown>> = {},
  ) {
    super(problems[0]?.says ?? 'Antler does not answer.');
  }

  /** Whether trying again later may help: the server or its database is away, or cannot do it now. */
  get passing(): boolean {
    return this.status === 0 || this.status === 408 || this.status === 429 || this.status >= 500;
  }
}

/** Asks the server; resolves to its JSON, or throws an {@link ApiProblem}. */
export async function ask<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      signal: AbortSignal.timeout(20_000),
      ...(body === undefined
        ? {}
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
  } catch {
    throw new ApiProblem(0, [{ code: 'away', says: 'Antler does not answer: is it running?', path: '' }]);
  }
  if (response.ok) return (await response.json()) as T;
  const problem = (await response.json().catch(() => ({}))) as { problems?: Problem[] };
  throw new ApiProblem(response.status, problem.problems ?? [], problem as Record<string, unknown>);
}
