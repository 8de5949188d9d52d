import { array, boolean, mixed, number, object, string } from 'yup';
import { placeOf, type Assembly } from '../assembly';
import { answer as answerSchema, provenOf } from '../bench';
import type { Lead } from '../lead';
import {
  answerOf,
  answersOf,
  fromPlain,
  isHidden,
  isProbe,
  judge,
  matedEnds,
  proofOf,
  standsFor,
  throughProven,
  toPlain,
  type Expectation,
  type Instrument,
  type Proof,
  type Reading,
  type Variant,
} from '../proving';
import { bad, good, isObject, readShape, type Problem, type Result, type Shape } from '../quantity';

/** The version of proof files written today. */
export const PROOF_VERSION = 1;

const id = () => string().required().max(2000);
const words = () => string().required();
/** A figure from 0 up, or `"OL"` for open. */
const figure = () =>
  mixed<number | 'OL'>(
    (value): value is number | 'OL' => value === 'OL' || (typeof value === 'number' && value >= 0),
  )
    .required()
    .meta({ jsonSchema: { anyOf: [{ type: 'number', minimum: 0 }, { const: 'OL' }] } });

/** One answer to one check, by the check's id. */
const readingSchema = object({ probe: id(), answer: answerSchema }).noUnknown();

/** Answers taken elsewhere, in the order that they were taken. */
export const readingsFileSchema = object({
  version: number()
    .oneOf([PROOF_VERSION] as const)
    .required(),
  readings: array(readingSchema.required()).max(20_000).required(),
}).noUnknown();

/** How a lead is proven, what was answered, and what follows. */
export const proofFileSchema = object({
  version: number()
    .oneOf([PROOF_VERSION] as const)
    .required(),
  probes: array(
    object({
      id: id(),
      stage: string()
        .oneOf(['open', 'closed'] as const)
        .required(),
      /** The body that is still open; of the stage `open`. */
      before: string(),
      red: array(string().required()).min(1).required(),
      black: array(string().required()).min(1).required(),
      says: words(),
      mode: string()
        .oneOf(['ohms', 'diode', 'capacitance'] as const)
        .required(),
      /** How far the control is turned up, from 0 to 1; where it does not matter, nothing. */
      turn: number().min(0).max(1),
      /** Ω; V on a diode test; F on a capacitance range. */
      expect: object({
        lowOhms: number().min(0),
        highOhms: figure().optional().default(undefined),
        lowVolts: figure().optional().default(undefined),
        highVolts: figure().optional().default(undefined),
        lowFarads: number().min(0),
        highFarads: number().min(0),
      })
        .noUnknown()
        .required(),
    })
      .noUnknown()
      .required(),
  ).required(),
  tests: array(
    object({
      id: id(),
      kind: string()
        .oneOf(['test', 'look'] as const)
        .required(),
      stage: string()
        .oneOf(['open', 'closed'] as const)
        .required(),
      before: string(),
      says: words(),
      caution: string(),
    })
      .noUnknown()
      .required(),
  ).required(),
  faults: array(object({ id: id(), says: words() }).noUnknown().required()).required(),
  notProven: array(object({ what: words(), why: words(), fault: id() }).noUnknown().required()).required(),
  readings: array(readingSchema.required()).required(),
  verdict: object({
    good: boolean().required(),
    says: words(),
    suspects: array(string().required()).required(),
  })
    .noUnknown()
    .required(),
  /** The check to take next, by its id; null when no more tells more. */
  next: string().nullable().defined(),
}).noUnknown();
export type ProofFile = Shape<typeof proofFileSchema>;

const plain = (value: number): number | 'OL' => (Number.isFinite(value) ? value : 'OL');

function expectOf({ from, to, mode }: Expectation): ProofFile['probes'][number]['expect'] {
  if (mode === 'diode') return { lowVolts: plain(from), highVolts: plain(to) };
  if (mode === 'capacitance') return { lowFarads: from, highFarads: to };
  return { lowOhms: from, highOhms: plain(to) };
}

const stageOf = (before: string | undefined) =>
  before === undefined ? ({ stage: 'closed' } as const) : ({ stage: 'open', before } as const);

/** What to answer with: nothing yet, readings taken elsewhere, or what a lead that was built so would say. */
export type AnsweredBy =
  { readonly readings: readonly Reading[] } | { readonly built: Variant } | { readonly fault: string };

/**
 * Asks a lead that was built so whatever is asked next, until nothing more is. Where a proven lead is on an end, paths are taken through it, and what
 * else touches that end is not done.
 */
function asked(
  lead: Pick<Lead, 'assembly' | 'situations'>,
  proof: Proof,
  built: Variant,
  series: string | undefined,
): readonly Reading[] {
  const says = answersOf(provenOf(lead), proof, built);
  const readings: Reading[] = [];
  for (
    let next = judge(proof, readings).next;
    next !== undefined && readings.length <= proof.checks.length + proof.candidates.length;
    next = judge(proof, readings).next
  ) {
    const through =
      series !== undefined && isProbe(next) ? throughProven(lead.assembly, next, series) : undefined;
    const check = through ?? next;
    const hidden = series !== undefined && !through && isHidden(next, series);
    readings.push({ probe: check.id, answer: answerOf(check, hidden ? undefined : says(check)) });
  }
  return readings;
}

