export {
  BEEPER,
  judge,
  lookAlikes,
  proofOf,
  sayAnswer,
  sayFault,
  sayWhere,
  type Answer,
  type Proof,
  type Reading,
  type Verdict,
} from './verdict';
export {
  expectationOf,
  meter,
  pairOf,
  probeList,
  probeSchema,
  sayExpectation,
  type Expectation,
  type Probe,
} from './probe';
export { faultsOf, type Fault } from './faults';
export { fromPlain, toPlain, type PlainAnswer } from './wire';
