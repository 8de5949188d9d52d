import { describe, expect, it } from 'vitest';
import { dbuToVolts } from '../quantity';
import { CABLES, CONNECTORS, PORTS, usualGender, viewOf, type ConnectorEntry } from '.';

const cableEnds = (family: string): readonly ConnectorEntry[] =>
  CONNECTORS.filter((each) => each.family === family && each.mount === 'cable');

describe('how ends are stripped (handbook, section 7), mm', () => {
  it.each([
    // family, jacket from, to, bare from, to, bare usual
    ['xlr3', 19, 25, 3, 6, 3],
    ['xlr4', 19, 25, 3, 6, 3],
    ['xlr5', 19, 25, 3, 6, 3],
    ['trs635', 9, 13, 2, 4, 3],
    ['ts635', 9, 13, 2, 4, 3],
    ['trs35', 9, 13, 2, 4, 2],
    ['trrs35', 9, 13, 2, 4, 2],
    ['phono', 9, 14, 3, 4, 3],
  ] as const)('%s: %i to %i of jacket, %i to %i bare, usually %i', (family, from, to, least, most, usual) => {
    expect(cableEnds(family).length).toBeGreaterThan(0);
    for (const { id, strip } of cableEnds(family)) {
      expect([strip?.jacketMm.min, strip?.jacketMm.max], id).toEqual([from, to]);
      expect([strip?.bareMm.min, strip?.bareMm.max, strip?.bareMm.usual], id).toEqual([least, most, usual]);
      expect(strip?.jacketMm.usual, id).toBeGreaterThanOrEqual(from);
      expect(strip?.jacketMm.usual, id).toBeLessThanOrEqual(to);
    }
  });

  it('a pair of 4 mm plugs is split for its caps, the way across to the posts and its boot, and bared 13 mm (handbook, section 7)', () => {
    // 26 mm of cap, 19 (¾ in) from post to post, 15 under the boot.
    const [screw] = cableEnds('plug4');
    expect(screw?.strip?.jacketMm.usual).toBe(60);
    expect(screw?.reachMm).toEqual({ face: 60, tip: 78 });
    for (const { id, strip, reachMm } of cableEnds('plug4')) {
      expect([strip?.bareMm.min, strip?.bareMm.max, strip?.bareMm.usual], id).toEqual([8, 13, 13]);
      // The legs end at the face of the plug: the cut is as long as the lead and two trims.
      expect(reachMm?.face, id).toBe(strip?.jacketMm.usual);
    }
  });

  it('jacks about 10 mm, record-player pads 13 mm and 2 bare', () => {
    for (const family of ['trs635', 'ts635', 'trs35', 'ts35', 'trrs35'])
      for (const { strip } of cableEnds(family)) expect(strip?.jacketMm.usual).toBe(10);
    const pads = CONNECTORS.find(({ id }) => id === 'cartridge-pads')?.strip;
    expect([pads?.jacketMm.usual, pads?.bareMm.usual]).toEqual([13, 2]);
  });
});

describe('what a connector adds to a lead', () => {
  it('one of a panel or of a device nothing; one on a cable more to the tip than to the face where it has a tip', () => {
    for (const { id, mount, reachMm } of CONNECTORS) {
      if (mount !== 'cable') expect([reachMm?.face, reachMm?.tip], id).toEqual([0, 0]);
      else expect(reachMm?.tip, id).toBeGreaterThanOrEqual(reachMm?.face ?? Infinity);
    }
    // A 6.35 mm finger is 30 mm and a half (IEC 60603-11, from memory), a phono pin 8.
    const finger = (id: string): number => {
      const reach = CONNECTORS.find((each) => each.id === id)?.reachMm;
      return (reach?.tip ?? 0) - (reach?.face ?? 0);
    };
    expect(finger('trs635-plug')).toBeCloseTo(30.5, 0);
    expect(finger('trs35-plug')).toBeCloseTo(15, 0);
    expect(finger('phono-plug')).toBe(8);
    expect(finger('xlr3-plug')).toBe(0);
  });
});

