import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  after,
  cutFrom,
  cutId,
  cutPlan,
  refusal,
  shelfOf,
  soundMm,
  soundStretches,
  stockOf,
  takeFor,
  withoutHeld,
  type ShelfEvent,
  type ShelfPiece,
} from '.';

let n = 0;
const happened = (kind: ShelfEvent['kind'], more: Partial<ShelfEvent> = {}): ShelfEvent => ({
  id: `event ${n++}`,
  piece: 'reel',
  at: '2026-03-02T10:00:00.000Z',
  kind,
  ...more,
});
const came = (amount: number, more: Partial<ShelfEvent> = {}): ShelfEvent =>
  happened('taken-in', {
    amount,
    item: 'pair-braid',
    name: 'Microphone cable',
    unit: 'mm',
    sort: 'opened',
    ...more,
  });
const pieceAfter = (...events: readonly ShelfEvent[]): ShelfPiece =>
  shelfOf(events).find(({ id }) => id === 'reel') ?? expect.fail('it is not there');
/** Nothing appears or vanishes. */
const balance = ({ in: came, returned, corrected, cut, scrapped, parted }: ShelfPiece): number =>
  came + returned + corrected - cut - scrapped - parted;

const bad = (fromMm: number, toMm: number): ShelfEvent => happened('marked', { fromMm, toMm });

describe('bad stretches', () => {
  it('lie where they lie as the free end is cut away: 10 m, bad from 4 to 4.5; after 3 m they are 1 to 1.5', () => {
    const piece = pieceAfter(came(10_000), bad(4000, 4500), happened('cut', { amount: 3000 }));
    expect(piece.bad).toEqual([{ fromMm: 1000, toMm: 1500 }]);
    expect([piece.left, soundMm(piece)]).toEqual([7000, 1000]);
    expect(soundStretches(piece)).toEqual([
      { fromMm: 0, toMm: 1000 },
      { fromMm: 1500, toMm: 7000 },
    ]);
    const within = pieceAfter(came(10_000), bad(4000, 4500), happened('scrapped', { amount: 4200 }));
    expect(within.bad).toEqual([{ fromMm: 0, toMm: 300 }]);
    expect(pieceAfter(came(10_000), bad(4000, 4500), happened('scrapped', { amount: 4500 })).bad).toEqual([]);
    expect(pieceAfter(came(10_000), bad(4000, 4500), happened('sound')).bad).toEqual([]);
    expect(pieceAfter(came(10_000), bad(4000, 4500), happened('counted', { amount: 4200 })).bad).toEqual([
      { fromMm: 4000, toMm: 4200 },
    ]);
  });

  it('that touch are one; two that do not are two', () => {
    expect(pieceAfter(came(9000), bad(4000, 5000), bad(1000, 2000), bad(1800, 2500)).bad).toEqual([
      { fromMm: 1000, toMm: 2500 },
      { fromMm: 4000, toMm: 5000 },
    ]);
  });

  it('nothing is cut across one; what is before it and it may be thrown away', () => {
    const piece = pieceAfter(came(10_000), bad(4000, 4500));
    expect(refusal(piece, happened('cut', { amount: 4000 }))).toBeUndefined();
    expect(refusal(piece, happened('cut', { amount: 4001 }))?.says).toMatch(
      /bad stretch of Microphone cable begins 4.00 m from its end/,
    );
    expect(refusal(piece, happened('scrapped', { amount: 4500 }))).toBeUndefined();
  });

  it.each([
    [{ fromMm: 4000 }, 'toMm'],
    [{ toMm: 4000 }, 'fromMm'],
    [{ fromMm: 4000, toMm: 4000 }, 'toMm'],
    [{ fromMm: 4000, toMm: 10_001 }, 'toMm'],
  ])('%j is no stretch of 10 m', (of, path) =>
    expect(refusal(pieceAfter(came(10_000)), happened('marked', of))?.path).toBe(path),
  );

  it('a bag has none', () =>
    expect(refusal(pieceAfter(came(10, { unit: 'pieces', sort: 'bag' })), bad(1, 2))?.says).toMatch(
      /cut by length/,
    ));

  it('a unit takes what lies before it, or goes to another piece', () => {
    const short = { ...pieceAfter(came(10_000), bad(4000, 4500)) };
    const need = { item: 'pair-braid', unit: 'mm' as const, much: 5000, span: 'W1' };
    const FOR = { lead: 'l', unit: 'u', what: '' };
    expect(takeFor([need], [short], [], FOR).missing).toEqual([need]);
    expect(takeFor([{ ...need, much: 4000 }], [short], [], FOR).events).toHaveLength(1);
    const both = takeFor([need], [short, { ...short, id: 'other', left: 30_000, bad: [] }], [], FOR);
    expect(both.events.map(({ piece }) => piece)).toEqual(['other']);
  });
});

