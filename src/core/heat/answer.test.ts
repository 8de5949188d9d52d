import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { schoolsOf } from '../lead';
import {
  heatedJoint,
  heatOf,
  ROOM,
  ROOM_C,
  withIron,
  type HeatAnswer,
  type HeatedJoint,
  type Known,
} from '.';
import { TIPS, type Tip } from './iron';

/**
 * The same joints once more by a path of their own: Euler’s steps of a quarter of a millisecond, the heater and the choice of tip
 * and setting as the handbook’s section 9 has them, typed by hand.
 */
const STEP = 2.5e-4;
const LONGEST = 8;

interface Seen {
  readonly melts?: number | undefined;
  readonly wets?: number | undefined;
  readonly soft: { readonly what: string; readonly s?: number | undefined; readonly near: number }[];
  readonly at: (s: number) => { readonly joint: number; readonly risks: readonly number[] };
}

/** What happens under an iron from the touch on: dry until the solder is liquid, then wet. */
function seen(
  joint: HeatedJoint,
  iron: { readonly watts: number; readonly settingC: number; readonly tip: Tip },
  liquidC: number,
): Seen {
  const nets = (['dry', 'wet'] as const).map((solder) => {
    const { nodes, links } = withIron(joint, iron, solder);
    const place = (id: string) => nodes.findIndex((each) => each.id === id);
    return {
      holds: nodes.map(({ joulesPerKelvin }) => joulesPerKelvin),
      starts: nodes.map(({ startC }) => startC),
      ways: links.map(({ from, to, kelvinPerWatt }) => [place(from), place(to), 1 / kelvinPerWatt] as const),
      heater: place('heater'),
      joint: place('joint'),
      risks: joint.risks.map(({ node }) => place(node)),
    };
  });
  const [dry, wet] = nets as [(typeof nets)[0], (typeof nets)[0]];
  expect(joint.links.some(({ to }) => to === ROOM)).toBe(true);
  let net = dry;
  const t = [...dry.starts];
  let [melts, wets] = [undefined as number | undefined, undefined as number | undefined];
  const soft = joint.risks.map(({ what }) => ({ what, s: undefined as number | undefined, near: 0 }));
  const kept: { joint: number; risks: number[] }[] = [];
  for (let n = 0; n <= Math.round(LONGEST / STEP); n++) {
    const s = n * STEP;
    const hot = t[net.joint] as number;
    if (hot >= liquidC && melts === undefined) [melts, net] = [s, wet];
    if (hot >= liquidC + 40) wets ??= s;
    joint.risks.forEach(({ celsius }, k) => {
      const own = soft[k] as (typeof soft)[0];
      const now = t[net.risks[k] as number] as number;
      if (now >= celsius) own.s ??= s;
      own.near = (now - ROOM_C) / (celsius - ROOM_C);
    });
    if (n % 40 === 0) kept.push({ joint: hot, risks: net.risks.map((k) => t[k] as number) });
    const flows = t.map(() => 0);
    for (const [a, b, g] of net.ways) {
      const watts = ((a < 0 ? 20 : (t[a] as number)) - (b < 0 ? 20 : (t[b] as number))) * g;
      if (a >= 0) flows[a] = (flows[a] as number) - watts;
      if (b >= 0) flows[b] = (flows[b] as number) + watts;
    }
    // Full power until 20 K below the setting, and from there on less, down to nothing.
    const short = iron.settingC - (t[net.heater] as number);
    flows[net.heater] = (flows[net.heater] as number) + iron.watts * Math.max(0, Math.min(1, short / 20));
    for (let i = 0; i < t.length; i++)
      t[i] = (t[i] as number) + (STEP * (flows[i] as number)) / (net.holds[i] as number);
  }
  return { melts, wets, soft, at: (s) => kept[Math.round(s * 100)] as (typeof kept)[0] };
}

const jointOf = (name: string, id: string, clip = false): HeatedJoint => {
  const made = heatedJoint(leadNamed(name).assembly, id, { clip });
  if (!made.ok) throw new Error(made.problems[0]?.says);
  return made.value;
};

// What is on the joint, counted by hand: handbook section 15 (a sum's parts are joined to the cores away from the connector).
it.each([
  ['stage-microphone', 'joint-A-2', 'XLR cup with 1 wire', 'cup'],
  ['stereo-sum', 'joint-R1-a', 'joint in the air with 1 wire and 1 leg', 'air'],
  ['stereo-sum', 'joint-B-2', 'XLR cup with 3 legs', 'cup'],
] as const)('%s, %s is a %s', (name, id, says, takes) => {
  const joint = jointOf(name, id);
  expect([joint.says, joint.takes]).toEqual([says, takes]);
});