describe('where contacts lie', () => {
  it('each within its insert, and on no other', () => {
    for (const entry of CONNECTORS) {
      const places = viewOf(entry, 'solder');
      for (const [n, { contact, x, y }] of places.entries()) {
        expect(Math.hypot(x, y), `${entry.id} ${contact}`).toBeLessThanOrEqual(
          entry.views?.insertRadiusMm ?? Infinity,
        );
        for (const other of places.slice(n + 1))
          expect(
            Math.hypot(x - other.x, y - other.y),
            `${entry.id} ${contact} ${other.contact}`,
          ).toBeGreaterThan(0.9);
      }
    }
  });

  it('the lugs of a jack to both sides of its middle alike', () => {
    for (const family of ['trs635', 'ts635', 'trs35', 'ts35', 'trrs35'])
      for (const entry of cableEnds(family)) {
        const lugs = viewOf(entry, 'solder').filter(({ contact }) => !['S', 'shell'].includes(contact));
        expect(
          lugs.reduce((sum, { x }) => sum + x, 0),
          entry.id,
        ).toBeCloseTo(0, 1);
      }
  });

  it('lugs and tabs of jacks are as big as the jack (nominal)', () => {
    for (const [families, lug, tab] of [
      [['trs635', 'ts635'], 2.5, 1.8],
      [['trs35', 'ts35', 'trrs35'], 1.6, 1.1],
    ] as const)
      for (const family of families)
        for (const { contacts } of cableEnds(family))
          for (const { id, takes, boreMm } of contacts)
            if (id !== 'shell') expect([takes, boreMm]).toEqual(id === 'S' ? ['lug', lug] : ['tab', tab]);
  });

  it('a family is met by its usual gender: jacks by plugs, XLR outputs by sockets, one that has only one by that', () => {
    expect(usualGender('trs635', 'out')).toBe('plug');
    expect(usualGender('trs635', 'in')).toBe('plug');
    expect(usualGender('xlr3', 'out')).toBe('socket');
    expect(usualGender('xlr3', 'in')).toBe('plug');
    expect(usualGender('screw3', 'in')).toBe(cableEnds('screw3')[0]?.gender);
    expect(usualGender('nothing of the kind', 'in')).toBe('plug');
  });

  it('cups of a 3-contact XLR take 2.6 mm, of one with more contacts 2 mm (nominal)', () => {
    for (const [family, bore] of [
      ['xlr3', 2.6],
      ['xlr4', 2],
      ['xlr5', 2],
    ] as const)
      for (const { contacts } of cableEnds(family))
        for (const { id, takes, boreMm } of contacts)
          if (id !== 'shell') expect([takes, boreMm]).toEqual(['cup', bore]);
  });
});

describe('what things have on their sockets (typical, from memory)', () => {
  const port = (id: string) => PORTS.find((each) => each.id === id) ?? expect.fail(`no port ${id}`);

  it('a line is at +4 dBu, what is unbalanced at −10 dBV: 0.316 V', () => {
    for (const each of PORTS.filter(({ signal, direction }) => signal === 'line' && direction !== 'either')) {
      const balanced = each.format.startsWith('balanced') || each.levelDbu === 4;
      expect(dbuToVolts(each.levelDbu), each.id).toBeCloseTo(balanced ? 1.228 : 0.316, 2);
    }
  });

  it.each([
    // Sources: Ω, dBu.
    ['microphone', 200, -50],
    ['microphone-phantom', 150, -36],
    ['microphone-ribbon', 250, -56],
    ['line-ground-referenced', 100, 4],
    ['line-cross-coupled', 100, 4],
    ['line-transformer', 60, 4],
    ['line-impedance-balanced', 150, 4],
    ['unbalanced-output', 1000, -7.8],
    ['headphone-output', 10, -2],
    ['instrument', 10_000, -20],
    ['record-player', 600, -44],
    // An amplifier of 190 W into 8 Ω; a bridged one of twice the voltage; a line of 100 V.
    ['amplifier', 0.05, 34],
    ['amplifier-bridged', 0.05, 40],
    ['amplifier-constant-voltage', 0.05, 42],
    // Inputs: those for microphones ten times their source.
    ['microphone-input', 2000, -40],
    ['microphone-input-phantom', 2000, -40],
    ['microphone-input-p24', 2000, -40],
    ['microphone-input-p12', 2000, -40],
    ['microphone-input-t-power', 2000, -40],
    ['line-input', 20_000, 4],
    ['powered-loudspeaker', 10_000, 4],
    ['powered-loudspeaker-unbalanced', 10_000, -7.8],
    ['unbalanced-input', 10_000, -7.8],
    ['instrument-input', 1_000_000, -20],
    ['recorder-input', 4000, -45],
    ['record-player-input', 47_000, -44],
    ['headphones', 32, -2],
    ['loudspeaker', 8, 34],
  ] as const)('%s: %d Ω, %d dBu', (id, ohms, dbu) =>
    expect([port(id).impedance, port(id).levelDbu]).toEqual([ohms, dbu]),
  );

  it('a line of 100 V is 42 dBu, and 20 W of it are 500 Ω', () => {
    expect(dbuToVolts(port('amplifier-constant-voltage').levelDbu)).toBeCloseTo(100, -1);
    expect(100 ** 2 / port('loudspeaker-constant-voltage').impedance).toBe(20);
  });
});

