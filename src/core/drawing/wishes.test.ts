import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadOf } from '../../../tests/examples/read';
import { endsOf } from '../assembly';
import { peel, type PeeledEnd } from '.';
import { roomOf, type Wish } from './labels';
import { wishesOf } from './wishes';

const drawn: readonly (readonly [name: string, end: PeeledEnd])[] = EXAMPLES.flatMap((example) => {
  const { assembly } = leadOf(example);
  return endsOf(assembly).flatMap(({ id }) =>
    ([1, -1] as const).flatMap((toward) => {
      const end = peel(assembly, id, { toward });
      return end ? [[`${example.id} ${id} ${toward}`, end] as const] : [];
    }),
  );
});

/** How far the box of a label is from a point or from a box about one, along each axis; less than nothing where they overlap. */
const gap = (wish: Wish, n: number, about: { x: number; y: number }, half: { x: number; y: number }) => {
  const at = wish.candidates[n] ?? expect.fail('no place');
  const room = roomOf(wish);
  return {
    x: Math.abs(at.x - about.x) - room.x / 2 - half.x,
    y: Math.abs(at.y - about.y) - room.y / 2 - half.y,
  };
};
const wishOf = (all: readonly Wish[], key: string): Wish =>
  all.find((each) => each.key === key) ?? expect.fail(`no ${key}`);

describe('where what is written of an end is wished for, in every example', () => {
  it('the number of a contact away from the cable, then over and under it, clear of it by a fifth and a tenth of a mm; last on it', () => {
    let seen = 0;
    for (const [name, end] of drawn) {
      const wishes = wishesOf(end, {});
      for (const contact of end.contacts) {
        const wish = wishOf(wishes, `on ${contact.terminal}`);
        if (wish.candidates.length !== 8) continue;
        seen++;
        const toward = end.inserts.find(({ end: id }) => contact.terminal.startsWith(`${id}.`))?.toward;
        const half = { x: contact.radius, y: contact.radius };
        expect(gap(wish, 0, contact, half).x, name).toBeCloseTo(0.2, 9);
        expect(Math.sign((wish.candidates[0]?.x ?? 0) - contact.x), name).toBe(-(toward ?? end.toward));
        expect([1, 2].map((n) => gap(wish, n, contact, half).y)).toEqual([
          expect.closeTo(0.1, 9),
          expect.closeTo(0.1, 9),
        ]);
        for (const n of [3, 4, 5, 6]) {
          const { x, y } = gap(wish, n, contact, half);
          expect([x, y], name).toEqual([expect.closeTo(0.2, 9), expect.closeTo(0.1, 9)]);
        }
        // All of them apart from each other, the first two diagonals away from the cable, the other two towards it.
        expect(new Set(wish.candidates.map(({ x, y }) => `${x.toFixed(6)} ${y.toFixed(6)}`)).size).toBe(8);
        expect([3, 4, 5, 6].map((n) => Math.sign((wish.candidates[n]?.x ?? 0) - contact.x))).toEqual(
          [-1, -1, 1, 1].map((way) => way * (toward ?? end.toward)),
        );
        expect(wish.candidates[7]).toEqual({ x: contact.x, y: contact.y });
      }
    }
    expect(seen).toBeGreaterThan(200);
  });

  it('the name of a part over or under its body, 0.15 mm clear of it; its plus at the end that is marked, touching its body’s side', () => {
    let pluses = 0;
    for (const [name, end] of drawn) {
      const wishes = wishesOf(end, {});
      for (const { part, kind, at, length, width, mark, toward } of end.parts) {
        const half = { x: length / 2, y: width / 2 };
        const named = wishOf(wishes, `name ${part}`);
        expect(
          [0, 1].map((n) => gap(named, n, at, half).y),
          name,
        ).toEqual([expect.closeTo(0.15, 9), expect.closeTo(0.15, 9)]);
        expect(named.candidates.map(({ x }) => x)).toEqual([at.x, at.x]);
        if (mark === undefined || kind === 'diode') continue;
        pluses++;
        const plus = wishOf(wishes, `plus ${part}`);
        const way = (mark === 'insert' ? -1 : 1) * toward;
        expect(plus.anchor).toEqual({ x: at.x + way * half.x, y: at.y });
        expect(
          [0, 1].map((n) => gap(plus, n, at, half).y),
          name,
        ).toEqual([expect.closeTo(0, 9), expect.closeTo(0, 9)]);
        // Just beyond that end; where neither is free on the body, a millimetre within it.
        expect(plus.candidates.map(({ x }) => (x - at.x) * way - half.x)).toEqual([
          expect.closeTo(0.6, 9),
          expect.closeTo(0.6, 9),
          expect.closeTo(-1, 9),
        ]);
      }
    }
    expect(pluses).toBeGreaterThan(8);
  });
});
