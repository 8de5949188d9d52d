// What stands in for the test runner in a bundle: describe, it and expect, as far as the core's tests use them. It starts in a
// few milliseconds, where the runner takes seconds.
import {
  ASYMMETRIC_MATCHERS_OBJECT,
  GLOBAL_EXPECT,
  getState,
  JestAsymmetricMatchers,
  JestChaiExpect,
  JestExtend,
  setState,
} from '@vitest/expect';
import * as chai from 'chai';

/** Which change is on, and which tests are asked for; none: all are run, and it is written down what each comes by. */
const { CHANGE, WANTED } = process.env;
const came = new Set();
const on = Number(CHANGE);
globalThis.changed = CHANGE === undefined ? (id) => (came.add(id), false) : (id) => id === on;

chai.use(JestExtend);
chai.use(JestChaiExpect);
chai.use(JestAsymmetricMatchers);
export const expect = (value, message) => chai.expect(value, message);
Object.assign(expect, chai.expect, globalThis[ASYMMETRIC_MATCHERS_OBJECT], {
  getState: () => getState(expect),
  setState: (state) => setState(state, expect),
  fail: (message) => {
    throw new Error(message ?? 'fails');
  },
});
globalThis[GLOBAL_EXPECT] = expect;
setState({ assertionCalls: 0, environment: 'node', testPath: '', currentTestName: '' }, expect);

const suite = (name) => ({ name: String(name), tests: [], before: [], after: [], suites: [] });
const root = suite('');
let here = root;
/** What is run, before what it may take or after. */
const act = (...of) => of.find((each) => typeof each === 'function');
export function describe(name, ...of) {
  const [up, own] = [here, suite(name)];
  up.suites.push(own);
  here = own;
  act(...of)();
  here = up;
}
export const it = (name, ...of) => here.tests.push({ name: String(name), run: act(...of) });
const cells = (row) => (Array.isArray(row) ? row : [row]);
const each =
  (one) =>
  (rows) =>
  (name, ...of) =>
    rows.forEach((row, n) => one(`${name} #${n}`, () => act(...of)(...cells(row))));
describe.each = each(describe);
it.each = each(it);
export const test = it;
export const beforeAll = (run) => here.before.push(run);
export const afterAll = (run) => here.after.push(run);

/**
 * What is left out: that the files kept in the repository are others now says that something changed, not that anything is
 * wrong; and every fault of every example takes as long as all else together.
 */
const NOT_THESE = /the files that lie in the repository|every modelled fault is found/;

async function runSuite({ tests, before, after, suites }, path, each) {
  const own = tests
    .map(({ name, run }) => ({ name: `${path} > ${name}`, run }))
    .filter(({ name }) => !NOT_THESE.test(name) && each.wants(name));
  const deeper = suites.filter(({ name }) => !NOT_THESE.test(name));
  if (own.length + deeper.length > 0) for (const run of before) await run();
  for (const test of own) await each.test(test);
  for (const suite of deeper) await runSuite(suite, `${path} > ${suite.name}`, each);
  for (const run of after) await run();
}

/** Runs what was imported: prints what each test came by, or ends with 1 at the first that fails. */
export async function runAll(loadedMs) {
  if (CHANGE !== undefined) {
    const wanted = new Set(JSON.parse(WANTED));
    await runSuite(root, '', {
      wants: (name) => wanted.has(name),
      test: async ({ run }) => {
        try {
          await run();
        } catch {
          process.exit(1);
        }
      },
    });
    process.exit(0);
  }
  const tests = [];
  await runSuite(root, '', {
    wants: () => true,
    test: async ({ name, run }) => {
      const from = performance.now();
      const why = await Promise.resolve()
        .then(run)
        .then(
          () => undefined,
          (error) => String(error?.message).slice(0, 300),
        );
      tests.push({ name, ms: performance.now() - from, came: [...came], why });
    },
  });
  process.stdout.write(`\n${JSON.stringify({ loadedMs, tests })}`, () => process.exit(0));
}
