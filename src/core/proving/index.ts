export { BEEPER, sayAnswer, type Answer, type Reading } from './answer';
export { sayBeside } from './beside';
export { judge, lookAlikes, sayFault, sayWhere, standingOf, type NotProven, type Verdict } from './verdict';
export { answersOf, checkList, proofOf, type Measuring } from './check-list';
export { shortingPlugOf } from './shorting';
export { isHidden, matedEnds } from './series';
export { proofBySheet, type CheckList, type Judging, type Proof, type Proven } from './proof';
export { testsOf, type TestsOf } from './tests';
export { isProbe, probeSchema, trialSchema, type Check, type Probe, type Trial } from './check';
export { sayExpectation, type Expectation } from './expectation';
export {
  ANY_METER,
  instrumentSchema,
  INSTRUMENT_VERSION,
  readInstrument,
  type Instrument,
} from './instrument';
export { follow, NOT_FOLLOWED, readFigure, sayFollowing, settled, STALE_MS, type Following } from './live';
export { ownInstrument, type OwnInstrument } from './own-instrument';
export { PROVING_PROBLEMS } from './problems';
export { pairOf, sayEach, standsFor, throughProven } from './probe';
export { faultsOf, type Fault, type Variant } from './faults';
export { answerOf, fromPlain, toPlain, type PlainAnswer } from './wire';
export {
  BREAK_VERSION,
  breakSchema,
  locate,
  readBreak,
  USUAL_LOCATING,
  type BreakReadings,
  type Located,
} from './locate';
