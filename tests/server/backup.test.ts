import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { sql } from 'kysely';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadWorld } from '../../demo/load';
import { prepareDatabase } from '../../scripts/lib/app.mjs';
import { nightly } from '../../scripts/lib/backups.mjs';
import { connectAtLeisure, migrateTo, type Database } from '../../src/server/db';
import {
  backupLines,
  isEmptyHouse,
  readManifest,
  restore,
  writeBackup,
  type Manifest,
} from '../../src/server/backup';
import { board } from '../../src/server/board/service';
import { createJob } from '../../src/server/jobs/service';
import { appendRecords, type UnitRecord } from '../../src/server/units/records';
import { unitSheet } from '../../src/server/units/service';
import { throwawayDatabase } from '../support/database';

/** Readings that are there before, in the sample and in the whole drill. */
const READINGS = process.env['ANTLER_TEST_LONG'] ? 100_000 : 5_000;
const BEFORE = path.resolve('tests/fixtures/database-0002.json');

let folder: string;
let house: Awaited<ReturnType<typeof throwawayDatabase>>;
let unit: string;
beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'antler-backup-'));
  house = await throwawayDatabase();
  await house.db.transaction().execute(loadWorld);
  unit = (await board(house.db)).flatMap((job) => job.leads.flatMap((lead) => lead.units))[0]?.id ?? '';
}, 120_000);
afterAll(async () => {
  await house.drop();
  rmSync(folder, { recursive: true, force: true });
});

const at = '2026-03-02T10:00:00.000Z';
async function backup(url: string, name: string): Promise<{ file: string; manifest: Manifest }> {
  const file = path.join(folder, name);
  const db = connectAtLeisure(url);
  const manifest = await writeBackup(file, backupLines(db, { app: 'test', at })).finally(() => db.destroy());
  return { file, manifest };
}
async function restored(file: string, options = {}, from?: Awaited<ReturnType<typeof throwawayDatabase>>) {
  const into = from ?? (await throwawayDatabase({ migrated: false }));
  // As the bootstrap does before it restores.
  if (!from) prepareDatabase(into.url, 'migrate');
  const db = connectAtLeisure(into.url);
  await restore(db, file, options).finally(() => db.destroy());
  return into;
}
/** Everything in a database, as text, table by table. */
async function everything(db: Database): Promise<Record<string, string>> {
  const found: Record<string, string> = {};
  for (const table of [
    'job',
    'lead',
    'lead_revision',
    'unit',
    'bench_event',
    'reading',
    'house',
    'own_entry',
    'request',
  ]) {
    const { rows } = await sql<{ all: string }>`
      select coalesce(md5(string_agg(t::text, '|' order by t::text)), '') as all from ${sql.table(table)} t`.execute(
      db,
    );
    found[table] = rows[0]?.all ?? '';
  }
  return found;
}

