import { describe, expect, it } from 'vitest';
import { jobPages, type JobOnPaper } from '.';

/** A job as its page has it, by hand: four leads of which one is begun, two things there, two to buy. */
const JOB: JobOnPaper = {
  job: 'Harvest fair',
  leads: [
    { name: 'Bridge', left: 3, started: 1 },
    { name: 'Thunder', left: 0, started: 2 },
  ],
  lines: [
    {
      item: 'xlr3-plug',
      name: 'XLR plug',
      unit: 'pieces',
      much: 3,
      of: [],
      have: 14,
      places: ['drawer 3'],
      short: 0,
    },
    {
      item: 'xlr3-socket',
      name: 'XLR socket',
      unit: 'pieces',
      much: 13,
      of: [],
      have: 2,
      places: [],
      short: 11,
      buy: { packs: 2, of: 10 },
    },
    {
      item: 'pair-braid',
      name: 'Microphone cable',
      unit: 'mm',
      much: 90_000,
      of: [],
      have: 0,
      places: [],
      short: 90_000,
      buy: { packs: 1, of: 100_000 },
    },
    { item: 'label', name: 'Wrap label', unit: 'pieces', much: 3, of: [], have: 0, places: [], short: 3 },
  ],
  cuts: [
    { name: 'Bridge', cable: 'Microphone cable', mm: 5966, toCut: 3 },
    { name: 'Spare', cable: 'Microphone cable', mm: 12_000, toCut: 1 },
    { name: 'Cut already', cable: 'Microphone cable', mm: 2000, toCut: 0 },
  ],
  fits: [],
};
const words = (of: JobOnPaper, system: 'metric' | 'inch' = 'metric'): readonly string[] =>
  jobPages(of, system).flatMap(({ lines }) => lines.map(({ text }) => text));

describe('a job on paper', () => {
  it('says what to make, to take, to buy and to cut, of each cable the longest first', () => {
    const said = words(JOB).filter((text) => text.startsWith('[  ]') || /^[A-Z]/.test(text));
    expect(said).toEqual([
      'Harvest fair: everything for it',
      'Make',
      '[  ] 3 × Bridge (1 started)',
      'From the shelf',
      '[  ] 3 XLR plug: drawer 3',
      '[  ] 2 XLR socket',
      'Buy',
      '[  ] 2 packs of 10: XLR socket, of which 11 are short',
      '[  ] 1 roll of 100 m: Microphone cable, of which 90 m are short',
      '[  ] 3: Wrap label',
      'Cut, of each cable the longest first',
      '[  ] 1 × 12 m of Microphone cable: Spare',
      '[  ] 3 × 5.966 m of Microphone cable: Bridge',
    ]);
  });

  it('is in feet and inches where the house measures so, and has no part for which there is nothing', () => {
    const said = words({ ...JOB, leads: [], lines: [], cuts: JOB.cuts.slice(0, 1) }, 'inch');
    expect(said.some((text) => /19 ft 6 .*in of Microphone cable/.test(text))).toBe(true);
    for (const part of ['Make', 'Buy', 'From the shelf', 'Mind']) expect(said).not.toContain(part);
  });

  it('goes on over pages', () => {
    const cuts = Array.from({ length: 120 }, (_, n) => ({
      name: `No. ${n}`,
      cable: 'Cable',
      mm: 1000 + n,
      toCut: 1,
    }));
    const pages = jobPages({ ...JOB, cuts }, 'metric', 'letter');
    expect(pages.length).toBeGreaterThan(2);
    expect(words({ ...JOB, cuts }).filter((text) => text.includes('of Cable'))).toHaveLength(120);
  });
});
