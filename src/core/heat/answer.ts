import type { Assembly } from '../assembly';
import { bad, capital, good, type Result } from '../quantity';
import type { Schools } from '../wiring';
import { integrate, type Moment } from './integrate';
import { USUAL_WATTS, type Iron, type Tip } from './iron';
import { heated, heatedJoint, tipsFor, withIron, type HeatedJoint } from './joint';
import { liquidusOf, TO_WET, type Softens } from './materials';
import { ROOM_C, type ThermalNetwork } from './network';

/** The version of answers written today. */
export const HEAT_VERSION = 1;

/** What is known of the iron and of the joint on it. */
export interface Known {
  /** Its power, W. */
  readonly watts?: number | undefined;
  /** The setting, °C; otherwise the one with the widest window is looked for. */
  readonly settingC?: number | undefined;
  /** A heat-sink clip at the insulation. */
  readonly clip?: boolean | undefined;
  /** How long the solder took to melt there with this iron, s: what the tip gives is fitted to it. */
  readonly meltSeconds?: number | undefined;
}

/** Temperatures at one time, °C: of the joint, and of what gives way first or comes nearest to it, insulation or insert; none where there is nothing. */
export interface HeatPoint {
  readonly s: number;
  readonly jointC: number;
  readonly insulationC?: number;
}

/** With what, how hot and how long one joint is soldered. */
export interface HeatAnswer {
  readonly version: typeof HEAT_VERSION;
  readonly joint: string;
  readonly what: string;
  readonly tip: string;
  readonly settingC: number;
  readonly watts: number;
  readonly clip: boolean;
  /** From when on it wets, s; none where it never does within the time looked at. */
  readonly wetsAt?: number;
  /** How long the iron stays, s: until it has flowed. */
  readonly dwell?: number;
  /** When what gives way first would, s; none where nothing does within the time looked at. */
  readonly givesWayAt?: number;
  readonly givesWay?: Softens;
  /** Between having flowed and giving way, s. */
  readonly spare?: number;
  readonly says: string;
  /** What is wrong with it; nothing where it can be done. */
  readonly warning?: string;
  readonly curve: readonly HeatPoint[];
}

/** So long is looked at, s: nobody holds longer. */
const LONGEST = 8;
/** Settings that are tried, °C: 330 on small plugs to 380, and up to 400 for solder that melts higher (common practice). */
const SETTINGS = [330, 340, 350, 360, 370, 380];
const HOTTER = [390, 400];
/** From this liquidus on, °C. */
const MELTS_HIGH = 200;
/** Between two moments, s. */
const STEP = 0.01;
/** The chart has a point every so many seconds. */
const EVERY = 0.05;

/** When a joint wets and when something gives way, with the iron left on. */
interface Run {
  readonly iron: Iron;
  readonly moments: readonly Moment[];
  readonly wetsAt?: number | undefined;
  readonly dwell?: number | undefined;
  readonly givesWayAt?: number | undefined;
  readonly risk?: HeatedJoint['risks'][number] | undefined;
}

/** When a node first reaches a temperature, s, between two moments by a straight line. */
function reaches(moments: readonly Moment[], index: number, celsius: number): number | undefined {
  for (let n = 1; n < moments.length; n++) {
    const [one, two] = [moments[n - 1], moments[n]];
    const [a = 0, b = 0] = [one?.celsius[index], two?.celsius[index]];
    if (one && two && b >= celsius)
      return a >= celsius ? one.s : one.s + ((two.s - one.s) * (celsius - a)) / (b - a);
  }
  return undefined;
}

function run(joint: HeatedJoint, iron: Iron, liquidC: number): Run {
  const wetC = liquidC + TO_WET;
  const network = withIron(joint, iron, 'wet');
  const at = (id: string): number => network.nodes.findIndex((each) => each.id === id);
  const moments = heated(joint, iron, { liquidC, seconds: LONGEST, step: STEP });
  const wetsAt = reaches(moments, at('joint'), wetC);
  /** How near something came to giving way, as a share of the way from the room’s temperature. */
  const nearness = ({ node, celsius }: HeatedJoint['risks'][number]): number =>
    ((moments.at(-1)?.celsius[at(node)] ?? ROOM_C) - ROOM_C) / (celsius - ROOM_C);
  const soft = joint.risks
    .map((risk) => ({ risk, s: reaches(moments, at(risk.node), risk.celsius) }))
    .sort((a, b) => (a.s ?? LONGEST) - (b.s ?? LONGEST) || nearness(b.risk) - nearness(a.risk))[0];
  return {
    iron,
    moments,
    wetsAt,
    dwell: wetsAt === undefined ? undefined : wetsAt + joint.flows,
    givesWayAt: soft?.s,
    risk: soft?.risk,
  };
}

/** How wide the window is: what is left until something gives way, as a share of the dwell; less than nothing where there is none. */
const width = ({ dwell, givesWayAt }: Run): number =>
  dwell === undefined ? -Infinity : ((givesWayAt ?? LONGEST) - dwell) / dwell;

