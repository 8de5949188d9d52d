import { ApiProblem, ask } from './api';

/** How often what may be said twice is sent before it is given up, and the pause between, ms. */
const [TRIES, PAUSE] = [3, 800];

/** Sends what says the same however often it is said, until it is taken; a refusal is final. */
export async function put<T>(path: string, body: unknown, tries = TRIES): Promise<T> {
  try {
    return await ask<T>('PUT', path, body);
  } catch (error) {
    if (tries <= 1 || (error instanceof ApiProblem && !error.passing)) throw error;
    await new Promise((done) => setTimeout(done, PAUSE));
    return put(path, body, tries - 1);
  }
}
