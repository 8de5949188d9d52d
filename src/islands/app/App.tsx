import { QueryClientProvider, type QueryClient } from '@tanstack/react-query';
import {
  createElement,
  memo,
  startTransition,
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
} from 'react';
import { afterPicture, drawInTurns, useLater } from '../../ui';
import { loadParts, pageAt, PAGES, partsHere, type PageAsked } from '../pages';
import styles from './App.module.css';
import { clientWith, got, type Sent } from './data';
import { useLive } from './live';
import { PlaceContext, setOut, type Place } from './place';

/** How long going somewhere waits for what is shown there; then it is shown as far as it is known, ms. */
const WAITS_MS = 4_000;
/** Longer than this and it is shown that something is on its way, ms. */
const SHOWN_AFTER_MS = 400;

/** What was done elsewhere in this browser is looked for so long after the page is there, ms. */
const LOOKS_AFTER_MS = 1_500;
const loadLeft = async () => (await import('../left/LeftHere')).LeftHere;

interface Left {
  readonly scroll?: number;
}

/** The pages whose styles are here, or on their way. */
const STYLED = new Map<string, Promise<unknown>>();

/** Fetches the styles of a page that was never opened here: those that it would be sent with. */
function styled({ part }: PageAsked, at: string): Promise<unknown> {
  const known = STYLED.get(part);
  if (known) return known;
  const coming = import('./styles').then(({ fetchStyles }) => fetchStyles(at));
  STYLED.set(part, coming);
  coming.catch(() => STYLED.delete(part));
  return coming;
}

/** Fetches what an address answers, where it is not known; once more where that was let go because it changed meanwhile. */
async function known(client: QueryClient, address: string): Promise<void> {
  for (let asked = 0; asked < 3; asked++) {
    const state = client.getQueryState([address]);
    if (state?.data !== undefined || (asked > 0 && state?.status === 'error')) return;
    await client.prefetchQuery(got(address));
  }
}

/** Fetches what a place needs: its parts, and what is not known yet of what it shows. */
async function fetched(client: QueryClient, at: string): Promise<void> {
  const page = pageAt(at);
  if (!page) return;
  const late = new Promise((resolve) => setTimeout(resolve, WAITS_MS));
  const data = page.needs.map((address) => known(client, address));
  await Promise.all([loadParts(page), styled(page, at), Promise.race([Promise.all(data), late])]);
}

/**
 * The one root of all pages: what is shown follows the address, and the address what is pressed. It is drawn on the server
 * first, with what was sent, and taken over here without fetching anything.
 */
function Root({ at: first, sent }: { readonly at: string; readonly sent: string }) {
  const [client] = useState(() => clientWith(JSON.parse(sent) as Sent));
  return (
    <QueryClientProvider client={client}>
      <Places first={first} client={client} />
    </QueryClientProvider>
  );
}

const titleOf = (at: string): string => `${pageAt(at)?.title ?? 'Not here'} · Antler`;

/** Before the next picture: the page is laid out for it then in any case, and not while it is still being put together. */
const scrolled = (to: number): void => void requestAnimationFrame(() => scrollTo(0, to));

const never = (): (() => void) => () => undefined;

