import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ensurePostgres } from './debian.mjs';
import { cluster, startCluster, stopCluster } from './postgres.mjs';

/** Does something with a database cluster of its own in a folder of its own, and leaves nothing of either. */
export async function withThrowaway(work) {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'antler-throwaway-'));
  chmodSync(folder, 0o755);
  const own = cluster(await ensurePostgres(), folder);
  const database = await startCluster(own);
  try {
    return await work({ folder, own, database });
  } finally {
    await stopCluster(database);
    rmSync(folder, { recursive: true, force: true });
  }
}
