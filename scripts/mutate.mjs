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
/** How long the tests of one change may take: one that runs for ever is found. */
const MOST_MS = 240_000;

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

/** Whether the tests of these folders see that something is wrong. */
function seen(folders) {
  const { status } = spawnSync(
    process.execPath,
    [
      path.join(copy, 'node_modules', 'vitest', 'vitest.mjs'),
      'run',
      '--project',
      'core',
      '--bail',
      '1',
      ...folders,
    ],
    { cwd: copy, timeout: MOST_MS, stdio: 'ignore' },
  );
  return status !== 0;
}

if (seen(['src/core'])) giveUp('the tests of the core fail as they are: mend that first.');
const survivors = [];
const tried = new Map();
for (let n = 0; n < count; n++) {
  const room = rooms[n % rooms.length];
  const all = places.get(room) ?? [];
  if (all.length === 0) continue;
  const [place] = all.splice(next(all.length), 1);
  const relative = path.relative(inProject(), place.file);
  const changed = place.text.slice(0, place.from) + place.instead + place.text.slice(place.to);
  writeFileSync(path.join(copy, relative), changed);
  const found = seen([`src/core/${room}`]) || seen(['src/core', 'tests/examples']);
  writeFileSync(path.join(copy, relative), place.text);
  tried.set(room, (tried.get(room) ?? 0) + 1);
  const line = place.text.slice(0, place.from).split('\n').length;
  const was = place.text.slice(place.from, place.to).replace(/\s+/g, ' ').slice(0, 60);
  const says = `${relative}:${line}  ${was} → ${place.instead.replace(/\s+/g, ' ').slice(0, 60)}`;
  if (!found) survivors.push({ room, says });
  say(`${n + 1} of ${count}: ${found ? 'seen' : 'SURVIVES'}  ${says}`);
}
const total = [...tried.values()].reduce((sum, each) => sum + each, 0);
for (const room of tried.keys()) {
  const left = survivors.filter((each) => each.room === room);
  if (left.length > 0)
    console.log(
      `${room}: ${left.length} of ${tried.get(room)} survive\n${left.map((each) => `  ${each.says}`).join('\n')}`,
    );
}
say(
  `${total - survivors.length} of ${total} seen, ${((100 * (total - survivors.length)) / total).toFixed(1)} %`,
);