// eslint-disable-next-line max-lines-per-function -- one state: where the window is, and everything that moves it.
function Places({ first, client }: { readonly first: string; readonly client: QueryClient }) {
  const [at, setAt] = useState(first);
  const [busy, setBusy] = useState(false);
  const here = useRef(first);
  const newest = useRef(0);
  const main = useRef<HTMLFieldSetElement>(null);
  /** What to do once the new place is on the page. */
  const arrived = useRef<() => void>(undefined);
  /** What is told of it once it is on the screen: before that the page would be laid out for it once more. */
  const untold = useRef<() => void>(undefined);
  const tell = useCallback((): void => {
    const told = untold.current;
    untold.current = undefined;
    told?.();
  }, []);
  const shown = useRef(first);
  const arrive = useCallback((): void => {
    arrived.current?.();
    arrived.current = undefined;
  }, []);
  // Before the script is there nothing can be pressed; links go where they lead.
  const ready = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  useLive();

  /** Shows another place, once what it needs is here. */
  const show = useCallback(
    async (to: string, then: () => void, scroll = 0): Promise<void> => {
      const mine = ++newest.current;
      setOut();
      tell();
      const timer = setTimeout(() => setBusy(true), SHOWN_AFTER_MS);
      try {
        await fetched(client, to);
      } catch {
        // Its parts are not to be had: the app was renewed, or is away. The browser says which.
        return location.assign(to);
      } finally {
        clearTimeout(timer);
        setBusy(false);
      }
      if (mine !== newest.current) return;
      const samePage = pageAt(here.current)?.part === pageAt(to)?.part;
      arrived.current = () => {
        scrolled(scroll);
        drawInTurns(true);
        untold.current = () => {
          then();
          document.title = titleOf(to);
          // The eye and the reader of a screen begin at the top of another page; along a lead they stay where they are.
          const head = samePage ? undefined : main.current?.querySelector('h1');
          if (!head) return;
          head.tabIndex = -1;
          head.focus({ preventScroll: true });
        };
        afterPicture(tell);
      };
      here.current = to;
      // Drawn in pieces: what is pressed meanwhile is heard. Where it goes back to is there at once.
      drawInTurns(scroll === 0);
      startTransition(() => setAt(to));
      // Turned back before anything else was shown: it is on the page.
      if (shown.current === to) arrive();
    },
    [client, tell, arrive],
  );

  const go = useCallback(
    (to: string): void => {
      const page = pageAt(to);
      if (!page) return location.assign(to);
      if (to === here.current) return;
      // What is kept of this place is kept under its own address.
      tell();
      // Asked before anything changes: afterwards the whole page would have to be laid out for it.
      const scroll = scrollY;
      if ((history.state as Left | null)?.scroll !== scroll)
        history.replaceState({ scroll } satisfies Left, '');
      void show(to, () => history.pushState(null, '', to));
    },
    [show, tell],
  );

  useLayoutEffect(() => {
    shown.current = at;
    arrive();
  }, [at, arrive]);

  useEffect(() => {
    history.scrollRestoration = 'manual';
    STYLED.set(pageAt(here.current)?.part ?? '', Promise.resolve());
    drawInTurns(true);
    const onBack = ({ state }: PopStateEvent): void => {
      const to = location.pathname + location.search;
      // What was not told of the place that is left is past.
      untold.current = undefined;
      void show(to, () => undefined, (state as Left | null)?.scroll);
    };
    const linkOf = (event: Event): string | undefined => {
      const link = (event.target as Element | null)?.closest?.('a');
      if (!link || link.target || link.hasAttribute('download') || link.origin !== location.origin)
        return undefined;
      const to = link.pathname + link.search;
      return link.hash || !pageAt(to) ? undefined : to;
    };
    const onClick = (event: MouseEvent): void => {
      if (event.defaultPrevented || event.button !== 0) return;
      if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
      const to = linkOf(event);
      if (to === undefined) return;
      event.preventDefault();
      go(to);
    };
    const onNear = (event: Event): void => {
      const to = linkOf(event);
      if (to !== undefined) void fetched(client, to).catch(() => undefined);
    };
    // A page that was left comes back with what it was; what changed meanwhile is asked for.
    const onShown = ({ persisted }: PageTransitionEvent): void => {
      if (persisted) void client.invalidateQueries();
    };
    // A button on which Enter is held down is pressed once, as under a finger.
    const onHeld = (event: KeyboardEvent): void => {
      if (event.repeat && event.key === 'Enter' && (event.target as Element | null)?.closest?.('button'))
        event.preventDefault();
    };
    addEventListener('keydown', onHeld);
    addEventListener('popstate', onBack);
    addEventListener('click', onClick);
    addEventListener('pointerover', onNear, { passive: true });
    addEventListener('focusin', onNear);
    addEventListener('pageshow', onShown);
    return () => {
      removeEventListener('keydown', onHeld);
      removeEventListener('popstate', onBack);
      removeEventListener('click', onClick);
      removeEventListener('pointerover', onNear);
      removeEventListener('focusin', onNear);
      removeEventListener('pageshow', onShown);
    };
  }, [client, go, show]);

  const place = useMemo<Place>(
    () => ({
      at,
      go,
      rename: (to) => {
        tell();
        // On the way elsewhere: what it is called here is past.
        if (here.current.split('?')[0] !== location.pathname) return;
        here.current = to;
        history.replaceState(history.state, '', to);
      },
      prepare: (to) => void fetched(client, to).catch(() => undefined),
    }),
    [at, client, go, tell],
  );
  const page = pageAt(at);
  const LeftHere = useLater(loadLeft, true, LOOKS_AFTER_MS);
  return (
    <PlaceContext value={place}>
      <fieldset
        ref={main}
        className={styles['page']}
        disabled={!ready}
        data-page={page?.part}
        role="presentation"
      >
        {busy && (
          <p role="status" className={styles['busy']}>
            On its way…
          </p>
        )}
        {page && partsHere(page) ? (
          PAGES.draw(page.part, page.params, page.key)
        ) : (
          <main>
            <h1>Nothing hangs here</h1>
            <p>
              <a href="/">Back to the board</a>
            </p>
          </main>
        )}
        {LeftHere && createElement(LeftHere, { at, className: styles['left'] })}
      </fieldset>
    </PlaceContext>
  );
}

/** An object to the framework: as a function it would be called once in vain to see what it is. */
export const App = memo(Root);
