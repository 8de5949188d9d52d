// `npm run mutate -- [--seed n] [--count m] [--room name]`: changes one thing at a time in a copy of the core and runs its tests:
// a change that no test sees is printed with its place, by room. The same seed makes the same changes. It is a tool to
// find what is untested, and no part of the checks.
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
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

/** Every place of a file where one thing can be changed: from, to, and what stands there instead. */
function placesIn(file) {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const places = [];
  const put = (node, instead) =>
    places.push({ file, from: node.getStart(source), to: node.getEnd(), instead, text });
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const operator = node.operatorToken.getText(source);
      const textual = [node.left, node.right].some(
        (side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side),
      );
      if (OTHER[operator] && !textual) put(node.operatorToken, OTHER[operator]);
    } else if (ts.isNumericLiteral(node)) {
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

const copy = mkdtempSync(path.join(tmpdir(), 'antler-mutate-'));
const stop = () => rmSync(copy, { recursive: true, force: true });
process.on('exit', stop);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1));
for (const each of [
  'src',
  'tests',
  'examples',
  'docs',
  'scripts',
  'bin',
  'package.json',
  'tsconfig.json',
  'vitest.config.ts',
  'dist-cli',
])
  cpSync(inProject(each), path.join(copy, each), { recursive: true });
symlinkSync(inProject('node_modules'), path.join(copy, 'node_modules'));

/**
 * Runs a program in a group of its own and ends all of it afterwards: a change that never ends keeps a worker busy for ever
 * whose tests were given up long ago.
 */
const GROUP =
  'setsid timeout -s KILL "$0" "$@" & p=$!; wait $p; s=$?; kill -KILL -- -$p 2>/dev/null; exit $s';

/** Whether the tests of these folders see that something is wrong, and how long it took, in ms. */
function run(folders, most) {
  const start = Date.now();
  const { status } = spawnSync(
    'bash',
    [
      '-c',
      GROUP,
      String(most === undefined ? 0 : Math.ceil(most / 1000)),
      process.execPath,
      path.join(copy, 'node_modules', 'vitest', 'vitest.mjs'),
      'run',
      '--project',
      'core',
      '--bail',
      '1',
      // Beside other work a test takes its time.
      '--testTimeout',
      '300000',
      '--passWithNoTests',
      '-t',
      NOT_THESE,
      ...folders,
    ],
    { cwd: copy, stdio: 'ignore' },
  );
  return { seen: status !== 0, ms: Date.now() - start };
}

/** First the tests of the room of a change, which see most; what is left is tried on those of all rooms, then on the examples. */
const ROUNDS = [
  { of: (room) => [`src/core/${room}/`], says: 'not by its room' },
  { of: () => ['src/core'], says: 'not by any room' },
  { of: () => ['tests/examples'], says: 'SURVIVES' },
];
const unchanged = new Map();
/** Whether these tests see a change; how long they take is measured once without any. */
function seen({ file, from, to, instead, text }, folders) {
  const key = folders.join(' ');
  if (!unchanged.has(key)) {
    const as = run(folders, undefined);
    if (as.seen) giveUp(`the tests of ${key} fail as they are: mend that first.`);
    unchanged.set(key, as.ms);
  }
  const at = path.join(copy, path.relative(inProject(), file));
  writeFileSync(at, text.slice(0, from) + instead + text.slice(to));
  const is = run(folders, Math.max(60_000, TIMES_AS_LONG * unchanged.get(key)));
  writeFileSync(at, text);
  return is.seen;
}
const short = (text) => text.replace(/\s+/g, ' ').slice(0, 60);
const saying = ({ file, from, to, instead, text }) =>
  `${path.relative(inProject(), file)}:${text.slice(0, from).split('\n').length}  ${short(text.slice(from, to))} → ${short(instead)}`;

const tried = new Map();
const changes = [];
const any = () => [...places.values()].some((all) => all.length > 0);
for (let n = 0; changes.length < count && any(); n++) {
  const room = rooms[n % rooms.length];
  const all = places.get(room) ?? [];
  // A small room has less to change than its share: the others get it.
  if (all.length === 0) continue;
  const [place] = all.splice(next(all.length), 1);
  changes.push({ room, place });
  tried.set(room, (tried.get(room) ?? 0) + 1);
}
let left = changes;
for (const { of, says } of ROUNDS) {
  const all = left;
  left = all.filter(({ room, place }, n) => {
    const found = seen(place, of(room));
    say(`${n + 1} of ${all.length}: ${found ? 'seen' : says}  ${saying(place)}`);
    return !found;
  });
}
const survivors = left.map(({ room, place }) => ({ room, says: saying(place) }));
const total = [...tried.values()].reduce((sum, each) => sum + each, 0);
for (const room of tried.keys()) {
  const own = survivors.filter((each) => each.room === room);
  if (own.length > 0)
    console.log(
      `${room}: ${own.length} of ${tried.get(room)} survive\n${own.map((each) => `  ${each.says}`).join('\n')}`,
    );
}
say(
  `${total - survivors.length} of ${total} seen, ${((100 * (total - survivors.length)) / total).toFixed(1)} %`,
);
