import { useQueryClient } from '@tanstack/react-query';
import type { ShelfEvent, ShelfPiece } from '../../core/stock';
import type { Shelf } from '../../server/shelf/service';
import { ApiProblem, ask, putIn, useGot } from '../app';

const AT = '/api/shelf';

/** What happened, under an id that stays the same until it is known to be recorded. */
export type Happened = Omit<ShelfEvent, 'at'>;

/** All that lies on the shelf, and telling it what happened: all of that, or nothing with the reason. */
export function useShelf(): {
  readonly pieces: readonly ShelfPiece[];
  readonly happened: (events: readonly Happened[]) => Promise<string | undefined>;
} {
  const client = useQueryClient();
  const { data } = useGot<Shelf>(AT);
  return {
    pieces: data?.pieces ?? [],
    async happened(events) {
      const at = new Date().toISOString();
      // Under the same ids it may be sent again: it happened once.
      const body = { events: events.map((event) => ({ ...event, at })) };
      const send = async (tries: number): Promise<Shelf> => {
        try {
          return await ask<Shelf>('POST', AT, body);
        } catch (error) {
          if (tries <= 1 || (error instanceof ApiProblem && !error.passing)) throw error;
          await new Promise((done) => setTimeout(done, 800));
          return send(tries - 1);
        }
      };
      try {
        putIn(client, AT, await send(3));
        return undefined;
      } catch (error) {
        await client.invalidateQueries({ queryKey: [AT] });
        return error instanceof ApiProblem ? error.message : 'The server did not answer: try again.';
      }
    },
  };
}
