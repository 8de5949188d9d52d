import { copyFileSync, existsSync, renameSync, statSync, truncateSync } from 'node:fs';

const LARGEST = 5 * 1024 * 1024;
const KEPT = 3;

/** Turns over the logs that have grown large; a full disk only costs the old ones. They are appended to, so what follows begins anew. */
export function turnOver(files) {
  for (const file of files) {
    try {
      if (!existsSync(file) || statSync(file).size < LARGEST) continue;
      for (let n = KEPT - 1; n >= 1; n--)
        if (existsSync(`${file}.${n}`)) renameSync(`${file}.${n}`, `${file}.${n + 1}`);
      try {
        copyFileSync(file, `${file}.1`);
      } finally {
        truncateSync(file);
      }
    } catch {
      // A log that cannot be turned over is no reason to stop.
    }
  }
}
