import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { after, readyFor, takeFor, type Need, type ShelfEvent, type ShelfPiece } from '.';

const piece = (id: string, left: number, more: Partial<ShelfPiece> = {}): ShelfPiece => ({
  id,
  item: 'pair-braid',
  name: 'Microphone cable',
  unit: 'mm',
  sort: 'opened',
  place: '',
  left,
  in: left,
  cut: 0,
  scrapped: 0,
  returned: 0,
  corrected: 0,
  parted: 0,
  bad: [],
  ...more,
});
const bag = (id: string, left: number): ShelfPiece =>
  piece(id, left, { item: 'plug', unit: 'pieces', sort: 'bag' });
const FOR = { lead: 'lead', unit: 'unit', what: 'Bridge mic' };
const cut = (much: number): Need => ({ item: 'pair-braid', unit: 'mm', much, span: 'W1' });
const taken = (
  needs: readonly Need[],
  pieces: readonly ShelfPiece[],
  ready: Parameters<typeof takeFor>[2] = [],
) => takeFor(needs, pieces, ready, FOR);
const short = ({ events }: ReturnType<typeof takeFor>) =>
  events.map(({ piece: from, kind, amount }) => [from, kind, amount]);

describe('what a unit takes from the shelf', () => {
  it('an offcut that is long enough before an opened reel, that before a new one; the smallest of each', () => {
    const pieces = [
      piece('new', 1e5, { sort: 'reel' }),
      piece('open', 38_000),
      piece('long', 9000, { sort: 'offcut' }),
      piece('fits', 6000, { sort: 'offcut' }),
      piece('short', 5900, { sort: 'offcut' }),
    ];
    expect(short(taken([cut(5966)], pieces))).toEqual([['fits', 'cut', 5966]]);
    expect(short(taken([cut(5966), cut(5966), cut(5966)], pieces))).toEqual([
      ['fits', 'cut', 5966],
      ['long', 'cut', 5966],
      ['open', 'cut', 5966],
    ]);
    expect(short(taken([cut(50_000)], pieces))).toEqual([['new', 'cut', 50_000]]);
    // What it is comes before how long it is.
    const longer = [
      piece('new', 6000, { sort: 'reel' }),
      piece('open', 7000),
      piece('cut off', 8000, { sort: 'offcut' }),
    ];
    expect(short(taken([cut(5966)], longer))).toEqual([['cut off', 'cut', 5966]]);
    expect(short(taken([cut(5966)], longer.slice(0, 2)))).toEqual([['open', 'cut', 5966]]);
  });

  it('the saw takes its share of each cut, but off the end of a piece: 12 m are two of 5.998 m with 2 mm each', () => {
    const two = [piece('a', 12_000)];
    const sawn = (pieces: readonly ShelfPiece[], much: number) =>
      takeFor([cut(much), cut(much)], pieces, [], { ...FOR, kerfMm: 2 });
    expect(short(sawn(two, 5998))).toEqual([
      ['a', 'cut', 5998],
      ['a', 'scrapped', 2],
      ['a', 'cut', 5998],
      ['a', 'scrapped', 2],
    ]);
    // Of 6 m each the second would be 2 mm short.
    expect(sawn(two, 6000).missing).toHaveLength(1);
    expect(short(sawn(two, 5999))).toEqual([
      ['a', 'cut', 5999],
      ['a', 'scrapped', 2],
      ['a', 'cut', 5999],
    ]);
    // A bag has no kerf, and what the saw took is no unit’s: it is not put back with it.
    const bags = takeFor([{ item: 'plug', unit: 'pieces', much: 1 }], [bag('b', 3)], [], {
      ...FOR,
      kerfMm: 2,
    });
    expect(short(bags)).toEqual([['b', 'cut', 1]]);
    expect(sawn(two, 5998).events.map(({ for: unit }) => unit)).toEqual([
      'unit',
      undefined,
      'unit',
      undefined,
    ]);
  });

  it('a cut comes in one piece: 10 m in two halves are none of 6 m', () => {
    const halves = [piece('a', 5000), piece('b', 5000)];
    expect(taken([cut(6000)], halves)).toEqual({ events: [], missing: [cut(6000)] });
    // Tubing is cut as it comes.
    const tube: Need = { item: 'pair-braid', unit: 'mm', much: 6000 };
    expect(short(taken([tube], halves))).toEqual([
      ['a', 'cut', 5000],
      ['b', 'cut', 1000],
    ]);
  });

  it('the bag that is nearly empty first; what is not there is missing, and holds nothing else up', () => {
    const needs: readonly Need[] = [{ item: 'plug', unit: 'pieces', much: 5 }, cut(1000)];
    const found = taken(needs, [bag('full', 50), bag('last', 2), piece('reel', 2000)]);
    expect(short(found)).toEqual([
      ['last', 'cut', 2],
      ['full', 'cut', 3],
      ['reel', 'cut', 1000],
    ]);
    const lacking = taken(needs, [bag('last', 2), piece('reel', 2000)]);
    expect(lacking.missing).toEqual([{ item: 'plug', unit: 'pieces', much: 3 }]);
    expect(short(lacking)).toContainEqual(['reel', 'cut', 1000]);
  });

  it('what the cutter has cut for this lead is used, once, and nothing more is cut for it', () => {
    const happened = (kind: ShelfEvent['kind'], more: Partial<ShelfEvent>): ShelfEvent => ({
      id: 'x',
      piece: 'reel',
      at: '2026-03-02T10:00:00.000Z',
      kind,
      amount: 5966,
      lead: 'lead',
      span: 'W1',
      ...more,
    });
    const events = [
      happened('cut', {}),
      happened('cut', {}),
      happened('cut', { lead: 'another' }),
      happened('cut', { for: 'a unit that took it itself' }),
      happened('used', { for: 'the first unit' }),
    ];
    const ready = readyFor(events, 'lead');
    expect(ready).toEqual([{ piece: 'reel', span: 'W1', mm: 5966 }]);
    const found = taken([cut(5966)], [piece('reel', 80_000)], ready);
    expect(short(found)).toEqual([['reel', 'used', 5966]]);
    const used = after(piece('reel', 80_000), { ...happened('used', {}), ...found.events[0] });
    expect(used.left).toBe(80_000);
    // One that has become too short since does not do.
    expect(short(taken([cut(7000)], [piece('reel', 80_000)], ready))).toEqual([['reel', 'cut', 7000]]);
  });

  it('law: what is taken and what is missing are what was asked; nothing is taken twice', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 12 }), { maxLength: 5 }),
        fc.array(fc.integer({ min: 1, max: 9000 }), { maxLength: 5 }),
        fc.array(fc.integer({ min: 1, max: 8 }), { maxLength: 4 }),
        fc.array(fc.integer({ min: 1, max: 5000 }), { maxLength: 4 }),
        (bags, reels, plugs, cuts) => {
          const pieces = [
            ...bags.map((left, n) => bag(`bag ${n}`, left)),
            ...reels.map((left, n) => piece(`reel ${n}`, left)),
          ];
          const needs = [
            ...plugs.map((much): Need => ({ item: 'plug', unit: 'pieces', much })),
            ...cuts.map(cut),
          ];
          const { events, missing } = taken(needs, pieces);
          const sum = (all: readonly { much?: number; amount?: number | undefined }[]): number =>
            all.reduce((total, { much, amount }) => total + (much ?? amount ?? 0), 0);
          const end = new Map(pieces.map((each) => [each.id, each.left]));
          for (const { piece: id, amount = 0 } of events) end.set(id, (end.get(id) ?? 0) - amount);
          const plugsThere = bags.reduce((total, left) => total + left, 0);
          const lacking = missing.filter(({ item }) => item === 'plug');
          return (
            sum(events) + sum(missing) === sum(needs) &&
            [...end.values()].every((left) => left >= 0) &&
            sum(lacking) === Math.max(0, plugs.reduce((total, each) => total + each, 0) - plugsThere)
          );
        },
      ),
    ));
});
