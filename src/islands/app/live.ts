import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

/** How long after the page is there it begins to hear, ms. */
const HEARS_AFTER_MS = 100;

let heard = false;
/** Whether this window is told of what changes. */
export const isLive = (): boolean => heard;

/**
 * Keeps what is known here in step with what changes in the house. How it hears comes after the page: what changes meanwhile is told
 * then. Without it what is shown is asked for at intervals.
 */
export function useLive(): void {
  const client = useQueryClient();
  useEffect(() => {
    let leave: (() => void) | undefined;
    let isHere = true;
    const timer = setTimeout(
      () =>
        void import('./hear')
          .then(({ hear }) => {
            if (isHere) leave = hear(client, (isHeard) => (heard = isHeard));
          })
          .catch(() => undefined),
      HEARS_AFTER_MS,
    );
    return () => {
      clearTimeout(timer);
      isHere = false;
      heard = false;
      leave?.();
    };
  }, [client]);
}
