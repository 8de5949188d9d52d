import path from 'node:path';
import { sql } from 'kysely';
import { loadWorld } from '../../demo/load';
import packageJson from '../../package.json';
import { NEW_HOUSE } from '../core/house';
import {
  backupLines,
  isEmptyHouse,
  migrationsRun,
  readManifest,
  restore,
  writeBackup,
  type Manifest,
} from '../server/backup';
import { connectAtLeisure, inTransaction, migrate, unmigrate, type Database } from '../server/db';
import { MIGRATIONS } from '../server/db/migrations';
import { putHouse } from '../server/workshop/rows';

const saidOf = ({ counts }: Manifest): string =>
  Object.entries(counts)
    .map(([table, count]) => `${count} ${table.replace(/_/g, ' ')}`)
    .join(', ');
const fileIn = (args: readonly string[]): string => {
  const file = args.find((each) => !each.startsWith('--'));
  if (file === undefined) throw new Error('Say which file.');
  return file;
};
const writeOut = (db: Database, file: string): Promise<Manifest> =>
  writeBackup(file, backupLines(db, { app: packageJson.version, at: new Date().toISOString() }));

/**
 * What the bootstrap asks of the database: `migrate`; `seed` one that nothing was ever recorded in; `reset` to the demo;
 * `unmigrate`; `backup <file>`; `backup-before <folder>` where a migration is about to be run; `verify <file>`;
 * `restore <file> [--overwrite]`; `empty`: it is not to be filled with the demo.
 */
const COMMANDS: Readonly<Record<string, (db: Database, args: readonly string[]) => Promise<void>>> = {
  migrate,
  unmigrate,
  async seed(db) {
    if (await isEmptyHouse(db)) await inTransaction(db, loadWorld);
  },
  async empty(db) {
    if (await isEmptyHouse(db)) await putHouse(db, NEW_HOUSE);
  },
  async reset(db) {
    const { rows } = await sql<{ name: string }>`
      select table_name as name from information_schema.tables
      where table_schema = 'public' and table_type = 'BASE TABLE' and table_name not like 'kysely%'`.execute(
      db,
    );
    await sql`truncate ${sql.join(rows.map(({ name }) => sql.table(name)))} restart identity`.execute(db);
    await sql`select setval('record_place', 1, false)`.execute(db);
    await inTransaction(db, loadWorld);
  },
  async backup(db, args) {
    const file = fileIn(args);
    console.info(`${file}: ${saidOf(await writeOut(db, file))}`);
  },
  async 'backup-before'(db, args) {
    const last = (await migrationsRun(db)).at(-1);
    if (last === undefined || last === Object.keys(MIGRATIONS).at(-1) || (await isEmptyHouse(db))) return;
    const file = path.join(fileIn(args), `before-migrating-from-${last}.jsonl.gz`);
    console.info(`${file}: ${saidOf(await writeOut(db, file))}`);
  },
  async verify(_, args) {
    const file = fileIn(args);
    const manifest = await readManifest(file);
    console.info(`${file} is whole, of ${manifest.at}: ${saidOf(manifest)}`);
  },
  async restore(db, args) {
    const manifest = await restore(db, fileIn(args), { overwrite: args.includes('--overwrite') });
    console.info(`restored, as of ${manifest.at}: ${saidOf(manifest)}`);
  },
};

const url = process.env['DATABASE_URL'];
const command = COMMANDS[process.argv[2] ?? ''];
if (!url || !command) {
  console.error(`usage: DATABASE_URL=… node dist/admin.mjs ${Object.keys(COMMANDS).join('|')}`);
  process.exit(2);
}
const db = connectAtLeisure(url);
try {
  await command(db, process.argv.slice(3));
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
} finally {
  await db.destroy();
}
