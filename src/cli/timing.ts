import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { endsOf, spanLengths } from '../core/assembly';
import { provenOf, sequence } from '../core/bench';
import { deckText, logarithmic, sweeps, voltageVector, type Circuit, type Deck } from '../core/circuit';
import { peel, stripOf } from '../core/drawing';
import { dressed } from '../core/dressing';
import { findings } from '../core/findings';
import { kit } from '../core/kit';
import { derive, mainUse, schoolsOf, type Lead } from '../core/lead';
import { leadCircuit } from '../core/model';
import { checkList, judge, proofOf, type CheckList, type Proof } from '../core/proving';
import { leadSignal, LINES, tellTaleCircuit, truthTable } from '../core/signal';
import type { Situation } from '../core/situation';
import { inTurns, middle, NGSPICE, processor, theirs } from './processor-time';
import { provenPlan } from './sixty';

/**
 * `npm run bench core`: what the heavy parts of the core take, processor time, medians of five. *Cold* is the first time in
 * a process of its own, as whoever opens a page meets it; *warm* is in a process that has run it for a while. Where there is a reference
 * the two run in turns. With a size the growth is said as an exponent, from 4 pairs to 48.
 */
interface Measure {
  readonly what: string;
  /** What it may take, ms warm. Beyond three times that the run fails. */
  readonly budget: number;
  /** Whether what it starts from is made anew for each run, outside the time taken: it remembers. */
  readonly anew?: boolean;
  /** What it may take cold, ms; said only where none is given. */
  readonly coldBudget?: number;
  /** Prepares it: what comes back is measured. */
  readonly of: () => () => unknown;
  /** The same with so many pairs. */
  readonly sized?: (pairs: number) => () => unknown;
  /** The most that its exponent may be. */
  readonly exponent?: number;
  /** The same as SPICE decks: each a whole process of ngspice. */
  readonly decks?: () => readonly string[];
  /** The most that it may take beside them. */
  readonly share?: number;
}

const LIMIT = 3;
const TIMES = 5;
/** For so long and so often it runs before it counts as warm, ms: till what it runs is compiled. */
const WARM_UP = { least: 4_000, most: 15_000, times: 60 } as const;
const PAIRS = [4, 24, 48] as const;

function must<T>(
  made: { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: unknown },
): T {
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.value;
}

const leadOf = (example: string): Lead =>
  must(
    derive(
      (JSON.parse(readFileSync(`examples/intents/${example}.json`, 'utf8')) as { intent: unknown }).intent,
    ),
  );

/** A loom of so many microphones in one multipair, 30 m. */
const loomIntent = (pairs: number) => {
  const ends = (port: string) =>
    Array.from({ length: pairs }, (_, n) => ({ port, family: 'xlr3', channel: `${n + 1}` }));
  return {
    version: 5,
    from: ends('microphone'),
    to: ends('microphone-input'),
    length: { mm: 30_000, datum: 'face' },
    surroundings: 'stage',
    cable: `multipair-${[4, 8, 12, 16, 24, 48].find((each) => each >= pairs)}`,
    schools: {},
  };
};
const loom = (pairs: number): Lead => must(derive(loomIntent(pairs)));
/** The same document under another name: nothing of it is known from before. */
const afresh = (lead: Lead): Lead => structuredClone(lead);

const eight = () => leadOf('d25-to-eight-xlr');
const plain = () => leadOf('stage-microphone');
const useOf = (lead: Lead): Situation => {
  const use = mainUse(lead);
  if (!use) throw new Error('a lead of the bench has no situation');
  return use;
};
const circuitFor = (lead: Lead) =>
  leadCircuit(lead.assembly, useOf(lead), { lengths: spanLengths(lead.assembly) });
/** The list that a unit of a lead was started with. It was, by the server: nothing of it is compiled in this process. */
function listedFor(lead: Lead): CheckList {
  const { stdout } = spawnSync(process.execPath, [process.argv[1] ?? '', '--list'], {
    encoding: 'utf8',
    input: JSON.stringify(lead),
    maxBuffer: 1 << 28,
  });
  return JSON.parse(stdout) as CheckList;
}

