export {
  cuts,
  SCREEN_EXTRA,
  screenWires,
  strips,
  TRIM_MARGIN,
  type Allowance,
  type Cut,
  type Strip,
} from './cutting';
