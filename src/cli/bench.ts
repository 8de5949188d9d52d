import { readFileSync } from 'node:fs';
import { spanLengths } from '../core/assembly';
import { sequence } from '../core/bench';
import { leadCircuit, logarithmic, sweeps } from '../core/circuit';
import { findings } from '../core/findings';
import { judge, proofOf } from '../core/proving';
import { derive, type Lead } from '../core/wiring';

/** Something that has to be quick, with the time it may take, ms. Beyond three times that the run fails. */
interface Measure {
  readonly what: string;
  readonly budget: number;
  readonly run: () => unknown;
}

const LIMIT = 3;

function leadOf(example: string): Lead {
  const { intent } = JSON.parse(readFileSync(`examples/intents/${example}.json`, 'utf8')) as {
    intent: unknown;
  };
  const derived = derive(intent);
  if (!derived.ok) throw new Error(`${example}: ${JSON.stringify(derived.problems)}`);
  return derived.value;
}

const eight = leadOf('d25-to-eight-xlr');
const plain = leadOf('stage-microphone');
const proof = proofOf(eight.assembly, spanLengths(eight.assembly));

/** 241 points from 10 Hz to 100 kHz with each channel driven alone: every terminal of the lead, crosstalk among them. */
const POINTS = logarithmic(10, 100_000, 241);
const circuitFor = ({ assembly, situation }: Lead) =>
  leadCircuit(assembly, situation, { lengths: spanLengths(assembly), imbalanceOhms: 10 });
const swept = (lead: Lead): unknown => {
  const { circuit, driven } = circuitFor(lead);
  const made = sweeps(
    circuit,
    POINTS,
    driven.map((each) => each.source),
  );
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.value;
};

const MEASURES: readonly Measure[] = [
  { what: 'derive the 8-channel D-25 fan-out', budget: 20, run: () => derive(eight.intent) },
  { what: 'derive a stage microphone lead', budget: 5, run: () => derive(plain.intent) },
  {
    what: 'findings of the D-25 fan-out',
    budget: 150,
    run: () => findings({ ...eight.assembly }, eight.situation),
  },
  {
    what: 'course of work of the D-25 fan-out',
    budget: 150,
    run: () => sequence(eight.assembly, eight.schools),
  },
  {
    what: 'prepare the proof of the D-25 fan-out',
    budget: 1500,
    run: () => proofOf(eight.assembly, spanLengths(eight.assembly)),
  },
  {
    what: 'sweep the D-25 fan-out, every terminal, each channel alone',
    budget: 2000,
    run: () => swept(eight),
  },
  { what: 'sweep a stage microphone lead', budget: 100, run: () => swept(plain) },
  { what: 'first verdict on the D-25 fan-out', budget: 500, run: () => judge(proof, []) },
];

/** The median of several runs after a warm one, ms. */
function median({ run, budget }: Measure): number {
  run();
  const times = Array.from({ length: budget > 200 ? 3 : 15 }, () => {
    const start = performance.now();
    run();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)] ?? 0;
}

for (const measure of MEASURES) {
  const ms = median(measure);
  const word = ms <= measure.budget ? 'within' : ms <= LIMIT * measure.budget ? 'over' : 'FAR OVER';
  console.info(`${ms.toFixed(1).padStart(8)} ms  ${word} its ${measure.budget} ms: ${measure.what}`);
  if (ms > LIMIT * measure.budget) process.exitCode = 1;
}