/** A tip that gives its heat so much worse or better that the joint melts when it was seen to. */
function fitted(joint: HeatedJoint, iron: Iron, meltC: number, seconds: number): Tip | undefined {
  const melts = (toJoint: number): number => {
    const tip = { ...iron.tip, toJoint: { ...iron.tip.toJoint, usual: toJoint } };
    const network = withIron(joint, { ...iron, tip }, 'dry');
    const index = network.nodes.findIndex(({ id }) => id === 'joint');
    return (
      reaches(
        integrate(network, {
          seconds: LONGEST,
          step: STEP,
          until: ({ celsius }) => (celsius[index] ?? 0) >= meltC,
        }),
        index,
        meltC,
      ) ?? Infinity
    );
  };
  let [low, high] = [0.5, 80];
  if (melts(low) > seconds || melts(high) < seconds) return undefined;
  for (let n = 0; n < 40; n++) {
    const middle = Math.sqrt(low * high);
    if (melts(middle) < seconds) low = middle;
    else high = middle;
  }
  return { ...iron.tip, toJoint: { ...iron.tip.toJoint, usual: Math.sqrt(low * high) } };
}

const one = (s: number): string => s.toFixed(1);

function sayRun({ iron, wetsAt, dwell, givesWayAt, risk }: Run): Pick<HeatAnswer, 'says' | 'warning'> {
  if (wetsAt === undefined || dwell === undefined)
    return {
      says: `With ${iron.watts} W it does not wet within ${LONGEST} s.`,
      warning: 'This joint needs more iron: a wider tip, or a stronger one.',
    };
  const hold = `${iron.tip.name} at ${iron.settingC} °C: it wets after ${one(wetsAt)} s; hold about ${one(dwell)} s, and let go when it has been drawn in.`;
  if (givesWayAt === undefined) return { says: capital(hold) };
  const soft = `${risk?.what ?? 'the insulation'} softens after ${one(givesWayAt)} s`;
  return givesWayAt > dwell
    ? {
        says: `${capital(hold)} ${capital(soft)}.`,
      }
    : {
        says: capital(hold),
        warning:
          givesWayAt > wetsAt
            ? `The window is narrow: ${soft}. Let go as soon as it has been drawn in; hotter and shorter, or a heat-sink clip at the insulation, gives more.`
            : `There is no window: ${soft}, before the joint wets. More iron, a heat-sink clip at the insulation, or both.`,
      };
}

/**
 * With what and how long a joint of a lead is soldered: the tip and setting whose window is widest between having flowed and the first thing to give way, by
 * the model of handbook section 9; values from memory have ranges, and one’s own measured time to melt settles the tip’s. Errors: `heat.joint`, `heat.cold`, `heat.watts`,
 * `heat.setting`, `heat.melt`.
 *
 *     heatOf(assembly, 'joint-A-2', schools); // → about 2 s with a chisel
 */
export function heatOf(
  assembly: Assembly,
  id: string,
  schools: Schools,
  { watts = USUAL_WATTS, settingC, clip = false, meltSeconds }: Known = {},
): Result<HeatAnswer> {
  if (!(watts >= 5 && watts <= 500)) return bad('heat.watts', 'An iron has 5 to 500 W.', 'watts');
  if (settingC !== undefined && !(settingC >= 150 && settingC <= 500))
    return bad('heat.setting', 'An iron is set to 150 to 500 °C.', 'setting');
  const made = heatedJoint(assembly, id, { clip });
  if (!made.ok) return made;
  const joint = made.value;
  const liquidC = liquidusOf(schools);
  const usual = liquidC > MELTS_HIGH ? [...SETTINGS, ...HOTTER] : SETTINGS;
  const settings = settingC === undefined ? usual : [settingC];
  const runs: Run[] = [];
  for (const own of tipsFor(joint.wideMm))
    for (const each of settings) {
      const iron = { watts, settingC: each, tip: own };
      const tip = meltSeconds === undefined ? own : fitted(joint, iron, liquidC, meltSeconds);
      if (tip) runs.push(run(joint, { ...iron, tip }, liquidC));
    }
  if (runs.length === 0)
    return bad(
      'heat.melt',
      'No tip of such an iron melts it in that time: measure again, from the touch to when the solder runs.',
      'melt',
    );
  const best = runs.reduce((a, b) => (width(b) > width(a) + 1e-9 ? b : a));
  const network: ThermalNetwork = withIron(joint, best.iron, 'wet');
  const at = (node: string): number => network.nodes.findIndex((each) => each.id === node);
  const { risk } = best;
  const shown = Math.min(LONGEST, Math.max(best.dwell ?? LONGEST, best.givesWayAt ?? 0) + 1);
  const stride = Math.round(EVERY / STEP);
  return good({
    version: HEAT_VERSION,
    joint: id,
    what: joint.says,
    tip: best.iron.tip.name,
    settingC: best.iron.settingC,
    watts,
    clip,
    ...(best.wetsAt === undefined ? {} : { wetsAt: best.wetsAt }),
    ...(best.dwell === undefined ? {} : { dwell: best.dwell }),
    ...(best.givesWayAt === undefined ? {} : { givesWayAt: best.givesWayAt }),
    ...(risk ? { givesWay: { what: risk.what, celsius: risk.celsius, from: risk.from, to: risk.to } } : {}),
    ...(best.dwell === undefined ? {} : { spare: (best.givesWayAt ?? LONGEST) - best.dwell }),
    ...sayRun(best),
    curve: best.moments
      .filter(({ s }, n) => n % stride === 0 && s <= shown)
      .map(({ s, celsius }) => ({
        s: Number(s.toFixed(3)),
        jointC: celsius[at('joint')] ?? 0,
        ...(risk ? { insulationC: celsius[at(risk.node)] ?? 0 } : {}),
      })),
  });
}