describe('copper', () => {
  it('of loudspeaker cable is that of its section (IEC 60228, class 5, 20 °C)', () => {
    const ohms = (id: string) =>
      CABLES.find((each) => each.id === id)?.conductors.map(({ ohmsPerKm }) => ohmsPerKm);
    expect(ohms('loudspeaker-2x1-5')).toEqual([13.3, 13.3]);
    expect(ohms('loudspeaker-2x2-5')).toEqual([7.98, 7.98]);
    expect(ohms('loudspeaker-2x4')).toEqual([4.95, 4.95]);
    expect(ohms('loudspeaker-4x2-5')).toEqual([7.98, 7.98, 7.98, 7.98]);
  });
});

describe('what jackets a connector takes, and how its ends are made ready (common practice, nominal), mm', () => {
  // What follows the family in the id, jacket from and to.
  it.each([
    ['xlr3-plug', 3.5, 8],
    ['xlr3-socket', 3.5, 8],
    ['xlr3-plug-set-screw', 4.5, 7],
    ['xlr3-socket-right-angle', 3.5, 8],
    ['plug4-pair', 4, 8],
    ['twist2-plug', 5, 15],
    ['twist4-plug', 5, 15],
    ['twist8-plug', 5, 20],
    ['trs635-plug', 4, 7],
    ['ts635-plug-right-angle', 4, 7],
    ['trs635-socket', 4, 7],
    ['trs35-plug', 2, 5],
    ['trs35-plug-clutch', 2.5, 5.5],
    ['ts35-plug-set-screw', 2.5, 4.5],
    ['trrs35-plug-long', 2, 4.5],
    ['trs35-plug-large', 4.5, 8],
    ['trs35-socket', 2, 5],
    ['phono-plug', 3, 6.5],
    ['phono-plug-sprung', 3, 6.5],
    ['phono-socket', 3, 6.5],
    ['d25-plug', 6, 13],
    ['patch44-plug', 2.5, 5.5],
    ['patch635-plug', 2.5, 5.5],
    ['din5-plug', 3, 7],
    ['mini4-socket', 3, 7],
    ['screwring4-plug', 3, 7],
    ['screw3', 2, 9],
    ['probe-pair', 3, 7],
  ] as const)('%s takes a jacket of %d to %d', (id, min, max) => {
    expect(CONNECTORS.find((each) => each.id === id)?.cableMm).toEqual({ min, max });
  });

  it.each([
    // id, jacket from, usual and to, bare from, usual and to
    ['din5-plug', [9, 12, 14], [2, 3, 4]],
    ['mini3-panel', [9, 12, 14], [2, 3, 4]],
    ['xlr3-panel-socket', [19, 22, 25], [3, 3, 6]],
    ['d25-socket', [35, 45, 60], [3, 3, 4]],
    ['d25-panel-plug', [19, 22, 25], [3, 3, 6]],
    ['twist4-plug', [18, 20, 25], [7, 8, 9]],
    ['twist4-panel', [20, 30, 40], [8, 13, 13]],
    ['screw6', [15, 20, 30], [5, 6, 7]],
    ['earpiece-pads', [11, 13, 15], [2, 2, 3]],
    ['probe-pair', [20, 80, 150], [4, 5, 8]],
  ] as const)('%s is stripped %j and bared %j', (id, jacket, bare) => {
    const strip = CONNECTORS.find((each) => each.id === id)?.strip;
    const threeOf = (range?: { min: number; usual: number; max: number }) =>
      range && [range.min, range.usual, range.max];
    expect([threeOf(strip?.jacketMm), threeOf(strip?.bareMm)]).toEqual([jacket, bare]);
  });
});

