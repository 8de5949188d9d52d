import { describe, expect, it } from 'vitest';
import {
  asksPinout,
  cableById,
  CABLES,
  cableSchema,
  COLOURS,
  CONNECTORS,
  connectorById,
  connectorSchema,
  PORTS,
  RESISTOR_CODE,
  portById,
  familiesFor,
  layoutsFor,
  usualGender,
  viewOf,
  type ConnectorEntry,
  threadedFirst,
} from '.';

const entry = (id: string): ConnectorEntry => connectorById(id) ?? expect.fail(`no connector ${id}`);
const quadrant = (x: number, y: number): string =>
  `${y > 0 ? 'upper' : 'lower'} ${x < 0 ? 'left' : x > 0 ? 'right' : 'centre'}`;

describe('every entry', () => {
  it.each(CONNECTORS.map((c) => [c.id, c] as const))(
    '%s passes the schema and gives what the bench needs',
    (_, connector) => {
      expect(() => connectorSchema.validateSync(connector, { strict: true })).not.toThrow();
      for (const side of ['mating', 'solder'] as const)
        expect(
          viewOf(connector, side)
            .map((p) => p.contact)
            .sort(),
        ).toEqual(connector.contacts.map((c) => c.id).sort());
      if (connector.mount === 'panel') return;
      expect(threadedFirst(connector).length).toBeGreaterThan(0);
      const { strip, cableMm } = connector;
      for (const range of [strip?.jacketMm, strip?.bareMm]) {
        expect(range?.min).toBeLessThanOrEqual(range?.usual ?? 0);
        expect(range?.usual).toBeLessThanOrEqual(range?.max ?? 0);
      }
      expect(cableMm?.min).toBeLessThan(cableMm?.max ?? 0);
    },
  );

  it.each(CABLES.map((c) => [c.id, c] as const))(
    '%s passes the schema, and its cores go inside its jacket',
    (_, cable) => {
      expect(() => cableSchema.validateSync(cable, { strict: true })).not.toThrow();
      const area = cable.conductors
        .filter((c) => c.is === 'core')
        .reduce((sum, c) => sum + (c.outerMm ?? 0) ** 2, 0);
      // A single insulated wire is its own jacket.
      expect(area).toBeLessThanOrEqual((cable.jacketMm ?? 0) ** 2);
    },
  );

  it('ids are unique, and every port goes on at least one connector with its roles', () => {
    for (const list of [CONNECTORS, CABLES, PORTS])
      expect(new Set(list.map((e) => e.id)).size).toBe(list.length);
    for (const port of PORTS) {
      expect(familiesFor(port).length).toBeGreaterThan(0);
      for (const family of familiesFor(port)) {
        expect(
          layoutsFor(family, port.format).length > 0 || asksPinout(family),
          `${port.id} on ${family}`,
        ).toBe(true);
        expect(CONNECTORS.some((c) => c.family === family)).toBe(true);
      }
    }
  });

  it('the schema refuses an entry that lacks its contacts', () => {
    expect(() =>
      connectorSchema.validateSync({ ...entry('xlr3-plug'), contacts: [] }, { strict: true }),
    ).toThrow(/contacts/);
  });
});

describe('XLR 3', () => {
  it('carries screen on 1, hot on 2, cold on 3 (AES14; cited, from memory)', () => {
    expect(layoutsFor('xlr3', 'balanced')[0]?.roles['']).toEqual({ screen: '1', hot: '2', cold: '3' });
  });

  // Source: handbook section 3, from IEC 61076-2-103 (cited, from memory).
  it.each([
    ['xlr3-plug', 'mating', { 1: 'upper left', 2: 'upper right', 3: 'lower centre' }],
    ['xlr3-socket', 'mating', { 2: 'upper left', 1: 'upper right', 3: 'lower centre' }],
    ['xlr3-plug', 'solder', { 2: 'upper left', 1: 'upper right', 3: 'lower centre' }],
    ['xlr3-socket', 'solder', { 1: 'upper left', 2: 'upper right', 3: 'lower centre' }],
  ] as const)('%s, %s side', (id, side, expected) => {
    const seen = Object.fromEntries(viewOf(entry(id), side).map((p) => [p.contact, quadrant(p.x, p.y)]));
    expect(seen).toEqual(expected);
  });

  it('plug and socket are mirror images, and so are the two sides of each', () => {
    const plug = viewOf(entry('xlr3-plug'), 'mating');
    const socket = viewOf(entry('xlr3-socket'), 'mating');
    for (const place of plug)
      expect(socket).toContainEqual({ ...place, x: place.x === 0 ? expect.closeTo(0) : -place.x });
    expect(viewOf(entry('xlr3-plug'), 'solder').map((p) => p.x + 0)).toEqual(socket.map((p) => p.x + 0));
  });
});

