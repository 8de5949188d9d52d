import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { BoardJob } from '../../src/server/board/service';
import { runApp, type RunningApp } from '../support/app';
import { throwawayDatabase } from '../support/database';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
let apps: readonly [RunningApp, RunningApp];
beforeAll(async () => {
  database = await throwawayDatabase({ seeded: true });
  const first = await runApp(database.url);
  apps = [first, await runApp(database.url)];
});
afterAll(async () => {
  await Promise.all(apps.map((app) => app.stop()));
  await database.drop();
});

/** Listens at an app; what is heard comes as it comes. */
async function listening(app: RunningApp) {
  const ear = new AbortController();
  const response = await fetch(`${app.url}/api/live`, { signal: ear.signal });
  const heard: string[] = [];
  let ended = false;
  void (async () => {
    const decoder = new TextDecoder();
    try {
      for await (const part of response.body as unknown as AsyncIterable<Uint8Array>)
        for (const [, topics] of decoder.decode(part, { stream: true }).matchAll(/^data: (.*)$/gm))
          heard.push(...(JSON.parse(topics ?? '[]') as string[]));
    } catch {
      // Hung up by us.
    }
    ended = true;
  })();
  return { response, heard, ended: () => ended, leave: () => ear.abort() };
}

describe('what changes', () => {
  it('is heard of at every app on one database, after it is there', async () => {
    const ears = await Promise.all(apps.map(listening));
    expect(ears[0]?.response.headers.get('content-type')).toBe('text/event-stream');
    expect(ears[0]?.response.headers.get('content-encoding')).toBeNull();
    await pause(200);
    const [job] = (await (await fetch(`${apps[0].url}/api/board`)).json()) as BoardJob[];
    const unit = job?.leads.flatMap((lead) => lead.units)[0];
    const id = randomUUID();
    await apps[0].send('POST', '/api/jobs', { id, name: 'Fair', note: '' });
    await apps[1].send('POST', `/api/units/${unit?.id}/records`, {
      records: [{ is: 'event', id: randomUUID(), kind: 'note', text: 'x', at: new Date().toISOString() }],
    });
    // What is refused changes nothing.
    await apps[0].send('POST', '/api/jobs', { id, name: '', note: '' });
    for (const { heard } of ears) {
      await expect.poll(() => heard, { timeout: 5_000 }).toContain('jobs');
      await expect.poll(() => heard, { timeout: 5_000 }).toContain(`units ${unit?.id}`);
      expect(heard.filter((topic) => topic === 'jobs')).toHaveLength(1);
    }
    for (const ear of ears) ear.leave();
  });

  it('what came too quickly to be told one by one is told together', async () => {
    const ear = await listening(apps[1]);
    await pause(200);
    const from = ear.heard.length;
    await Promise.all(
      Array.from({ length: 40 }, (_, n) =>
        apps[0].send('POST', '/api/jobs', { id: randomUUID(), name: `Fair ${n}`, note: '' }),
      ),
    );
    await expect.poll(() => ear.heard.slice(from), { timeout: 5_000 }).toContain('jobs');
    await pause(300);
    expect(ear.heard.slice(from).length).toBeLessThan(20);
    ear.leave();
  });

  it('whoever listens is let go when the app stops', async () => {
    const own = await runApp(database.url);
    const ear = await listening(own);
    const from = performance.now();
    await own.stop();
    expect(performance.now() - from).toBeLessThan(4_000);
    await expect.poll(ear.ended, { timeout: 2_000 }).toBe(true);
  });

  it('a connection that the database ends is opened again, and everybody is told to look', async () => {
    const ear = await listening(apps[0]);
    await pause(300);
    const from = ear.heard.length;
    const { sql } = await import('kysely');
    await sql`select pg_terminate_backend(pid) from pg_stat_activity
      where datname = current_database() and pid <> pg_backend_pid()
        and (query like 'listen %' or query like '%pg_notify%')`.execute(database.db);
    await expect
      .poll(() => ear.heard.slice(from).filter((topic) => topic === 'all').length, { timeout: 8_000 })
      .toBeGreaterThanOrEqual(2);
    await apps[1].send('POST', '/api/jobs', { id: randomUUID(), name: 'After', note: '' });
    await expect.poll(() => ear.heard.slice(from), { timeout: 5_000 }).toContain('jobs');
    ear.leave();
  });
});
