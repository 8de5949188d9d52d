import { figuresOfKind, sayDb, sayHertz } from '../figures';
import type { Figure } from '../types';
import { UNHEARD } from './hum';
import { sayDirect } from './supply';

/** Whatever has figures. */
interface Figured {
  readonly figures: readonly Figure[];
}

/** Less than this between two leads is not heard, dB. */
const HEARD = 1;

/** The worst figure of a kind. */
const worst = ({ figures }: Figured, kind: string): number | undefined => {
  const all = figuresOfKind(figures, kind).map((each) => each.value);
  return all.length === 0 ? undefined : Math.min(...all);
};

/**
 * What one wiring gains or costs against another, in words: “Against “…”: hum 34.0 dB lower.”; nothing where no one would
 * hear a difference.
 */
export function compared(own: Figured, other: Figured, name: string): string | undefined {
  const said: string[] = [];
  const [gain, gain2] = [worst(own, 'gain'), worst(other, 'gain')];
  if (gain !== undefined && gain2 !== undefined && Math.abs(gain - gain2) >= HEARD)
    said.push(`level ${sayDb(Math.abs(gain - gain2))} ${gain > gain2 ? 'higher' : 'lower'}`);
  const [hum, hum2] = [worst(own, 'hum'), worst(other, 'hum')];
  if (hum !== undefined && hum2 !== undefined) {
    const [a, b] = [Math.min(hum, UNHEARD), Math.min(hum2, UNHEARD)];
    if (Math.abs(a - b) >= HEARD)
      said.push(
        b >= UNHEARD
          ? 'hum, where there is none'
          : a >= UNHEARD
            ? 'no hum'
            : `hum ${sayDb(Math.abs(a - b))} ${a > b ? 'lower' : 'higher'}`,
      );
  }
  const [flat, flat2] = [worst(own, 'minus3'), worst(other, 'minus3')];
  // Only as far as it can be heard to matter.
  if (flat !== undefined && flat2 !== undefined && Math.min(flat, flat2) < 40_000 && ratio(flat, flat2) > 1.1)
    said.push(`−3 dB at ${sayHertz(flat)} and not at ${sayHertz(flat2)}`);
  const [apart, apart2] = [worst(own, 'separation'), worst(other, 'separation')];
  if (apart !== undefined && apart2 !== undefined && Math.min(apart, apart2) < 80) {
    const by = Math.min(apart, UNHEARD) - Math.min(apart2, UNHEARD);
    if (Math.abs(by) >= HEARD)
      said.push(`channels ${sayDb(Math.abs(by))} ${by > 0 ? 'further' : 'less far'} apart`);
  }
  const [dc, dc2] = [worst(own, 'dc'), worst(other, 'dc')];
  if (dc !== undefined && dc2 !== undefined && Math.abs(dc - dc2) > 1)
    said.push(`supply ${sayDirect(dc)} and not ${sayDirect(dc2)}`);
  return said.length === 0 ? undefined : `Against “${name}”: ${said.join(', ')}.`;
}

const ratio = (a: number, b: number): number => (a === b ? 1 : Math.max(a, b) / Math.min(a, b));
