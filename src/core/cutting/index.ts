export {
  cuts,
  SCREEN_EXTRA,
  screenWires,
  screenWiresOf,
  strips,
  TRIM_MARGIN,
  type Allowance,
  type Cut,
  type Strip,
} from './cutting';
