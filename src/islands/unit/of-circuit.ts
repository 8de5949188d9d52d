import { operatingPoint } from '../../core/circuit';
import { testsOf, type Judging } from '../../core/proving';

/** What is worked out by the whole of the circuit. */
export const ofCircuit: Judging = { testsOf, solve: operatingPoint };
