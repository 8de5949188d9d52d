import { describe, expect, it } from 'vitest';
import type { Sheet } from '../drawing';
import { cutPages, patchPages, type CutListOnPaper, type PatchOnPaper } from '.';

const words = (sheets: readonly Sheet[]): readonly string[] =>
  sheets.flatMap(({ lines }) => lines.map(({ text }) => text));
/** Boxes of all drawings: what each is, how wide, and where it begins, mm. */
const boxes = (sheets: readonly Sheet[]) =>
  sheets
    .flatMap(({ pictures }) => pictures)
    .flatMap(({ things }) => things)
    .flatMap(({ says, marks }) =>
      marks.flatMap((mark) =>
        mark.is === 'box' ? [{ says, wide: mark.width, from: mark.at.x - mark.width / 2 }] : [],
      ),
    );

/** Every sheet has a bar to measure its print by. */
const BAR = 'this bar is 100 mm long on paper';

/** By hand: a reel of 100 m with three cuts, a bad stretch before them, each cut costing 10 mm. */
const CUTS: CutListOnPaper = {
  job: 'Harvest fair',
  cables: [
    {
      name: 'Microphone cable',
      unplanned: 0,
      short: ['2 × Bridge mic'],
      tapes: [
        {
          says: 'Opened reel, rack A',
          longMm: 100_000,
          firstMm: 10_000,
          cuts: [
            { name: 'Bridge mic', mm: 20_000 },
            { name: 'Bridge mic', mm: 20_000 },
            { name: 'Thunder', mm: 5000 },
          ],
          restMm: 44_970,
          toBad: true,
          kerfMm: 10,
          isCut: false,
        },
        {
          says: 'Offcut, drawer 2',
          longMm: 50_000,
          firstMm: 0,
          cuts: [{ name: 'Thunder', mm: 5000 }],
          restMm: 44_990,
          toBad: false,
          kerfMm: 10,
          isCut: true,
        },
      ],
    },
    { name: 'Loudspeaker cable', tapes: [], short: [], unplanned: 3 },
  ],
};

describe('a cut list on paper', () => {
  const sheets = cutPages(CUTS, 'metric');

  it('says piece by piece what comes off, in cutting order; runs of one cut as one; what is short, what has no plan', () => {
    expect(words(sheets).filter((text) => !/^(?:Bridge mic|Thu(?:nder|…))$/.test(text))).toEqual([
      'Harvest fair: cut list',
      'Microphone cable',
      '1. Opened reel, rack A, 100 m long; 44.97 m left after it, to the next bad stretch',
      '[  ] first off: 10 m, to the end of the bad stretch',
      '[  ] 2 × 20 m: Bridge mic',
      '[  ] 1 × 5 m: Thunder',
      '2. Offcut, drawer 2, 50 m long: cut already',
      '[  ] 1 × 5 m: Thunder',
      'Short of it: 2 × Bridge mic',
      'Loudspeaker cable',
      '3 to cut that no plan is of: plan the cuts first.',
      BAR,
    ]);
  });

  it('draws every piece to one scale, each cut where it is cut, with a kerf between', () => {
    const drawn = boxes(sheets);
    const margin = Math.min(...drawn.map(({ from }) => from));
    const scale = (Math.max(...drawn.map(({ from, wide }) => from + wide)) - margin) / 100_000;
    const lengths = drawn.map(
      ({ says, from, wide }) => [says, (from - margin) / scale, wide / scale] as const,
    );
    const near = (value: number): number => expect.closeTo(value, 6) as number;
    expect(lengths).toEqual([
      ['what comes off first', near(0), near(10_000)],
      ['1, Bridge mic', near(10_000), near(20_000)],
      ['2, Bridge mic', near(30_010), near(20_000)],
      ['3, Thunder', near(50_020), near(5000)],
      ['what is left', near(55_030), near(44_970)],
      ['1, Thunder', near(0), near(5000)],
      ['what is left', near(5010), near(44_990)],
    ]);
  });

  it('where nothing is short or unplanned it says nothing of it, and of nothing to cut that there is nothing', () => {
    const [first] = CUTS.cables;
    const said = words(cutPages({ ...CUTS, cables: first ? [{ ...first, short: [] }] : [] }, 'metric'));
    expect(said.filter((text) => /Short of it|no plan/.test(text))).toEqual([]);
    expect(words(cutPages({ job: 'x', cables: [] }, 'metric'))).toContain('There is nothing to cut.');
    expect(words(cutPages(CUTS, 'inch')).some((text) => /2 × 65 ft 7 3\/8 in: Bridge/.test(text))).toBe(true);
  });
});

