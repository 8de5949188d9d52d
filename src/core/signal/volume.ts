/** Tracks that controls are made in, Ω. */
export const CONTROL_TRACKS = [50, 100, 220, 470, 1000, 2200, 4700, 10_000, 22_000, 47_000, 100_000] as const;

/** The track that suits a load, Ω: the smallest of at least three times as much (common practice). */
export const suitingTrack = (load: number): number =>
  CONTROL_TRACKS.find((ohms) => ohms >= 3 * load) ?? 100_000;
