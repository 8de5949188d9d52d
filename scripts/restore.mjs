// `npm run restore file [-- --overwrite]`: a backup into an empty house, or in the place of what is there where that is said.
import { existsSync } from 'node:fs';
import path from 'node:path';
import { spawnAdmin } from './lib/app.mjs';
import { backupNow } from './lib/backups.mjs';
import { withDatabase } from './lib/own-database.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { giveUp, say } from './lib/say.mjs';
import { ensureBuilt } from './lib/sources.mjs';

const overwrite = process.argv.includes('--overwrite');
const [given] = process.argv.slice(2).filter((each) => !each.startsWith('--'));
if (given === undefined) giveUp('say which file:  npm run restore antler.jsonl.gz');
const file = path.resolve(given);
if (!existsSync(file)) giveUp(`there is no file ${file}.`);
await ensurePackages();
ensureBuilt();
try {
  await withDatabase(async (url) => {
    await spawnAdmin(url, 'verify', file);
    // What is about to be replaced is kept first.
    if (overwrite) say(`kept first: ${await spawnAdmin(url, 'backup', backupNow('before-restore'))}`);
    say(await spawnAdmin(url, 'restore', file, ...(overwrite ? ['--overwrite'] : [])));
  });
} catch (error) {
  giveUp(error.message);
}
