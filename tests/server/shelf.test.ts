import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { after, refusal, shelfOf, type ShelfEvent, type ShelfPiece } from '../../src/core/stock';
import { Refused } from '../../src/server/refused';
import { recordShelf, shelf } from '../../src/server/shelf/service';
import { throwawayDatabase } from '../support/database';

let database: Awaited<ReturnType<typeof throwawayDatabase>>;
beforeAll(async () => {
  database = await throwawayDatabase();
});
afterAll(() => database.drop());

const at = '2026-03-02T10:00:00.000Z';
const event = (
  piece: string,
  kind: ShelfEvent['kind'],
  amount?: number,
  more: Partial<ShelfEvent> = {},
): ShelfEvent => ({
  id: randomUUID(),
  piece,
  at,
  kind,
  ...(amount === undefined ? {} : { amount }),
  ...more,
});
const reel = (piece: string, amount: number): ShelfEvent =>
  event(piece, 'taken-in', amount, {
    item: 'pair-braid',
    name: 'Microphone cable',
    unit: 'mm',
    sort: 'reel',
  });
const pieceOf = async (id: string): Promise<ShelfPiece> => {
  const found = (await shelf(database.db)).pieces.find((each) => each.id === id);
  return found ?? expect.fail('it is not on the shelf');
};
/** Nothing appears or vanishes. */
const isWhole = ({ left, in: came, cut, scrapped, returned, corrected, parted }: ShelfPiece): void =>
  expect(left).toBeCloseTo(came + returned + corrected - cut - scrapped - parted, 6);

