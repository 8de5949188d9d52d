export * from './types';
export { fallsTo, largest } from './band';
export { LINE_OHMS, padValues, type PadDesign, type PadValues } from './pad';
export { expectedGains } from './expected';
export { QUESTIONS } from './questions';
export { HARM_AMPS } from './questions/clash';
export { skinDepth } from './questions/loudspeaker';
export { sumLoss, sumNetwork } from './questions/sum';
export { brightness, lineOn, LINES, type Line } from './lines';
export { tellTaleCircuit, truthTable } from './questions/tell-tale';
export { CONTROL_TRACKS, suitingTrack } from './volume';
export { ask, readNumber, typeNumber } from './values';
export {
  compared,
  DARK,
  GROUND_VOLTS,
  LOUDSPEAKER_SHARE,
  leadSignal,
  leadSignalInSteps,
  REVERSE_VOLTS,
  solveLamps,
  type LampsSolved,
  lookedAt,
  usualLoss,
  stressOf,
  type Stress,
  type LeadSignal,
  type Look,
} from './lead';
export { figureKey, figuresOfKind, foremost, sayAmps, sayDb, sayHertz, sayVolts, sayWatts } from './figures';
export { SIGNAL_PROBLEMS } from './problems';
