import type { ObjectSchema } from 'yup';
import { yupProblems } from '../../core/assembly';
import { Refused } from '../services/refused';

/** The largest body taken, bytes. */
export const BODY_LIMIT = 256 * 1024;
/** The largest file taken in, bytes: a whole job with its assemblies. */
export const FILE_LIMIT = 16 * 1024 * 1024;

/** Reads a JSON body no larger than the limit and checks it; every problem is refused with the path of its field. */
export async function readBody<T extends object>(
  request: Request,
  schema: ObjectSchema<T>,
  limit = BODY_LIMIT,
): Promise<T> {
  if (!/^application\/json\b/i.test(request.headers.get('content-type') ?? ''))
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
  try {
    return schema.validateSync(value, { strict: true, abortEarly: false }) as T;
  } catch (error) {
    throw new Refused(422, yupProblems(error));
  }
}

async function readText(request: Request, limit: number): Promise<string> {
  const tooLarge = new Refused(413, [
    { code: 'body.large', says: `That is more than ${limit / 1024} KiB at once.`, path: '' },
  ]);
  if (Number(request.headers.get('content-length') ?? 0) > limit) throw tooLarge;
  const chunks: Uint8Array[] = [];
  let size = 0;
  if (request.body)
    for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
      size += chunk.byteLength;
      if (size > limit) throw tooLarge;
      chunks.push(chunk);
    }
  return Buffer.concat(chunks).toString('utf8');
}