/** By hand: a way with an input, one with a line only, one struck with its line's name, one free, and one struck without. */
const PATCH: PatchOnPaper = {
  title: 'Mill, great hall: patch list',
  swept: '3 March, by Imke',
  rows: [
    { way: 1, state: 'good', input: 'Narrator, left', line: 'fly gallery', note: 'was 4' },
    { way: 2, state: 'good', line: 'pit', note: '' },
    { way: 3, state: 'bad', line: 'trap', note: '2 and 3 shorted' },
    { way: 4, state: 'unknown', note: '' },
    { way: 5, state: 'bad', note: 'screen open' },
  ],
  moves: [
    { id: 'a', name: 'Narrator, left', from: 4, to: 1, because: 'way 4 is struck' },
    { id: 'b', name: 'Thunder', to: 2, because: 'no way was printed for it' },
    { id: 'c', name: 'Rain', from: 3, because: 'there is no line left that it may stand on' },
    { id: 'd', name: 'Bell', from: 7, to: 7, because: '' },
  ],
  repairs: [
    {
      way: 3,
      name: 'trap',
      says: 'both lamps dark',
      mayBe: 'a short',
      place: 'stage box',
      notes: ['since May'],
    },
    { way: 5, name: '', says: 'one lamp', mayBe: '', place: '', notes: [] },
  ],
};

describe('a patch list on paper', () => {
  const sheets = patchPages(PATCH);

  it('has each way with what stands on it, else its line in brackets, of a struck one as it is called', () => {
    const said = words(sheets);
    const row = (way: number): readonly string[] => {
      const at = said.indexOf(`${way}`);
      return said.slice(at + 1, at + 3);
    };
    expect([1, 2, 3, 4, 5].map(row)).toEqual([
      ['Narrator, left', 'was 4'],
      ['(pit)', ''],
      ['trap', 'struck: 2 and 3 shorted'],
      ['', ''],
      ['', 'struck: screen open'],
    ]);
    const lines = boxes(sheets).map(({ says }) => says);
    expect(lines.filter((says) => says.endsWith('struck'))).toEqual(['way 3 struck', 'way 5 struck']);
  });

  it('says who moved and why, who has no way, and what is to be mended', () => {
    const said = words(sheets);
    expect(said.slice(said.indexOf('Without a way'))).toEqual([
      'Without a way',
      'Rain: there is no line left that it may stand on.',
      'What moved, and why',
      'Narrator, left: 4 to 1: way 4 is struck.',
      'Thunder: 2: no way was printed for it.',
      'To be mended',
      '[  ] 3, trap: both lamps dark (a short). stage box. “since May”.',
      '[  ] 5: one lamp.',
      BAR,
    ]);
  });

  it('has none of these parts where there is nothing to say in them, and cuts a name that is too long for its row', () => {
    const name = 'A name that is far longer than any row of a list';
    const said = words(
      patchPages({
        ...PATCH,
        rows: [{ way: 1, state: 'good', input: name, note: '' }],
        moves: [],
        repairs: [],
      }),
    );
    for (const part of ['Without a way', 'What moved, and why', 'To be mended'])
      expect(said).not.toContain(part);
    // 92 mm hold 27 letters of 6 mm.
    expect(said).toContain(`${name.slice(0, 26)}…`);
  });
});
