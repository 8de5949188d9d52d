import { useEffect, useEffectEvent } from 'react';
import type { Draft } from './drafts';

/** Takes over what a window that is gone left undone, where this one has nothing of its own. */
export function useAdopted<T>(kept: Draft<T>, take: (left: T) => void): void {
  const onLeft = useEffectEvent(take);
  useEffect(() => {
    let gone = false;
    void kept.adopt().then((left) => {
      if (!gone && left !== undefined) onLeft(left);
    });
    return () => {
      gone = true;
    };
  }, [kept]);
}
