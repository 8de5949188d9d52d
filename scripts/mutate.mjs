// `npm run mutate -- [--seed n] [--count m] [--room name]`: changes one thing at a time in a copy of the core and runs its tests:
// a change that no test sees is printed with its place, by room. The same seed makes the same changes. It is a tool to
// find what is untested, and no part of the checks.
//
// All changes are written into the copy at once, each behind a switch. One run with all switches off writes down which test
// comes by which of them; then each is switched on by itself, and only the tests that come by it are run.
import { spawnSync } from 'node:child_process';
import {
  cpSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import ts from 'typescript';
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
const [seed, count] = [whole('seed', 1), whole('count', 120)];
const only = option('room');
/**
 * How long the tests of one change may take, as a multiple of what they take unchanged: one that runs for ever is found,
 * one that is slow on a busy machine is not.
 */
const TIMES_AS_LONG = 6;
/**
 * What is left out: that the files kept in the repository are others now says that something changed, not that anything is
 * wrong; and every fault of every example takes as long as all else together.
 */
const NOT_THESE = '^(?!.*(the files that lie in the repository|every modelled fault is found))';

/** What an operator becomes. */
const OTHER = {
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
};

/** What stands where an index might be out of range, for the types alone: `row[j] ?? 0`. */
const isForTypes = ({ parent }) =>
  ts.isBinaryExpression(parent) &&
  parent.operatorToken.kind === ts.SyntaxKind.QuestionQuestionToken &&
  ts.isElementAccessExpression(parent.left);

const short = (text) => text.replace(/\s+/g, ' ').slice(0, 60);

/** Every place of a file where one thing can be changed: from, to, and what stands there instead. */
function placesIn(file) {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const places = [];
  /** Of a node its text, and what stands there instead; what is told is the part that is another. */
  const put = (node, instead, part = node, other = instead) =>
    places.push({
      file,
      from: node.getStart(source),
      to: node.getEnd(),
      instead,
      line: text.slice(0, part.getStart(source)).split('\n').length,
      says: `${short(part.getText(source))} → ${short(other)}`,
    });
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const operator = node.operatorToken.getText(source);
      const textual = [node.left, node.right].some(
        (side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side),
      );
      if (OTHER[operator] && !textual) {
        const instead = `${node.left.getText(source)} ${OTHER[operator]} ${node.right.getText(source)}`;
        put(node, instead, node.operatorToken, OTHER[operator]);
      }
    } else if (ts.isNumericLiteral(node) && node.parent.name !== node && !isForTypes(node)) {
      const value = Number(node.text.replace(/_/g, ''));
      put(node, value === 0 ? '1' : String(value * 1.5));
    } else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      put(node, node.operand.getText(source));
    else if (node.kind === ts.SyntaxKind.TrueKeyword || node.kind === ts.SyntaxKind.FalseKeyword)
      put(node, node.kind === ts.SyntaxKind.TrueKeyword ? 'false' : 'true');
    else if (ts.isConditionalExpression(node)) put(node.condition, `!(${node.condition.getText(source)})`);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return places;
}

const core = inProject('src', 'core');
const rooms = readdirSync(core, { withFileTypes: true })
  .filter((each) => each.isDirectory() && (only === undefined || each.name === only))
  .map((each) => each.name);
if (rooms.length === 0) giveUp(`there is no room “${only}” in src/core.`);
const places = new Map(
  rooms.map((room) => [
    room,
    readdirSync(path.join(core, room), { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('.ts') && !/\.test\.ts$|index\.ts$|problems\.ts$/.test(file))
      .flatMap((file) => placesIn(path.join(core, room, file))),
  ]),
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

const copy = mkdtempSync(path.join(tmpdir(), 'antler-mutate-'));
const stop = () => rmSync(copy, { recursive: true, force: true });
process.on('exit', stop);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1));
for (const each of ['src', 'tests', 'examples', 'docs', 'scripts', 'bin', 'package.json', 'tsconfig.json'])
  cpSync(inProject(each), path.join(copy, each), { recursive: true });
symlinkSync(inProject('node_modules'), path.join(copy, 'node_modules'));

for (const file of new Set(changes.map((each) => each.file))) {
  let text = readFileSync(file, 'utf8');
  const own = changes.filter((each) => each.file === file).sort((a, b) => b.from - a.from);
  for (const { id, from, to, instead } of own)
    text = `${text.slice(0, from)}(globalThis.changed(${id}) ? (${instead}) : (${text.slice(from, to)}))${text.slice(to)}`;
  writeFileSync(path.join(copy, path.relative(inProject(), file)), text);
}

