export { cuts, SCREEN_EXTRA, strips, TRIM_MARGIN, type Allowance, type Cut, type Strip } from './cutting';
