import type { CableConductor, CableEntry } from '../catalogue';

/** A figure that no source settles: what it usually is, and between what it lies. From memory; the user may change it. */
export interface Uncertain {
  readonly low: number;
  readonly usual: number;
  readonly high: number;
}
export type Reading = keyof Uncertain;

/** What a metre of cable is beyond its resistance and the capacitance in its entry. All of it from memory. */
export interface CableFacts {
  /** Loop inductance of a pair, or of a core and its screen, µH/m. */
  readonly loopMicroHenries: Uncertain;
  /** Inductance of the loop that a screen makes with the world around, µH/m. */
  readonly outerMicroHenries: Uncertain;
  /** What of a screen's field its cores do not share: the leakage part of its transfer impedance, nH/m. */
  readonly leakageNanoHenries: Uncertain;
  /** Between two legs of an unscreened cable, or cores whose entry does not say, pF/m. */
  readonly besidePicoFarads: Uncertain;
  /** Between cores of pairs that lie side by side, through their screens, pF/m. */
  readonly pairToPairPicoFarads: Uncertain;
  /** Between screens that lie side by side, pF/m. */
  readonly screenToScreenPicoFarads: Uncertain;
  /** How far from equal the two legs of a pair lie to their screen, share of the capacitance. */
  readonly unbalance: Uncertain;
}

export const CABLE_FACTS: CableFacts = {
  loopMicroHenries: { low: 0.45, usual: 0.6, high: 0.8 },
  outerMicroHenries: { low: 0.7, usual: 1, high: 1.5 },
  leakageNanoHenries: { low: 0, usual: 1, high: 5 },
  besidePicoFarads: { low: 30, usual: 55, high: 90 },
  pairToPairPicoFarads: { low: 0.01, usual: 0.05, high: 0.3 },
  screenToScreenPicoFarads: { low: 50, usual: 120, high: 250 },
  unbalance: { low: 0.005, usual: 0.02, high: 0.05 },
};

/** What each figure is called, with its unit: for lists of what a result hangs on. */
export const FACT_WORDS: Readonly<
  Record<keyof CableFacts, { readonly name: string; readonly unit: string }>
> = {
  loopMicroHenries: { name: 'loop inductance', unit: 'µH/m' },
  outerMicroHenries: { name: 'inductance of the screen’s outer loop', unit: 'µH/m' },
  leakageNanoHenries: { name: 'leakage of the screen’s transfer impedance', unit: 'nH/m' },
  besidePicoFarads: { name: 'capacitance between legs that are not screened', unit: 'pF/m' },
  pairToPairPicoFarads: { name: 'capacitance from pair to pair', unit: 'pF/m' },
  screenToScreenPicoFarads: { name: 'capacitance from screen to screen', unit: 'pF/m' },
  unbalance: { name: 'unbalance of a pair’s capacitance', unit: '' },
};

/** Capacitance between two conductors, F/m. */
export interface Between {
  readonly a: string;
  readonly b: string;
  readonly faradsPerMetre: number;
}

const isScreen = ({ is }: CableConductor): boolean => is !== 'core';
const PICO = 1e-12;
/** Where an entry does not say, pF/m (from memory). */
const UNKNOWN_TO_SCREEN = 100;
const USUAL_LEG_TO_LEG = 20;

/** The screen or drain round a core: its own pair's, else the one round all. */
const screenOf = (cable: CableEntry, core: CableConductor): CableConductor | undefined =>
  cable.conductors.find((each) => isScreen(each) && each.pair === core.pair) ??
  cable.conductors.find((each) => isScreen(each) && each.pair === undefined);

/**
 * The partial capacitances of a pair from the two that are measured: leg to leg with the screen floating, C₁, and one leg to
 * the screen with the other joined to it, C₂. Leg to screen is 2 (C₂ − C₁), leg to leg 2 C₁ − C₂. Figures that cannot both
 * be so are taken at their word: C₂ as leg to screen.
 */
function partial(c1: number, c2: number): { readonly leg: number; readonly screen: number } {
  return c2 > c1 && c2 < 2 * c1
    ? { leg: 2 * c1 - c2, screen: 2 * (c2 - c1) }
    : { leg: Math.max(0, c1 - c2 / 2), screen: c2 };
}

/**
 * The partial capacitances of a cable, F/m. In a star quad a leg is two cores, so each core has half of a leg's to the
 * screen, and a quarter to each neighbour.
 */
