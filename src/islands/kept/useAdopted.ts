import { useEffect, useEffectEvent, useLayoutEffect } from 'react';
import type { Draft } from './drafts';

/**
 * Takes up what this window left half done, before anything is seen of the page; the server could not know of it. Where there
 * is nothing, takes over what a window that is gone left. `older` gives what an earlier version of the page kept.
 */
export function useAdopted<T>(kept: Draft<T>, take: (left: T) => void, older?: () => T | undefined): void {
  const onLeft = useEffectEvent(take);
  const onOlder = useEffectEvent(() => older?.());
  useLayoutEffect(() => {
    const before = kept.read() ?? onOlder();
    if (before !== undefined) onLeft(before);
  }, [kept]);
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
