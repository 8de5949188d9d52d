import { useEffect, useState } from 'react';
import type { CableEntry } from '../../core/catalogue';
import type { Intent } from '../../core/wiring';
import { askLead } from '../../workers';

/** The cables in which a lead cannot be made, by their ids: worked out off the page's own thread, none before that. */
export function useUnfit(intent: Intent, cables: readonly CableEntry[]): ReadonlySet<string> {
  const [unfit, setUnfit] = useState<ReadonlySet<string>>(new Set());
  // What does not decide about the cable is left out: nothing is worked out for it.
  const { cable: _, length: __, ...rest } = intent;
  const key = JSON.stringify([rest, cables.map(({ id }) => id)]);
  useEffect(() => {
    let left = false;
    void askLead((remote) => remote.unfit(intent, cables))
      .then((ids) => !left && setUnfit(new Set(ids)))
      .catch(() => undefined);
    return () => {
      left = true;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for the intent and the cables
  }, [key]);
  return unfit;
}
