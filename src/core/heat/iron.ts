/** A tip: how well it gives its heat, K/W, with the range for a wetted one, and what it holds, J/K (from memory). */
export interface Tip {
  readonly id: 'needle' | 'chisel' | 'wide chisel';
  readonly name: string;
  readonly wideMm: number;
  readonly toJoint: { readonly usual: number; readonly from: number; readonly to: number };
  readonly joulesPerKelvin: number;
  /** From the heater of a usual iron to its face, K/W. */
  readonly toHeater: number;
}

export const TIPS: readonly Tip[] = [
  {
    id: 'needle',
    name: 'needle',
    wideMm: 0.8,
    toJoint: { usual: 13, from: 9, to: 20 },
    joulesPerKelvin: 0.3,
    toHeater: 6,
  },
  {
    id: 'chisel',
    name: '2 to 3 mm chisel',
    wideMm: 2.4,
    toJoint: { usual: 5, from: 3.5, to: 8 },
    joulesPerKelvin: 0.7,
    toHeater: 2.5,
  },
  {
    id: 'wide chisel',
    name: 'wide chisel',
    wideMm: 5,
    toJoint: { usual: 3.5, from: 2.5, to: 5.5 },
    joulesPerKelvin: 1.6,
    toHeater: 2,
  },
];

/** An iron: how strong its heater is, W, what it is set to, °C, and its tip. */
export interface Iron {
  readonly watts: number;
  readonly settingC: number;
  readonly tip: Tip;
}

/** What stands on most benches, W. */
export const USUAL_WATTS = 50;
/** What the heater and the shank of such an iron hold, J/K: a weaker one holds less (from memory). */
export const heaterHolds = (watts: number): number => (6 * watts) / USUAL_WATTS;
/** From them to the face of a tip, K/W: a weaker one gives it worse (from memory). */
export const heaterToTip = (watts: number, tip: Tip): number => (tip.toHeater * USUAL_WATTS) / watts;
/** What a hot iron loses to the room, K/W: some 10 W at 350 °C (from memory). */
export const IRON_TO_ROOM = 33;
