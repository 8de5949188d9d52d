/** Needs all the rules: fetched where a break has been found. */
export { servingOf } from '../../core/bench';
