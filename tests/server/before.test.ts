import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { sql } from 'kysely';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { HOUSE_VERSION } from '../../src/core/house';
import { connectorSchema } from '../../src/core/catalogue';
import { readLead } from '../../src/core/lead';
import { judge } from '../../src/core/proving';
import { proofBy, readingsInForce } from '../../src/core/bench';
import { migrate, migrateTo } from '../../src/server/db';
import { board } from '../../src/server/board/service';
import { exportLead, leadSheet } from '../../src/server/leads/service';
import { unitSheet } from '../../src/server/units/service';
import { appendEvents } from '../support/records';
import { workshop } from '../../src/server/workshop/service';
import { throwawayDatabase } from '../support/database';

type Row = Readonly<Record<string, unknown>>;
/** The demo’s database as it stood after the second migration, with a workshop of its own and a lead that was mended. */
const DUMP = JSON.parse(
  readFileSync(fileURLToPath(new URL('../fixtures/database-0002.json', import.meta.url)), 'utf8'),
) as Record<string, readonly Row[]>;
const TABLES = [
  'job',
  'lead',
  'lead_revision',
  'unit',
  'bench_event',
  'reading',
  'workshop',
  'own_entry',
] as const;
const rows = (table: (typeof TABLES)[number]): readonly Row[] => DUMP[table] ?? [];

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase({ migrated: false });
  await migrateTo(database.db, '0002-workshop');
  for (const table of TABLES)
    await sql`insert into ${sql.table(table)} overriding system value
      select * from jsonb_populate_recordset(null::${sql.table(table)}, ${JSON.stringify(rows(table))}::jsonb)`.execute(
      database.db,
    );
  // The numbers that the database gives go on where they were.
  for (const [table, column] of [
    ...['job', 'lead', 'bench_event', 'reading'].map((name) => [name, 'seq']),
    ['unit', 'number'],
  ] as const)
    await sql`select setval(pg_get_serial_sequence(${table}, ${column}),
      (select max(${sql.ref(column ?? '')}) from ${sql.table(table ?? '')}))`.execute(database.db);
  await migrate(database.db);
});
afterAll(() => database.drop());

describe('a database of before, brought up', () => {
  it('has every lead, at its revision, with what it meets, each whole by the rules of today', async () => {
    for (const lead of rows('lead')) {
      const sheet = await leadSheet(database.db, String(lead['id']));
      const before = rows('lead_revision').filter((each) => each['lead_id'] === lead['id']);
      expect(sheet.revision).toBe(lead['revision']);
      expect(sheet.history.map((each) => each.name)).toEqual(before.map((each) => each['name']));
      expect(sheet.lead.situations).toHaveLength(1);
      const out: unknown = JSON.parse(JSON.stringify(await exportLead(database.db, sheet.id)));
      expect(readLead(out)).toMatchObject({ ok: true });
    }
  });

  it('hangs on the board, and every unit stands where it stood', async () => {
    const units = (await board(database.db)).flatMap((job) => job.leads.flatMap((lead) => lead.units));
    expect(units).toHaveLength(rows('unit').length);
    const logged = rows('bench_event').filter((event) => event['kind'] === 'logged');
    expect(units.filter((unit) => unit.stage === 'logged')).toHaveLength(logged.length);
  });

  it('keeps every event and reading, and knows each step and probe that they name', async () => {
    for (const unit of rows('unit')) {
      const sheet = await unitSheet(database.db, String(unit['id']));
      const of = (table: 'bench_event' | 'reading') =>
        rows(table)
          .filter((each) => each['unit_id'] === unit['id'])
          .map((each) => each['id']);
      expect(sheet.events.map((each) => each.id)).toEqual(of('bench_event'));
      expect(sheet.readings.map((each) => each.id)).toEqual(of('reading'));
      const steps = new Set(sheet.plan.operations.map((operation) => operation.id));
      for (const event of sheet.events)
        if (event.operation !== undefined) expect(steps, event.operation).toContain(event.operation);
      const proof = proofBy(sheet.plan, sheet.lead);
      for (const reading of sheet.readings) expect(proof.check(reading.probe), reading.probe).toBeDefined();
    }
  });

  it('a reading from before a mending does not stand, and those after it do', async () => {
    const mended = rows('bench_event').find((event) => event['kind'] === 'mended');
    const sheet = await unitSheet(database.db, String(mended?.['unit_id']));
    expect(sheet.readings.map((each) => each.after)).toEqual([undefined, mended?.['id'], mended?.['id']]);
    const stands = readingsInForce(sheet.state.mended, sheet.readings);
    expect(stands).toHaveLength(2);
    expect(judge(proofBy(sheet.plan, sheet.lead), stands).off).toEqual([]);
  });

  it('has the house and its own entries in their documents of today', async () => {
    const house = await workshop(database.db);
    expect(house).toMatchObject({ version: HOUSE_VERSION, schools: { shell: 'both', units: 'inch' } });
    const [own] = house.connectors;
    expect(own?.bodyParts).toEqual([{ name: 'boot', goesOn: 'before', from: 'cable' }]);
    expect(() => connectorSchema.validateSync(own, { strict: true })).not.toThrow();
    expect(house.cables.map((each) => each.name)).toEqual(['House red and blue']);
  });

  it('takes what happens next after all that happened', async () => {
    const unit = rows('bench_event').find((event) => event['kind'] === 'mended');
    const id = '00000000-0000-4000-8000-000000000001';
    const note = { id, kind: 'note', text: 'after', at: '1999-01-01T00:00:00.000Z' } as const;
    await appendEvents(database.db, String(unit?.['unit_id']), [note]);
    expect((await unitSheet(database.db, String(unit?.['unit_id']))).events.at(-1)?.id).toBe(id);
  });

  it('is still append-only, except to a migration', async () => {
    for (const table of ['lead_revision', 'bench_event', 'reading'])
      await expect(
        sql`update ${sql.table(table)} set created_at = now()`.execute(database.db),
      ).rejects.toThrow('append-only');
  });
});
