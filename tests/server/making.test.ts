import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { proofBy, provenOf, reopened, stepsOf } from '../../src/core/bench';
import { dressed } from '../../src/core/dressing';
import { kit, pickKey } from '../../src/core/kit';
import { schoolsOf } from '../../src/core/lead';
import type { ShelfEvent } from '../../src/core/stock';
import { createJob } from '../../src/server/jobs/service';
import { pick } from '../../src/server/leads/picks';
import { createLead } from '../../src/server/leads/service';
import { jobCuts } from '../../src/server/making/cuts';
import { jobKit, makingSchema, settleMaking } from '../../src/server/making/service';
import { putSold } from '../../src/server/prices/service';
import { Refused } from '../../src/server/refused';
import { needsOf } from '../../src/server/shelf/for-unit';
import { recordShelf, shelf } from '../../src/server/shelf/service';
import { appendRecords } from '../../src/server/units/records';
import { giveUp, startUnit, unitSheet, unitStock } from '../../src/server/units/service';
import { throwawayDatabase } from '../support/database';
import { builtAs } from '../support/proving';
import { PLAIN_INTENT } from '../support/intents';
import { leadFor } from '../support/leads';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase();
});
afterAll(() => database.drop());

const AT = '2026-03-02T10:00:00.000Z';
/** A job with one microphone lead of 6 m: a plug, a socket and 5.966 m of cable. */
async function jobWith(
  schools: (typeof PLAIN_INTENT)['schools'] = {},
): Promise<{ job: string; lead: string }> {
  const [job, lead] = [randomUUID(), randomUUID()];
  await createJob(database.db, { id: job, name: 'Tour', note: '' });
  await createLead(database.db, {
    id: lead,
    jobId: job,
    name: `Bridge ${lead.slice(0, 4)}`,
    intent: { ...PLAIN_INTENT, schools },
  });
  return { job, lead };
}
async function takeIn(item: string, amount: number, more: Partial<ShelfEvent> = {}): Promise<string> {
  const piece = randomUUID();
  await recordShelf(database.db, [
    {
      id: randomUUID(),
      piece,
      at: AT,
      kind: 'taken-in',
      item,
      name: item,
      unit: 'pieces',
      sort: 'bag',
      place: 'drawer 2',
      amount,
      ...more,
    },
  ]);
  return piece;
}
const left = async (piece: string): Promise<number | undefined> =>
  (await shelf(database.db)).pieces.find(({ id }) => id === piece)?.left;
const everyPieceHolds = async (): Promise<void> => {
  for (const each of (await shelf(database.db)).pieces) {
    expect(each.left).toBe(each.in + each.returned + each.corrected - each.cut - each.scrapped - each.parted);
    expect(each.left).toBeGreaterThanOrEqual(0);
  }
};
const reel = { unit: 'mm', sort: 'reel', place: 'rack' } as const;

