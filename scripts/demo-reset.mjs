// `npm run demo:reset`: empties the database and loads the demo company again, whether or not the app is running. It asks first.
import { createInterface } from 'node:readline/promises';
import { prepareDatabase, spawnAdmin } from './lib/app.mjs';
import { backupNow } from './lib/backups.mjs';
import { withDatabase } from './lib/own-database.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { giveUp, say } from './lib/say.mjs';
import { ensureBuilt } from './lib/sources.mjs';

/** Everything is taken out: whoever asks for it has to mean it. */
async function isMeant() {
  if (process.argv.includes('--yes')) return true;
  if (!process.stdin.isTTY) return false;
  const asking = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await asking.question(
    'antler: every job, lead, unit and reading is taken out and the demo put in their place. Type yes to go on: ',
  );
  asking.close();
  return answer.trim().toLowerCase() === 'yes';
}

if (!(await isMeant())) giveUp('nothing was changed. Say so with:  npm run demo:reset -- --yes');
await ensurePackages();
ensureBuilt();
try {
  await withDatabase(async (url) => {
    prepareDatabase(url, 'migrate');
    say(`kept first: ${await spawnAdmin(url, 'backup', backupNow('before-demo-reset'))}`);
    prepareDatabase(url, 'reset');
  });
  say('the demo company is as it was');
} catch (error) {
  giveUp(error.message);
}
