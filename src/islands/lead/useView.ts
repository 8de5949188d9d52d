import { useState, useSyncExternalStore } from 'react';
import { stored } from '../app';
import type { View } from '../../core/vice';

/** What is kept of it in this browser, for whoever works here. */
type KeptView = Partial<Pick<View, 'side' | 'hand' | 'turn'>>;

const kept = stored<KeptView>('view');
const AS_THE_HOUSE_HAS_IT: KeptView = {};
let own: KeptView | undefined;
const listeners = new Set<() => void>();

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
const read = (): KeptView => (own ??= kept.read() ?? AS_THE_HOUSE_HAS_IT);

/** What is kept is changed, for every drawing of this page. */
function keep(change: KeptView): void {
  own = { ...read(), ...change };
  kept.write(own);
  for (const listener of listeners) listener();
}

/**
 * How the builder looks at what lies in the vice: which side, which hand and how it is turned as it was left in this browser,
 * else as the house has it. The page is first drawn as the house has it, since the server knows no better.
 */
export function useView(schools: Readonly<Record<string, string>>): View & {
  readonly look: (change: Partial<View>) => void;
} {
  const own = useSyncExternalStore(subscribe, read, () => AS_THE_HOUSE_HAS_IT);
  const [here, setHere] = useState<Pick<View, 'channel'>>({});
  return {
    side: 'solder',
    hand: schools['hand'] === 'left' ? 'left' : 'right',
    turn: 0,
    ...own,
    ...here,
    look({ channel, ...lasting }) {
      if (Object.keys(lasting).length > 0) keep(lasting);
      else setHere(channel === undefined ? {} : { channel });
    },
  };
}
