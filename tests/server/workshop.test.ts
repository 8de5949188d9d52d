import { readShape } from '../../src/core/quantity';
import { NEW_HOUSE } from '../../src/core/house';
import { ANY_METER } from '../../src/core/proving';
import { houseSchoolsSchema } from '../../src/server/workshop/bodies';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Lead } from '../../src/core/lead';
import { sql } from 'kysely';
import { createJob, exportJob, importInto } from '../../src/server/jobs/service';
import { createLead, exportLead, leadSheet } from '../../src/server/leads/service';
import { Refused } from '../../src/server/refused';
import {
  putCable,
  putConnector,
  putMeter,
  putSchools,
  putTool,
  removeOwn,
  workshop,
} from '../../src/server/workshop/service';
import { throwawayDatabase } from '../support/database';
import { PLAIN_INTENT } from '../support/intents';
import { leadFor } from '../support/leads';
import { connectorNamed, houseCable } from '../support/own';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
let jobId: string;
beforeAll(async () => {
  database = await throwawayDatabase();
  jobId = randomUUID();
  await createJob(database.db, { id: jobId, name: 'Loom', note: 'for the tour' });
});
afterAll(() => database.drop());

const refusal = async (work: Promise<unknown>): Promise<Refused> => {
  try {
    await work;
  } catch (error) {
    if (error instanceof Refused) return error;
    throw error;
  }
  throw new Error('it was not refused');
};
const leadCount = async (): Promise<number> =>
  Number(
    (await sql<{ n: string }>`select count(*) as n from lead`.execute(database.db)).rows[0]?.n ?? Number.NaN,
  );

describe('the workshop', () => {
  it('is empty at first, and keeps the house’s answers', async () => {
    expect(await workshop(database.db)).toEqual({
      ...NEW_HOUSE,
      connectors: [],
      cables: [],
      sockets: ['127.0.0.1:5025'],
    });
    await putSchools(database.db, { hand: 'left' });
    expect((await putSchools(database.db, { hand: 'left', shell: 'both' })).schools).toEqual({
      hand: 'left',
      shell: 'both',
    });
  });

  it('keeps the meter beside the schools, and forgets what is not said of it any more; units that are started are proven by it', async () => {
    const meter = { ...ANY_METER, capacitance: true };
    const kept = await putMeter(database.db, { meter, plug: '127.0.0.1:5025' });
    expect(kept).toMatchObject({ meter, plug: '127.0.0.1:5025', schools: { hand: 'left' } });
    const { problems } = await refusal(putMeter(database.db, { meter, plug: '10.0.0.1:22' }));
    expect(problems).toMatchObject([{ code: 'meter.socket', path: 'plug' }]);
    expect(await workshop(database.db)).toEqual(kept);
    const { meter: none, plug } = await putMeter(database.db, {});
    expect([none, plug]).toEqual([undefined, undefined]);
  });

  it.each([
    [{ shell: 'welded' }, 'shell'],
    [{ weather: 'fine' }, 'weather'],
  ])('%j is refused at the edge, at its own field', (schools, path) => {
    const read = readShape(houseSchoolsSchema, { schools });
    expect(read.ok ? [] : read.problems.map((problem) => problem.path)).toEqual([`schools.${path}`]);
  });

  it('keeps what it has for each tool; twenty who name one at once, and one who sets the schools, lose nothing', async () => {
    const named = Array.from({ length: 20 }, (_, n) => ({ id: `tool-${n}`, ours: `ours ${n}` }));
    await Promise.all([
      ...named.map((each) => putTool(database.db, each)),
      putSchools(database.db, { hand: 'left' }),
    ]);
    const { tools = [], schools } = await workshop(database.db);
    expect([...tools].sort((a, b) => a.ours.localeCompare(b.ours, 'en', { numeric: true }))).toEqual(named);
    expect(schools).toEqual({ hand: 'left' });
    await putTool(database.db, { id: 'tool-3', ours: 'another' });
    for (const { id } of named.slice(4)) await putTool(database.db, { id, ours: null });
    expect((await workshop(database.db)).tools?.map(({ ours }) => ours).sort()).toEqual(
      ['another', 'ours 0', 'ours 1', 'ours 2'].sort(),
    );
    for (const { id } of named) await putTool(database.db, { id, ours: null });
    await putSchools(database.db, {});
  });

  it('keeps a connector, changes it under the same name, and takes it off the list', async () => {
    const entry = connectorNamed('Old talkback');
    await putConnector(database.db, entry);
    const changed = { ...entry, shell: false };
    expect((await putConnector(database.db, changed)).connectors).toEqual([changed]);
    expect((await removeOwn(database.db, 'connector', entry.id)).connectors).toEqual([]);
  });

  it.each([
    ['a name of the catalogue’s', { ...connectorNamed('x'), id: 'xlr3-plug' }, 'name'],
    ['a family of the catalogue’s', { ...connectorNamed('x'), family: 'xlr3' }, 'name'],
    [
      'a contact twice',
      { ...connectorNamed('x'), contacts: [...connectorNamed('x').contacts, { id: '1', name: '1' }] },
      'contacts',
    ],
    [
      'a contact with no place',
      { ...connectorNamed('x'), contacts: [...connectorNamed('x').contacts, { id: '9', name: '9' }] },
      'views.mating',
    ],
  ])('refuses a connector with %s', async (_, entry, path) => {
    const refused = await refusal(putConnector(database.db, entry));
    expect([refused.status, refused.problems[0]?.path]).toEqual([422, path]);
  });

  it('an entry that is sent to the address of another is refused', async () => {
    const entry = connectorNamed('x');
    const refused = await refusal(putConnector(database.db, entry, 'another'));
    expect([refused.status, refused.problems[0]?.path]).toEqual([422, 'entry.id']);
    expect((await refusal(putCable(database.db, houseCable(), 'another'))).problems[0]?.code).toBe('own.id');
    expect((await putConnector(database.db, entry, entry.id)).connectors).toEqual([entry]);
    await removeOwn(database.db, 'connector', entry.id);
  });

  it('a lead carries the connector and the cable it uses, and keeps them when they are taken off the list', async () => {
    const entry = connectorNamed('Maker’s own');
    const cable = houseCable();
    await putConnector(database.db, entry);
    await putCable(database.db, cable);
    const id = randomUUID();
    await createLead(database.db, {
      id,
      jobId,
      name: 'Old microphone',
      intent: {
        ...PLAIN_INTENT,
        from: [{ port: 'microphone', family: entry.family, pinout: { hot: '2', cold: '3', screen: '1' } }],
        cable: cable.id,
        own: { connectors: [entry], cables: [cable] },
      },
    });
    await removeOwn(database.db, 'connector', entry.id);
    await removeOwn(database.db, 'cable', cable.id);
    const { assembly } = (await leadSheet(database.db, id)).lead;
    expect(assembly.uses.connectors.map((each) => each.id)).toContain(entry.id);
    expect(assembly.uses.cables.map((each) => each.id)).toEqual([cable.id]);
  });
});

