/** Values that no port or part gives, each from memory unless it is said; what moves a figure by much is among the facts of the situation. */
export const ASSUMED = {
  /** Each leg of T-power, Ω (IEC 61938; cited, from memory). */
  tPowerOhms: 180,
  /** What keeps an input's supply out of its own amplifier, F: large enough not to be heard. */
  blockingFarads: 1e-3,
  /** What a line that goes on looks like from either side, Ω. */
  lineSourceOhms: 100,
  lineLoadOhms: 10_000,
  /** A transformer in line: inductance of a winding, H, and coupling. */
  windingHenries: 20,
  windingCoupling: 0.9998,
} as const;
