import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { inProject } from './project.mjs';
import { passOn } from './run.mjs';
import { giveUp, say } from './say.mjs';

/** Installs the npm packages of the lock file, unless the installed ones are those already. */
export async function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(inProject('package-lock.json')))
    .digest('hex');
  const stamp = inProject('node_modules', '.antler-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('installing npm packages');
  const code = await passOn('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error', '--include=dev'], {
    cwd: inProject(),
  });
  if (code !== 0) giveUp('npm could not install the packages: see above, mend that, and start again.');
  writeFileSync(stamp, lock);
}
