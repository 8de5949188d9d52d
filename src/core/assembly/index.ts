export * from './assembly';
export * from './parts';
export * from './dressings';
export * from './references';
export { documentId } from './member';
export { ASSEMBLY_MIGRATIONS, currentAssembly, readAssembly } from './read';
export { byName, joinedPoints, netlist, type Net, type Netlist } from './netlist';
export { jacketLengths, route, spanLengths, type JacketLength } from './lengths';
export { ASSEMBLY_PROBLEMS } from './problems';
