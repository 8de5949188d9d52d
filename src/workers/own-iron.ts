import type { Known } from '../core/heat';

/** The iron at this bench: its power, a heat-sink clip, and how long solder took to melt with it at joints by what they are, s. */
export interface OwnIron extends Pick<Known, 'watts' | 'clip'> {
  readonly melts: Readonly<Record<string, number>>;
}
