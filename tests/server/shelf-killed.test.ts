import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { shelfOf, type ShelfEvent, type ShelfPiece } from '../../src/core/stock';
import { shelf } from '../../src/server/shelf/service';
import { runApp, type RunningApp } from '../support/app';
import { throwawayDatabase } from '../support/database';
import { PLAIN_INTENT } from '../support/intents';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
let app: RunningApp;
beforeAll(async () => {
  database = await throwawayDatabase();
  app = await runApp(database.url);
});
afterAll(async () => {
  await app.stop();
  await database.drop();
});

const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
/** Sends until it is answered, under the same ids: as a page does whose server dies. */
async function until(method: string, path: string, body: unknown): Promise<number> {
  for (;;) {
    const answer = await app.send(method, path, body).catch(() => undefined);
    if (answer && answer.status < 500) return answer.status;
    await pause(40);
  }
}
const event = (
  piece: string,
  kind: ShelfEvent['kind'],
  amount: number,
  more: Partial<ShelfEvent> = {},
): ShelfEvent => ({ id: randomUUID(), piece, at: new Date().toISOString(), kind, amount, ...more });

it('twenty cut, throw away, part and start units while the app is killed again and again: what was answered happened once, and no metre appears or vanishes', async () => {
  const [job, lead] = [randomUUID(), randomUUID()];
  expect(await until('POST', '/api/jobs', { id: job, name: 'Tour', note: '' })).toBe(201);
  expect(
    await until('POST', '/api/leads', { id: lead, jobId: job, name: 'Bridge mic', intent: PLAIN_INTENT }),
  ).toBe(201);
  const AS = { item: 'pair-braid', name: 'Microphone cable', unit: 'mm', sort: 'reel' } as const;
  const reels = await Promise.all(
    Array.from({ length: 5 }, async () => {
      const id = randomUUID();
      expect(await until('POST', '/api/shelf', { events: [event(id, 'taken-in', 100_000, AS)] })).toBe(200);
      return id;
    }),
  );
  /** What was answered: taken, or refused. */
  const taken: ShelfEvent[] = [];
  const refused: ShelfEvent[] = [];
  let units = 0;
  let done = false;
  const client = async (n: number): Promise<void> => {
    for (let turn = 0; turn < 4; turn++) {
      const reel = reels[(n + turn) % reels.length] ?? '';
      if (n % 5 === 0) {
        const started = await until('POST', `/api/leads/${lead}/units`, {
          id: randomUUID(),
          builder: 'Nell',
        });
        expect(started).toBe(201);
        units++;
        continue;
      }
      const into = randomUUID();
      const events =
        n % 5 === 1
          ? [event(reel, 'parted', 1500, { into }), event(into, 'taken-in', 1500, { ...AS, sort: 'offcut' })]
          : n % 5 === 2
            ? [event(reel, 'scrapped', 700), event(reel, 'cut', 900)]
            : [event(reel, 'cut', 2500 + n)];
      const status = await until('POST', '/api/shelf', { events });
      (status === 200 ? taken : refused).push(...events);
    }
  };
  const killer = async (): Promise<number> => {
    let kills = 0;
    while (!done && kills < 3) {
      await pause(250);
      const { port } = app;
      app.child.kill('SIGKILL');
      kills++;
      app = await runApp(database.url, { port });
    }
    return kills;
  };
  const [kills] = await Promise.all([
    killer(),
    Promise.all(Array.from({ length: 20 }, (_, n) => client(n))).then(() => (done = true)),
  ]);
  expect(kills).toBeGreaterThan(1);
  const rows = await database.db.selectFrom('shelf_event').select('document').orderBy('seq').execute();
  const happened = rows.map(({ document }) => document);
  const ids = happened.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  for (const { id } of taken) expect(ids).toContain(id);
  for (const { id } of refused) expect(ids).not.toContain(id);
  // Beside what was answered there is what came first, and what the units took: no more.
  const forUnits = happened.filter(({ for: unit }) => unit !== undefined);
  expect(happened.length).toBe(reels.length + taken.length + forUnits.length);
  expect(new Set(forUnits.map(({ for: unit }) => unit)).size).toBe(units);
  const { pieces } = await shelf(database.db);
  expect(shelfOf(happened)).toEqual(pieces);
  const sum = (of: (piece: ShelfPiece) => number): number => pieces.reduce((all, each) => all + of(each), 0);
  // 500 m came: they lie there, or were cut or thrown away.
  expect(sum(({ left }) => left) + sum(({ cut }) => cut) + sum(({ scrapped }) => scrapped)).toBe(500_000);
  for (const each of pieces) expect(each.left).toBeGreaterThanOrEqual(0);
});
