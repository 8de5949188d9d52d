import type { CableConductor, CableEntry } from '../catalogue';
import type { FactId, Facts } from '../situation';

/** What of the facts a cable goes by. */
export const CABLE_FACTS = [
  'capacitance',
  'unbalance',
  'besidePicoFarads',
  'screenToScreenPicoFarads',
  'pairToPairPicoFarads',
  'loopMicroHenries',
  'outerMicroHenries',
  'leakageNanoHenries',
  'jointMilliOhms',
  'insulationGigaOhmMetres',
] as const satisfies readonly FactId[];
/** Their values, in the units of the table of facts. */
export type CableFacts = Pick<Facts, (typeof CABLE_FACTS)[number]>;

/** Capacitance between two conductors, F/m. */
export interface Between {
  readonly a: string;
  readonly b: string;
  readonly faradsPerMetre: number;
}

const isScreen = ({ is }: CableConductor): boolean => is !== 'core';
const PICO = 1e-12;
type Given = NonNullable<CableEntry['pFPerMetre']>;
/** Where an entry does not say, pF/m (from memory). */
const UNKNOWN: Given = { coreToScreen: 100 };
const USUAL_LEG_TO_LEG = 20;

/** The screen or drain round each core of a cable: its own pair's, else the one round all. */
function screensOf({ conductors }: CableEntry): (core: CableConductor) => CableConductor | undefined {
  const of = new Map<CableConductor['pair'], CableConductor>();
  for (const each of conductors) if (isScreen(each) && !of.has(each.pair)) of.set(each.pair, each);
  return ({ pair }) => of.get(pair) ?? of.get(undefined);
}

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

const scaled = ({ coreToScreen, coreToCore }: Given, by: number): Given => ({
  coreToScreen: coreToScreen * by,
  ...(coreToCore === undefined ? {} : { coreToCore: coreToCore * by }),
});

/**
 * The partial capacitances of a cable, F/m. In a star quad a leg is two cores, so each core has half of a leg's to the
 * screen, and a quarter to each neighbour. Where its pairs are looked at each for itself, what is beside a pair stands still:
 * what is from its leg to the neighbour's is to its own screen then.
 */
export function capacitances(cable: CableEntry, facts: CableFacts, isEachAlone = false): readonly Between[] {
  const found = new Map<string, Between>();
  const screenOf = screensOf(cable);
  const put = (a: string, b: string, picofarads: number): void => {
    const key = `${a} ${b}`;
    const before = found.get(key)?.faradsPerMetre ?? 0;
    if (picofarads > 0) found.set(key, { a, b, faradsPerMetre: before + picofarads * PICO });
  };
  const cores = cable.conductors.filter((each) => !isScreen(each));
  const beside = facts.besidePicoFarads;
  const given = scaled(cable.pFPerMetre ?? UNKNOWN, facts.capacitance);
  const unbalance = facts.unbalance;
  if (cable.kind === 'quad' && given.coreToCore !== undefined) {
    const leg = partial(given.coreToCore, given.coreToScreen);
    const around = cable.around ?? cores.map((core) => core.id);
    cores.forEach((core, n) => {
      const screen = screenOf(core);
      if (screen) put(core.id, screen.id, (leg.screen / 2) * (1 + (n === 0 ? unbalance : 0)));
    });
    around.forEach((id, n) => put(id, around[(n + 1) % around.length] ?? id, leg.leg / 4));
    return [...found.values()];
  }
  const groups = new Map<string, CableConductor[]>();
  for (const core of cores) {
    const key = screenOf(core)?.id ?? '';
    const group = groups.get(key);
    if (group) group.push(core);
    else groups.set(key, [core]);
  }
  for (const [screen, group] of groups) {
    const others = group.length - 1;
    const { leg, screen: toScreen } = inGroup(screen !== '', group.length, given, beside);
    group.forEach((core, n) => {
      if (screen !== '') put(core.id, screen, toScreen * (1 + (n === 0 && others > 0 ? unbalance : 0)));
      for (const next of group.slice(n + 1)) put(core.id, next.id, leg);
    });
  }
  for (const [screen, next] of besideEachOther([...groups.keys()].filter((id) => id !== ''))) {
    // The nearer leg of one pair to the nearer one of the next: four alike would cancel, and do not quite.
    const [one] = groups.get(screen) ?? [];
    const [other] = groups.get(next) ?? [];
    const legs = one && other ? facts.pairToPairPicoFarads : 0;
    if (isEachAlone) {
      if (one) put(one.id, screen, legs);
      if (other) put(other.id, next, legs);
      continue;
    }
    put(screen, next, facts.screenToScreenPicoFarads);
    if (one && other) put(one.id, other.id, legs);
  }
  return [...found.values()];
}

/** Pairs lie in a ring, each beside the next: which screens are neighbours. */
function besideEachOther(screens: readonly string[]): readonly (readonly [string, string])[] {
  const ring = screens.map((screen, n) => [screen, screens[(n + 1) % screens.length] ?? screen] as const);
  return screens.length > 2 ? ring : ring.slice(0, screens.length - 1);
}

/** The capacitances of cores that share a screen, or of a screenless few, pF/m. */
function inGroup(
  screened: boolean,
  count: number,
  given: Given,
  beside: number,
): { readonly leg: number; readonly screen: number } {
  if (!screened) return { leg: beside, screen: 0 };
  const whole = given.coreToScreen;
  if (count === 2 && given.coreToCore !== undefined) return partial(given.coreToCore, whole);
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
export function inductances(cable: CableEntry, facts: CableFacts): Inductances {
  const outer = facts.outerMicroHenries * 1e-6;
  const half = (facts.loopMicroHenries * 1e-6) / 2;
  const leakage = facts.leakageNanoHenries * 1e-9;
  const self = new Map(cable.conductors.map((each) => [each.id, isScreen(each) ? outer : outer + half]));
  // What a core shares with its screen: nothing where more leaks than there is.
  const shared = Math.max(0, outer - leakage);
  const couplings: { a: string; b: string; k: number }[] = [];
  const couple = (a: string, b: string, mutual: number): void => {
    couplings.push({ a, b, k: mutual / Math.sqrt((self.get(a) ?? 1) * (self.get(b) ?? 1)) });
  };
  const cores = cable.conductors.filter((each) => !isScreen(each));
  const screenOf = screensOf(cable);
  const within = new Map<CableConductor | undefined, CableConductor[]>();
  for (const core of cores) {
    const known = within.get(screenOf(core));
    if (known) known.push(core);
    else within.set(screenOf(core), [core]);
  }
  for (const core of cores) {
    const screen = screenOf(core);
    if (screen) couple(core.id, screen.id, shared);
    const beside = within.get(screen) ?? [];
    for (const next of beside.slice(beside.indexOf(core) + 1)) couple(core.id, next.id, shared);
  }
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
