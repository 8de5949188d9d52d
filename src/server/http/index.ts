export { jsonAnswer, type Answer } from './answer';
export { FILE_LIMIT } from './body';
export { allowedHosts } from './guard';
export { pagePolicy } from './policy';
export { listen, type Handler } from './listen';
export { fullAnswer } from './problem';
export { answerAt, asks, dispatch, takes, type Given, type Route } from './route';
