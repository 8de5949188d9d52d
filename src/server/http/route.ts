import type { IncomingMessage } from 'node:http';
import type { AnyObjectSchema } from 'yup';
import type { Shape } from '../../core/quantity';
import type { Database } from '../db';
import { Refused } from '../refused';
import { isAnswer, jsonAnswer, type Answer } from './answer';
import { BODY_LIMIT, readBody } from './body';
import { errorAnswer, problemAnswer } from './problem';

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

/** The names of the ids in an address: `'id'` of `/api/leads/:id/export`. */
type Ids<Path extends string> = Path extends `${string}:${infer Id}/${infer Rest}`
  ? Id | Ids<`/${Rest}`>
  : Path extends `${string}:${infer Id}`
    ? Id
    : never;

/** What an address is asked with: the ids in its path, and the body that was checked. */
export interface Asked<Id extends string, Body> {
  readonly db: Database;
  readonly params: Readonly<Record<Id, string>>;
  readonly query: URLSearchParams;
  readonly body: Body;
}

/** One address of the server and what it answers: a value as JSON, or a whole answer of its own. */
export interface Route {
  readonly method: Method;
  /** Segments with a colon are ids: `:id` a UUID, `:entry` a catalogue id. */
  readonly path: string;
  readonly status: number;
  /** The shape of its body, and the most bytes of it; none where nothing is sent. */
  readonly body?: AnyObjectSchema;
  readonly limit?: number;
  /** Whether whoever listens is told that something changed; so where nothing is said and it writes. */
  readonly tells?: boolean;
  readonly run: (asked: Asked<string, unknown>) => Promise<unknown>;
}

/** An address that is only looked at, or taken away. */
export const asks = <const Path extends string>(
  method: 'GET' | 'DELETE',
  path: Path,
  run: (asked: Asked<Ids<Path>, undefined>) => Promise<unknown>,
): Route => ({ method, path, status: 200, run: (asked) => run({ ...asked, body: undefined }) });

/** An address that takes a body of a shape. A new thing is answered with 201. */
export const takes = <const Path extends string, Of extends AnyObjectSchema>(
  method: 'POST' | 'PUT',
  path: Path,
  body: Of,
  run: (asked: Asked<Ids<Path>, Shape<Of>>) => Promise<unknown>,
  { status = 200, limit = BODY_LIMIT, tells = true } = {},
): Route => ({
  method,
  path,
  status,
  body,
  limit,
  tells,
  // What was read by the shape is of the shape: the dispatcher reads by no other.
  run: (asked) => run(asked as Asked<Ids<Path>, Shape<Of>>),
});

/** What an id in a path must look like, by its name. */
const IDS: Readonly<Record<string, { readonly like: RegExp; readonly says: string }>> = {
  id: {
    like: /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i,
    says: 'The id in the address must be a UUID.',
  },
  entry: {
    like: /^[a-z0-9][a-z0-9.-]{0,79}$/,
    says: 'The id in the address must be one of the catalogue’s: small letters, figures and hyphens.',
  },
};

/** A route beside the segments of its pattern. */
interface Cut {
  readonly route: Route;
  readonly wanted: readonly string[];
}

/** The routes by how many segments they have and what the third of them is, which no pattern leaves open. */
const SORTED = new WeakMap<readonly Route[], ReadonlyMap<string, readonly Cut[]>>();
const sortKey = (segments: readonly string[]): string => `${segments.length} ${segments[2] ?? ''}`;

function cutLike(routes: readonly Route[], given: readonly string[]): readonly Cut[] {
  let sorted = SORTED.get(routes);
  if (!sorted) {
    const lists = new Map<string, Cut[]>();
    for (const route of routes) {
      const wanted = route.path.split('/');
      const key = sortKey(wanted);
      lists.set(key, [...(lists.get(key) ?? []), { route, wanted }]);
    }
    sorted = lists;
    SORTED.set(routes, sorted);
  }
  return sorted.get(sortKey(given)) ?? [];
}

/** The segments of an address. */
const segmentsIn = (pathname: string): readonly string[] => pathname.replace(/(?<=.)\/$/, '').split('/');

