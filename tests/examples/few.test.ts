import { afterAll, describe, expect, it } from 'vitest';
import { provenOf } from '../../src/core/bench';
import type { Lead } from '../../src/core/lead';
import { answersOf, isProbe, proofOf, type Probe, type Proof } from '../../src/core/proving';
import { overlap, type Hypothesis } from '../../src/core/proving/proof';
import { bestSplit } from '../../src/core/proving/split';
import { changesOf } from './one-change';
import { EXAMPLES, leadOf, proofFor, type Example } from './read';

/** The best tree of checks can be worked out for so many groups of faults that nothing tells apart. */
const MOST_CLASSES = 17;
/** The tree that is walked may ask for so much more than the best. */
const MORE = 1.05;
const long = process.env['ANTLER_TEST_LONG'] !== undefined;
/** Of a lead with lamps every reading takes a while: all of them in the long tests. */
const SOME = EXAMPLES.filter(({ id }, n) => long || n % 3 === 1 || id === 'balanced-to-ts-cross-coupled');

/** Faults that no probe of the closed lead tells apart: what each probe says of them, and how often they happen. */
interface Class {
  readonly says: readonly number[];
  readonly weight: number;
  readonly fault: Hypothesis['fault'];
}

/** Answers by their number: those that cannot be told apart, one by one, have the same. */
function numbered(answers: readonly { readonly from: number; readonly to: number }[]): readonly number[] {
  const order = answers.map((_, n) => n).sort((a, b) => (answers[a]?.from ?? 0) - (answers[b]?.from ?? 0));
  const numbers = answers.map(() => 0);
  let [number, reach] = [0, Number.NEGATIVE_INFINITY];
  for (const n of order) {
    const { from, to } = answers[n] ?? { from: 0, to: 0 };
    if (from > reach) number++;
    reach = Math.max(reach, to);
    numbers[n] = number;
  }
  return numbers;
}

/** The faults that the closed lead’s probes see, class by class. */
function classesOf(proof: Proof, probes: readonly Probe[]): readonly Class[] {
  const answers = probes.map((probe) => numbered(proof.hypotheses.map((each) => each.reads(probe))));
  const signature = (n: number): readonly number[] => answers.map((each) => each[n] ?? 0);
  const good = signature(0).join();
  const classes = new Map<string, Class>();
  for (const [n, one] of proof.hypotheses.entries()) {
    const says = signature(n);
    const key = says.join();
    if (n === 0 || key === good) continue;
    const weight = one.fault?.weight ?? 1;
    const known = classes.get(key);
    classes.set(
      key,
      known ? { ...known, weight: known.weight + weight } : { says, weight, fault: one.fault },
    );
  }
  return [...classes.values()];
}

/** Classes by what a probe says of them. */
function parted(classes: readonly Class[], probe: number): readonly (readonly Class[])[] {
  const parts = new Map<number, Class[]>();
  for (const each of classes) {
    const answer = each.says[probe] ?? 0;
    parts.set(answer, [...(parts.get(answer) ?? []), each]);
  }
  return [...parts.values()];
}
const weightOf = (classes: readonly Class[]): number => classes.reduce((sum, { weight }) => sum + weight, 0);

/** What finding each takes by the core’s choice, times how often it happens. */
function chosen(probes: readonly Probe[], classes: readonly Class[]): number {
  if (classes.length < 2) return 0;
  const next = bestSplit(
    probes,
    // Each says its number: what is told apart is told apart here as in the best tree.
    classes.map(({ says, weight, fault }): Hypothesis => ({
      fault: fault && { ...fault, weight },
      touches: () => true,
      reads(check) {
        const number = says[probes.findIndex(({ id }) => id === check.id)] ?? 0;
        return { from: number, to: number };
      },
    })),
  );
  if (!next) return expect.fail('nothing tells them apart, and they are told apart');
  const parts = parted(
    classes,
    probes.findIndex(({ id }) => id === next.id),
  );
  if (parts.length < 2) return expect.fail('what is asked tells nothing');
  return weightOf(classes) + parts.reduce((sum, part) => sum + chosen(probes, part), 0);
}

