import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { spanLengths } from '../core/assembly';
import { sequence } from '../core/bench';
import { deckText, logarithmic, sweeps, voltageVector, type Circuit, type Deck } from '../core/circuit';
import { findings } from '../core/findings';
import { lead } from '../core/front';
import { judge, proofOf } from '../core/proving';
import { leadSignal, LINES, tellTaleCircuit, truthTable } from '../core/signal';
import { derive, mainUse, schoolsOf, type Lead } from '../core/lead';
import { leadCircuit } from '../core/model';
import type { Situation } from '../core/situation';

/** Something that has to be quick, with the time it may take, ms. Beyond three times that the run fails. */
interface Measure {
  readonly what: string;
  readonly budget: number;
  readonly run: () => unknown;
  /** The same as SPICE decks, for the ratio to ngspice. */
  readonly decks?: () => readonly string[];
}

const LIMIT = 3;

function fail(says: string): never {
  throw new Error(says);
}

function leadOf(example: string): Lead {
  const { intent } = JSON.parse(readFileSync(`examples/intents/${example}.json`, 'utf8')) as {
    intent: unknown;
  };
  const derived = derive(intent);
  if (!derived.ok) throw new Error(`${example}: ${JSON.stringify(derived.problems)}`);
  return derived.value;
}

/** Forty-eight microphones, the most that a trunk carries. */
const forty = lead({
  version: 3,
  from: Array.from({ length: 48 }, (_, n) => ({ port: 'microphone', family: 'xlr3', channel: `${n + 1}` })),
  to: Array.from({ length: 48 }, (_, n) => ({
    port: 'microphone-input',
    family: 'xlr3',
    channel: `${n + 1}`,
  })),
  length: { mm: 30_000, datum: 'face' },
  surroundings: 'stage',
  cable: 'multipair-48',
  schools: {},
});
const trunk = forty.ok ? forty.value : fail(JSON.stringify(forty.problems));
const eight = leadOf('d25-to-eight-xlr');
const plain = leadOf('stage-microphone');
const proof = proofOf(eight.assembly, spanLengths(eight.assembly));

/** 241 points from 10 Hz to 100 kHz with each channel driven alone: every terminal of the lead, crosstalk among them. */
const POINTS = logarithmic(10, 100_000, 241);
const useOf = (lead: Lead): Situation => mainUse(lead) ?? fail('a lead of the bench has no situation');
const circuitFor = (lead: Lead) =>
  leadCircuit(lead.assembly, useOf(lead), { lengths: spanLengths(lead.assembly) });
const swept = (lead: Lead, channels?: number): unknown => {
  const { circuit, driven } = circuitFor(lead);
  const made = sweeps(
    circuit,
    POINTS,
    driven.slice(0, channels).map((each) => each.source),
  );
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.value;
};
const sweepDeck = (lead: Lead): string => {
  const { circuit, heard } = circuitFor(lead);
  const ac = { spacing: 'dec', points: 60, from: 10, to: 100_000 } as const;
  const print = { op: [], ac: heard.map(({ between }) => voltageVector(...between)) };
  return deckText({ title: 'sweep', circuit, op: false, ac, print } satisfies Deck);
};
const pointDeck = (circuit: Circuit): string =>
  deckText({ title: 'point', circuit, op: true, print: { op: [], ac: [] } });

const MEASURES: readonly Measure[] = [
  { what: 'derive the 8-channel D-25 fan-out', budget: 20, run: () => derive(eight.intent) },
  { what: 'derive a stage microphone lead', budget: 5, run: () => derive(plain.intent) },
  {
    what: 'findings of the D-25 fan-out',
    budget: 150,
    run: () => findings({ ...eight }),
  },
  { what: 'derive a trunk of 48 ways', budget: 300, run: () => derive(trunk.document.intent) },
  { what: 'work plan of a trunk of 48 ways', budget: 2500, run: () => trunk.plan() },
  { what: 'findings of a trunk of 48 ways', budget: 10_000, run: () => trunk.check() },
  {
    what: 'work plan of the D-25 fan-out',
    budget: 150,
    run: () => sequence(eight.assembly, schoolsOf(eight)),
  },
  {
    what: 'prepare the proof of the D-25 fan-out',
    budget: 1500,
    run: () => proofOf(eight.assembly, spanLengths(eight.assembly)),
  },
  {
    what: 'sweep the D-25 fan-out, every terminal, each of eight channels alone',
    budget: 2000,
    run: () => swept(eight),
    decks: () => useOf(eight).links.map(() => sweepDeck(eight)),
  },
  {
    what: 'sweep the D-25 fan-out once',
    budget: 800,
    run: () => swept(eight, 1),
    decks: () => [sweepDeck(eight)],
  },
  {
    what: 'sweep a stage microphone lead',
    budget: 50,
    run: () => swept(plain, 1),
    decks: () => [sweepDeck(plain)],
  },
  {
    what: 'truth table of the tell-tale',
    budget: 100,
    run: () => truthTable('P48', 4700, 2, true),
    decks: () => LINES.map((line) => pointDeck(tellTaleCircuit(line, 'P48', 4700, 2, true))),
  },
  {
    what: 'signal of the D-25 fan-out with its ranges',
    budget: 2500,
    run: () => leadSignal(eight.assembly, useOf(eight)),
  },
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

const NGSPICE = '/usr/bin/ngspice';

/** How long ngspice takes over decks, ms, without the time that it takes to start; nothing where it is not installed. */
function ngspice(decks: readonly string[]): number | undefined {
  if (!existsSync(NGSPICE)) return undefined;
  const folder = mkdtempSync(path.join(tmpdir(), 'antler-bench-'));
  const time = (deck: string): number => {
    const file = path.join(folder, 'deck.cir');
    writeFileSync(file, deck);
    const start = performance.now();
    spawnSync(NGSPICE, ['-b', file], { stdio: 'ignore', cwd: folder });
    return performance.now() - start;
  };
  try {
    const empty = pointDeck({ elements: [{ kind: 'resistor', id: 'R1', a: 'a', b: '0', ohms: 1 }] });
    const least = Math.min(time(empty), time(empty), time(empty));
    return decks.reduce((sum, deck) => sum + Math.max(0.1, time(deck) - least), 0);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

for (const measure of MEASURES) {
  const ms = median(measure);
  const word = ms <= measure.budget ? 'within' : ms <= LIMIT * measure.budget ? 'over' : 'FAR OVER';
  const theirs = measure.decks && ngspice(measure.decks());
  const beside =
    theirs === undefined ? '' : `; ${(ms / theirs).toFixed(2)} times ngspice’s ${theirs.toFixed(1)} ms`;
  console.info(`${ms.toFixed(1).padStart(8)} ms  ${word} its ${measure.budget} ms: ${measure.what}${beside}`);
  if (ms > LIMIT * measure.budget) process.exitCode = 1;
}
