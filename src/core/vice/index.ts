export { fullness, inVice, type InVice, type View } from './vice';
export { sheetsOf, type SheetOptions } from './sheets';
export { VICE_PROBLEMS } from './problems';
export { strippedEnds, type StrippedEnd } from './gauges';
export { kitPages } from './kit-pages';
export { jobPages, type JobOnPaper } from './job-pages';
export { cutPages, type CutListOnPaper, type TapeOnPaper } from './cut-pages';