/** The same by the best tree there is: every probe tried at every place, by brute force over sets of classes. */
function best(classes: readonly Class[], probes: number): number {
  const known = new Map<number, number>();
  const bit = new Map(classes.map((each, n) => [each, 1 << n]));
  const go = (left: readonly Class[]): number => {
    if (left.length < 2) return 0;
    const key = left.reduce((sum, each) => sum | (bit.get(each) ?? 0), 0);
    const before = known.get(key);
    if (before !== undefined) return before;
    let least = Number.POSITIVE_INFINITY;
    for (let probe = 0; probe < probes; probe++) {
      const parts = parted(left, probe);
      if (parts.length < 2) continue;
      let sum = weightOf(left);
      for (const part of parts) if (sum < least) sum += go(part);
      least = Math.min(least, sum);
    }
    known.set(key, least);
    return least;
  };
  return go(classes);
}

const bits = (classes: readonly Class[]): number => {
  const all = weightOf(classes);
  return classes.reduce((sum, { weight }) => sum - (weight / all) * Math.log2(weight / all), 0);
};

describe('a lead that is known to be faulty', () => {
  const lines: string[] = [];
  let [worked, worst] = [0, 1];
  afterAll(() => {
    console.info(
      `expected probes until a fault is found (bits of the faults; best tree where it was worked out)\n${lines.join('\n')}`,
    );
    expect(worked).toBeGreaterThan(10);
    console.info(`at the most ${((worst - 1) * 100).toFixed(1)} % over the best tree`);
  });

  it.each(SOME.map((each) => [each.id, each] as const))(
    '%s: what is asked next finds the fault as soon as the best tree does, within a twentieth',
    (id, example) => {
      const { proof } = proofFor(example);
      const probes = proof.candidates.filter(({ before }) => before === undefined);
      const classes = classesOf(proof, probes);
      if (classes.length < 2) return;
      const all = weightOf(classes);
      const walked = chosen(probes, classes) / all;
      const isWhole = classes.length <= MOST_CLASSES;
      const least = isWhole ? best(classes, probes.length) / all : undefined;
      lines.push(
        `${id}: ${classes.length} classes, ${bits(classes).toFixed(2)} bits, ${walked.toFixed(2)} probes${least === undefined ? '' : ` (${least.toFixed(2)})`}`,
      );
      if (least === undefined) return;
      worked++;
      worst = Math.max(worst, walked / least);
      expect(walked).toBeLessThanOrEqual(least * MORE);
    },
  );
});

describe('the proof of a good lead', () => {
  /** Whether some lead of one change reads right everywhere but here. */
  const isSole = (lead: Lead, proof: Proof, probe: Probe): boolean => {
    for (const { after } of changesOf(lead, (all) => all)) {
      const says = answersOf(provenOf(lead), proof, { assembly: after });
      const isOff = (each: Probe): boolean => {
        const [{ from, to }, reads] = [proof.expects(each), says(each) ?? 0];
        return reads < from || reads > to;
      };
      if (isOff(probe) && !proof.probes.some((other) => other !== probe && isOff(other))) return true;
    }
    return false;
  };
  const needless = (example: Example): readonly string[] => {
    const lead = leadOf(example);
    const proof = proofOf(provenOf(lead));
    const [ideal, ...faulty] = proof.hypotheses;
    if (!ideal) return expect.fail('no lead');
    const sees = (probe: Probe, each: Hypothesis): boolean =>
      each.touches(probe) && !overlap(each.reads(probe), ideal.reads(probe));
    const closed = proof.checks.filter(isProbe).filter(({ before }) => before === undefined);
    // A wiper is followed all the way up, whatever it tells; each against all others is there for itself.
    const followed = new Set(
      closed.filter(({ turn }) => turn === 0.5).map(({ red, black }) => `${red} ${String(black)}`),
    );
    const isOwn = (probe: Probe): boolean =>
      probe.kind === 'short' ||
      probe.kind === 'shell' ||
      (probe.turn !== undefined && followed.has(`${probe.red} ${String(probe.black)}`));
    return closed
      .filter(
        (probe) =>
          !isOwn(probe) &&
          !faulty.some(
            (each) =>
              sees(probe, each) && !proof.probes.some((other) => other !== probe && sees(other, each)),
          ) &&
          !isSole(lead, proof, probe),
      )
      .map(({ id }) => id);
  };

  it('asks for no path and no part that something else on the list would see as well', () => {
    const found = SOME.flatMap((example) => needless(example).map((probe) => `${example.id}: ${probe}`));
    expect(found).toEqual([]);
  });
});
