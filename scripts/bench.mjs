// `npm run bench [core|recording]`: how long the heavy parts of the core take, and what it costs to record a line.
// Exit 1 where something takes far longer than it may.
import { answers, prepareDatabase, startApp } from './lib/app.mjs';
import { ensureCli } from './lib/cli.mjs';
import { ensureDatabase } from './lib/postgres.mjs';
import { inProject } from './lib/project.mjs';
import { freePort, gone, passOn } from './lib/run.mjs';
import { ensureBuilt } from './lib/sources.mjs';
import { withThrowaway } from './lib/throwaway.mjs';

const run = (name, env = {}) =>
  passOn(process.execPath, [ensureCli(name)], { cwd: inProject(), env: { ...process.env, ...env } });

async function recording() {
  ensureBuilt();
  return withThrowaway(async ({ database }) => {
    ensureDatabase(database, 'antler');
    const databaseUrl = database.url('antler');
    prepareDatabase(databaseUrl, 'migrate', 'seed');
    const port = await freePort();
    const app = startApp({ databaseUrl, host: '127.0.0.1', port, stdio: 'ignore' });
    const url = `http://127.0.0.1:${port}`;
    if (!(await answers(url, app))) throw new Error('the app does not answer');
    const code = await run('recording', { DATABASE_URL: databaseUrl, ANTLER_URL: url });
    app.kill();
    await gone(app.pid, 10_000);
    return code;
  });
}

const PARTS = { core: () => run('timing'), recording };
const wanted = process.argv.slice(2);
let code = 0;
for (const [name, part] of Object.entries(PARTS))
  if (wanted.length === 0 || wanted.includes(name)) code ||= await part();
process.exit(code);
