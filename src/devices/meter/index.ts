export { AT_REST, OVERLOAD, ScpiMeter, sayFigure, type Unrest } from './scpi';
export { serveMeter } from './server';
export { STAND_IN, underTest, type UnderTest } from './under-test';
