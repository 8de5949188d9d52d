// `npm run backup [file]`: the whole house as one file, while people go on working; it is read back before it counts.
import path from 'node:path';
import { spawnAdmin } from './lib/app.mjs';
import { backupNow } from './lib/backups.mjs';
import { withDatabase } from './lib/own-database.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { giveUp, say } from './lib/say.mjs';
import { ensureBuilt } from './lib/sources.mjs';

const [given] = process.argv.slice(2).filter((each) => !each.startsWith('--'));
await ensurePackages();
ensureBuilt();
try {
  const file = given === undefined ? backupNow('by-hand') : path.resolve(given);
  say(await withDatabase((url) => spawnAdmin(url, 'backup', file)));
} catch (error) {
  giveUp(error.message);
}
