// `npm run mutate -- [--seed n] [--count m] [--room name] [--seconds s]`: changes one thing at a time in the core and runs its
// tests: a change that no test sees is printed with its place, by room. The same seed makes the same changes. It is a tool to
// find what is untested, and no part of the checks.
//
// Each file of tests is made one program, with all changes in it behind switches. One run with all of them off writes down which
// test comes by which; then each is switched on by itself, and only the tests that come by it are run, those of its own room
// first, until one fails or they have taken so many seconds. What is harmless is named with why, and not tried.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import path from 'node:path';
import { bundled } from './lib/mutation/bundle.mjs';
import { placesIn } from './lib/mutation/places.mjs';
import { inProject } from './lib/project.mjs';
import { giveUp, say } from './lib/say.mjs';

const option = (name, usual) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : process.argv[at + 1];
};
const whole = (name, usual) => {
  const value = Number(option(name, usual));
  if (!Number.isInteger(value) || value < 1) giveUp(`--${name} must be a whole number from 1 up.`);
  return value;
};
const [seed, count, seconds] = [whole('seed', 1), whole('count', 120), whole('seconds', 120)];
const only = option('room');
/**
 * How long the tests of one change may take, as a multiple of what they take unchanged: one that runs for ever is found,
 * one that is slow on a busy machine is not.
 */
const TIMES_AS_LONG = 6;
/** The least that is waited for one file of tests, ms. */
const LEAST_MS = 20_000;

const core = inProject('src', 'core');
const rooms = readdirSync(core, { withFileTypes: true })
  .filter((each) => each.isDirectory() && (only === undefined || each.name === only))
  .map((each) => each.name);
if (rooms.length === 0) giveUp(`there is no room “${only}” in src/core.`);
const filesIn = (folder, like) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter(like)
    .sort()
    .map((file) => path.join(folder, file));
const isChanged = (file) => file.endsWith('.ts') && !/\.test\.ts$|index\.ts$|problems\.ts$/.test(file);
const places = new Map(
  rooms.map((room) => [room, filesIn(path.join(core, room), isChanged).flatMap(placesIn)]),
);

/** A sequence that is the same for the same seed (a linear congruence, Numerical Recipes, from memory). */
let state = seed >>> 0;
const next = (below) => {
  state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
  return Math.floor((state / 2 ** 32) * below);
};

/** The changes to be tried, by room in turn; of two that lie in one another only the first. */
const changes = [];
const any = () => [...places.values()].some((all) => all.length > 0);
const overlaps = (a, b) => a.file === b.file && a.from < b.to && b.from < a.to;
for (let n = 0; changes.length < count && any(); n++) {
  const room = rooms[n % rooms.length];
  const all = places.get(room) ?? [];
  // A small room has less to change than its share: the others get it.
  if (all.length === 0) continue;
  const [place] = all.splice(next(all.length), 1);
  if (!changes.some((each) => overlaps(each, place))) changes.push({ room, id: changes.length, ...place });
}

const folder = mkdtempSync(path.join(tmpdir(), 'antler-mutate-'));
process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1));

/** Runs one program of tests: how it ended, and what it printed. */
const run = (bundle, env, most) =>
  new Promise((done) => {
    const child = spawn(process.execPath, ['--max-old-space-size=3000', bundle], {
      cwd: inProject(),
      env: { ...process.env, NODE_ENV: 'test', ...env },
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    let said = '';
    child.stdout.on('data', (piece) => (said += piece));
    const timer = setTimeout(() => child.kill('SIGKILL'), most);
    child.on('close', (code) => {
      clearTimeout(timer);
      done({ code, said });
    });
  });
/** Does something with each of a list, as many at once as there are processors. */
async function atOnce(list, act) {
  let at = 0;
  const worker = async () => {
    while (at < list.length) await act(list[at++]);
  };
  await Promise.all(Array.from({ length: availableParallelism() }, worker));
}

const isTest = (file) => file.endsWith('.test.ts');
const testFiles = [core, inProject('tests', 'examples')].flatMap((each) => filesIn(each, isTest));
mkdirSync(path.join(folder, 'out'));
say(`${changes.length} changes, ${testFiles.length} files of tests: which come by them…`);
const programs = await bundled(testFiles, changes, folder);
const known = [];
await atOnce(programs, async ({ file, bundle }) => {
  const { code, said } = await run(bundle, {}, 900_000);
  try {
    const { loadedMs, tests } = JSON.parse(said.slice(said.lastIndexOf('\n{"loadedMs"')));
    // One that fails as it is sees nothing.
    for (const { name, why } of tests.filter((each) => each.why))
      say(`left out, it fails as it is: ${path.relative(inProject(), file)}${name}: ${why}`);
    known.push({ file, bundle, loadedMs, tests: tests.filter((each) => !each.why) });
  } catch {
    say(`left out, it does not run as it is (${code}): ${path.relative(inProject(), file)}`);
  }
});
if (known.length === 0) giveUp('no tests run as they are: mend that first.');

const place = ({ file, line, says }) => `${path.relative(inProject(), file)}:${line}  ${says}`;
const isOf = (file, room) => file.startsWith(path.join(core, room) + path.sep);
/** The tests that come by a change, file by file: those of its room first, quick ones before slow ones. */
const lotsOf = ({ id, room }) =>
  known
    .map(({ file, bundle, loadedMs, tests }) => {
      const own = tests.filter(({ came }) => came.includes(id));
      const ms = own.reduce((sum, each) => sum + each.ms, loadedMs);
      return { bundle, ms, isOwn: isOf(file, room), names: own.map(({ name }) => name) };
    })
    .filter(({ names }) => names.length > 0)
    .sort((a, b) => b.isOwn - a.isOwn || a.ms - b.ms);

const survivors = [];
let tried = 0;
await atOnce(changes, async (change) => {
  if (change.because !== undefined) {
    say(`${++tried} of ${changes.length}: harmless  ${place(change)}  (${change.because})`);
    return;
  }
  const lots = lotsOf(change);
  const from = performance.now();
  let [seen, left] = [false, lots.length];
  for (const { bundle, ms, names } of lots) {
    if (performance.now() - from > seconds * 1000) break;
    const env = { CHANGE: String(change.id), WANTED: JSON.stringify(names) };
    const { code } = await run(bundle, env, LEAST_MS + TIMES_AS_LONG * ms);
    left--;
    if ((seen = code !== 0)) break;
  }
  if (!seen) survivors.push(change);
  const how = seen
    ? 'seen'
    : lots.length === 0
      ? 'SURVIVES, no test comes by'
      : `SURVIVES ${lots.length - left} files${left > 0 ? `, ${left} not run` : ''}`;
  say(`${++tried} of ${changes.length}: ${how}  ${place(change)}`);
});
for (const room of rooms) {
  const own = survivors.filter((each) => each.room === room);
  const all = changes.filter((each) => each.room === room);
  if (own.length > 0)
    console.log(
      `${room}: ${own.length} of ${all.length} survive\n${own.map((each) => `  ${place(each)}`).join('\n')}`,
    );
}
const harmless = changes.filter(({ because }) => because !== undefined).length;
const judged = changes.length - harmless;
const seen = judged - survivors.length;
say(`${seen} of ${judged} seen, ${((100 * seen) / judged).toFixed(1)} %; ${harmless} more are harmless`);
