import { describe, expect, it } from 'vitest';
import { OWN_CABLE, OWN_CONNECTOR } from '../../../tests/support/own';
import { arrange, cableSchema, connectorSchema, ownCable, ownConnector, slug, viewOf } from '.';

describe('arrangements', () => {
  it('round a circle, clockwise from the first', () => {
    const places = arrange(['a', 'b', 'c', 'd'], { kind: 'circle', radiusMm: 4, firstDegrees: 90 });
    expect(places).toEqual([
      { contact: 'a', x: 0, y: 4 },
      { contact: 'b', x: 4, y: 0 },
      { contact: 'c', x: 0, y: -4 },
      { contact: 'd', x: -4, y: 0 },
    ]);
  });

  it('in rows from the upper left', () =>
    expect(arrange(['1', '2', '3', '4'], { kind: 'grid', columns: 2, pitchMm: 2 })).toEqual([
      { contact: '1', x: -1, y: 1 },
      { contact: '2', x: 1, y: 1 },
      { contact: '3', x: -1, y: -1 },
      { contact: '4', x: 1, y: -1 },
    ]));

  it('by hand', () =>
    expect(arrange(['1'], { kind: 'hand', places: [{ contact: '1', x: 2, y: -3 }] })).toEqual([
      { contact: '1', x: 2, y: -3 },
    ]));
});

describe('a connector of one’s own', () => {
  it('passes the catalogue’s schema, and its solder side is the mirror of its face', () => {
    const own = ownConnector(OWN_CONNECTOR);
    if (!own.ok) throw new Error(JSON.stringify(own.problems));
    expect(() => connectorSchema.validateSync(own.value, { strict: true })).not.toThrow();
    expect(viewOf(own.value, 'solder').map((place) => place.x)).toEqual(
      viewOf(own.value, 'mating').map((place) => (place.x === 0 ? 0 : -place.x)),
    );
    expect(own.value.id).toBe(`own-${slug(OWN_CONNECTOR.name)}`);
  });

  it.each([
    ['name', { name: ' ' }],
    ['contacts', { contacts: [] }],
    ['contacts', { contacts: ['1', '1'] }],
    ['contacts', { contacts: ['a.b'] }],
    ['insertRadiusMm', { insertRadiusMm: Number.NaN }],
    ['boreMm', { boreMm: -1 }],
    ['cableMm', { cableMm: { min: 7, max: 3 } }],
    ['arrangement', { arrangement: { kind: 'circle', radiusMm: 20, firstDegrees: 0 } }],
    ['arrangement', { arrangement: { kind: 'hand', places: [] } }],
  ] as const)('%s is told what is wrong with it: %j', (path, patch) => {
    const own = ownConnector({ ...OWN_CONNECTOR, ...patch });
    expect(own.ok ? [] : own.problems.map((problem) => problem.path)).toContain(path);
  });
});

describe('a cable of one’s own', () => {
  it('passes the catalogue’s schema', () => {
    const own = ownCable(OWN_CABLE);
    if (!own.ok) throw new Error(JSON.stringify(own.problems));
    expect(() => cableSchema.validateSync(own.value, { strict: true })).not.toThrow();
  });

  it.each([
    ['name', { name: '' }],
    ['conductors', { conductors: [] }],
    ['conductors', { conductors: [{ is: 'core', colour: 'RD' }] }],
    ['ohmsPerKm', { ohmsPerKm: 0 }],
    ['jacketMm', { jacketMm: Number.NaN }],
  ] as const)('%s is told what is wrong with it: %j', (path, patch) => {
    const own = ownCable({ ...OWN_CABLE, ...patch });
    expect(own.ok ? '' : own.problems[0]?.path).toBe(path);
  });
});
