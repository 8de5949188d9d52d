import { SURROUNDINGS } from '../../situation';
import type { Criterion } from './types';

/** No longer than this without a screen, m (common practice says “short”; the figure from memory). */
const UNSCREENED = 3;

export const screen: Criterion = {
  id: 'screen',
  what: 'Whether its screen suits the signal and the place.',
  source: 'common practice',
  judge({ ask, cable, metres }) {
    const place = ask.intent.surroundings;
    if (
      ask.links.every(({ out }) => 'plus' in out.roles) ||
      !ask.links.some(({ in: to }) => to.port.signal !== 'test')
    )
      return undefined;
    const trodden = place === 'stage' || place === 'outdoors';
    if (cable.screen === 'none')
      return ask.ends.every(({ port }) => port.signal === 'headphone' || port.signal === 'intercom')
        ? { grade: 'fair', says: 'It has no screen, and at this level hardly needs one.' }
        : {
            grade:
              trodden || place === 'wall' || Math.max(0, ...metres.values()) > UNSCREENED ? 'wrong' : 'poor',
            says: 'It has no screen against lamps, dimmers and telephones: for short line runs only.',
          };
    // What is plugged and moved by hand flexes; what lies in a rack or wall is joined once.
    const handled =
      trodden ||
      place === 'vehicle' ||
      place === 'studio' ||
      ask.ends.every(({ port }) => port.signal === 'patch');
    if (cable.screen === 'foil')
      return trodden || place === 'vehicle'
        ? {
            grade: cable.kind === 'multipair' ? 'poor' : 'wrong',
            says: `Its foil cracks ${SURROUNDINGS[place]}, where it is bent again and again.`,
          }
        : handled
          ? { grade: 'fair', says: 'Its foil cracks in time where a lead is plugged and moved by hand.' }
          : {
              grade: 'good',
              says: 'Its foil covers everything, and the drain wire makes the screen quick to join.',
            };
    if (cable.screen === 'spiral')
      return trodden
        ? {
            grade: 'fair',
            says: 'Its spiral screen is quick to unwind, and opens where the cable is bent hard.',
          }
        : handled
          ? { grade: 'good', says: 'Its spiral screen is quick to unwind, and flexible.' }
          : { grade: 'fair', says: 'Its spiral screen takes longer to join than a drain wire.' };
    return handled
      ? { grade: 'good', says: 'Its woven braid covers best and stays closed when it is bent.' }
      : { grade: 'fair', says: 'Its woven braid takes a quarter of an hour an end to comb out.' };
  },
};