export function capacitances(cable: CableEntry, facts: CableFacts, reading: Reading): readonly Between[] {
  const found: Between[] = [];
  const put = (a: string, b: string, picofarads: number): void => {
    if (picofarads > 0) found.push({ a, b, faradsPerMetre: picofarads * PICO });
  };
  const cores = cable.conductors.filter((each) => !isScreen(each));
  const beside = facts.besidePicoFarads[reading];
  const given = cable.pFPerMetre;
  const unbalance = facts.unbalance[reading];
  if (cable.kind === 'quad' && given?.coreToCore !== undefined) {
    const leg = partial(given.coreToCore, given.coreToScreen);
    const around = cable.around ?? cores.map((core) => core.id);
    cores.forEach((core, n) => {
      const screen = screenOf(cable, core);
      if (screen) put(core.id, screen.id, (leg.screen / 2) * (1 + (n === 0 ? unbalance : 0)));
    });
    around.forEach((id, n) => put(id, around[(n + 1) % around.length] ?? id, leg.leg / 4));
    return found;
  }
  const groups = new Map<string, CableConductor[]>();
  for (const core of cores) {
    const key = screenOf(cable, core)?.id ?? '';
    groups.set(key, [...(groups.get(key) ?? []), core]);
  }
  for (const [screen, group] of groups) {
    const others = group.length - 1;
    const { leg, screen: toScreen } = inGroup(screen !== '', group.length, given, beside);
    group.forEach((core, n) => {
      if (screen !== '') put(core.id, screen, toScreen * (1 + (n === 0 && others > 0 ? unbalance : 0)));
      for (const next of group.slice(n + 1)) put(core.id, next.id, leg);
    });
  }
  const screens = [...groups.keys()].filter((id) => id !== '');
  // Pairs lie in a ring: each beside the next.
  if (screens.length > 1)
    screens.forEach((screen, n) => {
      const next = screens[(n + 1) % screens.length] ?? screen;
      if (screens.length === 2 && n === 1) return;
      put(screen, next, facts.screenToScreenPicoFarads[reading]);
      // The nearer leg of one pair to the nearer one of the next: four alike would cancel, and do not quite.
      const [one] = groups.get(screen) ?? [];
      const [other] = groups.get(next) ?? [];
      if (one && other) put(one.id, other.id, facts.pairToPairPicoFarads[reading]);
    });
  return found;
}

/** The capacitances of cores that share a screen, or of a screenless few, pF/m. */
function inGroup(
  screened: boolean,
  count: number,
  given: CableEntry['pFPerMetre'],
  beside: number,
): { readonly leg: number; readonly screen: number } {
  if (!screened) return { leg: beside, screen: 0 };
  const whole = given?.coreToScreen ?? UNKNOWN_TO_SCREEN;
  if (count === 2 && given?.coreToCore !== undefined) return partial(given.coreToCore, whole);
  const leg = count === 1 ? 0 : Math.min(USUAL_LEG_TO_LEG, whole / (4 * (count - 1)));
  return { leg, screen: whole - (count - 1) * leg };
}

/** Self-inductance of every conductor, and of pairs the share that couples: the screen's outer loop is common to all in it. */
export interface Inductances {
  /** H/m, by conductor. */
  readonly self: ReadonlyMap<string, number>;
  readonly couplings: readonly { readonly a: string; readonly b: string; readonly k: number }[];
}

/**
 * A screen has the inductance of the outer loop, Lₑ; a core within it has Lₑ and half a loop more, and shares Lₑ with the
 * screen (less the leakage) and with its other cores: so hot and cold make the loop inductance, and a screen's current puts
 * R·I and little else into its cores. Where there is no screen the cores share an outer loop alike.
 */
export function inductances(cable: CableEntry, facts: CableFacts, reading: Reading): Inductances {
  const outer = facts.outerMicroHenries[reading] * 1e-6;
  const half = (facts.loopMicroHenries[reading] * 1e-6) / 2;
  const leakage = facts.leakageNanoHenries[reading] * 1e-9;
  const self = new Map(cable.conductors.map((each) => [each.id, isScreen(each) ? outer : outer + half]));
  const couplings: { a: string; b: string; k: number }[] = [];
  const couple = (a: string, b: string, mutual: number): void => {
    couplings.push({ a, b, k: mutual / Math.sqrt((self.get(a) ?? 1) * (self.get(b) ?? 1)) });
  };
  const cores = cable.conductors.filter((each) => !isScreen(each));
  cores.forEach((core, n) => {
    const screen = screenOf(cable, core);
    if (screen) couple(core.id, screen.id, outer - leakage);
    for (const next of cores.slice(n + 1))
      if (screenOf(cable, next)?.id === screen?.id) couple(core.id, next.id, outer - leakage);
  });
  return { self, couplings };
}

/**
 * The longest a section may be in radians of its own propagation at the highest frequency asked: a π of θ radians is off by
 * about θ² ÷ 12 of what the whole cable does, which at 0.1 is a tenth of a per cent.
 */
const SECTION_RADIANS = 0.1;
/** More than this is not worked out: a cable of kilometres, where what is said of it names the error. */
const MOST_SECTIONS = 60;

/** Into how many sections a cable is cut, and why. */
export interface Sections {
  readonly count: number;
  readonly because: string;
}

/** Sections short enough that lumping each changes nothing that could be measured: |γ|·Δ ≤ 0.1, γ = √((R + jωL)·jωC). */
export function sectionsFor(
  metres: number,
  ohmsPerMetre: number,
  henriesPerMetre: number,
  faradsPerMetre: number,
  highestHertz: number,
): Sections {
  const omega = 2 * Math.PI * highestHertz;
  const gamma = Math.sqrt(Math.hypot(ohmsPerMetre, omega * henriesPerMetre) * omega * faradsPerMetre);
  const whole = gamma * metres;
  const count = Math.min(MOST_SECTIONS, Math.max(1, Math.ceil(whole / SECTION_RADIANS)));
  const upTo = highestHertz >= 1000 ? `${highestHertz / 1000} kHz` : `${highestHertz} Hz`;
  const off = Math.max(0.1, 100 * ((whole / count) ** 2 / 12));
  return {
    count,
    because: `${metres.toFixed(1)} m is ${whole.toPrecision(2)} of a radian long up to ${upTo}: ${
      count === 1 ? 'one section is' : `${count} sections are`
    } within about ${Number(off.toPrecision(1))} % of the continuous line.`,
  };
}
