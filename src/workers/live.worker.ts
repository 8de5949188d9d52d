/** One ear for all windows of a browser: HTTP/1.1 gives it six connections, and each window would take one. */

/** What windows are told: whether changes are heard of, and what changed. */
export type Told = { readonly live: boolean } | { readonly changed: readonly string[] };

/** What windows say: that they are there, and since when (ms, by the clock) what they show was asked for; that they go. */
export type Said = { readonly since: number } | 'bye';

/** How long what was told is remembered, ms: a page is longer than this on its way from the server nowhere. */
const REMEMBERED_MS = 120_000;

const ports = new Set<MessagePort>();
let told: { readonly at: number; readonly changed: readonly string[] }[] = [];
let live = false;
const tell = (told: Told): void => {
  for (const port of ports) port.postMessage(told);
};

const source = new EventSource('/api/live');
source.onopen = () => {
  live = true;
  tell({ live });
};
source.onmessage = ({ data }: MessageEvent<string>) => {
  const changed = JSON.parse(data) as string[];
  const at = Date.now();
  told = [...told.filter((each) => each.at > at - REMEMBERED_MS), { at, changed }];
  tell({ changed });
};
source.onerror = () => {
  if (!live) return;
  live = false;
  tell({ live });
};

addEventListener('connect', (event) => {
  const [port] = (event as MessageEvent).ports;
  if (!port) return;
  ports.add(port);
  port.onmessage = ({ data }: MessageEvent<Said>) => {
    if (data === 'bye') return void ports.delete(port);
    // What the server sent with a page may be older than what changed while it was on its way: also by this very window.
    const changed = told.filter(({ at }) => at >= data.since).flatMap((each) => each.changed);
    const missed = data.since < Date.now() - REMEMBERED_MS ? ['all'] : [...new Set(changed)];
    if (missed.length > 0) port.postMessage({ changed: missed } satisfies Told);
  };
  port.postMessage({ live } satisfies Told);
});