const REACHED = path.join(copy, 'reached.jsonl');
const TO_RUN = path.join(copy, 'to-run.json');
/** What every test file does first: switches a change on, or writes down by which of them each test comes. */
writeFileSync(
  path.join(copy, 'switch.ts'),
  `import { appendFileSync, readFileSync } from 'node:fs';
import { afterEach, beforeEach, expect } from 'vitest';
const on = process.env.CHANGE;
const named = (task) => (task.suite ? named(task.suite) + ' > ' : '') + task.name;
if (on === undefined) {
  const here = (globalThis.came = new Set());
  globalThis.changed = (id) => (here.add(id), false);
  let before;
  let start = 0;
  beforeEach(() => {
    before ??= [...here];
    start = performance.now();
  });
  afterEach(({ task }) => {
    const line = {
      file: task.file.filepath,
      test: named(task),
      ms: performance.now() - start,
      came: [...here],
      fails: task.result?.state === 'fail',
    };
    appendFileSync(${JSON.stringify(REACHED)}, JSON.stringify(line) + '\\n');
  });
} else {
  globalThis.changed = (id) => id === Number(on);
  const wanted = JSON.parse(readFileSync(${JSON.stringify(TO_RUN)}, 'utf8'));
  beforeEach(({ task, skip }) => {
    const own = wanted[task.file.filepath];
    if (own && !own.includes(named(task))) skip();
  });
}
`,
);
writeFileSync(
  path.join(copy, 'vitest.config.ts'),
  `export default {
  test: {
    include: ['src/core/**/*.test.ts', 'tests/examples/**/*.test.ts'],
    setupFiles: ['./switch.ts'],
    maxWorkers: 2,
    // What a file of tests comes by must not hang on what another has worked out.
    isolate: process.env.CHANGE === undefined,
    // Beside other work a test takes its time.
    testTimeout: 300_000,
    hookTimeout: 300_000,
  },
};
`,
);

/**
 * Runs a program in a group of its own and ends all of it afterwards: a change that never ends keeps a worker busy for ever
 * whose tests were given up long ago.
 */
const GROUP =
  'setsid timeout -s KILL "$0" "$@" & p=$!; wait $p; s=$?; kill -KILL -- -$p 2>/dev/null; exit $s';

/** Runs tests; whether one of them failed, or they did not end. */
function fails(files, most, change) {
  const vitest = path.join(copy, 'node_modules', 'vitest', 'vitest.mjs');
  const { status } = spawnSync(
    'bash',
    [
      '-c',
      GROUP,
      String(Math.ceil(most / 1000)),
      process.execPath,
      vitest,
      'run',
      ...(change === undefined ? [] : ['--bail', '1']),
      '-t',
      NOT_THESE,
      ...files,
    ],
    {
      cwd: copy,
      stdio: 'ignore',
      env: { ...process.env, ...(change === undefined ? {} : { CHANGE: String(change) }) },
    },
  );
  return status !== 0;
}

say(`${changes.length} changes; which tests come by them…`);
fails([], 0);
if (!existsSync(REACHED)) giveUp('the tests do not run as they are: mend that first.');
const all = readFileSync(REACHED, 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line));
// One that fails as it is, as on a busy machine, sees nothing.
for (const { file, test } of all.filter((each) => each.fails))
  say(`left out, it fails as it is: ${path.basename(file)} ${test}`);
const tests = all.filter((each) => !each.fails);

/** The least that a run takes beside its tests, ms. */
const START_MS = 60_000;
/** The tests that come by a change in their order of trial: quick files first, in lots that grow. */
function lotsOf({ id }) {
  const files = new Map();
  for (const each of tests)
    if (each.came.includes(id)) {
      const own = files.get(each.file) ?? { ms: 0, tests: [] };
      files.set(each.file, { ms: own.ms + each.ms, tests: [...own.tests, each.test] });
    }
  const sorted = [...files].sort(([, a], [, b]) => a.ms - b.ms);
  const lots = [];
  for (let most = 4_000; sorted.length > 0; most *= 6) {
    const lot = [];
    for (let ms = 0; sorted.length > 0 && (lot.length === 0 || ms + sorted[0][1].ms <= most);) {
      const [first] = sorted.splice(0, 1);
      ms += first[1].ms;
      lot.push(first);
    }
    lots.push(lot);
  }
  return lots;
}
const place = ({ file, line, says }) => `${path.relative(inProject(), file)}:${line}  ${says}`;
const survivors = changes.filter((change, n) => {
  const lots = lotsOf(change);
  const found = lots.some((lot) => {
    writeFileSync(TO_RUN, JSON.stringify(Object.fromEntries(lot.map(([file, each]) => [file, each.tests]))));
    const ms = lot.reduce((sum, [, each]) => sum + each.ms, 0);
    return fails(
      lot.map(([file]) => file),
      START_MS + TIMES_AS_LONG * ms,
      change.id,
    );
  });
  const tests = lots.flat().length;
  const how = found ? 'seen' : tests === 0 ? 'SURVIVES, no test comes by' : `SURVIVES ${tests} files`;
  say(`${n + 1} of ${changes.length}: ${how}  ${place(change)}`);
  return !found;
});
for (const room of rooms) {
  const own = survivors.filter((each) => each.room === room);
  const all = changes.filter((each) => each.room === room);
  if (own.length > 0)
    console.log(
      `${room}: ${own.length} of ${all.length} survive\n${own.map((each) => `  ${place(each)}`).join('\n')}`,
    );
}
const seen = changes.length - survivors.length;
say(`${seen} of ${changes.length} seen, ${((100 * seen) / changes.length).toFixed(1)} %`);
