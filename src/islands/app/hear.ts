import type { QueryClient } from '@tanstack/react-query';
import { listenLive } from '../../workers';
import { changed } from './touched';

/** Hears of what changes and asks for it, and says whether it hears; gives back how to hear no more. */
export function hear(client: QueryClient, say: (isHeard: boolean) => void): (() => void) | undefined {
  let heard = false;
  return listenLive((told) => {
    if ('changed' in told) {
      void changed(client, told.changed);
    } else {
      // What is asked again at intervals finds out by itself that it need not be; nobody tells of changes any more otherwise.
      const deaf = heard && !told.live;
      heard = told.live;
      say(heard);
      if (deaf) void client.invalidateQueries();
    }
  });
}