describe('what a job takes', () => {
  it('counts what is still to be made, says what is short and where the rest lies; a piece that is too short is none', async () => {
    const { job, lead } = await jobWith();
    expect((await jobKit(database.db, job)).leads).toEqual([
      expect.objectContaining({ lead, count: 1, pairs: false, started: 0, left: 1 }),
    ]);
    const plugs = await takeIn('xlr3-plug', 3);
    const [a, b] = [await takeIn('pair-braid', 5000, reel), await takeIn('pair-braid', 20_000, reel)];
    await settleMaking(database.db, job, { lead, count: 2, pairs: true });
    const kit = await jobKit(database.db, job);
    const line = (item: string) => kit.lines.find((each) => each.item === item);
    expect(line('xlr3-plug')).toMatchObject({ much: 4, have: 3, short: 1, places: ['drawer 2'] });
    expect(line('xlr3-socket')).toMatchObject({ much: 4, have: 0, short: 4, places: [] });
    // 25 m are there and 23.864 wanted, but 5 m are no lead of 5.966: three are cut from 20 m, one is short.
    expect(line('pair-braid')).toMatchObject({ much: 23_864, have: 25_000, short: 5966 });
    expect(kit.lines.filter(({ item }) => item.startsWith('ring'))).toHaveLength(2);
    await startUnit(database.db, lead, { id: randomUUID(), builder: 'Nell' });
    expect((await jobKit(database.db, job)).leads[0]).toMatchObject({ started: 1, left: 3 });
    expect(await left(plugs)).toBe(2);
    expect([await left(a), await left(b)]).toEqual([5000, 14_034]);
    await everyPieceHolds();
  });

  it('what the cutter has cut for it lies ready: it is not short of that, and a unit that is started uses it', async () => {
    const { job, lead } = await jobWith();
    const reelId = await takeIn('pair-braid', 12_000, reel);
    const line = async () => (await jobKit(database.db, job)).lines.find(({ item }) => item === 'pair-braid');
    const there = (await line())?.have ?? 0;
    await recordShelf(
      database.db,
      [1, 2].map(() => ({
        id: randomUUID(),
        piece: reelId,
        at: AT,
        kind: 'cut' as const,
        amount: 5966,
        lead,
        span: 'W1',
      })),
    );
    const toCut = async () => (await jobCuts(database.db, job)).cuts.map((cut) => cut.toCut);
    expect(await toCut()).toEqual([0]);
    await settleMaking(database.db, job, { lead, count: 3, pairs: false });
    expect(await toCut()).toEqual([1]);
    await settleMaking(database.db, job, { lead, count: 2, pairs: false });
    expect(await line()).toMatchObject({ much: 2 * 5966, cut: 2 * 5966, have: there - 2 * 5966, short: 0 });
    await startUnit(database.db, lead, { id: randomUUID(), builder: 'Nell' });
    expect(await toCut()).toEqual([0]);
    // It took what lay ready, and nothing from a reel.
    expect(await line()).toMatchObject({ much: 5966, cut: 5966, have: there - 2 * 5966, short: 0 });
    await everyPieceHolds();
  });

  it('what is short is bought by the roll and the pack: three cuts of 30 m take three rolls of 50 m, though 100 m would be enough', async () => {
    const [job, lead] = [randomUUID(), randomUUID()];
    await createJob(database.db, { id: job, name: 'Long runs', note: '' });
    const intent = { ...PLAIN_INTENT, cable: 'star-quad', length: { mm: 30_034, datum: 'face' as const } };
    await createLead(database.db, { id: lead, jobId: job, name: 'Long run', intent });
    await settleMaking(database.db, job, { lead, count: 3, pairs: false });
    const line = async (item: string) =>
      (await jobKit(database.db, job)).lines.find((each) => each.item === item);
    const short = (await line('star-quad'))?.short ?? 0;
    expect(short).toBeCloseTo(90_000, -3);
    expect((await line('star-quad'))?.buy).toBeUndefined();
    await putSold(database.db, { item: 'star-quad', much: 50_000 });
    await putSold(database.db, { item: 'xlr3-socket', much: 2 });
    // Each roll gives one of them, and 20 m are left of it.
    expect((await line('star-quad'))?.buy).toEqual({ packs: 3, of: 50_000 });
    expect((await line('xlr3-socket'))?.buy).toEqual({ packs: 2, of: 2 });
    // A reel that lies there is cut into first: one roll less.
    await takeIn('star-quad', 35_000, reel);
    expect((await line('star-quad'))?.buy).toEqual({ packs: 2, of: 50_000 });
    // No roll that is too short is bought, and of what is sold by the metre it is said how much.
    await putSold(database.db, { item: 'star-quad', much: 25_000 });
    expect((await line('star-quad'))?.buy).toBeUndefined();
    await putSold(database.db, { item: 'star-quad', much: null });
    expect(await line('star-quad')).not.toHaveProperty('buy');
  });

  it('what the builder has, or leaves out, is not wanted for the job, of one lead as of four', async () => {
    const { job, lead } = await jobWith();
    const line = async (item: string) =>
      (await jobKit(database.db, job)).lines.find((each) => each.item === item);
    expect(await line('xlr3-socket')).toMatchObject({ much: 1 });
    const lines = kit(dressed(leadFor()), schoolsOf(leadFor()));
    const socket = lines.find(({ item }) => item === 'xlr3-socket') ?? expect.fail();
    const cable = lines.find(({ item }) => item === 'pair-braid') ?? expect.fail();
    await pick(database.db, lead, { line: pickKey(socket), is: 'have' });
    await pick(database.db, lead, { line: pickKey({ ...cable, count: 4, mm: 23_864 }), is: 'waived' });
    await settleMaking(database.db, job, { lead, count: 4, pairs: false });
    expect(await line('xlr3-socket')).toBeUndefined();
    expect(await line('pair-braid')).toBeUndefined();
    expect(await line('xlr3-plug')).toMatchObject({ much: 4 });
    // A unit that is started takes neither.
    const unit = randomUUID();
    await startUnit(database.db, lead, { id: unit, builder: 'Nell' });
    const took = await unitStock(database.db, unit);
    expect(JSON.stringify(took)).not.toMatch(/xlr3-socket|pair-braid/);
    await pick(database.db, lead, { line: pickKey(socket), is: 'picked' });
    expect(await line('xlr3-socket')).toMatchObject({ much: 3 });
  });

  it('of a lead of another job, or of none, nothing is settled', async () => {
    const [one, other] = [await jobWith(), await jobWith()];
    for (const lead of [other.lead, randomUUID()])
      await expect(
        settleMaking(database.db, one.job, { lead, count: 2, pairs: false }),
      ).rejects.toBeInstanceOf(Refused);
    await expect(jobKit(database.db, randomUUID())).rejects.toBeInstanceOf(Refused);
  });

  it.each([
    [{ count: 1.5, pairs: false }, 'count'],
    [{ count: -1, pairs: false }, 'count'],
    [{ count: 1001, pairs: false }, 'count'],
    [{ count: 1, pairs: 'yes' }, 'pairs'],
  ])('%j is refused at its field', async (asked, path) => {
    const refused: unknown = await makingSchema
      .validate({ lead: randomUUID(), ...asked }, { abortEarly: false })
      .then(
        () => undefined,
        (error: { inner: { path: string }[] }) => error.inner.map((each) => each.path),
      );
    expect(refused).toContain(path);
  });
});