describe('roles and colours', () => {
  it('a lead meets an XLR output with a socket and an input with a plug (AES14), a jack either way with a plug', () => {
    expect([usualGender('xlr3', 'out'), usualGender('xlr3', 'in')]).toEqual(['socket', 'plug']);
    expect([usualGender('trs635', 'out'), usualGender('phono', 'in')]).toEqual(['plug', 'plug']);
  });

  it('a microphone comes on XLR, an instrument on TS, a balanced line on XLR and TRS, an unbalanced one on TS and phono', () => {
    const on = (id: string): readonly string[] =>
      familiesFor(portById(id) ?? expect.fail(id)).filter((family) => !asksPinout(family));
    expect(on('microphone')).toEqual(['xlr3', 'trs35']);
    expect(on('instrument')).toEqual(['ts635']);
    expect(on('line-transformer')).toEqual(['xlr3', 'trs635', 'ts635', 'trs35']);
    expect(on('unbalanced-input')).toEqual(['ts635', 'trs35', 'ts35', 'phono']);
    expect(layoutsFor('ts635', 'balanced')[0]?.shorts).toBe(true);
  });

  it('where there is no common order the pin list is asked for (handbook, section 3)', () => {
    for (const family of ['din3', 'din5', 'mini3', 'mini4', 'mini5', 'screwring4', 'screw3', 'screw6'])
      expect(asksPinout(family)).toBe(true);
    for (const id of ['insert', 'headset', 'camera-input'])
      for (const family of familiesFor(portById(id) ?? expect.fail(id)).filter((f) => f.startsWith('tr')))
        expect(layoutsFor(family, portById(id)?.format ?? 'balanced')[0]?.asks, `${id} on ${family}`).toBe(
          true,
        );
  });

  it('TRS balanced is tip hot, ring cold, sleeve screen; phono is centre and collar (common practice)', () => {
    expect(layoutsFor('trs635', 'balanced')[0]?.roles['']).toEqual({ hot: 'T', cold: 'R', screen: 'S' });
    expect(layoutsFor('ts635', 'unbalanced')[0]?.roles['']).toEqual({ hot: 'T', return: 'S' });
    expect(layoutsFor('phono', 'unbalanced')[0]?.roles['']).toEqual({ hot: 'C', return: 'K' });
    expect(layoutsFor('phono', 'balanced')).toEqual([]);
  });

  it('letter codes are those of IEC 60757 (cited, from memory)', () => {
    expect(COLOURS).toMatchObject({
      BK: 'black',
      BN: 'brown',
      RD: 'red',
      OG: 'orange',
      YE: 'yellow',
      GN: 'green',
      BU: 'blue',
      VT: 'violet',
      GY: 'grey',
      WH: 'white',
      PK: 'pink',
    });
  });

  it('the sleeve of a jack plug and the collar of a phono plug are one metal with the shell', () => {
    expect(entry('trs635-plug').bonded).toEqual([['S', 'shell']]);
    expect(entry('phono-plug').bonded).toEqual([['K', 'shell']]);
    expect(entry('xlr3-plug').bonded).toBeUndefined();
  });

  it('star quad: opposite cores are of one colour family (handbook, section 4)', () => {
    const quad = CABLES.find((c) => c.kind === 'quad');
    const family = (id: string | undefined): string | undefined =>
      quad?.conductors.find((c) => c.id === id)?.pair;
    const around = quad?.around ?? [];
    expect(around).toHaveLength(4);
    expect(family(around[0])).toBe(family(around[2]));
    expect(family(around[1])).toBe(family(around[3]));
    expect(family(around[0])).not.toBe(family(around[1]));
  });

  it('typical capacitances lie in the ranges of the handbook, section 4 (from memory)', () => {
    const core = (id: string): number | undefined => CABLES.find((c) => c.id === id)?.pFPerMetre?.coreToCore;
    expect(core('pair-braid')).toBeGreaterThanOrEqual(60);
    expect(core('pair-braid')).toBeLessThanOrEqual(100);
    expect(core('star-quad')).toBeGreaterThanOrEqual(140);
    expect(core('star-quad')).toBeLessThanOrEqual(190);
  });

  it('phantom is given only by an input and harms a ribbon microphone', () => {
    for (const port of PORTS) if (port.phantom === 'gives') expect(port.direction).toBe('in');
    expect(portById('microphone-ribbon')?.phantom).toBe('harmed');
  });
});