/** 241 points from 10 Hz to 100 kHz: what every input hears of one channel driven alone, or of each of all. */
const POINTS = logarithmic(10, 100_000, 241);
function swept(lead: Lead, channels?: number): unknown {
  const { circuit, driven, heard } = circuitFor(lead);
  const drives = driven.slice(0, channels).map((each) => each.source);
  const asked = drives.map(() => ({ voltages: heard.map(({ between }) => between), currents: [] }));
  return must(sweeps(circuit, POINTS, drives, { asked }));
}
function sweepDeck(lead: Lead): string {
  const { circuit, heard } = circuitFor(lead);
  const ac = { spacing: 'dec', points: 60, from: 10, to: 100_000 } as const;
  const print = { op: [], ac: heard.map(({ between }) => voltageVector(...between)) };
  return deckText({ title: 'sweep', circuit, op: false, ac, print } satisfies Deck);
}
const pointDeck = (circuit: Circuit): string =>
  deckText({ title: 'point', circuit, op: true, print: { op: [], ac: [] } });

/** Every reading of every fault: the whole table that a verdict chooses from. */
const readings = (proof: Proof): unknown =>
  proof.hypotheses.map((hypothesis) => proof.probes.map((probe) => hypothesis.reads(probe)));

/** The verdict after a first reading that is not what it should be. */
function firstWrong(proof: Proof): unknown {
  const [first] = proof.probes;
  return judge(proof, first ? [{ probe: first.id, answer: { kind: 'silent' } }] : []);
}

const drawn = (lead: Lead): unknown => [
  stripOf(lead.assembly),
  endsOf(lead.assembly).map(({ id }) => peel(lead.assembly, id, { side: 'solder' })),
];

/** Something done to an example, and to a loom of any size, each time to a document that nothing is known of. */
function sized<T = undefined>(
  lead: () => Lead,
  run: (lead: Lead, ready: T | undefined) => unknown,
  ready?: (lead: Lead) => T,
) {
  const of = (one: Lead) => {
    const at = ready?.(one);
    return () => run(afresh(one), at);
  };
  return { of: () => of(lead()), sized: (pairs: number) => of(loom(pairs)) };
}

/** The proof of the eight-channel lead, as the page of a unit has it. */
const eightProven = (): Proof => {
  const lead = afresh(eight());
  return proofOf(provenOf(lead), { listed: (EIGHT_LISTED.it ??= listedFor(lead)) });
};
const EIGHT_LISTED: { it?: CheckList } = {};

const MEASURES: readonly Measure[] = [
  { what: 'derive a stage microphone lead', budget: 5, of: () => () => derive(plain().intent) },
  {
    what: 'derive a loom of 24 pairs',
    budget: 60,
    of: () => () => derive(loomIntent(24)),
    sized: (pairs) => () => derive(loomIntent(pairs)),
    exponent: 1.2,
  },
  {
    what: 'findings of a loom of 24 pairs',
    budget: 150,
    exponent: 1.2,
    ...sized(() => loom(24), findings),
  },
  {
    what: 'order of work of a loom of 24 pairs',
    budget: 60,
    exponent: 1.2,
    ...sized(
      () => loom(24),
      (lead) => sequence(dressed(lead), schoolsOf(lead)),
    ),
  },
  {
    what: 'kit of a loom of 24 pairs',
    budget: 60,
    exponent: 1.2,
    ...sized(
      () => loom(24),
      (lead) => kit(dressed(lead), schoolsOf(lead)),
    ),
  },
  { what: 'drawing of a loom of 24 pairs', budget: 60, exponent: 1.2, ...sized(() => loom(24), drawn) },
  {
    what: 'list the checks of the eight-channel lead, as a unit is started',
    budget: 200,
    ...sized(eight, (lead) => checkList(provenOf(lead))),
  },
  {
    what: 'prepare the proof of the eight-channel lead',
    budget: 60,
    exponent: 1.3,
    ...sized(eight, (lead, listed?: CheckList) => proofOf(provenOf(lead), listed && { listed }), listedFor),
  },
  {
    what: 'every fault at every probe of the eight-channel lead',
    budget: 1000,
    of: () => {
      const lead = eight();
      return () => readings(proofOf(provenOf(afresh(lead))));
    },
  },
  {
    // The page has worked the proof out before it asks for a reading: that is what is waited for as the page comes, above.
    what: 'first verdict after a wrong reading, eight channels',
    budget: 60,
    coldBudget: 60,
    anew: true,
    of: () => {
      const proof = eightProven();
      return () => firstWrong(proof);
    },
  },
  {
    what: 'signal of the eight-channel lead with its ranges',
    budget: 500,
    of: () => {
      const lead = eight();
      return () => leadSignal(afresh(lead).assembly, useOf(lead));
    },
  },
  {
    what: 'sweep the eight-channel lead, one drive, 241 points',
    budget: 200,
    share: 0.5,
    of: () => {
      const lead = eight();
      return () => swept(lead, 1);
    },
    decks: () => [sweepDeck(eight())],
  },
  {
    what: 'sweep the eight-channel lead, each of eight channels alone',
    budget: 800,
    of: () => {
      const lead = eight();
      return () => swept(lead);
    },
    decks: () => useOf(eight()).links.map(() => sweepDeck(eight())),
  },
  {
    what: 'sweep a stage microphone lead',
    budget: 50,
    of: () => {
      const lead = plain();
      return () => swept(lead, 1);
    },
    decks: () => [sweepDeck(plain())],
  },
  {
    what: 'truth table of the tell-tale',
    budget: 100,
    of: () => () => truthTable('P48', 4700, 2, true),
    decks: () => LINES.map((line) => pointDeck(tellTaleCircuit(line, 'P48', 4700, 2, true))),
  },
  {
    what: 'plan of sixty cuts of eight lengths, proven',
    budget: 1000,
    coldBudget: 1000,
    of: () => provenPlan,
  },
];

