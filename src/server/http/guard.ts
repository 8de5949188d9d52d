import { problemResponse } from './problem';

const WRITES = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

/** What of a request says where it comes from. */
export interface Caller {
  readonly method: string;
  readonly host: string | undefined;
  readonly origin: string | undefined;
}

/** Names by which the app may be addressed: where it listens and, on loopback, both of the loopback's names. */
export function allowedHosts(host: string, port: number): ReadonlySet<string> {
  const loopback = ['127.0.0.1', 'localhost', '::1'];
  const names = loopback.includes(host) ? loopback : [host];
  return new Set(names.map((name) => `${name.includes(':') ? `[${name}]` : name}:${port}`));
}

/**
 * Refuses what another site could make a browser send: any request under a name that is not ours (a rebound DNS name),
 * and any write whose Origin is not the page it came from. The framework's own check leaves out JSON bodies.
 */
export function guard({ method, host, origin }: Caller, hosts: ReadonlySet<string>): Response | undefined {
  if (host === undefined || !hosts.has(host))
    return problemResponse(403, 'Not allowed', [
      {
        code: 'guard.host',
        says: 'Antler is not served under that name: use the address it printed on starting.',
        path: '',
      },
    ]);
  if (!WRITES.has(method)) return undefined;
  return origin === `http://${host}`
    ? undefined
    : problemResponse(403, 'Not allowed', [
        { code: 'guard.origin', says: 'Changes are taken from Antler’s own pages only.', path: '' },
      ]);
}