describe('contacts of the other families', () => {
  const roles = (family: string, format: Parameters<typeof layoutsFor>[1], channel = '') =>
    layoutsFor(family, format)[0]?.roles[channel];

  it('XLR 5: 1 common screen, 2 and 3 left, 4 and 5 right (common practice)', () => {
    expect(roles('xlr5', 'stereo-balanced', 'left')).toEqual({ screen: '1', hot: '2', cold: '3' });
    expect(roles('xlr5', 'stereo-balanced', 'right')).toEqual({ screen: '1', hot: '4', cold: '5' });
  });

  it('XLR 4: 1 microphone return, 2 microphone, 3 earphone return, 4 earphone (common practice)', () => {
    expect(roles('xlr4', 'intercom', 'microphone')).toEqual({ return: '1', hot: '2' });
    expect(roles('xlr4', 'intercom', 'earphone')).toEqual({ return: '3', hot: '4' });
  });

  // AES59 (cited, from memory), as the handbook lists it in section 3.
  it.each([
    ['1', '24', '12', '25'],
    ['2', '10', '23', '11'],
    ['3', '21', '9', '22'],
    ['4', '7', '20', '8'],
    ['5', '18', '6', '19'],
    ['6', '4', '17', '5'],
    ['7', '15', '3', '16'],
    ['8', '1', '14', '2'],
  ])('25-way D channel %s: hot %s, cold %s, screen %s', (channel, hot, cold, screen) =>
    expect(roles('d25', 'balanced-8', channel)).toEqual({ hot, cold, screen }),
  );

  it('25-way D: every contact but 13 is used once', () => {
    const used = Object.values(layoutsFor('d25', 'balanced-8')[0]?.roles ?? {}).flatMap((r) =>
      Object.values(r),
    );
    expect([...used].map(Number).sort((a, b) => a - b)).toEqual(
      Array.from({ length: 25 }, (_, n) => n + 1).filter((n) => n !== 13),
    );
  });

  it('stereo is tip left, ring right; a headset has common and microphone in two orders (common practice)', () => {
    for (const family of ['trs35', 'trs635']) {
      expect(roles(family, 'stereo', 'left')).toEqual({ hot: 'T', return: 'S' });
      expect(roles(family, 'stereo', 'right')).toEqual({ hot: 'R', return: 'S' });
    }
    expect(layoutsFor('trrs35', 'headset').map((each) => each.roles['microphone'])).toEqual([
      { hot: 'S', return: 'R2' },
      { hot: 'R2', return: 'S' },
    ]);
    expect(layoutsFor('trs635', 'insert').map((each) => each.roles['send']?.hot)).toEqual(['T', 'R']);
  });

  it('a 2-pole twist-lock carries 1+ and 1− only (common practice)', () => {
    expect(roles('twist2', 'loudspeaker')).toEqual({ plus: '1+', minus: '1-' });
    expect(layoutsFor('twist4', 'loudspeaker-bridged').every((each) => each.asks)).toBe(true);
  });

  it('control data is 4 to 4, 5 to 5, screen on 2; the 5-contact arc runs 1-4-2-5-3 (IEC 60130-9, from memory)', () => {
    expect(roles('din5-data', 'data')).toEqual({ hot: '5', cold: '4', screen: '2' });
    const face = [...(entry('din5-plug').views?.mating ?? [])].sort((a, b) => a.x - b.x);
    expect(face.map((place) => place.contact)).toEqual(['1', '4', '2', '5', '3']);
  });

  // Plug faces, key up (handbook section 3, from memory).
  it.each([
    ['xlr4-plug', { 1: 'upper left', 2: 'lower left', 3: 'lower right', 4: 'upper right' }],
    [
      'xlr5-plug',
      { 1: 'upper left', 2: 'lower left', 3: 'lower centre', 4: 'lower right', 5: 'upper right' },
    ],
  ])('%s', (id, expected) => {
    const seen = Object.fromEntries(
      viewOf(entry(id), 'mating').map((p) => [p.contact, quadrant(Math.abs(p.x) < 0.1 ? 0 : p.x, p.y)]),
    );
    expect(seen).toEqual(expected);
  });

  it('a mirrored view swaps what the handbook says it does (section 10)', () => {
    const mirror = (id: string): Record<string, string> => {
      const [mating, solder] = [viewOf(entry(id), 'mating'), viewOf(entry(id), 'solder')];
      return Object.fromEntries(
        mating.map((place) => [
          place.contact,
          solder.find((other) => Math.hypot(other.x - place.x, other.y - place.y) < 0.05)?.contact ?? '',
        ]),
      );
    };
    expect(mirror('xlr3-plug')).toMatchObject({ 1: '2', 2: '1', 3: '3' });
    expect(mirror('xlr4-plug')).toEqual({ 1: '4', 4: '1', 2: '3', 3: '2' });
    expect(mirror('xlr5-plug')).toEqual({ 1: '5', 5: '1', 2: '4', 4: '2', 3: '3' });
    expect(mirror('d25-plug')).toMatchObject({ 1: '13', 14: '25', 2: '12', 7: '7' });
  });

  it('plug and socket of one family and mount are mirror images', () => {
    for (const plug of CONNECTORS.filter((c) => c.gender === 'plug')) {
      const socket = CONNECTORS.find((c) => c.family === plug.family && c.gender === 'socket');
      if (!socket) continue;
      const [a, b] = [viewOf(plug, 'mating'), viewOf(socket, 'mating')];
      for (const place of a)
        expect(b.find((other) => other.contact === place.contact)?.x).toBeCloseTo(-place.x, 9);
    }
  });
});

