export * from './files';
export type { UnitFile } from './unit-file';
export { netlistFile, type NetlistFile } from './netlist-file';
export { choicesFile, type Choosable, type ChoicesFile } from './choices-file';
export {
  PROOF_VERSION,
  proofFile,
  proofFileSchema,
  readingsFileSchema,
  readReadings,
  type AnsweredBy,
  type ProofFile,
} from './proof-file';
export { jsonSchemas } from './json-schema';
export { FILE_PROBLEMS } from './problems';
export { EXPORT_LINES, EXPORT_VERSION, exportHead, type ExportLine, type RecordLine } from './export-lines';
export { svgOf } from './svg';
export { courseFileSchema, type CourseFile } from './course-file';
export { heatFileSchema, type HeatFile } from './heat-file';
export { patchFileSchema, type PatchFile } from './patch-file';
export { kitFileSchema, type KitFile } from './kit-file';
