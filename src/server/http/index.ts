export { jsonAnswer, type Answer } from './answer';
export { FILE_LIMIT } from './body';
export { allowedHosts } from './guard';
export { pagePolicy } from './policy';
export { listen, type Handler } from './listen';
export { fullAnswer } from './problem';
export { asks, dispatch, takes, type Route } from './route';
