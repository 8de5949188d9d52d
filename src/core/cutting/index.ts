export { cuts, partings, TRIM_MARGIN, type Allowance, type Cut, type CutWire, type Parting } from './cutting';
export {
  SCREEN_EXTRA,
  screenWires,
  sayWires,
  screenWiresOf,
  strips,
  type Strip,
  type StrippedWire,
} from './strips';