/** Contacts that a lead's probes touch and another does not have. */
function missingIn(proof: Proof, built: Assembly): readonly string[] {
  const touched = proof.probes
    .filter(({ before }) => before === undefined)
    .flatMap(({ red, black }) => [red, ...black]);
  return [...new Set(touched)].filter((each) => placeOf(built, each) === undefined);
}

/**
 * How a lead is proven, and what follows from what was answered. Errors: `proof.fault`, a fault that this lead cannot have; `proof.built`, a lead that is
 * not of this sheet; `proof.probe`, a reading of a check that it does not have; `proof.series`, an end that no other lead
 * of this kind goes on.
 */
export function proofFile(
  lead: Pick<Lead, 'assembly' | 'situations'>,
  by: AnsweredBy = { readings: [] },
  {
    instrument,
    series,
  }: { readonly instrument?: Instrument | undefined; readonly series?: string | undefined } = {},
): Result<ProofFile> {
  const mated = matedEnds(lead.assembly).map(({ end }) => end.id);
  if (series !== undefined && !mated.includes(series))
    return bad(
      'proof.series',
      mated.length > 0
        ? `Another lead of this kind goes on end ${mated.join(' or ')}.`
        : 'No other lead of this kind goes on this one: its ends do not mate, contact for contact.',
      'series',
    );
  const proof = proofOf(provenOf(lead), instrument ? { instrument } : {});
  const faults = proof.hypotheses.flatMap(({ fault }) => fault ?? []);
  const readings = answered(lead, proof, by, series);
  if (!readings.ok) return readings;
  const verdict = judge(proof, readings.value);
  const isGood = verdict.off.length === 0 && verdict.is !== 'fault' && verdict.is !== 'unclear';
  const soFar = isGood ? judgeSoFar(proof, readings.value) : undefined;
  return good({
    version: PROOF_VERSION,
    probes: proof.probes.map((probe) => ({
      id: probe.id,
      ...stageOf(probe.before),
      red: [probe.red],
      black: probe.black,
      says: probe.says,
      mode: probe.mode ?? 'ohms',
      ...(probe.turn === undefined ? {} : { turn: probe.turn }),
      expect: expectOf(proof.expects(probe)),
    })),
    tests: proof.trials.map(({ id, kind, before, says, caution }) => ({
      id,
      kind,
      ...stageOf(before),
      says,
      ...(caution === undefined ? {} : { caution }),
    })),
    faults: faults.map(({ id, says }) => ({ id, says })),
    notProven: soFar?.notProven ?? [],
    readings: readings.value.map(({ probe, answer }) => ({ probe, answer: toPlain(answer) })),
    verdict: {
      good: isGood,
      says: soFar?.says ?? verdict.says,
      suspects: verdict.suspects.map(({ id }) => id),
    },
    next: verdict.next?.id ?? null,
  });
}

/** What may be said of a lead whose checks are not all done, as of one whose others were passed by. */
const judgeSoFar = (proof: Proof, readings: readonly Reading[]) => {
  const done = new Set(readings.flatMap(({ probe }) => [probe, standsFor(probe)]));
  return judge(proof, [
    ...readings,
    ...proof.checks
      .filter(({ id }) => !done.has(id))
      .map(({ id }) => ({ probe: id, answer: { kind: 'skipped' } as const })),
  ]);
};

function answered(
  lead: Pick<Lead, 'assembly' | 'situations'>,
  proof: Proof,
  by: AnsweredBy,
  series: string | undefined,
): Result<readonly Reading[]> {
  if ('readings' in by) {
    const unknown = by.readings.findIndex(({ probe }) => !proof.check(probe));
    return unknown < 0
      ? good(by.readings)
      : bad(
          'proof.probe',
          `This lead has nothing to be probed as “${by.readings[unknown]?.probe ?? ''}”: “prove” without readings lists what it asks.`,
          `readings[${unknown}].probe`,
        );
  }
  if ('fault' in by) {
    const fault = proof.hypotheses.find((each) => each.fault?.id === by.fault)?.fault;
    const [mildest] = fault?.variants() ?? [];
    return mildest
      ? good(asked(lead, proof, mildest, series))
      : bad('proof.fault', `This lead has no fault “${by.fault}”: “prove” lists those it can have.`, 'fault');
  }
  const missing = missingIn(proof, by.built.assembly);
  return missing.length > 0
    ? bad(
        'proof.built',
        `What was built has no ${missing.slice(0, 3).join(', ')}: it is another lead, and cannot be measured by this sheet.`,
        'assembly',
      )
    : good(asked(lead, proof, by.built, series));
}

/** Reads a file of readings, or a bare list of them. Errors: each at its field. */
export function readReadings(document: unknown): Result<readonly Reading[]> {
  const whole = Array.isArray(document)
    ? { version: PROOF_VERSION, readings: document }
    : isObject(document) && 'verdict' in document
      ? { version: document['version'], readings: document['readings'] }
      : document;
  const read = readShape(readingsFileSchema, whole);
  return read.ok
    ? good(read.value.readings.map(({ probe, answer }) => ({ probe, answer: fromPlain(answer) })))
    : { ok: false, problems: read.problems satisfies readonly Problem[] };
}
