import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadNamed } from '../../../tests/examples/read';
import { leadFor } from '../../../tests/support/leads';
import { endsOf } from '../assembly';
import { dressed } from '../dressing';
import { PAPERS, type Frame, type Sheet } from '../drawing';
import type { Lead } from '../lead';
import { inVice, sheetsOf, type View } from '.';

const VIEW: View = { side: 'solder', hand: 'right', turn: 0 };
const drawn = (lead: Lead, options = {}): readonly Sheet[] => {
  const sheets = sheetsOf(lead, options);
  return sheets.ok ? sheets.value : expect.fail(sheets.problems[0]?.says);
};
const refusal = (options: object, lead = leadFor()): string => {
  const sheets = sheetsOf(lead, options);
  return sheets.ok
    ? expect.fail('drawn')
    : sheets.problems.map(({ path, says }) => `${path}: ${says}`).join();
};
const apart = (a: Frame, b: Frame): boolean =>
  a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y;

describe('a lead in the vice', () => {
  it('a box or a barrel is one picture with all its ends, from the front each end is one', () => {
    for (const id of ['volume-box', 'pad-u-barrel']) {
      const lead = leadNamed(id);
      const behind = inVice(lead, VIEW);
      expect(behind.ends).toEqual(['A']);
      expect(behind.within('A').map((each) => each.id)).toEqual(['A', 'B']);
      expect(behind.peeled('A')?.inserts.map(({ end }) => end)).toEqual(['A', 'B']);
      const front = inVice(lead, { ...VIEW, side: 'mating' });
      expect(front.ends).toEqual(['A', 'B']);
      expect(front.within('A').map((each) => each.id)).toEqual(['A']);
    }
  });

  it('what is put on a jacket is on it: channel rings, the turns under a clamp, and what waits to be slid on', () => {
    const on = (id: string, end: string) =>
      inVice(leadNamed(id), VIEW)
        .peeled(end)
        ?.dressings.map(({ says }) => says);
    expect(on('stereo-microphone-fan-out', 'C')).toEqual([
      'under the clamp of end C, which could not grip 2.9 mm',
      'red ring for right at end C',
    ]);
    expect(on('stereo-sum', 'B')).toHaveLength(1);
    // Nothing is drawn that is not in the kit.
    for (const { id } of EXAMPLES) {
      const lead = leadNamed(id);
      const known = new Set(dressed(lead).dressings.map((each) => each.id));
      for (const end of inVice(lead, VIEW).ends)
        for (const each of inVice(lead, VIEW).peeled(end)?.dressings ?? []) expect(known).toContain(each.id);
    }
  });

  it('for the left hand the cable leaves to the left', () => {
    expect(inVice(leadFor(), VIEW).peeled('A')?.toward).toBe(1);
    expect(inVice(leadFor(), { ...VIEW, hand: 'left' }).peeled('A')?.toward).toBe(-1);
  });

  it('one channel of many: its cores and its contacts, and no other’s', () => {
    const { inFocus } = inVice(leadNamed('d25-to-eight-xlr'), { ...VIEW, channel: '3' });
    // AES59: channel 3 is 21, 9, 22.
    for (const contact of ['21', '9', '22']) expect(inFocus).toContain(`A.${contact}`);
    expect([...(inFocus ?? [])].filter((each) => /^A\.\d/.test(each))).toHaveLength(3);
    expect(
      [...(inFocus ?? [])].filter((each) => each.startsWith('W1.')).every((each) => /\.3-/.test(each)),
    ).toBe(true);
    expect(inVice(leadNamed('d25-to-eight-xlr'), { ...VIEW, channel: '9' }).inFocus).toBeUndefined();
  });

  it('numbers the order of soldering where there is room for the numbers', () => {
    const lead = leadNamed('d25-to-eight-xlr');
    expect(inVice(lead, VIEW).peeled('A')?.numbers).toEqual([]);
    expect(
      inVice(lead, VIEW)
        .peeled('B')
        ?.numbers.map(({ n }) => n),
    ).toEqual([1, 2, 3]);
  });
});