describe('the shelf', () => {
  it('a reel comes, is cut from, counted, and thrown away to its end; it is the sum of that', async () => {
    const id = randomUUID();
    await recordShelf(database.db, [reel(id, 100_000), event(id, 'cut', 5966, { what: 'Bridge mic 1' })]);
    expect(await pieceOf(id)).toMatchObject({ left: 94_034, cut: 5966, sort: 'opened' });
    await recordShelf(database.db, [
      event(id, 'counted', 93_000),
      event(id, 'returned', 500),
      event(id, 'placed', undefined, { place: 'B2' }),
    ]);
    await recordShelf(database.db, [event(id, 'scrapped', 93_500)]);
    const found = await pieceOf(id);
    expect(found).toMatchObject({ left: 0, corrected: -1034, returned: 500, scrapped: 93_500, place: 'B2' });
    isWhole(found);
  });

  it('what was sent twice happened once; all of a sending is recorded, or nothing', async () => {
    const id = randomUUID();
    const [came, cut] = [reel(id, 10_000), event(id, 'cut', 4000)];
    await recordShelf(database.db, [came, cut]);
    await recordShelf(database.db, [came, { ...cut, at: '2026-03-02T10:00:09.000Z' }]);
    expect((await pieceOf(id)).left).toBe(6000);
    await expect(recordShelf(database.db, [event(id, 'cut', 5000), event(id, 'cut', 5000)])).rejects.toThrow(
      'Only 1.00 m',
    );
    expect((await pieceOf(id)).left).toBe(6000);
    await expect(recordShelf(database.db, [{ ...cut, amount: 1 }])).rejects.toBeInstanceOf(Refused);
  });

  it('twenty people cut from one reel at once: each metre is taken by one of them', async () => {
    const id = randomUUID();
    await recordShelf(database.db, [reel(id, 50_000)]);
    const taken = await Promise.allSettled(
      Array.from({ length: 20 }, () => recordShelf(database.db, [event(id, 'cut', 6000)])),
    );
    expect(taken.filter(({ status }) => status === 'fulfilled')).toHaveLength(8);
    for (const each of taken) if (each.status === 'rejected') expect(each.reason).toBeInstanceOf(Refused);
    const found = await pieceOf(id);
    expect(found).toMatchObject({ left: 2000, cut: 48_000 });
    isWhole(found);
  });

  it('two people cut from two reels each, one the other way round: neither waits for ever', async () => {
    const [one, two] = [randomUUID(), randomUUID()];
    await recordShelf(database.db, [reel(one, 100_000), reel(two, 100_000)]);
    await Promise.all(
      Array.from({ length: 12 }, (_, n) =>
        recordShelf(
          database.db,
          (n % 2 === 0 ? [one, two] : [two, one]).map((id) => event(id, 'cut', 1000)),
        ),
      ),
    );
    expect([(await pieceOf(one)).left, (await pieceOf(two)).left]).toEqual([88_000, 88_000]);
  });

  it('what is parted is a piece of its own from then on; one half of that alone is refused', async () => {
    const [id, into] = [randomUUID(), randomUUID()];
    await recordShelf(database.db, [reel(id, 9000)]);
    const parted = event(id, 'parted', 4000, { into });
    const { piece: _, ...as } = reel(into, 4000);
    for (const other of [
      [],
      [{ ...as, piece: into, amount: 3999 }],
      [{ ...as, piece: into, item: 'star-quad' }],
    ])
      await expect(recordShelf(database.db, [parted, ...other])).rejects.toThrow('same sending');
    expect((await pieceOf(id)).left).toBe(9000);
    await recordShelf(database.db, [parted, { ...as, piece: into, sort: 'offcut' }]);
    expect([(await pieceOf(id)).left, (await pieceOf(into)).left]).toEqual([5000, 4000]);
    isWhole(await pieceOf(id));
  });

  it('what was recorded is not changed and not taken out', async () => {
    const id = randomUUID();
    await recordShelf(database.db, [reel(id, 1000)]);
    await expect(database.db.deleteFrom('shelf_event').where('piece_id', '=', id).execute()).rejects.toThrow(
      'append-only',
    );
  });

  it.each([
    [(id: string) => [event(id, 'cut', 10)], 'no such piece'],
    [(id: string) => [reel(id, 0)], 'more than 0'],
    [(id: string) => [reel(id, 10), reel(id, 10)], 'already'],
    [
      (id: string) => [event(id, 'taken-in', 5, { item: 'label', unit: 'pieces', sort: 'bag' })],
      'Say its name',
    ],
    [
      (id: string) => [
        event(id, 'taken-in', 5, { item: 'label', name: 'Label', unit: 'pieces', sort: 'bag' }),
        event(id, 'cut', 1.5),
      ],
      'whole numbers',
    ],
    [(id: string) => [reel(id, 10), event(id, 'counted')], 'Say how much'],
  ])('%# is refused with the reason, and leaves nothing behind', async (events, says) => {
    const id = randomUUID();
    await expect(recordShelf(database.db, events(id))).rejects.toThrow(says);
    expect((await shelf(database.db)).pieces.some((piece) => piece.id === id)).toBe(false);
  });

  it('whatever happens to it, a piece is what came less what went, and never less than nothing', () => {
    const kinds = fc.constantFrom(
      'cut',
      'scrapped',
      'returned',
      'counted',
      'placed',
      'parted',
      'marked',
      'sound',
    ) satisfies fc.Arbitrary<ShelfEvent['kind']>;
    const bare: readonly string[] = ['placed', 'marked', 'sound'];
    fc.assert(
      fc.property(fc.array(fc.tuple(kinds, fc.nat(4000)), { maxLength: 30 }), (steps) => {
        const id = 'p';
        const events: ShelfEvent[] = [reel(id, 10_000)];
        let piece = after(undefined, events[0] as ShelfEvent);
        for (const [kind, amount] of steps) {
          const next = event(id, kind, bare.includes(kind) ? undefined : amount, {
            ...(kind === 'parted' ? { into: randomUUID() } : {}),
            ...(kind === 'marked' ? { fromMm: amount, toMm: amount + 300 } : {}),
          });
          if (refusal(piece, next)) continue;
          events.push(next);
          piece = after(piece, next);
          isWhole(piece);
          expect(piece.left).toBeGreaterThanOrEqual(0);
          // Bad stretches lie in it, in their order, apart.
          const edges = piece.bad.flatMap(({ fromMm, toMm }) => [fromMm, toMm]);
          expect(edges).toEqual([...edges].sort((a, b) => a - b));
          expect(edges.every((each) => each >= 0 && each <= piece.left + 0)).toBe(true);
        }
        expect(shelfOf(events)).toEqual([piece]);
      }),
      { numRuns: 200, seed: 3 },
    );
  });
});
