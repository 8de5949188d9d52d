export { leastWhole, type WholeAnswer, type WholeProgram } from './integer';
export { program, type Ended, type Program, type Until } from './program';