describe('cables', () => {
  const cable = (id: string) => cableById(id) ?? expect.fail(id);

  // 1 brown, 2 red, 3 orange … 8 grey, cold white or clear (handbook section 4; IEC 60062 for the code).
  it('multipair cores are numbered by the resistor code', () => {
    const eight = cable('multipair-8').conductors;
    expect([1, 2, 3, 4, 5, 6, 7, 8].map((n) => eight.find((c) => c.id === `${n}-hot`)?.colour)).toEqual([
      'BN',
      'RD',
      'OG',
      'YE',
      'GN',
      'BU',
      'VT',
      'GY',
    ]);
    expect(eight.filter((c) => c.id.endsWith('-cold')).every((c) => c.colour === 'WH')).toBe(true);
    expect(eight.filter((c) => c.is === 'drain')).toHaveLength(8);
    expect(RESISTOR_CODE).toEqual(['BK', 'BN', 'RD', 'OG', 'YE', 'GN', 'BU', 'VT', 'GY', 'WH']);
  });

  // IEC 60228, class 5, as the handbook lists it in section 4.
  it.each([
    ['loudspeaker-2x1-5', 13.3],
    ['loudspeaker-2x2-5', 7.98],
    ['loudspeaker-2x4', 4.95],
  ])('%s is %s Ω/km', (id, ohms) => {
    for (const conductor of cable(id).conductors) expect(conductor.ohmsPerKm).toBe(ohms);
  });

  it('twisted pair has at least 18 twists a foot: a lay of 16.9 mm or less (common practice)', () => {
    expect(cable('twisted-pair').layMm).toBeLessThanOrEqual(304.8 / 18);
  });

  it('no two conductors of a pair can be mistaken for each other', () => {
    for (const each of CABLES.filter((c) => c.kind !== 'litz'))
      for (const family of new Set(each.conductors.map((c) => c.pair)))
        if (each.kind !== 'quad') {
          const cores = each.conductors.filter((c) => c.is === 'core' && c.pair === family);
          expect(new Set(cores.map((c) => c.colour)).size, each.id).toBe(cores.length);
        }
  });
});