describe('a backup', () => {
  it('restored elsewhere is the same house, row for row, and numbers go on after the last', async () => {
    const { file, manifest } = await backup(house.url, 'plain.jsonl.gz');
    expect(manifest).toMatchObject({ version: 1, app: 'test', at });
    expect(manifest.counts['unit']).toBeGreaterThan(0);
    const other = await restored(file);
    expect(await everything(other.db)).toEqual(await everything(house.db));
    await createJob(other.db, { id: randomUUID(), name: 'After', note: '' });
    const { rows } = await sql<{ place: string; most: string }>`
      select nextval('record_place') as place,
        (select max(place) from (select place from reading union all select place from bench_event) p) as most`.execute(
      other.db,
    );
    expect(Number(rows[0]?.place)).toBeGreaterThan(Number(rows[0]?.most));
    // Only appending is let through there too.
    await expect(sql`delete from reading`.execute(other.db)).rejects.toThrow(/append-only/);
    await other.drop();
  });

  it(`drill: ${READINGS} readings there, recording goes on meanwhile: all that was acknowledged before is in it, and none half`, async () => {
    const leisure = connectAtLeisure(house.url);
    await sql`
      insert into reading (id, unit_id, probe, answer, at)
      select gen_random_uuid(), ${unit}, 'A.1~B.1', '{"kind":"ohms","ohms":0.2}', now()
      from generate_series(1, ${sql.lit(READINGS)})`.execute(leisure);
    await leisure.destroy();
    const acknowledged: { readonly id: string; readonly when: number }[] = [];
    let going = true;
    const recording = (async () => {
      while (going) {
        const note: UnitRecord = {
          is: 'reading',
          id: randomUUID(),
          probe: 'A.1~B.1',
          answer: { kind: 'beep' },
          at,
        };
        const { taken } = await appendRecords(house.db, unit, [note]);
        for (const id of taken) acknowledged.push({ id, when: performance.now() });
      }
    })();
    await expect.poll(() => acknowledged.length).toBeGreaterThan(20);
    const from = performance.now();
    const { file } = await backup(house.url, 'drill.jsonl.gz');
    const wrote = performance.now();
    going = false;
    await recording;
    const other = await restored(file);
    const seconds = (performance.now() - from) / 1000;
    const { rows } = await sql<{ id: string }>`select id from reading`.execute(other.db);
    const there = new Set(rows.map(({ id }) => id));
    const before = acknowledged.filter(({ when }) => when < from);
    expect(before.length).toBeGreaterThan(20);
    expect(before.filter(({ id }) => !there.has(id))).toEqual([]);
    expect(acknowledged.some(({ when }) => when > from && when < wrote)).toBe(true);
    expect(rows.length).toBeGreaterThanOrEqual(READINGS + before.length);
    expect((await unitSheet(other.db, unit)).readings.length).toBeGreaterThanOrEqual(READINGS);
    expect(seconds).toBeLessThan(60);
    console.info(`backup and restore of ${READINGS} readings: ${seconds.toFixed(1)} s`);
    await other.drop();
  }, 180_000);

  it('of an older database is brought up to date as it is restored', async () => {
    const old = await throwawayDatabase({ migrated: false });
    await migrateTo(old.db, '0002-workshop');
    const fixture = JSON.parse(readFileSync(BEFORE, 'utf8')) as Record<string, object[]>;
    for (const [table, rows] of Object.entries(fixture))
      if (Array.isArray(rows) && rows.length > 0)
        await sql`
          insert into ${sql.table(table)} overriding system value
          select * from jsonb_populate_recordset(null::${sql.table(table)}, ${JSON.stringify(rows)}::jsonb)`.execute(
          old.db,
        );
    const { file, manifest } = await backup(old.url, 'old.jsonl.gz');
    expect(manifest.migration).toBe('0002-workshop');
    const other = await restored(file);
    const jobs = await board(other.db);
    expect(jobs.flatMap((job) => job.leads).length).toBe(manifest.counts['lead']);
    expect(jobs.flatMap((job) => job.leads.flatMap((lead) => lead.units)).length).toBe(
      manifest.counts['unit'],
    );
    await old.drop();
    await other.drop();
  });

  it('does not go over a house that is not empty, unless that is said; and then is all there is', async () => {
    const { file } = await backup(house.url, 'over.jsonl.gz');
    const other = await throwawayDatabase();
    await createJob(other.db, { id: randomUUID(), name: 'Mine', note: '' });
    expect(await isEmptyHouse(other.db)).toBe(false);
    await expect(restored(file, {}, other)).rejects.toThrow(/not empty/);
    expect((await board(other.db)).map((job) => job.name)).toEqual(['Mine']);
    await restored(file, { overwrite: true }, other);
    expect(await everything(other.db)).toEqual(await everything(house.db));
    await other.drop();
  });

  it('that is damaged, cut off, newer or none is refused in a sentence, and nothing is changed', async () => {
    const { file } = await backup(house.url, 'good.jsonl.gz');
    const text = gunzipSync(readFileSync(file)).toString();
    const bad = (name: string, content: Buffer): string => {
      writeFileSync(path.join(folder, name), content);
      return path.join(folder, name);
    };
    const lines = text.trimEnd().split('\n');
    const files: readonly [string, RegExp][] = [
      [bad('half', readFileSync(file).subarray(0, 2_000)), /damaged or no backup/],
      [bad('noise', Buffer.from('hello')), /damaged or no backup/],
      [bad('other', gzipSync('{"antler":"lead"}\n')), /no backup of a house/],
      [bad('cut', gzipSync(lines.slice(0, -3).join('\n'))), /cut off/],
      [bad('less', gzipSync([...lines.slice(0, 5), ...lines.slice(6)].join('\n'))), /checksum/],
      [bad('altered', gzipSync(text.replace('Wrenfield', 'Wrenfeild'))), /checksum/],
      [bad('newer', gzipSync(text.replace('"version":1', '"version":99'))), /newer Antler/],
    ];
    const other = await throwawayDatabase();
    for (const [each, says] of files) {
      await expect(readManifest(each)).rejects.toThrow(says);
      await expect(restored(each, {}, other)).rejects.toThrow(says);
    }
    expect(await isEmptyHouse(other.db)).toBe(true);
    await other.drop();
  });

  it('where it cannot be written one sentence says so, and nothing is left half', async () => {
    await expect(backup(house.url, 'no/such/folder.jsonl.gz')).rejects.toThrow(
      /folder\.jsonl\.gz cannot be written \(ENOENT\): nothing was backed up/,
    );
  });

  it('one a night is made, and fourteen are kept', async () => {
    process.env['ANTLER_DATA_DIR'] = path.join(folder, 'data');
    const name = (n: number): string => `nightly-2026-03-${String(n).padStart(2, '0')}.jsonl.gz`;
    mkdirSync(path.join(folder, 'data', 'backups'), { recursive: true });
    for (let n = 1; n <= 15; n++) writeFileSync(path.join(folder, 'data', 'backups', name(n)), '');
    const made = (await nightly(house.url, new Date(2026, 2, 16, 12))) as string | undefined;
    expect((await readManifest(made ?? '')).counts['job']).toBeGreaterThan(0);
    expect(await nightly(house.url, new Date(2026, 2, 16, 23))).toBeUndefined();
    const kept = (n: number): boolean =>
      existsSync(
        path.join(folder, 'data', 'backups', `nightly-2026-03-${String(n).padStart(2, '0')}.jsonl.gz`),
      );
    expect([kept(1), kept(2), kept(3), kept(16)]).toEqual([false, false, true, true]);
    delete process.env['ANTLER_DATA_DIR'];
  }, 120_000);
});
