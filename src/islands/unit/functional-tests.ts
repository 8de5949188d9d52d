export { testsOf } from '../../core/proving';
