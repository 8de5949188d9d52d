/** One ear for all windows of a browser: HTTP/1.1 gives it six connections, and each window would take one. */

/** What windows are told: whether changes are heard of, and what changed. */
export type Told = { readonly live: boolean } | { readonly changed: readonly string[] };

const ports = new Set<MessagePort>();
let live = false;
const tell = (told: Told): void => {
  for (const port of ports) port.postMessage(told);
};

const source = new EventSource('/api/live');
source.onopen = () => {
  live = true;
  tell({ live });
};
source.onmessage = ({ data }: MessageEvent<string>) => tell({ changed: JSON.parse(data) as string[] });
source.onerror = () => {
  if (!live) return;
  live = false;
  tell({ live });
};

addEventListener('connect', (event) => {
  const [port] = (event as MessageEvent).ports;
  if (!port) return;
  ports.add(port);
  port.onmessage = ({ data }: MessageEvent<'bye'>) => data === 'bye' && ports.delete(port);
  port.postMessage({ live } satisfies Told);
});
