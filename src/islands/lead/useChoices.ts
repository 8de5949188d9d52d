import { useEffect, useState } from 'react';
import { CABLES } from '../../core/catalogue';
import type { ChoicesFile } from '../../core/formats';
import type { Intent } from '../../core/wiring';
import { askLead } from '../../workers';
import type { Palette } from '../app';

/** Of what is typed meanwhile only the newest is worked out, ms. */
const REST_MS = 150;

/** What a lead could be made of: worked out off the page's own thread, nothing before that. */
export function useChoices(intent: Intent, { cables }: Palette): ChoicesFile | undefined {
  const [choices, setChoices] = useState<ChoicesFile>();
  const key = JSON.stringify([intent, cables.map(({ id }) => id)]);
  useEffect(() => {
    let left = false;
    const own = cables.filter(({ id }) => !CABLES.some((each) => each.id === id));
    const timer = setTimeout(() => {
      void askLead((remote) => remote.choices(intent, own))
        .then((found) => !left && setChoices(found))
        .catch(() => undefined);
    }, REST_MS);
    return () => {
      left = true;
      clearTimeout(timer);
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key stands for the intent and the cables
  }, [key]);
  return choices;
}
