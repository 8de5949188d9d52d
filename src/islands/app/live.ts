import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { listenLive } from '../../workers';
import { isTouched } from './touched';

let heard = false;
/** Whether this window is told of what changes. */
export const isLive = (): boolean => heard;

/** Keeps what is known here in step with what changes in the house. */
export function useLive(): void {
  const client = useQueryClient();
  useEffect(() => {
    const leave = listenLive((told) => {
      if ('changed' in told) {
        void client.invalidateQueries({ predicate: isTouched(told.changed) });
      } else {
        // What is asked again at intervals finds out by itself that it need not be; nobody tells of changes any more otherwise.
        const deaf = heard && !told.live;
        heard = told.live;
        if (deaf) void client.invalidateQueries();
      }
    });
    return () => {
      heard = false;
      leave?.();
    };
  }, [client]);
}
