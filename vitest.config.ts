import { defineConfig } from 'vitest/config';

/** What needs no server and no browser: on two cores at once. */
const BESIDE = { maxWorkers: 2, sequence: { groupOrder: 1 } };
/** What runs beside the browser has one core. */
const [ONE_OR_TWO, IS_BESIDE] = process.env['ANTLER_TEST_BESIDE'] ? [1, true] : [2, false];

/** What runs the app, each file one of its own. */
const OF_THE_APP = {
  environment: 'node' as const,
  // Nothing is stood in for, so that files may share what they import: that takes six seconds a file.
  isolate: false,
  expect: { poll: { timeout: 15_000 } },
  testTimeout: 240_000,
  hookTimeout: 120_000,
};

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          ...BESIDE,
          include: ['src/core/**/*.test.ts', 'tests/examples/**/*.test.ts'],
          environment: 'node',
          // The core keeps nothing between calls, so files may share what they import: three times as fast.
          isolate: false,
          // Property tests of whole leads take seconds where the machine is busy.
          testTimeout: 60_000,
        },
      },
      {
        // Whatever stands in for a browser or a disk belongs to one file: nothing is shared here.
        test: {
          name: 'around',
          ...BESIDE,
          include: ['src/**/*.test.ts'],
          exclude: ['src/core/**'],
          environment: 'node',
          testTimeout: 60_000,
        },
      },
      {
        // Other programs: those that work out the same, and the shell’s own. They take a core by themselves.
        test: {
          name: 'external',
          maxWorkers: ONE_OR_TWO,
          sequence: { groupOrder: IS_BESIDE ? 2 : 1 },
          include: ['tests/external/**/*.test.ts', 'tests/cli/**/*.test.ts'],
          environment: 'node',
          testTimeout: 240_000,
        },
      },
      {
        // Each waits most of its time, for the database or for a process: two at once, or one beside the browser.
        test: {
          name: 'server',
          ...OF_THE_APP,
          maxWorkers: ONE_OR_TWO,
          sequence: { groupOrder: 2 },
          include: ['tests/server/**/*.test.ts'],
        },
      },
      {
        // One at a time: a browser keeps more than one core busy by itself.
        test: {
          name: 'browser',
          ...OF_THE_APP,
          maxWorkers: 1,
          sequence: { groupOrder: 3 },
          include: ['tests/browser/**/*.test.ts', 'tests/chaos/**/*.test.ts'],
        },
      },
      {
        // What measures how long something takes, and what builds anew what all the others run: with nothing beside it.
        test: {
          name: 'alone',
          ...OF_THE_APP,
          maxWorkers: 1,
          sequence: { groupOrder: 4 },
          include: ['tests/alone/**/*.test.ts'],
        },
      },
    ],
  },
});
