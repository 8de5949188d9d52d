// The core's tests, each a program of its own with the changes in it behind switches.
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { inProject, ROOT } from '../project.mjs';
import { switched } from './places.mjs';

const RUNNER = fileURLToPath(new URL('./runner.mjs', import.meta.url));

/** Has the test runner stood in for, and the changes written into what they are of. */
const withSwitches = (changes) => ({
  name: 'switches',
  setup({ onResolve, onLoad }) {
    onResolve({ filter: /^vitest$/ }, () => ({ path: RUNNER }));
    onLoad({ filter: /\.ts$/ }, ({ path: file }) => {
      const text = switched(
        readFileSync(file, 'utf8'),
        changes.filter((each) => each.file === file),
      );
      // In a bundle a file is not where it was.
      const here = JSON.stringify(pathToFileURL(file).href);
      return { contents: text.replaceAll('import.meta.url', here), loader: 'ts' };
    });
  },
});

/** Bundles the tests into a folder; where each lies there. */
export async function bundled(files, changes, folder) {
  const entries = files.map((file, n) => {
    const entry = path.join(folder, `test-${n}.ts`);
    writeFileSync(
      entry,
      `import { runAll } from ${JSON.stringify(RUNNER)};
const from = performance.now();
await import(${JSON.stringify(file)});
await runAll(performance.now() - from);
`,
    );
    return entry;
  });
  await build({
    entryPoints: entries,
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    outdir: path.join(folder, 'out'),
    outExtension: { '.js': '.mjs' },
    plugins: [withSwitches(changes)],
    nodePaths: [inProject('node_modules')],
    logLevel: 'error',
    // What is of the older kind among the packages asks for its parts.
    banner: {
      js: `import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(${JSON.stringify(path.join(ROOT, 'package.json'))});`,
    },
  });
  return files.map((file, n) => ({ file, bundle: path.join(folder, 'out', `test-${n}.mjs`) }));
}
