import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { inProject } from './project.mjs';

/** What the shell's door is made from: the core, the server for what measures it, and the command itself. */
function fingerprint() {
  const hash = createHash('sha256');
  const visit = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) =>
      a.name < b.name ? -1 : 1,
    )) {
      const file = path.join(folder, entry.name);
      if (entry.isDirectory()) visit(file);
      else if (entry.name.endsWith('.ts') && !entry.name.endsWith('.test.ts'))
        hash.update(path.relative(inProject(), file)).update(readFileSync(file));
    }
  };
  visit(inProject('src', 'core'));
  visit(inProject('src', 'server'));
  visit(inProject('src', 'cli'));
  return hash.digest('hex');
}

/** A command bundled from src/cli, made when it is missing or older than its sources: Node 20 runs no TypeScript. */
export function ensureCli(name = 'antler') {
  const bundle = inProject('dist-cli', `${name}.mjs`);
  const stamp = inProject('dist-cli', `.${name}`);
  const now = fingerprint();
  if (existsSync(bundle) && existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return bundle;
  mkdirSync(inProject('dist-cli'), { recursive: true });
  const { status } = spawnSync(
    inProject('node_modules', '.bin', 'esbuild'),
    [
      `src/cli/${name}.ts`,
      '--bundle',
      '--platform=node',
      '--format=esm',
      '--target=node20',
      // What has parts that are no JavaScript is found where it is installed.
      '--external:pg',
      '--external:pino',
      '--external:playwright-core',
      `--outfile=${bundle}`,
      '--log-level=error',
    ],
    { cwd: inProject(), stdio: ['ignore', 2, 2] },
  );
  if (status !== 0) {
    console.error('The command could not be bundled: run npm ci first.');
    process.exit(2);
  }
  writeFileSync(stamp, now);
  return bundle;
}
