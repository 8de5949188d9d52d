import type { Readable } from 'node:stream';
import { VERSION } from '../context';
import { asks, type Answer, type Route } from '../http';
import { houseFile, keptIn, roomIn } from './service';

const download = (name: string, at: string, body: Readable): Answer => ({
  status: 200,
  headers: {
    'content-type': 'application/gzip',
    'content-disposition': `attachment; filename="antler-${name}-${at.slice(0, 10)}.jsonl.gz"`,
    'cache-control': 'no-store',
  },
  body,
});

const file = (kind: 'backup' | 'plain', name: string) => (): Promise<Answer> => {
  const at = new Date().toISOString();
  return Promise.resolve(
    download(name, at, houseFile(kind, process.env['DATABASE_URL'] ?? '', { app: VERSION, at })),
  );
};

/** The addresses of the house as a whole: how much room there is for it, and all of it as a file. */
export const houseRoutes: readonly Route[] = [
  asks('GET', '/api/house', () => roomIn(keptIn())),
  asks('GET', '/api/house/backup', file('backup', 'backup')),
  asks('GET', '/api/house/export', file('plain', 'export')),
];
