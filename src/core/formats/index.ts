export * from './lead-file';
export { netlistFile, type NetlistFile } from './netlist-file';
export { jsonSchemas } from './json-schema';
