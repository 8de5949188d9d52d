// `npm run bench [core|recording|house|pages]`: how long the heavy parts of the core take, what it costs to record a line, what
// whoever opens the board of a large house waits for, and what holds a page up.
// Exit 1 where something takes far longer than it may.
import { answers, prepareDatabase, startApp } from './lib/app.mjs';
import { ensureCli } from './lib/cli.mjs';
import { ensureDatabase } from './lib/postgres.mjs';
import { inProject } from './lib/project.mjs';
import { freePort, gone, passOn } from './lib/run.mjs';
import { ensureBuilt } from './lib/sources.mjs';
import { withThrowaway } from './lib/throwaway.mjs';

/** By their names. */
const PARTS = {
  core: () => run('timing'),
  recording: () => beside('recording'),
  house: () => beside('large-house'),
  pages: () => beside('pages'),
};
const named = process.argv.slice(2);
/** Of a part only what has this in its name. */
const only = named.filter((each) => !(each in PARTS));

const run = (name, env = {}) =>
  passOn(process.execPath, [ensureCli(name), ...only], { cwd: inProject(), env: { ...process.env, ...env } });

/** A command of ours beside a running app with the demo in it. */
async function beside(name) {
  ensureBuilt();
  return withThrowaway(async ({ database }) => {
    ensureDatabase(database, 'antler');
    const databaseUrl = database.url('antler');
    prepareDatabase(databaseUrl, 'migrate', 'seed');
    const port = await freePort();
    const app = startApp({ databaseUrl, host: '127.0.0.1', port, stdio: 'ignore' });
    const url = `http://127.0.0.1:${port}`;
    if (!(await answers(url, app))) throw new Error('the app does not answer');
    const code = await run(name, { DATABASE_URL: databaseUrl, ANTLER_URL: url });
    app.kill();
    await gone(app.pid, 10_000);
    return code;
  });
}

const wanted = named.filter((each) => each in PARTS);
let code = 0;
for (const [name, part] of Object.entries(PARTS))
  if (wanted.length === 0 || wanted.includes(name)) code ||= await part();
process.exit(code);
