export { FILE_LIMIT } from './body';
export { allowedHosts, guard } from './guard';
export { COMMON_HEADERS, pagePolicy } from './policy';
export { asks, dispatch, takes, type Route } from './route';
