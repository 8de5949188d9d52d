export { program, type Ended, type Program } from './program';
