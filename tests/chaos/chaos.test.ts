import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openBrowser } from '../support/browser';
import { anAntler, type Antler } from './antler';
import { chaos } from './run';

/** `npm run chaos -- --seed n --rounds m` runs longer; in `npm test` a few rounds of a seed that is another every day. */
const seed = Number(process.env['ANTLER_CHAOS_SEED'] ?? Math.floor(Date.now() / 86_400_000));
const rounds = Number(process.env['ANTLER_CHAOS_ROUNDS'] ?? (process.env['ANTLER_TEST_LONG'] ? 22 : 2));

let antler: Antler;
let browser: Browser;
beforeAll(async () => {
  antler = await anAntler({ small: true });
  await antler.start();
  browser = await openBrowser();
});
afterAll(async () => {
  await browser.close();
  await antler.stop();
  antler.remove();
});

it(`whatever befalls it, what a browser said was kept is there, once (seed ${seed}, ${rounds} rounds)`, async () => {
  const outcome = await chaos(antler, browser, { seed, rounds, say: (line) => console.info(`  ${line}`) });
  console.info(
    `  seed ${seed}: ${outcome.mishaps.length} mishaps, ${outcome.promised} notes promised, ${outcome.lost.length} lost, ${outcome.twice.length} twice; the slowest round ${outcome.slowest.toFixed(1)} s`,
  );
  expect(outcome).toMatchObject({ lost: [], twice: [], strange: [] });
  expect(outcome.promised).toBeGreaterThanOrEqual(6 * rounds);
}, 1_200_000);
