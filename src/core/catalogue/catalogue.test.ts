import { describe, expect, it } from 'vitest';
import {
  CABLES,
  cableSchema,
  COLOURS,
  CONNECTORS,
  connectorById,
  connectorSchema,
  PORTS,
  portById,
  familiesFor,
  roleContacts,
  usualGender,
  viewOf,
  type ConnectorEntry,
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
      expect(connector.threadOn?.length).toBeGreaterThan(0);
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
      expect(area).toBeLessThan((cable.jacketMm ?? 0) ** 2);
    },
  );

  it('ids are unique, and every port goes on at least one connector with its roles', () => {
    for (const list of [CONNECTORS, CABLES, PORTS])
      expect(new Set(list.map((e) => e.id)).size).toBe(list.length);
    for (const port of PORTS) {
      expect(familiesFor(port).length).toBeGreaterThan(0);
      for (const family of familiesFor(port)) {
        expect(roleContacts(family, port.balanced), `${port.id} on ${family}`).toBeDefined();
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
    expect(roleContacts('xlr3', true)).toEqual({ screen: '1', hot: '2', cold: '3' });
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
    const on = (id: string): readonly string[] => familiesFor(portById(id) ?? expect.fail(id));
    expect(on('microphone')).toEqual(['xlr3']);
    expect(on('instrument')).toEqual(['ts635']);
    expect(on('line-transformer')).toEqual(['xlr3', 'trs635']);
    expect(on('unbalanced-input')).toEqual(['ts635', 'phono']);
  });

  it('TRS balanced is tip hot, ring cold, sleeve screen; phono is centre and collar (common practice)', () => {
    expect(roleContacts('trs635', true)).toEqual({ hot: 'T', cold: 'R', screen: 'S' });
    expect(roleContacts('ts635', false)).toEqual({ hot: 'T', return: 'S' });
    expect(roleContacts('phono', false)).toEqual({ hot: 'C', return: 'K' });
    expect(roleContacts('phono', true)).toBeUndefined();
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
