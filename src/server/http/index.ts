export { answer, idOf } from './answer';
export { FILE_LIMIT, readBody } from './body';
export { allowedHosts, guard } from './guard';
export { COMMON_HEADERS, pagePolicy } from './policy';
export { problemResponse } from './problem';
export * from './schemas';