describe('sheets', () => {
  it.each(Object.entries(PAPERS))(
    'on %s every end of every example stands at true size on the paper, none on another, with a bar of 100 mm',
    (page, paper) => {
      for (const { id } of EXAMPLES) {
        const lead = leadNamed(id);
        const sheets = drawn(lead, { page });
        const wide = inVice(lead, VIEW);
        expect(sheets.flatMap(({ pictures }) => pictures)).toHaveLength(wide.ends.length);
        for (const { frame, pictures, lines, bar } of sheets) {
          expect(frame.height, id).toBe(paper.height);
          expect(frame.width, id).toBeGreaterThanOrEqual(paper.width);
          pictures.forEach((one, n) => {
            const { x, y, width, height } = one.frame;
            expect(x >= 10 && y >= 10 && x + width <= frame.width - 10, id).toBe(true);
            expect(y + height, `${id}: on the bar`).toBeLessThan((bar?.y ?? 0) - 1);
            for (const other of pictures.slice(n + 1)) expect(apart(one.frame, other.frame), id).toBe(true);
            for (const { size } of one.labels) expect(size).toBeGreaterThanOrEqual(2);
          });
          expect(bar && bar.x + 100 < frame.width).toBe(true);
          expect(lines[0]?.text).toContain(lead.name);
          // Every end is named under its picture.
          expect(lines.filter(({ text }) => /^[A-Z]+: /.test(text))).toHaveLength(pictures.length);
        }
      }
    },
  );

  it('every end of every example is drawn, or its shape is not known', () => {
    for (const { id } of EXAMPLES) {
      const lead = leadNamed(id);
      const vice = inVice(lead, VIEW);
      const shown = vice.ends.flatMap((end) => vice.within(end).map((each) => each.id));
      expect([...shown].sort(), id).toEqual(
        endsOf(lead.assembly)
          .map((end) => end.id)
          .sort(),
      );
    }
  });

  it('one end by itself, as large as it is', () => {
    const [sheet, ...more] = drawn(leadFor(), { end: 'B' });
    expect(more).toEqual([]);
    expect(sheet?.pictures).toHaveLength(1);
    expect(sheet?.bar).toBeUndefined();
    expect(sheet?.lines.map(({ text }) => text)).toEqual(['B: XLR 3 cable plug, solder side']);
  });

  it('turned by a quarter it is as wide as it was high', () => {
    const size = (options: object): readonly number[] => {
      const frame = drawn(leadFor(), { end: 'A', ...options })[0]?.pictures[0]?.frame;
      return [frame?.width ?? 0, frame?.height ?? 0];
    };
    const [width = 0, height = 0] = size({});
    const [across = 0, down = 0] = size({ turn: '90' });
    expect(width).toBeGreaterThan(height);
    // But for letters that stand upright either way.
    expect(Math.abs(across - height)).toBeLessThan(6);
    expect(Math.abs(down - width)).toBeLessThan(6);
  });

  it('says what there is where something else is asked for', () => {
    expect(refusal({ end: 'Z' })).toBe('end: There is no end “Z” to draw: there is A, B.');
    expect(refusal({ side: 'back' })).toBe('side: “back” is no side: it is solder or mating.');
    expect(refusal({ hand: 'both' })).toBe('hand: “both” is no hand: it is left or right.');
    expect(refusal({ turn: '45' })).toBe('turn: “45” is no turn: it is 0, 90, 180 or 270.');
    expect(refusal({ page: 'a3' })).toBe('page: “a3” is no page: it is a4 or letter.');
    expect(refusal({ channel: '7' })).toBe('channel: This lead has no channel “7”.');
  });

  it('a house of left hands has it so where nothing is said', () => {
    const lead = leadFor({ schools: { hand: 'left' } });
    const jacketLeft = (sheets: readonly Sheet[]): boolean => {
      const things = sheets[0]?.pictures[0]?.things ?? [];
      const x = (is: string): number => {
        const mark = things.find((thing) => thing.is === is)?.marks[0];
        return mark && 'at' in mark ? mark.at.x : NaN;
      };
      return x('jacket') < x('insert');
    };
    expect(jacketLeft(drawn(lead))).toBe(true);
    expect(jacketLeft(drawn(lead, { hand: 'right' }))).toBe(false);
  });
});