const RULES = { kerfMm: 0, leastOffcutMm: 600 };
const id = (n: number): string => `id ${n}`;
const cut = (mm: number) => ({ mm, what: 'Bridge mic', lead: 'lead', span: 'W1' });
const applied = (piece: ShelfPiece, events: ReturnType<typeof cutFrom>): readonly ShelfPiece[] => {
  const left = new Map([[piece.id, piece]]);
  for (const each of events) {
    const event = { ...each, at: '' };
    const now = left.get(event.piece);
    expect(refusal(now, event), JSON.stringify(event)).toBeUndefined();
    left.set(event.piece, after(now, event));
  }
  return [...left.values()];
};

describe('cutting by a plan', () => {
  it('a piece with a bad stretch is two to cut from; what the saw takes and a short rest are thrown away', () => {
    const piece = pieceAfter(came(10_000), bad(4000, 4500));
    expect(stockOf([piece], 'pair-braid')).toEqual([
      { id: 'reel', mm: 4000, kind: 'opened' },
      { id: 'reel@0', mm: 5500, kind: 'opened' },
    ]);
    const events = cutFrom(piece, 'reel@0', [cut(5000)], { kerfMm: 3, leastOffcutMm: 600 }, id);
    expect(events.map(({ kind, amount, what }) => [kind, amount, what])).toEqual([
      ['parted', 4000, undefined],
      ['taken-in', 4000, undefined],
      ['scrapped', 500, 'a bad stretch'],
      ['cut', 5000, 'Bridge mic'],
      ['scrapped', 3, 'what the cuts took'],
      ['scrapped', 497, 'too short to keep'],
    ]);
    const [reel, offcut] = applied(piece, events);
    expect([reel?.left, reel && balance(reel)]).toEqual([0, 0]);
    expect(offcut).toMatchObject({ left: 4000, sort: 'offcut', item: 'pair-braid' });
  });

  it('its inner stretch is the same one after its outer was cut from', () => {
    const piece = pieceAfter(came(20_000), bad(4000, 4500), bad(12_000, 12_100));
    const inner = stockOf([piece], 'pair-braid')[1];
    expect(inner).toEqual({ id: 'reel@8000', mm: 7500, kind: 'opened' });
    const [later] = applied(piece, cutFrom(piece, 'reel', [cut(3900)], RULES, id));
    expect(later?.left).toBe(16_100);
    expect(stockOf(later ? [later] : [], 'pair-braid')[1]).toEqual(inner);
    // The 100 mm before the bad stretch are no offcut.
    const events = cutFrom(later ?? expect.fail(), 'reel@8000', [cut(7000)], RULES, id);
    expect(events.map(({ kind, amount }) => [kind, amount])).toEqual([
      ['scrapped', 100],
      ['scrapped', 500],
      ['cut', 7000],
    ]);
  });

  it('in feet and inches too: its inner stretch is found again though no length is a round number', () => {
    const feet = (n: number): number => n * 304.8;
    const piece = pieceAfter(came(feet(66.7)), bad(feet(13.1), feet(14.3)));
    const inner = stockOf([piece], 'pair-braid')[1]?.id ?? '';
    let now = piece;
    for (const long of [feet(3.3), feet(1.7), feet(2.9), 100 / 3]) {
      const [later] = applied(now, cutFrom(now, 'reel', [cut(long)], RULES, id));
      now = later ?? expect.fail();
      expect(stockOf([now], 'pair-braid')[1]?.id).toBe(inner);
      expect(cutFrom(now, inner, [cut(feet(20))], RULES, id)).not.toEqual([]);
    }
  });

  it('the last cut’s kerf may fall off the end', () => {
    const piece = pieceAfter(came(6000));
    expect(
      cutFrom(piece, 'reel', [cut(3000), cut(2998)], { kerfMm: 3, leastOffcutMm: 600 }, id).map(
        ({ kind, amount }) => [kind, amount],
      ),
    ).toEqual([
      ['cut', 3000],
      ['cut', 2998],
      ['scrapped', 2],
    ]);
  });

  it('ids come from the plan’s number: a UUID each, none twice', () => {
    const seed = '3f2b8c1a-9d4e-4f5a-8b6c-7d8e9f0a1b2c';
    const all = [0, 1, 2, 499].flatMap((piece) => [0, 1, 5000, 0x8001].map((n) => cutId(seed, piece, n)));
    expect(new Set(all).size).toBe(16);
    for (const each of all) expect(each).toMatch(/^3f2b8c1a-9d4e-4f5a-8b6c-[0-9a-f]{12}$/);
  });

  it('law: what is planned on any shelf is cut from it without a refusal, and nothing appears or vanishes', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 2000, max: 40_000 }),
        fc.array(fc.tuple(fc.nat(40_000), fc.integer({ min: 1, max: 900 })), { maxLength: 3 }),
        fc.array(fc.integer({ min: 300, max: 8000 }), { minLength: 1, maxLength: 5 }),
        fc.constantFrom(0, 3),
        (long, stretches, cuts, kerfMm) => {
          const marks = stretches.flatMap(([from, much]) =>
            from + much <= long ? [bad(from, from + much)] : [],
          );
          const piece = pieceAfter(came(long), ...marks);
          const rules = { kerfMm, leastOffcutMm: 600 };
          const plan = cutPlan({
            version: 1,
            ...rules,
            stock: stockOf([piece], 'pair-braid'),
            cuts: cuts.map((mm, k) => ({ id: String(k), mm, count: 1 })),
          });
          let [now, others]: [ShelfPiece, readonly ShelfPiece[]] = [piece, []];
          let count = 0;
          // The outermost first, as a hand takes them off.
          const inOrder = [...plan.pieces].sort(
            (a, b) => soundStretchesAt(piece, a.stock) - soundStretchesAt(piece, b.stock),
          );
          for (const { stock, cuts: made } of inOrder) {
            const [first, ...more] = applied(
              now,
              cutFrom(
                now,
                stock,
                made.map((k) => cut(cuts[Number(k)] ?? 0)),
                rules,
                () => `e${count++}`,
              ),
            );
            now = first ?? expect.fail();
            others = [...others, ...more];
          }
          expect(now.left).toBeCloseTo(balance(now), 6);
          expect(now.cut).toBe(
            plan.pieces.flatMap((each) => each.cuts).reduce((s, k) => s + (cuts[Number(k)] ?? 0), 0),
          );
          const offcuts = others.reduce((sum, { left }) => sum + left, 0);
          expect(now.left + now.cut + now.scrapped + offcuts).toBeCloseTo(long, 6);
        },
      ),
      { numRuns: 200 },
    ));
});