describe('files', () => {
  const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

  it('a lead goes out and comes into a job as it was; a retry takes it in once', async () => {
    const id = randomUUID();
    await createLead(database.db, { id, jobId, name: 'Bridge', intent: PLAIN_INTENT });
    const file = plain(await exportLead(database.db, id));
    expect(file).toEqual(plain({ ...leadFor(), name: 'Bridge' }));
    const wanted = { requestId: randomUUID(), document: file };
    const before = await leadCount();
    const first = await importInto(database.db, jobId, wanted);
    expect(await importInto(database.db, jobId, wanted)).toEqual(first);
    expect(await leadCount()).toBe(before + 1);
    expect(first.leads[0]).toMatchObject({ name: 'Bridge', same: true });
    expect(plain(await exportLead(database.db, first.leads[0]?.id ?? ''))).toEqual(file);
  });

  it('a whole job goes out with its note and comes into another', async () => {
    const file = plain(await exportJob(database.db, jobId));
    expect([file.name, file.note]).toEqual(['Loom', 'for the tour']);
    const other = randomUUID();
    await createJob(database.db, { id: other, name: 'Other', note: '' });
    const taken = await importInto(database.db, other, { requestId: randomUUID(), document: file });
    expect(taken.leads.map((lead) => lead.name)).toEqual(file.leads.map((lead) => lead.name));
    expect((await exportJob(database.db, other)).leads.map(plain)).toEqual(file.leads);
  });

  it.each([
    ['damaged', (file: Lead) => ({ ...file, assembly: { version: 2 } }), 'assembly.bodies'],
    ['newer', (file: Lead) => ({ ...file, version: 7 }), 'version'],
    [
      'a job of which one lead is damaged',
      (file: Lead) => ({ antler: 'job', version: 1, leads: [file, { ...file, name: '' }] }),
      'leads[1].name',
    ],
  ])('a file that is %s is refused with the reason and changes nothing', async (_, damage, path) => {
    const before = await leadCount();
    const document = damage(plain({ ...leadFor(), name: 'Bridge' }));
    const refused = await refusal(importInto(database.db, jobId, { requestId: randomUUID(), document }));
    expect(refused.status).toBe(422);
    expect(refused.problems.map((problem) => problem.path)).toContain(path);
    expect(await leadCount()).toBe(before);
  });

  it('ids that are not known are told with what could stand for them', async () => {
    const file = plain({ ...leadFor(), name: 'Bridge' });
    const document = { ...file, intent: { ...file.intent, cable: 'velvet' } };
    const refused = await refusal(importInto(database.db, jobId, { requestId: randomUUID(), document }));
    expect(refused.problems[0]).toMatchObject({ code: 'import.unknown', path: 'intent.cable' });
    expect(refused.more['unknown']).toMatchObject([{ kind: 'cable', id: 'velvet' }]);
    const taken = await importInto(database.db, jobId, {
      requestId: randomUUID(),
      document,
      mapping: { 'cable:velvet': 'pair-spiral' },
    });
    expect(taken.leads[0]?.same).toBe(false);
  });
});

describe('what is stored from before', () => {
  it('a lead of the first version is read as it would be written today', async () => {
    const id = randomUUID();
    await createLead(database.db, { id, jobId, name: 'Older', intent: PLAIN_INTENT });
    const { from, to, ...rest } = PLAIN_INTENT;
    const intent = { ...rest, version: 1, from: from[0], to: to[0] };
    const { lead: old } = await leadSheet(database.db, id);
    const assembly = {
      ...old.assembly,
      version: 1,
      uses: {
        ...old.assembly.uses,
        connectors: old.assembly.uses.connectors.map((entry) => ({ ...entry, roles: { balanced: {} } })),
      },
    };
    const document = JSON.stringify({ antler: 'lead', version: 1, name: 'Older', intent, assembly });
    await sql`insert into lead_revision (lead_id, revision, document, request_id)
      values (${id}, 2, ${document}, ${randomUUID()})`.execute(database.db);
    await sql`update lead set revision = 2 where id = ${id}`.execute(database.db);
    const sheet = await leadSheet(database.db, id);
    expect(sheet.lead.intent).toEqual(PLAIN_INTENT);
    expect(sheet.lead.assembly).toEqual(old.assembly);
    expect(sheet.history.map((each) => each.intent?.version)).toEqual([5, 5]);
    // What it meets was not stored then: it is read off what it is for.
    expect(sheet.lead.situations).toEqual(old.situations);
  });
});
