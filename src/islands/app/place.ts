import { createContext, useContext, useEffect } from 'react';

/** Where this window is: its path with what is asked in it. */
export interface Place {
  readonly at: string;
  /** Goes elsewhere in the app, without a new page. */
  readonly go: (to: string) => void;
  /** What stands in the address of this place changes; nothing is shown anew. */
  readonly rename: (to: string) => void;
  /** Fetches what a place needs before anybody goes there. */
  readonly prepare: (to: string) => void;
}

export const PlaceContext = createContext<Place>({
  at: '/',
  go: (to) => location.assign(to),
  rename: () => undefined,
  prepare: () => undefined,
});

export const usePlace = (): Place => useContext(PlaceContext);
/** What is asked in the address: `?q=sum`. */
export const searchOf = ({ at }: Place): string => (at.includes('?') ? at.slice(at.indexOf('?')) : '');

/** Said when the window sets out for another place: what is worked out for this one is in its way. */
const GOING = 'going';
export const setOut = (): void => void dispatchEvent(new Event(GOING));

/** Does something when the window sets out for another place; it may still be here a while later. */
export function useSettingOut(leave: () => void): void {
  useEffect(() => {
    addEventListener(GOING, leave);
    return () => removeEventListener(GOING, leave);
  }, [leave]);
}
