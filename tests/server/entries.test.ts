import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadWorld } from '../../demo/load';
import { board } from '../../src/server/board/service';
import { inTransaction } from '../../src/server/db';
import { Refused } from '../../src/server/refused';
import { leadEntries, unitEntry } from '../../src/server/units/entries';
import { appendRecords } from '../../src/server/units/records';
import { leadPace } from '../../src/server/units/pace';
import { startUnit, unitSheet } from '../../src/server/units/service';
import { throwawayDatabase } from '../support/database';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase();
  await inTransaction(database.db, loadWorld);
});
afterAll(() => database.drop());

const built = async (name: RegExp) => {
  const leads = (await board(database.db)).flatMap((job) => job.leads);
  const lead = leads.find((each) => name.test(each.name));
  if (!lead) throw new Error(`no lead ${name}`);
  return lead;
};

describe('a unit as its log tells it', () => {
  it('has its times, its readings in words and the meter’s verdict', async () => {
    const lead = await built(/left capsule/);
    const [unit] = lead.units;
    const entry = await unitEntry(database.db, unit?.id ?? '');
    const sheet = await unitSheet(database.db, unit?.id ?? '');
    expect(entry).toMatchObject({ logged: true, verdict: { is: 'good' }, builder: unit?.builder });
    expect(entry.done).toBe(entry.of);
    expect(entry.readings.map(({ id }) => id).sort()).toEqual(sheet.readings.map(({ id }) => id).sort());
    expect(entry.readings).toContainEqual(
      expect.objectContaining({ says: 'A.1 to B.1', read: expect.stringMatching(/Ω$/) }),
    );
    expect(entry.readings).toContainEqual(
      expect.objectContaining({
        says: expect.stringMatching(/^Look into end A: .*both white cores on 2/),
        read: 'as it should',
      }),
    );
    const steps = entry.steps.reduce((sum, { seconds = 0 }) => sum + seconds, 0);
    expect(entry.seconds).toBe(steps);
    // No longer than from the first to the last that was recorded.
    const times = sheet.events.map(({ at }) => Date.parse(at));
    expect(entry.seconds).toBeLessThanOrEqual((Math.max(...times) - Math.min(...times)) / 1000);
    const [line] = await leadEntries(database.db, lead.id);
    expect(line).toMatchObject({ id: entry.id, verdict: entry.verdict, measured: entry.readings.length });
    expect(line).not.toHaveProperty('readings');
  });

  it('tells how long the lead takes: the median of each step over its units, else of steps of their kind', async () => {
    const lead = await built(/left capsule/);
    const entries = await Promise.all(lead.units.map(({ id }) => unitEntry(database.db, id)));
    // Worked out anew from what the log shows, one step after the other.
    const steps = entries[0]?.steps ?? [];
    const byHand = steps.map(({ id }) => {
      const took = entries
        .flatMap((entry) => entry.steps.filter((step) => step.id === id))
        .flatMap(({ seconds }) => seconds ?? [])
        .sort((a, b) => a - b);
      const at = (place: number): number => took[Math.floor(place)] ?? Number.NaN;
      return (at((took.length - 1) / 2) + at(took.length / 2)) / 2;
    });
    expect(byHand.every(Number.isFinite)).toBe(true);
    const { pace } = await leadPace(database.db, lead.id);
    expect(pace?.minutes).toBeCloseTo(byHand.reduce((sum, each) => sum + each, 0) / 60, 6);
    expect(pace?.says).toMatch(/^by the log of \d+ units? of it, the median of each step$/);
    await expect(leadPace(database.db, randomUUID())).rejects.toBeInstanceOf(Refused);
  });

  it('is another as soon as something more happened', async () => {
    const lead = await built(/Marionette bridge/);
    const unit = await startUnit(database.db, lead.id, { id: randomUUID(), builder: 'Nell' });
    const before = await unitEntry(database.db, unit.id);
    expect(before.verdict).toEqual({ is: 'unfinished', says: 'As it should be so far.' });
    const probe = unit.plan.probes.find(({ kind }) => kind === 'path');
    const read = async (ohms: number): Promise<string> => {
      await appendRecords(database.db, unit.id, [
        {
          is: 'reading',
          id: randomUUID(),
          probe: probe?.id ?? '',
          answer: { kind: 'ohms', ohms },
          at: '2026-03-02T10:00:00.000Z',
        },
      ]);
      return (await unitEntry(database.db, unit.id)).verdict.says;
    };
    expect(await read(0.4)).toBe('As it should be so far.');
    expect(await read(Infinity)).toMatch(/off/);
    const [line] = await leadEntries(database.db, lead.id);
    expect(line?.measured).toBe(2);
    expect((await unitEntry(database.db, unit.id)).readings.map((each) => each.read)).toEqual([
      '0.4 Ω',
      'open',
    ]);
  });

  it('of none is not there', async () => {
    const error = await unitEntry(database.db, randomUUID()).catch((each: unknown) => each);
    expect(error instanceof Refused && error.status).toBe(404);
    expect(await leadEntries(database.db, randomUUID())).toEqual([]);
  });
});