/** Warm times of a run, in turns with the reference where there is one. */
function warm(of: () => () => unknown, decks: readonly string[], folder: string, anew = false) {
  const kept = of();
  const next = (): (() => unknown) => (anew ? of() : kept);
  const from = performance.now();
  const since = (): number => performance.now() - from;
  for (let n = 0; n < 2 || since() < WARM_UP.least || (n < WARM_UP.times && since() < WARM_UP.most); n++)
    next()();
  const pairs = Array.from({ length: TIMES }, () => ({
    ours: processor(next()),
    theirs: decks.length > 0 ? theirs(decks, folder) : 0,
  }));
  return {
    ours: middle(pairs.map(({ ours }) => ours)),
    theirs: middle(pairs.map((each) => each.theirs)),
    share: middle(pairs.map((each) => each.ours / each.theirs)),
  };
}

/** The first time, in a process of its own, ms. */
const cold = (n: number): number =>
  middle(
    Array.from({ length: TIMES }, () =>
      Number(
        spawnSync(process.execPath, [process.argv[1] ?? '', '--cold', `${n}`], { encoding: 'utf8' }).stdout,
      ),
    ),
  );

function report(measure: Measure, n: number, folder: string): boolean {
  const decks = measure.decks && existsSync(NGSPICE) ? measure.decks() : [];
  const { ours, theirs: reference, share } = warm(measure.of, decks, folder, measure.anew);
  const first = cold(n);
  const by = measure.sized;
  const sizes = by ? inTurns(PAIRS.map((pairs) => by(pairs))) : [];
  const [small, , large] = sizes;
  const growth =
    small !== undefined && large !== undefined ? Math.log(large / small) / Math.log(PAIRS[2] / PAIRS[0]) : 0;
  const over = [
    ours > measure.budget && `over its ${measure.budget} ms`,
    measure.coldBudget !== undefined &&
      first > measure.coldBudget &&
      `over its ${measure.coldBudget} ms cold`,
    measure.exponent !== undefined &&
      growth > measure.exponent &&
      `grows faster than its ${measure.exponent}`,
    measure.share !== undefined && share > measure.share && `over its ${measure.share} of ngspice`,
  ].filter((each) => each !== false);
  const said = [
    `${ours.toFixed(1).padStart(8)} ms warm, ${first.toFixed(0).padStart(5)} cold`,
    over.length === 0 ? 'within' : over.join(', '),
    measure.what,
    ...(decks.length > 0 ? [`${share.toFixed(2)} times ngspice’s ${reference.toFixed(0)} ms`] : []),
    ...(by
      ? [
          `${PAIRS.map((pairs, k) => `${pairs} pairs ${sizes[k]?.toFixed(0)}`).join(', ')}: n^${growth.toFixed(2)}`,
        ]
      : []),
  ];
  console.info(said.join('; '));
  return ours <= LIMIT * measure.budget;
}

const [option, which] = process.argv.slice(2);
if (option === '--list') {
  const lead = JSON.parse(readFileSync(0, 'utf8')) as Lead;
  console.info(JSON.stringify(checkList(provenOf(lead))));
} else if (option === '--cold') {
  const run = MEASURES[Number(which)]?.of();
  if (run) console.info(`${processor(run)}`);
} else {
  const folder = mkdtempSync(path.join(tmpdir(), 'antler-bench-'));
  try {
    const wanted = MEASURES.map((measure, n) => ({ measure, n })).filter(
      ({ measure }) => option === undefined || measure.what.includes(option),
    );
    for (const { measure, n } of wanted) if (!report(measure, n, folder)) process.exitCode = 1;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
