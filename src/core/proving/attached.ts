import { contactTerminal, endById, bodyOfEnd, type Assembly } from '../assembly';
import type { Corner, ResistiveElement } from '../model';
import type { Situation } from '../situation';

/** Drivers of headphones stand between about these on the meter, Ω (handbook, section 10: 30 to 300 Ω; a tenth off either way). */
const DRIVERS = { low: 27, high: 330 } as const;

/** What stays on the pads that a lead is soldered to, and is measured with it: the drivers of an earpiece. A pickup is taken off its arm first. */
export const attachedTo = (
  assembly: Assembly,
  situation: Situation | undefined,
  corner: Corner,
): readonly ResistiveElement[] =>
  (situation?.channels ?? []).flatMap(({ end, direction, port, roles }) => {
    const { hot, return: back } = roles;
    const isOnPads = bodyOfEnd(assembly, end)?.kind === 'device' && endById(assembly, end)?.mount === 'panel';
    return isOnPads &&
      direction === 'receives' &&
      port.signal === 'headphone' &&
      hot !== undefined &&
      back !== undefined
      ? [
          {
            a: contactTerminal(end, hot),
            b: contactTerminal(end, back),
            ohms: corner === 'marked' ? port.impedance : DRIVERS[corner],
          },
        ]
      : [];
  });
