export { sayTogether } from './together';
export * from './assembly';
export * from './parts';
export * from './dressings';
export * from './references';
export { referenceProblems } from './reference-checks';
export { isScrew, isSoldered, needsSolder } from './soldering';
export { documentId } from './member';
export { ASSEMBLY_MIGRATIONS, currentAssembly, readAssembly } from './read';
export { bondedIn, byName, joinedPoints, netlist, type Net, type Netlist } from './netlist';
export { jacketLengths, route, spanLengths, type JacketLength } from './lengths';
export {
  ofCable,
  sayAnyLeg,
  sayConductor,
  sayContact,
  sayContacts,
  sayJoint,
  sayMarked,
  sayPlace,
  sayTerminal,
} from './words';
export { ASSEMBLY_PROBLEMS } from './problems';
export { sayLeg, sayPart, sayPartKind, sayRatings } from './part-words';
export { wayOf } from './way';
export { bandsOf, type Band } from './part-words/bands';
export { thingOf } from './thing';