/** The ids in an address that has this pattern's form; nothing where it has another. */
function matched(
  wanted: readonly string[],
  given: readonly string[],
): Readonly<Record<string, string>> | undefined {
  const params: Record<string, string> = {};
  for (const [n, segment] of wanted.entries())
    if (segment.startsWith(':')) params[segment.slice(1)] = given[n] ?? '';
    else if (segment !== given[n]) return undefined;
  return params;
}

function checkIds(params: Readonly<Record<string, string>>): void {
  for (const [name, value] of Object.entries(params)) {
    const id = IDS[name];
    if (!id?.like.test(value))
      throw new Refused(400, [{ code: 'path.id', says: id?.says ?? 'No such id.', path: name }]);
  }
}

/** What came of a request: the answer, and the pattern of the address for the log, which holds no ids. */
export interface Dispatched {
  readonly pattern: string;
  readonly answer: Answer;
  /** What was asked after, in the words of the address. */
  readonly topic: string;
  /** Whether whoever listens is told, and a line is written. */
  readonly tells: boolean;
}

/**
 * Finds the route of a request and answers it: a value as JSON, errors as problems. An address that is none is 404, a
 * method that an address does not have 405 with what it has.
 */
export async function dispatch(
  routes: readonly Route[],
  request: IncomingMessage,
  db: () => Database,
  log: (error: unknown, pattern: string) => void,
): Promise<Dispatched> {
  const { pathname, searchParams } = new URL(request.url ?? '/', 'http://here');
  const segments = segmentsIn(pathname);
  const here = cutLike(routes, segments).flatMap(({ route, wanted }) => {
    const params = matched(wanted, segments);
    return params ? { route, params } : [];
  });
  const first = here[0];
  if (!first)
    return {
      pattern: '/api/…',
      topic: '',
      tells: true,
      answer: problemAnswer(404, 'Not found', [
        { code: 'path.unknown', says: 'Antler has nothing at this address.', path: '' },
      ]),
    };
  const pattern = first.route.path;
  const topic = `${pattern.split('/')[2] ?? ''} ${first.params['id'] ?? ''}`.trim();
  const method = request.method === 'HEAD' ? 'GET' : (request.method ?? '');
  const found = here.find(({ route }) => route.method === method);
  if (!found) {
    const allowed = here.map(({ route }) => route.method);
    return {
      pattern,
      topic,
      tells: true,
      answer: problemAnswer(
        405,
        'Not done here',
        [{ code: 'path.method', says: `This address takes ${allowed.join(', ')} only.`, path: '' }],
        {},
        { allow: [...allowed, ...(allowed.includes('GET') ? ['HEAD'] : [])].join(', ') },
      ),
    };
  }
  const tells = found.route.tells !== false;
  try {
    checkIds(found.params);
    const { route, params } = found;
    const body = route.body && (await readBody(request, route.body, route.limit));
    const value = await route.run({ db: db(), params, query: searchParams, body });
    return {
      pattern,
      topic,
      tells,
      answer: isAnswer(value) ? value : jsonAnswer(route.status, value),
    };
  } catch (error) {
    return {
      pattern,
      topic,
      tells,
      answer: errorAnswer(error, method !== 'GET', (unforeseen) => log(unforeseen, pattern)),
    };
  }
}

/** What an address answers, or why it does not: as a page is sent with it. */
export interface Given {
  readonly at: string;
  readonly value?: unknown;
  readonly failed?: { readonly status: number; readonly body: Record<string, unknown> };
}

/** Answers an address that is only looked at, without a request. */
export async function answerAt(
  routes: readonly Route[],
  at: string,
  db: () => Database,
  log: (error: unknown, pattern: string) => void,
): Promise<Given> {
  const { pathname, searchParams } = new URL(at, 'http://here');
  const segments = segmentsIn(pathname);
  for (const { route, wanted } of cutLike(routes, segments)) {
    const params = route.method === 'GET' && matched(wanted, segments);
    if (!params) continue;
    try {
      checkIds(params);
      return { at, value: await route.run({ db: db(), params, query: searchParams, body: undefined }) };
    } catch (error) {
      const { status, body } = errorAnswer(error, false, (unforeseen) => log(unforeseen, route.path));
      return { at, failed: { status, body: JSON.parse(String(body)) as Record<string, unknown> } };
    }
  }
  return { at, failed: { status: 404, body: { problems: [] } } };
}
