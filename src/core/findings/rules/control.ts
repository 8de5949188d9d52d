import { expectedGains } from '../../signal';
import { loadOhms } from '../../model';
import { pairsOf } from '../../situation';
import { formatResistance, ohms } from '../../quantity';
import type { Finding, Rule } from '../types';
import { figuresOf, isMiswired } from './solved';

type Found = Omit<Finding, 'rule'>;

/** More than this lost with the control turned up is lost in the control, dB (from memory). */
const TURNED_UP = 3;
/** A track of so many times the load is all at one end of its turn (from memory); of less than once it loads the source. */
const TIMES = { least: 1, most: 20 } as const;

export const controlOff: Rule = {
  id: 'control',
  what: 'A control that is joined the wrong way, or does not suit what it turns.',
  source: 'by the circuit; the value that suits common practice',
  find(used) {
    const part = used.assembly.bodies
      .flatMap((body) => body.parts)
      .find(({ kind }) => kind === 'potentiometer');
    const full = figuresOf(used, 'turnedup')[0] ?? {
      figure: used.signal()?.figures.find(({ kind }) => kind === 'turnedup'),
    };
    const [pair] = pairsOf(used.situation);
    if (part?.kind !== 'potentiometer' || !pair) return [];
    const track = part.trackOhms ?? 0;
    const load = loadOhms(pair.in);
    const found: Found[] = [];
    const lost = full.figure ? expectedGains(used.assembly, used.situation)(pair)[0] - full.figure.value : 0;
    const common = { about: part.id, at: [], remedies: [] };
    if (lost > TURNED_UP && !isMiswired(used))
      found.push({
        ...common,
        severity: lost > 20 ? 'stop' : 'caution',
        says: `Turned up, ${(full.figure?.value ?? 0) < -60 ? 'next to nothing' : (full.figure?.says ?? '')} arrives.`,
        because:
          'At the top of its turn the wiper is on what comes in, and next to nothing is lost: its outer legs are exchanged, or its track is far too high for what it feeds.',
        hear: 'Quiet when it is turned up, or louder the other way round.',
      });
    if (track > 0 && (track > TIMES.most * load || track < TIMES.least * load))
      found.push({
        ...common,
        severity: 'caution',
        says: `The control of ${formatResistance(ohms(track))} does not suit ${formatResistance(ohms(load))}.`,
        because:
          track > load
            ? 'The load pulls the wiper down over most of the turn: everything happens at the very end.'
            : 'Its track loads the output as the load itself does.',
        hear:
          track > load
            ? 'Nothing for most of the turn, then all at once.'
            : 'Less level, and distortion from a weak output.',
      });
    return found;
  },
};
