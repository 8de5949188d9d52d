import type { IncomingHttpHeaders } from 'node:http';
import type { Readable } from 'node:stream';
import type { AnyObjectSchema } from 'yup';
import { readShape, type Problem, type Shape } from '../../core/quantity';
import { Refused } from '../refused';

/** The largest body taken, bytes. */
export const BODY_LIMIT = 256 * 1024;
/** The largest file taken in, bytes: a whole job with its assemblies. */
export const FILE_LIMIT = 16 * 1024 * 1024;

/** A request, as far as a body is read from it. */
export type Incoming = Readable & { readonly headers: IncomingHttpHeaders };

/** Nobody hears of it: whoever sent it has hung up. */
const CUT_OFF: Problem = { code: 'body.cut', says: 'The body was cut off.', path: '' };

/** Reads a JSON body no larger than the limit and checks it; every problem is refused with the path of its field. */
export async function readBody<Of extends AnyObjectSchema>(
  request: Incoming,
  schema: Of,
  limit = BODY_LIMIT,
): Promise<Shape<Of>> {
  if (!/^application\/json\b/i.test(request.headers['content-type'] ?? ''))
    throw new Refused(415, [
      { code: 'body.type', says: 'Send JSON, with content-type application/json.', path: '' },
    ]);
  const text = await readText(request, limit);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new Refused(400, [{ code: 'body.json', says: 'The body is not JSON.', path: '' }]);
  }
  const unsound = soundness(value, '', 0);
  if (unsound) throw new Refused(422, [unsound]);
  const read = readShape(schema, value);
  if (!read.ok) throw new Refused(422, read.problems);
  return read.value;
}

/** How deep a body may be nested. */
const DEEPEST = 32;

/** What no text and no number of ours can be, with its path; undefined where all is sound. */
function soundness(value: unknown, path: string, depth: number): Problem | undefined {
  if (typeof value === 'string' && /\0|\p{Surrogate}/u.test(value))
    return { code: 'body.text', says: 'There is a character in it that no text has.', path };
  if (typeof value === 'number' && !Number.isFinite(value))
    return { code: 'body.number', says: 'This number is too large to count with.', path };
  if (typeof value !== 'object' || value === null) return undefined;
  if (depth >= DEEPEST) return { code: 'body.deep', says: `Nested deeper than ${DEEPEST} levels.`, path };
  for (const [key, each] of Object.entries(value)) {
    const at = Array.isArray(value) ? `${path}[${key}]` : path === '' ? key : `${path}.${key}`;
    const problem = soundness(key, path, depth + 1) ?? soundness(each, at, depth + 1);
    if (problem) return problem;
  }
  return undefined;
}

function readText(request: Incoming, limit: number): Promise<string> {
  // A refusal is made only where there is one: each remembers where it arose, which takes its time.
  const tooLarge = (): Refused =>
    new Refused(413, [
      { code: 'body.large', says: `That is more than ${limit / 1024} KiB at once.`, path: '' },
    ]);
  return new Promise((resolve, reject) => {
    if (Number(request.headers['content-length'] ?? 0) > limit) return reject(tooLarge());
    const chunks: Uint8Array[] = [];
    let size = 0;
    request.on('data', (chunk: Uint8Array) => {
      size += chunk.byteLength;
      if (size > limit) {
        // What comes after it is not kept.
        request.pause();
        chunks.length = 0;
        reject(tooLarge());
      } else chunks.push(chunk);
    });
    let whole = false;
    request.on('end', () => {
      whole = true;
      resolve(Buffer.concat(chunks).toString('utf8'));
    });
    request.on('close', () => whole || reject(new Refused(400, [CUT_OFF])));
  });
}
