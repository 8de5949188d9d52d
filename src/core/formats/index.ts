export * from './files';
export { netlistFile, type NetlistFile } from './netlist-file';
export { jsonSchemas } from './json-schema';
export { FILE_PROBLEMS } from './problems';
