import type { Look } from '../../core/signal';

/** What is looked at on the signal stage: what is turned, and what stands beside the lead. */
export interface SignalView {
  readonly look: Look;
  readonly beside: readonly string[];
}

/** What each slider is called in the page's address. */
const SLIDERS = {
  length: 'lengthTimes',
  source: 'sourceOhms',
  coil: 'sourceHenries',
  load: 'loadOhms',
  ground: 'groundVolts',
  celsius: 'celsius',
  loss: 'lossDb',
  turn: 'turn',
} as const satisfies Readonly<Record<string, keyof Look>>;

/** Reads it from an address: `?load=600&beside=screen:source`. What is no number of its kind is let go. */
export function viewIn(search: string): SignalView {
  const typed = new URLSearchParams(search);
  const look = Object.fromEntries(
    Object.entries(SLIDERS).flatMap(([name, key]) => {
      const text = typed.get(name);
      const value = Number(text);
      const fits = key === 'celsius' ? value >= -100 && value <= 200 : value > 0 && value <= 1e9;
      return text !== null && text !== '' && fits ? [[key, value]] : [];
    }),
  ) as Look;
  return { look, beside: typed.getAll('beside').slice(0, 2) };
}

/** The address that brings it back; nothing where nothing is turned. */
export function addressOf({ look, beside }: SignalView): string {
  const typed = new URLSearchParams();
  for (const [name, key] of Object.entries(SLIDERS)) {
    const value = look[key];
    if (value !== undefined) typed.set(name, `${value}`);
  }
  for (const id of beside) typed.append('beside', id);
  const text = typed.toString();
  return text === '' ? '' : `?${text}`;
}