const asked = (
  name: string,
  id: string,
  known: Known,
  solder: 'tin-lead' | 'silver' | 'lead-free' = 'tin-lead',
) => {
  const lead = leadNamed(name);
  return heatOf(lead.assembly, id, { ...schoolsOf(lead), solder }, known);
};
const answer = (
  name: string,
  id: string,
  known: Known,
  solder?: 'tin-lead' | 'silver' | 'lead-free',
): HeatAnswer => {
  const found = asked(name, id, known, solder);
  if (!found.ok) throw new Error(JSON.stringify(found.problems));
  return found.value;
};

/** The tip and setting whose window is widest, as a share of how long it is held; the earlier of two alike. */
function best(joint: HeatedJoint, watts: number, settings: readonly number[], liquidC: number) {
  const fit = TIPS.filter(({ wideMm }) => wideMm <= joint.wideMm * 1.3);
  const runs = (fit.length > 0 ? fit : TIPS.slice(0, 1)).flatMap((tip) =>
    settings.map((settingC) => {
      const run = seen(joint, { watts, settingC, tip }, liquidC);
      const first = run.soft
        .map((each, k) => ({ ...each, k }))
        .sort((a, b) => (a.s ?? LONGEST) - (b.s ?? LONGEST) || b.near - a.near)[0];
      const dwell = run.wets === undefined ? undefined : run.wets + joint.flows;
      const width = dwell === undefined ? -Infinity : ((first?.s ?? LONGEST) - dwell) / dwell;
      return { tip, settingC, run, first, dwell, width };
    }),
  );
  return runs.reduce((a, b) => (b.width > a.width ? b : a));
}

const USUAL = [330, 340, 350, 360, 370, 380];
describe('tip, setting and times are the ones that another integration finds', () => {
  it.each([
    ['stage-microphone', 'joint-A-2', 50, 'tin-lead', 190, USUAL, false],
    ['stereo-35-to-35', 'joint-A-T', 50, 'tin-lead', 190, USUAL, false],
    ['instrument-lead', 'joint-A-S', 80, 'silver', 179, USUAL, true],
    ['stage-microphone', 'joint-A-1', 60, 'lead-free', 227, [...USUAL, 390, 400], false],
    ['record-player-unified', 'link-A-Lm-A-Rm-a-case', 25, 'tin-lead', 190, USUAL, false],
  ] as const)('%s %s with %i W and %s', (name, id, watts, solder, liquidC, settings, clip) => {
    const joint = jointOf(name, id, clip);
    const want = best(joint, watts, settings, liquidC);
    const got = answer(name, id, { watts, clip }, solder);
    expect([got.version, got.joint, got.watts, got.clip]).toEqual([1, id, watts, clip]);
    expect([got.tip, got.settingC]).toEqual([want.tip.name, want.settingC]);
    const near = (have: number | undefined, should: number | undefined) =>
      should === undefined ? expect(have).toBeUndefined() : expect(have).toBeCloseTo(should, 2);
    near(got.wetsAt, want.run.wets);
    near(got.dwell, want.dwell);
    near(got.givesWayAt, want.first?.s);
    near(got.spare, want.dwell === undefined ? undefined : (want.first?.s ?? LONGEST) - want.dwell);
    expect(got.givesWay?.what).toBe(want.first?.what);
    // A point every twentieth of a second, until one second after all is over.
    const shown = Math.min(LONGEST, Math.max(want.dwell ?? LONGEST, want.first?.s ?? 0) + 1);
    expect(got.curve.length).toBeGreaterThanOrEqual(Math.floor(shown / 0.05));
    expect(got.curve.length).toBeLessThanOrEqual(Math.floor(shown / 0.05) + 2);
    for (const [n, point] of got.curve.entries()) {
      if (n === 0) expect(point.s).toBe(0);
      else expect(point.s - (got.curve[n - 1]?.s ?? 0)).toBeGreaterThan(0.03);
      expect(Math.abs(point.s - n * 0.05)).toBeLessThan(0.06);
      const there = want.run.at(point.s);
      expect(Math.abs(point.jointC - there.joint)).toBeLessThan(3);
      const risk = want.first === undefined ? undefined : there.risks[want.first.k];
      if (risk === undefined) expect(point.insulationC).toBeUndefined();
      else expect(Math.abs((point.insulationC ?? NaN) - risk)).toBeLessThan(3);
    }
  });
});

