export * from './types';
export * from './references';
export { assemblySchema, becauseSchema, currentAssembly, readAssembly, yupProblems } from './schema';
export { byName, joinedPoints, netlist, Union, type Net, type Netlist } from './netlist';
export { jacketLengths, route, spanLengths, type JacketLength } from './lengths';
