export { HEAT_VERSION, heatOf, type HeatAnswer, type HeatPoint, type Known } from './answer';
export { integrate, type Moment } from './integrate';
export { TIPS, USUAL_WATTS, type Iron, type Tip } from './iron';
export { heated, heatedJoint, tipFor, withIron, type AtRisk, type HeatedJoint } from './joint';
export { insertOf, insulationOf, liquidusOf, TO_WET, type Softens } from './materials';
export {
  BAND,
  powerAt,
  ROOM,
  ROOM_C,
  spiceOf,
  type Heater,
  type ThermalLink,
  type ThermalNetwork,
  type ThermalNode,
} from './network';
export { HEAT_PROBLEMS } from './problems';