describe('what was measured', () => {
  const JOINT = ['stage-microphone', 'joint-A-2'] as const;
  const chisel = TIPS[1] as Tip;
  const melts = (toJoint: number) =>
    seen(
      jointOf(...JOINT),
      { watts: 50, settingC: 360, tip: { ...chisel, toJoint: { ...chisel.toJoint, usual: toJoint } } },
      190,
    );

  it('the tip gives what it must for the solder to run then', () => {
    for (const toJoint of [0.6, 2, 12]) {
      const there = melts(toJoint);
      const got = answer(...JOINT, { settingC: 360, meltSeconds: there.melts });
      expect(got.wetsAt).toBeCloseTo(there.wets ?? NaN, 1);
    }
  });

  it('sooner than with no more than half a kelvin a watt none does', () => {
    const code = (meltSeconds: number | undefined) => {
      const found = asked(...JOINT, { settingC: 360, meltSeconds });
      return found.ok ? 'found' : found.problems[0]?.code;
    };
    expect(code(melts(0.55).melts)).toBe('found');
    expect(code((melts(0.45).melts ?? 0) - 0.01)).toBe('heat.melt');
    expect(code(7.9)).toBe('found');
  });
});

describe('what is asked for at its limits', () => {
  it.each([
    [{ watts: 5 }, undefined],
    [{ watts: 4.9 }, 'heat.watts'],
    [{ watts: 500 }, undefined],
    [{ watts: 500.1 }, 'heat.watts'],
    [{ settingC: 150 }, undefined],
    [{ settingC: 149 }, 'heat.setting'],
    [{ settingC: 500 }, undefined],
    [{ settingC: 501 }, 'heat.setting'],
  ])('%o', (known, code) => {
    const found = asked('stage-microphone', 'joint-A-2', known);
    expect(found.ok ? undefined : found.problems[0]?.code).toBe(code);
  });
});

describe('what is said of it', () => {
  const KNOWN: readonly Known[] = [15, 20, 25, 30, 40, 50, 80].flatMap((watts) =>
    [300, 320, 340, 360, 380].map((settingC) => ({ watts, settingC })),
  );
  it('a window, a narrow one, none, and no heat: each by its times, with both of them named', () => {
    const kinds = new Set<string>();
    for (const [name, id] of [
      ['stage-microphone', 'joint-A-2'],
      ['stereo-35-to-35', 'joint-A-T'],
      ['instrument-lead', 'joint-A-S'],
    ] as const)
      for (const known of KNOWN) {
        const found = asked(name, id, known);
        if (!found.ok) continue;
        const { says, warning, wetsAt, dwell, givesWayAt, tip, settingC, givesWay } = found.value;
        if (wetsAt === undefined || dwell === undefined) {
          kinds.add('no heat');
          expect(says).toBe(`With ${known.watts} W it does not wet within 8 s.`);
          expect(warning).toBe('This joint needs more iron: a wider tip, or a stronger one.');
          continue;
        }
        const hold = `${tip.charAt(0).toUpperCase()}${tip.slice(1)} at ${settingC} °C: it wets after ${wetsAt.toFixed(1)} s; hold about ${dwell.toFixed(1)} s, and let go when it has been drawn in.`;
        const soft =
          givesWayAt === undefined ? '' : `${givesWay?.what} softens after ${givesWayAt.toFixed(1)} s`;
        if (givesWayAt === undefined || givesWayAt > dwell) {
          kinds.add('window');
          expect(warning).toBeUndefined();
          expect(says.toLowerCase()).toBe(`${hold}${soft === '' ? '' : ` ${soft}.`}`.toLowerCase());
        } else if (givesWayAt > wetsAt) {
          kinds.add('narrow');
          expect(says).toBe(hold);
          expect(warning).toContain(`The window is narrow: ${soft}.`);
        } else {
          kinds.add('none');
          expect(says).toBe(hold);
          expect(warning).toContain(`There is no window: ${soft}, before the joint wets.`);
        }
      }
    expect([...kinds].sort()).toEqual(['narrow', 'no heat', 'none', 'window']);
  });
});
