import type { Channel } from '../situation';

/**
 * The same channel with another impedance, Ω (of a coil its winding’s), or another inductance of its coil, H. What goes on
 * either way is then taken for what it is here: an output or an input.
 */
export function withImpedance(
  channel: Channel,
  { ohms, henries }: { readonly ohms?: number | undefined; readonly henries?: number | undefined },
): Channel {
  const { port } = channel;
  const coil = port.coil && {
    ...port.coil,
    ...(ohms === undefined ? {} : { ohms }),
    ...(henries === undefined ? {} : { henries }),
  };
  return {
    ...channel,
    port: {
      ...port,
      ...(coil ? { coil } : {}),
      ...(ohms === undefined
        ? {}
        : { impedance: ohms, direction: channel.direction === 'sends' ? 'out' : 'in' }),
    },
  };
}
