import type { Answer } from './answer';
import { problemAnswer } from './problem';

const WRITES = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);

/** What of a request says where it comes from. */
export interface Caller {
  readonly method: string;
  readonly host: string | undefined;
  readonly origin: string | undefined;
}

/** What is known of the machine, and of how it is called. */
export interface Machine {
  /** Its own name, and its addresses on every network. */
  readonly hostname: string;
  readonly addresses: readonly string[];
  /** Other names by which it is known where it stands. */
  readonly names: readonly string[];
}

const LOOPBACK = ['127.0.0.1', 'localhost', '::1'];
const EVERYWHERE = ['0.0.0.0', '::'];

/**
 * Names by which the app may be addressed: where it listens, on loopback both of the loopback's names, everywhere all
 * addresses and names of the machine, and the names it was told. A name that another site could point at us is none.
 */
export function allowedHosts(
  host: string,
  port: number,
  { hostname, addresses, names }: Machine = { hostname: '', addresses: [], names: [] },
): ReadonlySet<string> {
  const everywhere = [...LOOPBACK, ...addresses, ...(hostname === '' ? [] : [hostname, `${hostname}.local`])];
  const here = LOOPBACK.includes(host) ? LOOPBACK : EVERYWHERE.includes(host) ? everywhere : [host];
  return new Set(
    [...here, ...names].map(
      (name) =>
        `${name.includes(':') ? `[${name.toLowerCase()}]` : name.toLowerCase()}${port === 80 ? '' : `:${port}`}`,
    ),
  );
}

/**
 * Refuses what another site could make a browser send: any request under a name that is not ours (a rebound DNS name),
 * and any write whose Origin is not the page it came from. The framework's own check leaves out JSON bodies.
 */
export function guard({ method, host, origin }: Caller, hosts: ReadonlySet<string>): Answer | undefined {
  if (host === undefined || !hosts.has(host.toLowerCase()))
    return problemAnswer(403, 'Not allowed', [
      {
        code: 'guard.host',
        says: 'Antler is not served under that name: use the address it printed on starting.',
        path: '',
      },
    ]);
  if (!WRITES.has(method)) return undefined;
  return origin?.toLowerCase() === `http://${host.toLowerCase()}`
    ? undefined
    : problemAnswer(403, 'Not allowed', [
        { code: 'guard.origin', says: 'Changes are taken from Antler’s own pages only.', path: '' },
      ]);
}
