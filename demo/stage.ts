import type { Input, Lamps, VenueLine } from '../src/core/sweep';

/** The hall that the company plays next, with its box and the gallery’s own lines. Made up, like all of this world. */
export const HALL: { readonly name: string; readonly lines: readonly VenueLine[] } = {
  name: 'Corn Hall, Wrenfield',
  lines: Array.from({ length: 24 }, (_, n) => ({
    way: n + 1,
    ...(n < 8
      ? { name: 'stage left' }
      : n < 16
        ? { name: 'stage right' }
        : n < 22
          ? { name: 'puppet bridge' }
          : { name: 'gallery', phantom: true }),
  })),
};

const mic = (id: string, name: string, way: number, weight: number, port = 'microphone-phantom'): Input => ({
  id,
  name,
  way,
  weight,
  port,
});
const side = (input: Input, pair: string): Input => ({ ...input, pair });

/** What the company brings onto those lines. */
export const INPUTS: readonly Input[] = [
  side(mic('narrator-l', 'Narrator, left', 1, 5), 'narrator'),
  side(mic('narrator-r', 'Narrator, right', 2, 5), 'narrator'),
  mic('bridge', 'Marionette bridge', 3, 3),
  mic('wolf', 'Wolf’s throat', 4, 3),
  side(mic('tablet-l', 'Tablet, left', 5, 4, 'line-transformer'), 'tablet'),
  side(mic('tablet-r', 'Tablet, right', 6, 4, 'line-transformer'), 'tablet'),
  mic('thunder', 'Thunder sheet', 7, 2, 'microphone'),
  mic('ribbon', 'Old ribbon, choir', 9, 3, 'microphone-ribbon'),
  side(mic('keys-l', 'Celesta, left', 11, 2, 'line-ground-referenced'), 'celesta'),
  side(mic('keys-r', 'Celesta, right', 12, 2, 'line-ground-referenced'), 'celesta'),
  mic('cello', 'Cello', 14, 3),
  mic('door', 'Stage door bell', 17, 1, 'microphone'),
];

interface DemoLook {
  readonly way: number;
  readonly lamps: Lamps;
  readonly note?: string;
}

/** What was found the last time, and tonight so far: three lines are bad. */
export const SWEEPS: readonly {
  readonly at: string;
  readonly by: readonly string[];
  readonly looks: readonly DemoLook[];
}[] = [
  {
    at: '2026-02-07T16:10:00Z',
    by: ['Tomas'],
    looks: Array.from({ length: 24 }, (_, n) => ({
      way: n + 1,
      lamps: n + 1 === 9 ? 'none' : n + 1 === 20 ? 'only 3' : 'both',
    })),
  },
  {
    at: '2026-03-05T15:30:00Z',
    by: ['Nell', 'Tomas'],
    looks: [
      ...[1, 2, 3, 4].map((way) => ({ way, lamps: 'both' as const })),
      { way: 5, lamps: 'only 2' },
      ...[6, 7, 8].map((way) => ({ way, lamps: 'both' as const })),
      { way: 9, lamps: 'none', note: 'socket is loose in the box' },
      ...[10, 11, 12, 13].map((way) => ({ way, lamps: 'both' as const })),
      { way: 14, lamps: 'flicker' },
      ...[15, 16].map((way) => ({ way, lamps: 'both' as const })),
    ],
  },
];
