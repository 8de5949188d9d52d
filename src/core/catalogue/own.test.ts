import { describe, expect, it } from 'vitest';
import { OWN_CABLE, OWN_CONNECTOR } from '../../../tests/support/own';
import {
  arrange,
  cableSchema,
  connectorSchema,
  ownCable,
  ownConnector,
  slug,
  viewOf,
  type OwnConnector,
} from '.';

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

  it('what is threaded on goes on before the first joint, in the order given; nothing where nothing is', () => {
    const parts = (threadOn: readonly string[]) => {
      const own = ownConnector({ ...OWN_CONNECTOR, threadOn });
      return own.ok ? own.value.bodyParts?.map(({ name, goesOn, from }) => `${name} ${goesOn} ${from}`) : [];
    };
    expect(parts(['boot'])).toEqual(['boot before cable']);
    expect(parts(['boot', 'clamp'])).toEqual(['boot before cable', 'clamp before cable']);
    expect(parts([])).toBeUndefined();
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

  const many = (count: number): readonly string[] => Array.from({ length: count }, (_, n) => `${n + 1}`);
  const grid = { kind: 'grid', columns: 8, pitchMm: 1 } as const;
  const apart = (mm: number): Partial<OwnConnector> => ({
    contacts: ['1', '2'],
    arrangement: {
      kind: 'hand',
      places: [
        { contact: '1', x: 0, y: 0 },
        { contact: '2', x: mm, y: 0 },
      ],
    },
  });
  it.each([
    ['64 contacts', { contacts: many(64), arrangement: grid }, []],
    ['65 contacts', { contacts: many(65), arrangement: grid }, ['contacts']],
    ['a bore of 300 mm', { boreMm: 300 }, []],
    ['a bore of more', { boreMm: 300.1 }, ['boreMm']],
    ['a bore of nothing', { boreMm: 0 }, ['boreMm']],
    ['copper bared by 0.1 mm', { bareMm: 0.1 }, []],
    ['a jacket of nothing to take off', { jacketMm: 0 }, ['jacketMm']],
    ['no way from its face to the jacket', { reachMm: 0 }, ['reachMm']],
    ['one thickness of cable', { cableMm: { min: 5, max: 5 } }, []],
    ['the thickest under the thinnest', { cableMm: { min: 5, max: 4.9 } }, ['cableMm']],
    ['cable of no thickness', { cableMm: { min: 0, max: 4 } }, ['cableMm']],
    ['contacts 0.2 mm apart', apart(0.2), []],
    ['contacts nearer', apart(0.19), ['arrangement']],
    [
      'contacts on the rim of the insert',
      { insertRadiusMm: 4, arrangement: { kind: 'circle', radiusMm: 4, firstDegrees: 90 } },
      [],
    ],
    [
      'contacts beyond the rim',
      { insertRadiusMm: 3.9, arrangement: { kind: 'circle', radiusMm: 4, firstDegrees: 90 } },
      ['arrangement'],
    ],
    ['a contact named +', { contacts: ['+', '-'] }, []],
    ['a contact named ½', { contacts: ['½'] }, ['contacts']],
  ] as const)('%s is judged at its limit', (_, patch, paths) => {
    const own = ownConnector({ ...OWN_CONNECTOR, ...patch });
    expect(own.ok ? [] : own.problems.map((problem) => problem.path)).toEqual(paths);
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
    ['ohmsPerKm', { ohmsPerKm: 100_000 }],
    ['jacketMm', { jacketMm: 100 }],
    ['jacketMm', { jacketMm: 0 }],
  ] as const)('%s is told what is wrong with it: %j', (path, patch) => {
    const own = ownCable({ ...OWN_CABLE, ...patch });
    expect(own.ok ? '' : own.problems[0]?.path).toBe(path);
  });

  it('its screen has a third of the resistance of a core, and its cores fill the jacket', () => {
    const own = ownCable({ ...OWN_CABLE, ohmsPerKm: 99_999, jacketMm: 6 });
    expect(own.ok && own.value.conductors.map(({ id, ohmsPerKm }) => [id, ohmsPerKm])).toEqual([
      ['1-rd', 99_999],
      ['2-bu', 99_999],
      ['3-screen', 33_333],
    ]);
    // 6 ÷ (1.6 √3) = 2.17 mm
    expect(own.ok && own.value.conductors[0]?.outerMm).toBe(2.2);
  });
});
