export { Button, ButtonLink } from './Button';
export { INSULATION, isDark } from './insulation';
export { LeadStrip } from './LeadStrip';
export { Mark, type MarkKind } from './Mark';
export { PeeledEnd, type PeeledEndProps } from './PeeledEnd';
export { PeeledEnds } from './PeeledEnds';
export { SideFace } from './SideFace';
export { Tape } from './Tape';
export { Face } from './Face';
