/** Where a meter listens on this machine where nothing else is said: the port that instruments use for plain SCPI (from memory). */
const USUAL = '127.0.0.1:5025';

/** A host, by name, IPv4, or IPv6 in brackets, and a port. */
const SOCKET = /^(?:\[([0-9a-f:]+)\]|([a-z0-9](?:[a-z0-9.-]*[a-z0-9])?)):(\d{1,5})$/i;

/** A host and a port. Nothing where it is none. */
export function socketOf(text: string): { readonly host: string; readonly port: number } | undefined {
  const [, six, name, digits] = SOCKET.exec(text) ?? [];
  const [host, port] = [six ?? name, Number(digits)];
  return host !== undefined && port >= 1 && port <= 65_535 ? { host, port } : undefined;
}

/**
 * The hosts and ports at which a meter may be: those that are named, parted by spaces or commas, and no others; where none are named that of this
 * machine. Errors: throws where one is no host and port.
 */
export function socketsFrom(named: string | undefined): readonly string[] {
  const all = (named ?? USUAL).split(/[\s,]+/).filter((each) => each !== '');
  for (const each of all)
    if (!socketOf(each))
      throw new Error(`ANTLER_METERS: “${each}” is no host and port, such as 127.0.0.1:5025.`);
  return [...new Set(all)];
}

/** Where a meter may be plugged in, as this app was started. */
export const METER_SOCKETS = socketsFrom(process.env['ANTLER_METERS']);