describe('a unit and the shelf', () => {
  it('twenty are started at once where five plugs and three lengths are there: five plugs go, three lengths, no more', async () => {
    const house = await throwawayDatabase();
    const [job, lead] = [randomUUID(), randomUUID()];
    await createJob(house.db, { id: job, name: 'Tour', note: '' });
    await createLead(house.db, { id: lead, jobId: job, name: 'Bridge', intent: PLAIN_INTENT });
    const come = (item: string, amount: number, more: Partial<ShelfEvent>): ShelfEvent => ({
      id: randomUUID(),
      piece: randomUUID(),
      at: AT,
      kind: 'taken-in',
      item,
      name: item,
      amount,
      ...more,
    });
    await recordShelf(house.db, [
      come('xlr3-plug', 2, { unit: 'pieces', sort: 'bag' }),
      come('xlr3-plug', 3, { unit: 'pieces', sort: 'bag' }),
      come('pair-braid', 12_000, { unit: 'mm', sort: 'opened' }),
      come('pair-braid', 7000, { unit: 'mm', sort: 'offcut' }),
    ]);
    const units = Array.from({ length: 20 }, () => randomUUID());
    await Promise.all(
      // Each is asked for twice, as by a builder whose answer never came.
      units.flatMap((id) => [1, 2].map(() => startUnit(house.db, lead, { id, builder: 'Nell' }))),
    );
    const { pieces } = await shelf(house.db);
    const sum = (item: string, of: 'left' | 'cut'): number =>
      pieces.filter((each) => each.item === item).reduce((all, each) => all + each[of], 0);
    expect([sum('xlr3-plug', 'left'), sum('xlr3-plug', 'cut')]).toEqual([0, 5]);
    expect([sum('pair-braid', 'left'), sum('pair-braid', 'cut')]).toEqual([19_000 - 3 * 5966, 3 * 5966]);
    const took = await Promise.all(units.map((id) => unitStock(house.db, id)));
    expect(took.flatMap((each) => each.took).filter(({ unit }) => unit === 'pieces')).toHaveLength(5);
    // What one did not find it says.
    expect(took.filter(({ missing }) => missing.some(({ name }) => /plug/i.test(name)))).toHaveLength(15);
    await house.drop();
  });

  it('given up, it puts back what is named and throws away the rest, once; nothing more is done to it', async () => {
    const { job, lead } = await jobWith();
    const sockets = await takeIn('xlr3-socket', 10);
    const cable = await takeIn('pair-braid', 6000, { ...reel, sort: 'offcut' });
    const unit = randomUUID();
    await startUnit(database.db, lead, { id: unit, builder: 'Nell' });
    expect(await left(cable)).toBe(34);
    const { took } = await unitStock(database.db, unit);
    expect(took.map(({ name, much }) => [name, much])).toContainEqual(['pair-braid', 5966]);
    const back = took.filter(({ name }) => name !== 'xlr3-plug').map(({ event }) => event);
    const given = { event: randomUUID(), why: 'a core was nicked', back, at: AT };
    await giveUp(database.db, unit, given);
    await giveUp(database.db, unit, given);
    expect(await left(sockets)).toBe(10);
    // What was cut comes back as an offcut of its own: nothing grows together again.
    expect(await left(cable)).toBe(34);
    const offcut = (await shelf(database.db)).pieces.find(
      ({ left: mm, sort }) => sort === 'offcut' && mm === 5966,
    );
    expect(offcut).toMatchObject({ item: 'pair-braid', place: 'rack' });
    expect((await unitSheet(database.db, unit)).stand).toMatchObject({ stage: 'given up' });
    expect((await jobKit(database.db, job)).leads[0]).toMatchObject({ started: 0, left: 1 });
    const { refused } = await appendRecords(database.db, unit, [
      { is: 'event', id: randomUUID(), kind: 'note', text: 'late', at: AT },
      { is: 'reading', id: randomUUID(), probe: 'A.1/B.1', answer: { kind: 'beep' }, at: AT },
    ]);
    expect(refused.map(({ problem }) => problem.code)).toEqual(['bench.given-up', 'bench.given-up']);
    await everyPieceHolds();
  });

  it('given up with one end soldered, that connector comes back as salvaged, the other into its bag', async () => {
    const { lead } = await jobWith();
    await takeIn('xlr3-socket', 3);
    await takeIn('xlr3-plug', 3);
    const inBags = async () => {
      const { pieces } = await shelf(database.db);
      const of = (item: string): number =>
        pieces.reduce((sum, each) => sum + (each.item === item && each.sort === 'bag' ? each.left : 0), 0);
      return { 'xlr3-socket': of('xlr3-socket'), 'xlr3-plug': of('xlr3-plug') };
    };
    const before = await inBags();
    const unit = randomUUID();
    const { plan } = await startUnit(database.db, lead, { id: unit, builder: 'Nell' });
    expect((await unitStock(database.db, unit)).took.map(({ worked }) => worked)).not.toContain(1);
    // Everything up to the first joint, which is made at one end.
    const first = plan.operations.findIndex(({ joint }) => joint !== undefined);
    const { end } = plan.operations[first] ?? expect.fail('nothing is joined');
    const records = plan.operations
      .slice(0, first + 1)
      .flatMap(({ id, confirm = [] }) => [
        ...confirm.map(
          (text) =>
            ({ is: 'event', id: randomUUID(), kind: 'confirm', operation: id, text, at: AT }) as const,
        ),
        { is: 'event', id: randomUUID(), kind: 'done', operation: id, at: AT } as const,
      ]);
    expect((await appendRecords(database.db, unit, records)).refused).toEqual([]);
    const { took } = await unitStock(database.db, unit);
    expect(took.filter(({ worked }) => worked > 0)).toHaveLength(1);
    const given = {
      event: randomUUID(),
      why: 'a melted insert',
      back: took.map(({ event }) => event),
      at: AT,
    };
    await giveUp(database.db, unit, given);
    await giveUp(database.db, unit, given);
    const soldered = end === 'A' ? 'xlr3-socket' : 'xlr3-plug';
    expect(await inBags()).toEqual({ ...before, [soldered]: before[soldered] - 1 });
    const salvaged = (await shelf(database.db)).pieces.filter(({ sort }) => sort === 'salvaged');
    expect(salvaged).toMatchObject([
      { item: soldered, left: 1, condition: 'worn', reused: 1, place: 'drawer 2' },
    ]);
    await everyPieceHolds();
  });

  it('a cable that is cut again is taken once more; gone back to by the pedal nothing is; a plug that was glued shut is a new one', async () => {
    const { lead } = await jobWith({ closing: 'glued' });
    await takeIn('pair-braid', 40_000, reel);
    await takeIn('xlr3-plug', 2);
    await takeIn('xlr3-socket', 2);
    const unit = randomUUID();
    const sheet = await startUnit(database.db, lead, { id: unit, builder: 'Nell' });
    const stocked = async (): Promise<readonly number[]> => {
      const { pieces } = await shelf(database.db);
      return ['pair-braid', 'xlr3-plug', 'xlr3-socket'].map((item) =>
        pieces.reduce((sum, each) => sum + (each.item === item ? each.left : 0), 0),
      );
    };
    const first = await stocked();
    const event = (kind: 'done' | 'undo' | 'wrong' | 'confirm', operation: string, text?: string) => ({
      is: 'event' as const,
      id: randomUUID(),
      kind,
      operation,
      ...(text === undefined ? {} : { text }),
      at: AT,
    });
    const send = async (records: Parameters<typeof appendRecords>[2]): Promise<void> =>
      expect((await appendRecords(database.db, unit, records)).refused).toEqual([]);
    const cut = sheet.plan.operations.find(({ kind }) => kind === 'cut')?.id ?? '';
    await send([event('done', cut)]);
    // Back, and on again: what was cut still lies there.
    await send([event('undo', cut)]);
    await send([event('done', cut)]);
    expect(await stocked()).toEqual(first);
    // Nor where something else was noted just before, and both are sent together later.
    const [next = ''] = sheet.plan.operations.flatMap(({ id }) => (id === cut ? [] : [id]));
    await send([event('wrong', next, 'a scratch in the jacket'), event('undo', cut)]);
    await send([event('done', cut)]);
    expect(await stocked()).toEqual(first);
    const wrong = [event('wrong', cut, 'a hand too short'), event('undo', cut)];
    await send(wrong);
    await send(wrong);
    // Another window that says the same of the same cut comes too late: there is nothing to take back any more.
    const late = [event('wrong', cut, 'too short'), event('undo', cut)];
    const { refused } = await appendRecords(database.db, unit, late);
    expect(refused.map(({ id }) => id)).toEqual([late[1]?.id]);
    const [metres = 0, ...bags] = first;
    expect(await stocked()).toEqual([metres - 5966, ...bags]);
    // It is known which of the two is the one that was wrong, and that nothing is missing.
    const { took, missing } = await unitStock(database.db, unit);
    expect(took.filter(({ unit: by }) => by === 'mm').map(({ much, again }) => [much, again])).toEqual([
      [5966, true],
      [5966, false],
    ]);
    expect(missing.filter(({ name }) => /braid|plug|socket/i.test(name))).toEqual([]);

    const proof = proofBy(sheet.plan, sheet.lead);
    const says = builtAs(provenOf(sheet.lead), proof, sheet.lead);
    for (const op of sheet.plan.operations) {
      const asked =
        op.kind === 'prove' ? proof.checks : (op.checks ?? []).flatMap((id) => proof.check(id) ?? []);
      await send([
        ...asked.map((check) => ({
          is: 'reading' as const,
          id: randomUUID(),
          probe: check.id,
          answer: says(check),
          at: AT,
        })),
        ...(op.confirm ?? []).map((text) => event('confirm', op.id, text)),
        event('done', op.id),
      ]);
      if (op.kind === 'seal' && op.end === 'B') break;
    }
    const done = (await unitSheet(database.db, unit)).state.done;
    const joint = sheet.plan.operations.find(({ kind, end }) => kind === 'solder' && end === 'B')?.id ?? '';
    const course = { operations: sheet.plan.operations, before: stepsOf(sheet.plan).before };
    const again = reopened(course, new Set(done), joint);
    await send([event('wrong', joint, 'cold'), ...again.map(({ id }) => event('undo', id))]);
    expect(await stocked()).toEqual([metres - 5966, (bags[0] ?? 0) - 1, bags[1]]);
    await everyPieceHolds();
  });

  it('what the builder has by him, or leaves out, stays on the shelf', async () => {
    const { lead } = await jobWith();
    const sockets = await takeIn('xlr3-socket', 4);
    await takeIn('xlr3-plug', 3);
    const plugs = async (): Promise<number> =>
      (await shelf(database.db)).pieces
        .filter(({ item }) => item === 'xlr3-plug')
        .reduce((sum, each) => sum + each.left, 0);
    const before = await plugs();
    const line = kit(dressed(leadFor()), schoolsOf(leadFor())).find(({ item }) => item === 'xlr3-socket');
    await pick(database.db, lead, { line: line ? pickKey(line) : '', is: 'have' });
    const unit = randomUUID();
    await startUnit(database.db, lead, { id: unit, builder: 'Nell' });
    expect(await left(sockets)).toBe(4);
    expect(await plugs()).toBe(before - 1);
    const { missing } = await unitStock(database.db, unit);
    expect(missing.filter(({ name }) => /socket/i.test(name))).toEqual([]);
  });

  it('needs every cut by itself, and everything else by its item; nothing that is had', () => {
    const needs = needsOf(leadFor());
    expect(needs[0]).toEqual({ item: 'pair-braid', unit: 'mm', much: 5966, span: 'W1' });
    expect(needs.filter(({ item }) => item === 'pair-braid')).toHaveLength(1);
    expect(needs).toContainEqual({ item: 'xlr3-plug', unit: 'pieces', much: 1 });
  });
});
