import { database, STRICT, type StoredDraft } from './database';
import { otherWindows, windowId } from './window';

/**
 * What is half done in this window: kept at once where it can be read back at once, and a moment later on the disk. Each
 * window has its own, so that two never overwrite each other; what a window that is gone left is taken over.
 */
export interface Draft<T> {
  /** What this window had when it was last here. */
  readonly read: () => T | undefined;
  /** Keeps it, or lets it go. */
  readonly write: (value: T | undefined) => void;
  /** What was left by a window that is gone, where this one has nothing: from now on it is this one's. */
  readonly adopt: () => Promise<T | undefined>;
  /** Resolves when all that was written so far is on the disk; false where the browser could not keep it. */
  readonly settled: () => Promise<boolean>;
}

const PREFIX = 'antler.draft.';
const nameOf = (about: string, window: string): string => `${PREFIX}${about} ${window}`;

interface Here<T> {
  readonly at: number;
  readonly value: T;
}

function readHere<T>(about: string, window: string): Here<T> | undefined {
  try {
    const text = localStorage.getItem(nameOf(about, window));
    return text === null ? undefined : (JSON.parse(text) as Here<T>);
  } catch {
    return undefined;
  }
}

function writeHere(draft: StoredDraft | { about: string; window: string; value: undefined }): boolean {
  const name = nameOf(draft.about, draft.window);
  try {
    if (draft.value === undefined) localStorage.removeItem(name);
    else localStorage.setItem(name, JSON.stringify({ at: (draft as StoredDraft).at, value: draft.value }));
    return true;
  } catch {
    return false;
  }
}

async function writeDisk(draft: StoredDraft): Promise<void> {
  const transaction = (await database()).transaction('drafts', 'readwrite', STRICT);
  if (draft.value === undefined) await transaction.store.delete([draft.about, draft.window]);
  else await transaction.store.put(draft);
  await transaction.done;
}

/** Every draft about something, of whatever window: of two of one window the later. */
async function draftsAbout(about: string): Promise<readonly StoredDraft[]> {
  const byWindow = new Map<string, StoredDraft>();
  const add = (draft: StoredDraft): void => {
    if ((byWindow.get(draft.window)?.at ?? -1) <= draft.at) byWindow.set(draft.window, draft);
  };
  const disk = await database()
    .then((db) => db.getAllFromIndex('drafts', 'about', about))
    .catch(() => []);
  disk.forEach(add);
  for (let n = 0; n < localStorage.length; n++) {
    const name = localStorage.key(n) ?? '';
    if (!name.startsWith(`${PREFIX}${about} `)) continue;
    const window = name.slice(PREFIX.length + about.length + 1);
    const here = readHere(about, window);
    if (here) add({ about, window, ...here });
  }
  return [...byWindow.values()].sort((a, b) => b.at - a.at);
}

/** What this page let go of: the disk may not have heard of it yet. */
const letGo = new Set<string>();

/** The draft of this window about something: a lead, a new lead of a job, a field. */
export function draft<T>(about: string): Draft<T> {
  let line = Promise.resolve(true);
  const write = (value: T | undefined, window = windowId()): void => {
    const stored = { about, window, value, at: Date.now() };
    const here = writeHere(stored);
    if (window === windowId()) {
      if (value === undefined) letGo.add(about);
      else letGo.delete(about);
    }
    line = line.then(async () => {
      try {
        await writeDisk(stored);
        return true;
      } catch {
        return here;
      }
    });
  };
  return {
    read: () => readHere<T>(about, windowId())?.value,
    write: (value) => write(value),
    async adopt() {
      const open = await otherWindows();
      const all = await draftsAbout(about);
      // Windows that are open keep their own; ours first, where the disk alone has it.
      const left =
        all.find((each) => each.window === windowId()) ?? all.find((each) => !open.has(each.window));
      if (!left || letGo.has(about) || readHere(about, windowId())) return undefined;
      write(left.value as T);
      if (left.window !== windowId()) write(undefined, left.window);
      return left.value as T;
    },
    settled: () => line,
  };
}