describe('what a cable is made of (copper: IEC 60228 class 5 for loudspeakers, ASTM B258 by its gauge for the rest; sizes nominal)', () => {
  // Ω/km of an AWG conductor at 20 °C, from memory of the tables.
  const AWG = { 18: 20.95, 22: 52.96, 24: 84.2, 26: 133.9, 28: 212.9 } as const;
  it.each([
    // id, jacket mm, bare copper mm, over the insulation mm, Ω/km
    ['pair-braid', 6.2, 0.6, 1.4, AWG[24]],
    ['pair-spiral', 6, 0.6, 1.4, AWG[24]],
    ['pair-foil', 4, 0.6, 1.2, AWG[24]],
    ['pair-in-wall', 4.4, 0.6, 1.2, AWG[24]],
    ['pair-mini', 3.6, 0.4, 0.9, AWG[28]],
    ['star-quad', 6.4, 0.5, 1.1, AWG[26]],
    ['mini-quad', 4, 0.4, 0.8, AWG[28]],
    ['instrument-coax', 6, 0.8, 2.6, AWG[22]],
    ['twin-mini', 5, 0.4, 1.2, AWG[28]],
    ['multipair-2', 6.5, 0.5, 1, AWG[26]],
    ['multipair-4', 8.5, 0.5, 1, AWG[26]],
    ['multipair-8', 11.5, 0.5, 1, AWG[26]],
    ['multipair-12', 14, 0.5, 1, AWG[26]],
    ['multipair-16', 16, 0.5, 1, AWG[26]],
    ['multipair-24', 19.5, 0.5, 1, AWG[26]],
    ['multipair-48', 27, 0.5, 1, AWG[26]],
    ['loudspeaker-2x1-5', 7, 1.55, 3, 13.3],
    ['loudspeaker-2x2-5', 8, 2, 3, 7.98],
    ['loudspeaker-2x4', 11.5, 2.53, 4, 4.95],
    ['loudspeaker-4x2-5', 12, 2, 3, 7.98],
    ['loudspeaker-in-wall', 7.8, 2, 3, 7.98],
    ['twisted-pair', 4.2, 0.6, 1.4, AWG[24]],
    ['hook-up-3', 4.2, 0.6, 1.4, AWG[26]],
    ['probe-wire', 6, 1.2, 3, AWG[18]],
    ['four-core', 3.8, 0.4, 0.8, AWG[28]],
    ['earth-wire', 1.4, 0.6, 1.4, AWG[24]],
    ['litz-headphone', 2.5, 0.4, 0.5, 400],
    ['video-coax', 6.1, 0.6, 3.7, 53],
  ] as const)('%s: jacket %d, copper %d under %d, %d Ω/km', (id, jacket, copper, over, ohms) => {
    const cable = CABLES.find((each) => each.id === id);
    const cores = cable?.conductors.filter(({ is }) => is === 'core') ?? [];
    expect(cable?.jacketMm).toBe(jacket);
    expect(cores.length).toBeGreaterThan(0);
    for (const core of cores) {
      expect([core.copperMm, core.outerMm]).toEqual([copper, over]);
      // To what tables round to.
      expect(Math.abs((core.ohmsPerKm ?? 0) / ohms - 1)).toBeLessThan(0.001);
    }
  });

  it.each([
    ['pair-braid', 'screen', 25, 2.1],
    ['pair-spiral', 'screen', 32, 1.9],
    ['pair-foil', 'drain', 60, 0.6],
    ['pair-mini', 'screen', 60, 1.1],
    ['star-quad', 'screen', 25, 2.1],
    ['mini-quad', 'screen', 45, 1.3],
    ['instrument-coax', 'screen', 25, 1.9],
    ['twin-mini', 'screen', 45, 1.2],
    ['multipair-8', 'drain', 90, 0.5],
    ['four-core', 'screen', 60, 1.2],
    ['video-coax', 'screen', 15, 2.2],
  ] as const)('the %s has a %s of %d Ω/km, %d mm thick when it is twisted', (id, is, ohms, across) => {
    const screens = CABLES.find((each) => each.id === id)?.conductors.filter((each) => each.is === is) ?? [];
    expect(screens.length).toBeGreaterThan(0);
    for (const { ohmsPerKm, copperMm, outerMm } of screens)
      expect([ohmsPerKm, copperMm, outerMm]).toEqual([ohms, across, across]);
  });
});
