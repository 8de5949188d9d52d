import {
  ownCable,
  ownConnector,
  type CableEntry,
  type ConnectorEntry,
  type OwnCable,
  type OwnConnector,
} from '../../src/core/catalogue';

/** A connector of a workshop's own, as its user would describe it. */
export const OWN_CONNECTOR: OwnConnector = {
  name: 'Maker’s own 6',
  gender: 'plug',
  contacts: ['1', '2', '3', '4', '5', '6'],
  arrangement: { kind: 'grid', columns: 3, pitchMm: 3 },
  insertRadiusMm: 7,
  boreMm: 1.5,
  shell: true,
  threadOn: ['boot'],
  cableMm: { min: 3, max: 7 },
  jacketMm: 18,
  bareMm: 3,
  reachMm: 30,
};

export const OWN_CABLE: OwnCable = {
  name: 'House red and blue',
  kind: 'pair',
  screen: 'braid',
  conductors: [
    { is: 'core', colour: 'RD' },
    { is: 'core', colour: 'BU' },
    { is: 'screen', colour: 'CU' },
  ],
  ohmsPerKm: 84,
  jacketMm: 6,
  flex: 'stage',
};

export function connectorNamed(name: string): ConnectorEntry {
  const own = ownConnector({ ...OWN_CONNECTOR, name });
  if (!own.ok) throw new Error(JSON.stringify(own.problems));
  return own.value;
}

export function houseCable(): CableEntry {
  const own = ownCable(OWN_CABLE);
  if (!own.ok) throw new Error(JSON.stringify(own.problems));
  return own.value;
}
