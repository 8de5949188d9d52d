import { createHash } from 'node:crypto';
import { stringify } from 'safe-stable-stringify';
import type { Database } from './db';
import { Refused } from './refused';

/**
 * Does what a client asks under its id once, in this transaction: asked again with the same content it is left as it is, also
 * where both come at the same time. Another content under that id is refused with 409.
 */
export async function once(
  db: Database,
  id: string,
  asked: unknown,
  work: () => Promise<unknown>,
): Promise<void> {
  const hash = createHash('sha256')
    .update(stringify(asked) ?? '')
    .digest('base64');
  const first = await db
    .insertInto('request')
    .values({ id, hash })
    .onConflict((c) => c.column('id').doNothing())
    .returning('id')
    .executeTakeFirst();
  if (first) return void (await work());
  const before = await db.selectFrom('request').select('hash').where('id', '=', id).executeTakeFirst();
  if (before?.hash && before.hash !== hash) throw idTaken('id');
}

/** The id stands for something else already: 409. */
export const idTaken = (path: string, more: Readonly<Record<string, unknown>> = {}): Refused =>
  new Refused(
    409,
    [
      {
        code: 'id.taken',
        says: 'This id stands for something else that was recorded before: it is sent under one of its own.',
        path,
      },
    ],
    more,
  );
