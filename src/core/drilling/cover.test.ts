import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadNamed, leadOf } from '../../../tests/examples/read';
import { random } from '../../../tests/support/lines';
import { coverDrilling, drilledOf, readCover, type AskedCover, type CoverDrilling } from '.';

const LAMP = leadNamed('continuity-lamp').assembly;
const read = (asked: AskedCover) => {
  const cover = readCover({ deep: '20 mm', ...asked });
  if (!cover.ok) throw new Error(cover.problems[0]?.says);
  return cover.value;
};
const drilled = (asked: AskedCover): CoverDrilling => {
  const made = coverDrilling(LAMP, read(asked));
  if (!made.ok) throw new Error(made.problems[0]?.says);
  return made.value;
};
const refusedFor = (asked: AskedCover) => {
  const made = coverDrilling(LAMP, read(asked));
  return made.ok ? [] : made.problems;
};
/** The wire of the lamp over its insulation, mm. */
const WIRE = 3;

describe('where the cover of a lamp is drilled', () => {
  it('with nothing behind it in the middle, one beside the other with 5 mm between their edges', () => {
    const { holes } = drilled({ across: '60 mm' });
    expect(holes.map(({ wire }) => wire)).toEqual(['red', 'black']);
    expect(holes.map(({ holeMm }) => holeMm)).toEqual([WIRE, WIRE]);
    const [red, black] = holes;
    expect([red.y, black.y]).toEqual([0, 0]);
    expect(black.x).toBeCloseTo(-red.x, 9);
    expect(black.x - red.x - WIRE).toBeGreaterThanOrEqual(5);
    expect(black.x - red.x - WIRE).toBeLessThan(5.5);
  });

  it('round, 60 mm, with three cells of 40 × 40 mm behind: between them and the rim; by hand', () => {
    const { holes, clearances } = drilled({ across: '60 mm', behind: '40 mm', tall: '40 mm' });
    // On the axis are 10 mm from the cells to the rim, of which the wire takes 3: in the middle it would be 3.5 mm from both. Two
    // stand beside the axis, where the rim is nearer.
    const [tightest] = clearances;
    expect(tightest?.mm).toBeGreaterThan(2.5);
    expect(tightest?.mm).toBeLessThan(3.5);
    for (const { x, y } of holes) expect(Math.max(Math.abs(x), Math.abs(y))).toBeGreaterThan(20 + WIRE / 2);
  });

  it('round with a round thing of 40 mm behind it: as near to it as to the rim wherever it is; by hand', () => {
    const [one, other] = drilled({ across: '60 mm', behind: '40 mm' }).holes;
    // Between 20 and 30 mm from the middle: a wire of 3 mm stands at 25 with 3.5 mm on both sides, to half a millimetre.
    for (const { x, y } of [one, other]) expect(Math.abs(Math.hypot(x, y) - 25)).toBeLessThan(0.3);
    expect(Math.hypot(one.x - other.x, one.y - other.y) - WIRE).toBeGreaterThan(3.2);
  });

  it('with corners: the rim is half its width or half its height off, whichever is nearer', () => {
    for (const asked of [
      { across: '60 mm', high: '24 mm' },
      { across: '24 mm', high: '60 mm' },
    ]) {
      const { holes, clearances } = drilled(asked);
      const [wide, high] = [Number.parseFloat(asked.across), Number.parseFloat(asked.high)];
      const rims = holes.map(
        ({ x, y }) => Math.min(wide / 2 - Math.abs(x), high / 2 - Math.abs(y)) - WIRE / 2,
      );
      const said = clearances.filter(({ says }) => says.includes('rim')).map(({ mm }) => mm);
      expect([...said].sort((a, b) => a - b)).toEqual(
        [...rims].sort((a, b) => a - b).map((each) => expect.closeTo(each, 9) as number),
      );
    }
  });

  it('where it is wider beside them than below, one over the other there', () => {
    const { holes } = drilled({ across: '100 mm', high: '40 mm', behind: '50 mm', tall: '34 mm' });
    expect(holes.map(({ x }) => x > 25 + WIRE / 2)).toEqual([true, true]);
    expect(holes[0].x).toBe(holes[1].x);
    expect(holes[0].y).toBeLessThan(holes[1].y);
  });

  it('no point of a hole is in what stands behind, over the rim or in the other hole: 40 covers, their points by chance', () => {
    const next = random(3);
    let made = 0;
    for (let n = 0; n < 40; n++) {
      const [wide, high] = [20 + next() * 80, 20 + next() * 80];
      const asked = {
        across: `${wide} mm`,
        ...(n % 2 ? { high: `${high} mm` } : {}),
        behind: `${next() * Math.min(wide, n % 2 ? high : wide) * 0.7} mm`,
        ...(n % 3 ? { tall: `${next() * (n % 2 ? high : wide) * 0.7} mm` } : {}),
      };
      const cover = read(asked);
      const done = coverDrilling(LAMP, cover);
      if (!done.ok) continue;
      made++;
      const [one, other] = done.value.holes;
      for (let k = 0; k < 60; k++) {
        const [angle, r] = [2 * Math.PI * next(), (WIRE / 2) * Math.sqrt(next())];
        for (const hole of [one, other]) {
          const [x, y] = [hole.x + r * Math.cos(angle), hole.y + r * Math.sin(angle)];
          const isIn = cover.isRound
            ? Math.hypot(x, y) < cover.wideMm / 2
            : Math.abs(x) < cover.wideMm / 2 && Math.abs(y) < cover.highMm / 2;
          expect(isIn).toBe(true);
          expect(Math.abs(x) < cover.behind.wideMm / 2 && Math.abs(y) < cover.behind.highMm / 2).toBe(false);
        }
        expect(Math.hypot(one.x - other.x, one.y - other.y)).toBeGreaterThan(WIRE);
      }
    }
    expect(made).toBeGreaterThan(20);
  });

  it('without room it is refused, with how little there is', () => {
    const [problem] = refusedFor({ across: '60 mm', high: '60 mm', behind: '58 mm', tall: '58 mm' });
    expect(problem?.code).toBe('drill.collides');
    expect(problem?.path).toBe('behind');
    expect(problem?.says).toMatch(
      /^The roomiest place leaves 0\.0 mm from the hole of the (?:red|black) wire to /,
    );
    // The wire and 1 mm on both sides of it take 5.
    expect(refusedFor({ across: '60 mm', high: '60 mm', behind: '50 mm', tall: '50 mm' })).toEqual([]);
    expect(refusedFor({ across: '60 mm', high: '60 mm', behind: '50.6 mm', tall: '50.6 mm' })).toHaveLength(
      1,
    );
  });

  it('a wire has to turn off behind it, no tighter than its own width: 6 mm for one of 3; by hand', () => {
    expect(drilled({ across: '60 mm', deep: '6 mm' }).turnMm).toBe(6);
    const [problem] = refusedFor({ across: '60 mm', deep: '5.9 mm' });
    expect(problem).toMatchObject({ code: 'drill.collides', path: 'deep' });
    expect(problem?.says).toMatch(/^Inside are 5\.9 mm, and a wire of 3 mm .* takes 6 mm/);
  });

  it('measures that are none name their field', () => {
    const fields = (asked: AskedCover) => {
      const cover = readCover(asked);
      return cover.ok ? [] : cover.problems.map(({ code, path }) => [code, path]);
    };
    expect(fields({})).toEqual([
      ['box.measure', 'across'],
      ['box.measure', 'deep'],
    ]);
    expect(fields({ across: 'wide', rim: '40 mm', deep: '9 mm' }).map(([, path]) => path)).toEqual([
      'across',
      'rim',
    ]);
    expect(fields({ across: '14 mm', deep: '9 mm' })).toEqual([['box.range', 'across']]);
    expect(fields({ across: '62', deep: '201 mm' })).toEqual([['box.range', 'deep']]);
    expect(fields({ across: '62', high: '0', deep: '9', behind: '0 mm', tall: '' })).toEqual([
      ['length.zero', 'high'],
    ]);
    expect(read({ across: '2 1/2 in', behind: '0', tall: '30' })).toEqual({
      isRound: true,
      wideMm: 63.5,
      highMm: 63.5,
      wallMm: 1.5,
      deepMm: 20,
      behind: { isRound: false, wideMm: 0, highMm: 30 },
    });
  });

  it.each([
    ['across', 15, 300],
    ['high', 15, 300],
    ['rim', 0.3, 10],
    ['deep', 1, 200],
    ['behind', 0, 300],
    ['tall', 0, 300],
  ] as const)(
    '%s is between %d and %d mm, both of them too, and the refusal says so',
    (field, least, most) => {
      const usual = { across: '300', high: '300', rim: '2', deep: '20', behind: '15', tall: '15' };
      const said = (mm: number) => {
        const cover = readCover({ ...usual, [field]: `${mm} mm` });
        return cover.ok ? '' : cover.problems.map(({ says }) => says).join();
      };
      // What stands behind a cover of 15 mm has to fit there: that is said of it, and not of the limit.
      const limits = `is between ${least} and ${most} mm`;
      for (const mm of [least, most]) if (mm > 0) expect(said(mm)).not.toContain(limits);
      expect(said(most + 0.1)).toContain(limits);
      if (least > 0) expect(said(least - 0.1)).toContain(limits);
    },
  );

  it('what is larger than the cover does not stand behind it: a square in a circle by its corners', () => {
    const codes = (asked: AskedCover) => {
      const cover = readCover({ deep: '20 mm', ...asked });
      return cover.ok ? [] : cover.problems.map(({ code, path }) => `${code} ${path}`);
    };
    expect(codes({ across: '62 mm', behind: '45 mm', tall: '45 mm' })).toEqual(['box.range behind']);
    expect(codes({ across: '62 mm', behind: '43.8 mm', tall: '43.8 mm' })).toEqual([]);
    expect(codes({ across: '62 mm', behind: '62 mm' })).toEqual([]);
    expect(codes({ across: '62 mm', high: '30 mm', behind: '40 mm' })).toEqual(['box.range behind']);
    expect(codes({ across: '62 mm', high: '62 mm', behind: '62 mm', tall: '62.1 mm' })).toEqual([
      'box.range behind',
    ]);
  });

  it('of all examples the lamp has a cover, boxes have none, and a lead without either says so', () => {
    const covers = EXAMPLES.filter((each) => drilledOf(leadOf(each).assembly)?.is === 'cover');
    expect(covers.map(({ id }) => id)).toEqual(['continuity-lamp']);
    const none = coverDrilling(leadNamed('stage-microphone').assembly, read({ across: '60 mm' }));
    expect(none.ok ? [] : none.problems.map(({ code }) => code)).toEqual(['drill.no-box']);
  });
});