/** Where a stretch of a plan begins, from the free end. */
const soundStretchesAt = (piece: ShelfPiece, stock: string): number =>
  stock.includes('@') ? piece.left - Number(stock.split('@')[1]) : 0;

describe('what is held for a job', () => {
  const bag = (id: string, left: number): ShelfPiece => ({
    ...pieceAfter(came(1)),
    id,
    item: 'plug',
    unit: 'pieces',
    sort: 'bag',
    left,
    in: left,
  });

  it('is not there for others: 5 of 8 plugs held leave 3, and the smallest bag is the one that is held', () => {
    const left = withoutHeld([bag('a', 6), bag('b', 2)], [{ item: 'plug', unit: 'pieces', much: 5 }]);
    expect(left.map(({ id, left: much }) => [id, much])).toEqual([
      ['a', 3],
      ['b', 0],
    ]);
    expect(withoutHeld([bag('a', 6)], [])).toEqual([bag('a', 6)]);
  });

  it('of cable each held cut costs its kerf: three of 5.966 m with 5 mm from 18 m leave 87 mm, and the last falls off an end', () => {
    const reel = { ...pieceAfter(came(18_000)), id: 'reel', item: 'cable' };
    const need = { item: 'cable', unit: 'mm' as const, much: 5966, span: 'W1' };
    const left = (needs: readonly (typeof need)[], long = 18_000) =>
      withoutHeld([{ ...reel, left: long, in: long }], needs, 5)[0]?.left;
    expect(left([need, need, need])).toBe(18_000 - 3 * 5971);
    expect(left([need], 5966)).toBe(0);
    expect(left([need], 5968)).toBe(0);
  });

  it('what was in a lead before, and whole leads, are taken by nobody but by hand', () => {
    const salvaged: ShelfPiece = { ...bag('old', 5), sort: 'salvaged', condition: 'worn', reused: 2 };
    const need = { item: 'plug', unit: 'pieces' as const, much: 2 };
    expect(takeFor([need], [salvaged], [], { lead: 'l', unit: 'u', what: '' }).missing).toEqual([need]);
  });
});
