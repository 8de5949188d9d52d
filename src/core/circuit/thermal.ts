/** Boltzmann's constant, J/K, and the elementary charge, C: exact (SI, 2019). */
export const BOLTZMANN = 1.380649e-23;
export const ELEMENTARY_CHARGE = 1.602176634e-19;
/** Junctions are reckoned at 27 °C, as SPICE does, K. */
export const JUNCTION_KELVIN = 300.15;
/** kT ÷ q at 27 °C, V. */
export const THERMAL_VOLTS = (BOLTZMANN * JUNCTION_KELVIN) / ELEMENTARY_CHARGE;
