import net from 'node:net';

/** What stands between the app and its database, and can be held at will: nothing comes through, and nobody hangs up. */
export async function between(databaseUrl: string): Promise<{
  /** The same database, through it. */
  readonly url: string;
  readonly hold: (on: boolean) => void;
  readonly close: () => void;
}> {
  const target = new URL(databaseUrl);
  const pairs: (readonly [net.Socket, net.Socket])[] = [];
  let held = false;
  const server = net.createServer((near) => {
    const far = net.connect(Number(target.port), target.hostname);
    pairs.push([near, far]);
    for (const each of [near, far]) each.on('error', () => undefined);
    near.pipe(far);
    far.pipe(near);
    if (held) for (const each of [near, far]) each.pause();
    near.on('close', () => far.destroy());
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const through = new URL(databaseUrl);
  through.port = String((server.address() as net.AddressInfo).port);
  return {
    url: through.href,
    hold(on) {
      held = on;
      for (const [near, far] of pairs)
        if (on)
          for (const each of [near, far]) {
            each.unpipe();
            each.pause();
          }
        else {
          near.pipe(far);
          far.pipe(near);
        }
    },
    close: () => server.close(),
  };
}
