import pg from 'pg';

/** What changed, in the words of the addresses: `units 3f…`, `jobs`. `all`: it is not known what. */
export type Topic = string;

/** On what they are told between processes. */
const CHANNEL = 'antler_changed';
/** How long what changes is gathered before it is told, ms. */
const GATHERED_MS = 30;
/** The most that is told at once: a notification holds 8000 bytes. */
const AT_ONCE = 100;
const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 5_000;

/**
 * What changes in the house, told to everybody who listens, whatever process of the app it was done by. It has a connection of
 * its own: told inside the transaction of a recording, every commit would wait for every other.
 */
export class Live {
  readonly #url: string;
  readonly #hear = new Set<(topics: readonly Topic[]) => void>();
  readonly #gathered = new Set<Topic>();
  #client: pg.Client | undefined;
  #timer: NodeJS.Timeout | undefined;
  #again: NodeJS.Timeout | undefined;
  #wait = FIRST_WAIT_MS;
  #ended = false;

  constructor(databaseUrl: string) {
    this.#url = databaseUrl;
    void this.#listen();
  }

  /** Hears of what changes from now on; call what is given back to hear no more. */
  subscribe(hear: (topics: readonly Topic[]) => void): () => void {
    this.#hear.add(hear);
    return () => void this.#hear.delete(hear);
  }

  /** Something has been committed. */
  changed(topic: Topic): void {
    this.#gathered.add(topic);
    this.#timer ??= setTimeout(() => void this.#tell(), GATHERED_MS);
  }

  async end(): Promise<void> {
    this.#ended = true;
    clearTimeout(this.#timer);
    clearTimeout(this.#again);
    await this.#client?.end().catch(() => undefined);
  }

  #say(topics: readonly Topic[]): void {
    for (const hear of this.#hear) hear(topics);
  }

  async #tell(): Promise<void> {
    this.#timer = undefined;
    const topics = [...this.#gathered];
    this.#gathered.clear();
    for (let from = 0; from < topics.length; from += AT_ONCE) {
      const told = JSON.stringify(topics.slice(from, from + AT_ONCE));
      // Without a connection nobody else can be told; whoever listens is told of everything when there is one again.
      await this.#client?.query('select pg_notify($1, $2)', [CHANNEL, told]).catch(() => undefined);
    }
  }

  async #listen(): Promise<void> {
    const client = new pg.Client({
      connectionString: this.#url,
      connectionTimeoutMillis: 2_000,
      keepAlive: true,
    });
    let lost = false;
    const onLost = (): void => {
      if (lost) return;
      lost = true;
      if (this.#client === client) {
        this.#client = undefined;
        this.#say(['all']);
      }
      void client.end().catch(() => undefined);
      if (this.#ended) return;
      this.#again = setTimeout(() => void this.#listen(), this.#wait);
      this.#again.unref();
      this.#wait = Math.min(LONGEST_WAIT_MS, this.#wait * 2);
    };
    client.on('error', onLost);
    client.on('end', onLost);
    client.on('notification', ({ payload }) => this.#say(JSON.parse(payload ?? '["all"]') as Topic[]));
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
    } catch {
      return onLost();
    }
    if (this.#ended) return void client.end().catch(() => undefined);
    this.#client = client;
    this.#wait = FIRST_WAIT_MS;
    this.#say(['all']);
  }
}
