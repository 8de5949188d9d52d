import { newId } from './id';

const KEY = 'antler.window';
/** How long a window may take to say that it is there, ms. */
const ANSWERS_WITHIN = 250;

type Said = { readonly ask: string } | { readonly here: string; readonly self: string };

let own: string | undefined;
/** Tells this window from one that was made by duplicating it, which has the same id until it hears of the other. */
const self = newId();

/** This window's id: the same after a reload, another in every other window. */
export function windowId(): string {
  // On the server there is no window; what is drawn there keeps nothing.
  if (typeof sessionStorage === 'undefined') return '';
  answer();
  own ??= sessionStorage.getItem(KEY) ?? newId();
  sessionStorage.setItem(KEY, own);
  return own;
}

const heard = new Set<(said: Said) => void>();
let channel: BroadcastChannel | undefined;

/** Answers, from now on, whoever asks which windows are open. */
function answer(): void {
  if (channel || typeof BroadcastChannel === 'undefined') return;
  const open = new BroadcastChannel('antler.windows');
  open.onmessage = ({ data }: MessageEvent<Said>) => {
    if ('ask' in data) open.postMessage({ here: windowId(), self } satisfies Said);
    for (const listener of heard) listener(data);
  };
  channel = open;
}

/**
 * The other windows of this browser that are open now, by their ids. One that has ours was there before us, and keeps it: we
 * take another.
 */
export async function otherWindows(): Promise<ReadonlySet<string>> {
  const found = new Set<string>();
  answer();
  if (!channel) return found;
  const listen = (said: Said): void => {
    if (!('here' in said) || said.self === self) return;
    if (said.here === windowId()) {
      own = newId();
      sessionStorage.setItem(KEY, own);
    }
    found.add(said.here);
  };
  heard.add(listen);
  channel.postMessage({ ask: self } satisfies Said);
  await new Promise((resolve) => setTimeout(resolve, ANSWERS_WITHIN));
  heard.delete(listen);
  return found;
}
