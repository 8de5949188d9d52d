/** Something that warms up: how much it takes, J/K, and how warm it is at first, °C. */
export interface ThermalNode {
  readonly id: string;
  readonly joulesPerKelvin: number;
  readonly startC: number;
}

/** A way for heat between two nodes, or from one to the room, K/W. */
export interface ThermalLink {
  readonly from: string;
  readonly to: string;
  readonly kelvinPerWatt: number;
}

/**
 * What heats: into which node, with how many watts at most; with a setting it gives full power until it is a band below that, and less from there on,
 * down to nothing at the setting.
 */
export interface Heater {
  readonly node: string;
  readonly watts: number;
  readonly settingC: number;
}

/** Bodies of one temperature each, with resistances between them: a lumped thermal network. */
export interface ThermalNetwork {
  readonly nodes: readonly ThermalNode[];
  readonly links: readonly ThermalLink[];
  readonly heater: Heater;
}

/** The room, as a node of its own that stays as warm as it is, °C. */
export const ROOM = 'room';
export const ROOM_C = 20;
/** Below its setting by this much a heater gives its full power, K (nominal). */
export const BAND = 20;

/** The power of a heater at a temperature of its node, W. */
export const powerAt = ({ watts, settingC }: Heater, celsius: number): number =>
  Math.max(0, Math.min(watts, (watts * (settingC - celsius)) / BAND));

/** The same network as a SPICE deck, a volt for a kelvin and an ampere for a watt, for so many seconds. */
export function spiceOf({ nodes, links, heater }: ThermalNetwork, seconds: number, step: number): string {
  const name = (id: string): string =>
    id === ROOM ? 'room' : `n${nodes.findIndex((each) => each.id === id)}`;
  const at = name(heater.node);
  return [
    'heat of a joint',
    `Vroom room 0 ${ROOM_C}`,
    ...nodes.map(({ joulesPerKelvin, startC }, n) => `C${n} n${n} 0 ${joulesPerKelvin} IC=${startC}`),
    ...links.map(({ from, to, kelvinPerWatt }, n) => `R${n} ${name(from)} ${name(to)} ${kelvinPerWatt}`),
    `B1 0 ${at} I=max(0,min(${heater.watts},${heater.watts / BAND}*(${heater.settingC}-V(${at}))))`,
    `.tran ${step} ${seconds} 0 ${step / 4} uic`,
    `.print tran ${nodes.map((_, n) => `v(n${n})`).join(' ')}`,
    '.end',
    '',
  ].join('\n');
}
