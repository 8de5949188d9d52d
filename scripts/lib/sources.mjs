import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { notices, shippedHere } from './licences.mjs';
import { inProject } from './project.mjs';
import { must } from './run.mjs';
import { say } from './say.mjs';

const WATCHED = [
  'src',
  'demo',
  'public',
  'astro.config.mjs',
  'tsconfig.json',
  'package-lock.json',
  'scripts/lib/sources.mjs',
  'scripts/lib/pure-schemas.mjs',
  'package.json',
];

function fingerprint(watched) {
  const hash = createHash('sha256');
  const visit = (name) => {
    const entries = readdirSync(path.dirname(inProject(name)), { withFileTypes: true });
    const entry = entries.find((each) => each.name === path.basename(name));
    if (!entry) return;
    if (entry.isDirectory())
      readdirSync(inProject(name))
        .sort()
        .forEach((each) => visit(path.join(name, each)));
    else if (!/\.test\.tsx?$/.test(name)) hash.update(name).update(readFileSync(inProject(name)));
  };
  watched.forEach(visit);
  return hash.digest('hex');
}

/** Puts beside each text file what it is compressed, so that nothing is compressed while somebody waits. */
function compressAhead(folder) {
  for (const name of readdirSync(folder, { recursive: true })) {
    if (!/\.(js|css|html|svg|json|txt|map|webmanifest)$/.test(name)) continue;
    const file = path.join(folder, name);
    const content = readFileSync(file);
    if (content.byteLength < 1024) continue;
    writeFileSync(
      `${file}.br`,
      brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }),
    );
    writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
  }
}

/** Builds the app and its administration program, unless the sources are those of the last build. */
export function ensureBuilt() {
  const stamp = inProject('dist', '.sources');
  const now = fingerprint(WATCHED);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say('building');
  const bin = (name) => inProject('node_modules', '.bin', name);
  const env = { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' };
  must(bin('astro'), ['build'], { cwd: inProject(), env });
  writeFileSync(inProject('dist', 'client', 'notices.txt'), notices(shippedHere()));
  compressAhead(inProject('dist', 'client'));
  must(
    bin('esbuild'),
    [
      'src/cli/admin.ts',
      'src/cli/serve.ts',
      'src/cli/beside.ts',
      '--bundle',
      '--platform=node',
      '--format=esm',
      '--target=node20',
      '--packages=external',
      '--outdir=dist',
      '--out-extension:.js=.mjs',
      // By what a lead was judged: what was worked out by other rules is worked out anew.
      `--define:__RULES__=${JSON.stringify(fingerprint(['src/core', 'src/server/leads/comes-to.ts']).slice(0, 16))}`,
      '--log-level=error',
    ],
    { cwd: inProject(), env },
  );
  writeFileSync(stamp, now);
}
