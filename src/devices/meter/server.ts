import { createServer, type Server, type Socket } from 'node:net';
import type { ScpiMeter } from './scpi';

/** A line that is longer is no message, bytes. */
const LONGEST = 4096;
/** More peers than this at once are turned away. */
const MOST_PEERS = 4;
/** A peer that lets so much wait for it is let go, bytes. */
const MOST_WAITING = 65_536;

/** Listens to one peer: a line is a message, and what it answers is a line. */
function attend(socket: Socket, meter: ScpiMeter): void {
  let rest = '';
  let isTooLong = false;
  socket.setEncoding('latin1');
  socket.setNoDelay(true);
  // A peer that breaks off is gone, and nothing else.
  socket.on('error', () => socket.destroy());
  socket.on('data', (text: string) => {
    const lines = (rest + text).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) {
      if (isTooLong || line.length > LONGEST) {
        if (!isTooLong) meter.fail(-363);
        isTooLong = false;
        continue;
      }
      const answer = meter.take(line.replace(/\r$/, ''));
      if (answer !== undefined) socket.write(`${answer}\n`);
      if (socket.writableLength > MOST_WAITING) {
        socket.destroy();
        return;
      }
    }
    if (rest.length > LONGEST) {
      if (!isTooLong) meter.fail(-363);
      isTooLong = true;
      rest = '';
    }
  });
}

/**
 * A meter on a port: plain TCP, a line a message. Listens on this machine only where nothing else is said. Rejects where the port is taken.
 */
export async function serveMeter(
  meter: ScpiMeter,
  { port = 0, host = '127.0.0.1' }: { readonly port?: number; readonly host?: string } = {},
): Promise<{ readonly port: number; readonly host: string; readonly close: () => Promise<void> }> {
  const peers = new Set<Socket>();
  const server: Server = createServer((socket) => {
    if (peers.size >= MOST_PEERS) {
      socket.destroy();
      return;
    }
    peers.add(socket);
    socket.on('close', () => peers.delete(socket));
    attend(socket, meter);
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });
  const address = server.address();
  return {
    port: typeof address === 'object' && address ? address.port : port,
    host,
    close: () =>
      new Promise((resolve) => {
        for (const peer of peers) peer.destroy();
        server.close(() => resolve());
      }),
  };
}
