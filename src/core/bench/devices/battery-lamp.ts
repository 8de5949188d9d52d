import type { DeviceWork } from './device';

export const batteryLamp: DeviceWork = {
  pads: 'switch-pads',
  open: {
    title: 'Open the lamp, cells out',
    detail: ['Find the four points of its switch, and which two traces the switch joins: the meter tells.'],
    confirm: ['the cells are out'],
  },
  drill: {
    title: 'Drill two snug holes in its cover, a wire’s width each',
    detail: ['Where nothing is behind them. Deburr; filings out.'],
  },
  through: ['Both wires through the cover before they are soldered: afterwards they cannot.'],
  close: ['Cells back, cover on.', 'Touch the tips together: it lights.'],
  source: 'common practice',
};
