export * from './types';
export { fallsTo, largest } from './band';
export { padValues, type PadDesign, type PadValues } from './pad';
export { QUESTIONS } from './questions';
export { skinDepth } from './questions/loudspeaker';
export { sumLoss, sumNetwork } from './questions/sum';
export { brightness, LINES, tellTaleCircuit, truthTable } from './questions/tell-tale';
export { ask, readNumber, typeNumber } from './values';
export { leadSignal, type LeadSignal, type Look } from './lead';
