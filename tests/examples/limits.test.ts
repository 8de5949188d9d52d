import { describe, expect, it } from 'vitest';
import { cuttingSchema } from '../../src/core/house';
import { levelSchema } from '../../src/core/house/settings/levels';
import { ownToolSchema } from '../../src/core/house/settings/tools';
import { chainSchema } from '../../src/core/kit';
import { instrumentSchema, probeSchema, trialSchema } from '../../src/core/proving';
import { breakSchema } from '../../src/core/proving/locate';
import { readShape } from '../../src/core/quantity';
import { situationSchema } from '../../src/core/situation';
import { cutProblemSchema, shelfEventSchema } from '../../src/core/stock';
import { inputListSchema, linesSchema, lookSchema, plugSchema, venueLinesSchema } from '../../src/core/sweep';
import { intentSchema } from '../../src/core/wiring';
import { workboxSchema } from '../../src/core/workbox';
import { intentFor } from '../support/intents';
import { leadFor, useOf } from '../support/leads';

/**
 * How much of everything a document may say, typed by hand: what lies at a limit is taken, and what lies beyond is refused at
 * its field. Letters are at the most so many, `from` and `to` are numbers that are still taken, `things` how many in a list.
 */
type Limit =
  | { readonly letters: number; readonly least?: number }
  | { readonly from?: number; readonly to?: number; readonly whole?: true }
  | { readonly things: number; readonly least?: number };

const ID = '0a8f6f0e-5d5c-4b8e-9d7b-3f1a2c4d5e6f';
const AT = '2026-03-01T10:00:00.000Z';
const end = { port: 'microphone', family: 'xlr3' };

/** A good document of each kind, with its limits by their place. */
const DOCUMENTS: Readonly<
  Record<
    string,
    { readonly schema: Parameters<typeof readShape>[0]; readonly good: object; readonly limits: object }
  >
> = {
  'what happened on the shelf': {
    schema: shelfEventSchema,
    good: { id: ID, piece: ID, at: AT, kind: 'cut', amount: 3000 },
    limits: {
      amount: { from: 0, to: 1e8 },
      what: { letters: 200 },
      item: { letters: 120 },
      name: { letters: 120 },
      place: { letters: 80 },
      fromMm: { from: 0, to: 1e8 },
      toMm: { from: 0, to: 1e8 },
      reused: { from: 0, to: 100, whole: true },
      span: { letters: 40 },
    },
  },
  'a level': {
    schema: levelSchema,
    good: { item: 'cable pair', name: 'pair', least: 20_000, unit: 'mm' },
    limits: { item: { letters: 120 }, name: { letters: 120 }, least: { to: 1e8 } },
  },
  'a tool of the house': {
    schema: ownToolSchema,
    good: { id: 'iron', ours: 'the grey one' },
    limits: { id: { letters: 60 }, ours: { letters: 80 } },
  },
  'how the house cuts': {
    schema: cuttingSchema,
    good: { kerfMm: 0, leastOffcutMm: 600 },
    limits: { kerfMm: { from: 0, to: 50 }, leastOffcutMm: { from: 0, to: 100_000 } },
  },
  'a cutting problem': {
    schema: cutProblemSchema,
    good: {
      version: 1,
      kerfMm: 0,
      leastOffcutMm: 600,
      stock: [{ id: 'reel', mm: 100_000, kind: 'reel' }],
      cuts: [{ id: 'mic', mm: 6000, count: 2 }],
    },
    limits: {
      kerfMm: { from: 0, to: 1e7 },
      leastOffcutMm: { from: 0, to: 1e7 },
      stock: { things: 500 },
      'stock[0].id': { letters: 120, least: 1 },
      'stock[0].mm': { to: 1e7 },
      cuts: { things: 300, least: 1 },
      'cuts[0].id': { letters: 120, least: 1 },
      'cuts[0].mm': { to: 1e7 },
      'cuts[0].count': { from: 1, to: 5000, whole: true },
    },
  },
  'a list of inputs': {
    schema: inputListSchema,
    good: {
      version: 1,
      inputs: [{ id: 'a', name: 'Narrator', weight: 5 }],
      costs: { move: 1, onUnknown: 5, pairApart: 2 },
    },
    limits: {
      inputs: { things: 128 },
      'inputs[0].id': { letters: 60, least: 1 },
      'inputs[0].name': { letters: 60, least: 1 },
      'inputs[0].port': { letters: 60 },
      'inputs[0].weight': { from: 1, to: 10 },
      'inputs[0].pair': { letters: 60, least: 1 },
      'costs.move': { from: 0, to: 1000 },
      'costs.onUnknown': { from: 0, to: 1000 },
      'costs.pairApart': { from: 0, to: 1000 },
    },
  },
  'lines of a venue': {
    schema: venueLinesSchema,
    good: [{ way: 1, name: 'fly gallery' }],
    limits: {
      '': { things: 128, least: 1 },
      '[0].way': { from: 0, to: 100_000, whole: true },
      '[0].name': { letters: 60 },
    },
  },
  'a patch problem': {
    schema: linesSchema,
    good: {
      version: 1,
      lines: [{ way: 1, state: 'good' }],
      inputs: [{ id: 'a', way: 1, weight: 5, pair: 'x' }],
      costs: { move: 1, onUnknown: 5, pairApart: 2 },
    },
    limits: {
      lines: { things: 128 },
      'lines[0].way': { from: 0, to: 100_000, whole: true },
      inputs: { things: 128 },
      'inputs[0].id': { letters: 120, least: 1 },
      'inputs[0].weight': { from: 0, to: 1e6 },
      'inputs[0].pair': { letters: 120, least: 1 },
      'costs.move': { from: 0, to: 1e6 },
      'costs.onUnknown': { from: 0, to: 1e6 },
      'costs.pairApart': { from: 0, to: 1e6 },
    },
  },
  'a shorting plug': {
    schema: plugSchema,
    good: { supply: 'P48', ohms: 4700, forward: 2, guard: true },
    limits: { ohms: { from: 1, to: 1e6 }, forward: { from: 1, to: 5 } },
  },
  'what is seen at a way': {
    schema: lookSchema,
    good: { id: ID, at: AT, by: 'Imke', way: 1, kind: 'note', text: 'x' },
    limits: {
      by: { letters: 80, least: 1 },
      way: { from: 0, to: 100_000, whole: true },
      text: { letters: 400 },
    },
  },
  'a chain of devices': {
    schema: chainSchema,
    good: {
      version: 1,
      devices: [
        { name: 'one', atMm: 0 },
        { name: 'two', atMm: 500 },
      ],
      slackMm: 10,
      cable: 'instrument-coax',
      surroundings: 'stage',
    },
    limits: {
      devices: { things: 60, least: 2 },
      'devices[0].name': { letters: 60, least: 1 },
      'devices[0].atMm': { from: 0, to: 1e6 },
      slackMm: { from: 0, to: 1e5 },
      cable: { letters: 60 },
      surroundings: { letters: 40 },
    },
  },
  'a work box': {
    schema: workboxSchema,
    good: {
      version: 1,
      needs: [{ name: 'mic', intent: intentFor(), count: 1 }],
      occasions: [{ name: 'show', needs: [{ need: 'mic', count: 1 }] }],
    },
    limits: {
      needs: { things: 60, least: 1 },
      'needs[0].name': { letters: 80, least: 1 },
      'needs[0].count': { from: 1, to: 200, whole: true },
      occasions: { things: 60 },
      'occasions[0].name': { letters: 80, least: 1 },
      'occasions[0].needs': { things: 60, least: 1 },
      'occasions[0].needs[0].count': { from: 1, to: 200, whole: true },
    },
  },
  'a meter': {
    schema: instrumentSchema,
    good: {
      version: 1,
      testVolts: { from: 0.4, to: 3 },
      capacitance: true,
      leadOhms: 0.1,
      beeper: { sure: 20, never: 100 },
    },
    limits: {
      'testVolts.to': { to: 20 },
      leadOhms: { from: 0, to: 20 },
      'beeper.sure': { from: 0, to: 1e6 },
      'beeper.never': { to: 1e6 },
    },
  },
  'an intent': {
    schema: intentSchema,
    good: {
      ...intentFor(),
      from: [{ ...end, values: { impedance: 200, levelDbu: -50 } }],
      length: { mm: 6000, datum: 'face', said: '6 m' },
      legs: { mm: 500 },
      through: { mm: 16 },
      anyway: ['phantom-harm'],
    },
    limits: {
      from: { things: 48 },
      to: { things: 48 },
      'from[0].body': { letters: 60 },
      'from[0].layout': { letters: 60 },
      'from[0].channel': { letters: 20, least: 1 },
      'from[0].values.impedance': { to: 1e8 },
      'from[0].values.levelDbu': { from: -150, to: 100 },
      wiring: { letters: 60 },
      'length.mm': { from: 100, to: 300_000 },
      'length.said': { letters: 40 },
      'legs.mm': { from: 60, to: 20_000 },
      'through.mm': { from: 3, to: 500 },
      anyway: { things: 20 },
      'anyway[0]': { letters: 60, least: 1 },
    },
  },
  'a situation': {
    schema: situationSchema,
    good: {
      ...useOf(leadFor()),
      links: [{ out: 'A', in: 'B', lossDb: 20, lossOhms: 600 }],
      overruled: [{ id: 'a', says: 'b', hear: 'c' }],
    },
    limits: {
      name: { letters: 80, least: 1 },
      channels: { things: 400 },
      'channels[0].label': { letters: 40 },
      'channels[0].name': { letters: 40, least: 1 },
      'channels[0].port.impedance': { from: 0, to: 1e9 },
      'channels[0].port.levelDbu': { from: -150, to: 100 },
      links: { things: 400 },
      'links[0].lossDb': { from: 0, to: 120 },
      'links[0].lossOhms': { to: 1e6 },
      groundVolts: { from: 0, to: 1000 },
      overruled: { things: 20 },
      'overruled[0].id': { letters: 60, least: 1 },
      'overruled[0].says': { letters: 600, least: 1 },
      'overruled[0].hear': { letters: 400, least: 1 },
    },
  },
  'a touch of the meter': {
    schema: probeSchema,
    good: { id: 'A.1~B.1', red: 'A.1', black: ['B.1'], kind: 'path', says: 'A.1 to B.1' },
    limits: {
      id: { letters: 2000, least: 1 },
      says: { letters: 4000, least: 1 },
      turn: { from: 0, to: 1 },
      shorting: { letters: 40 },
      series: { letters: 40 },
    },
  },
  'what is tried': {
    schema: trialSchema,
    good: { id: 'x', kind: 'test', says: 'It sounds.', caution: 'Turn it down.' },
    limits: {
      id: { letters: 2000, least: 1 },
      says: { letters: 4000, least: 1 },
      caution: { letters: 400 },
    },
  },
  'a broken core': {
    schema: breakSchema,
    good: {
      version: 1,
      is: 'open',
      lengthMm: 6000,
      readings: [{ at: 'near', farads: 1e-10, ohms: 1 }],
      picofaradsPerMetre: 100,
      ohmsPerMetre: 0.1,
      meter: { share: 0.01, picofarads: 5, ohms: 0.1 },
    },
    limits: {
      lengthMm: { to: 1e7 },
      readings: { things: 2, least: 1 },
      'readings[0].farads': { to: 1 },
      'readings[0].ohms': { from: 0, to: 1e6 },
      picofaradsPerMetre: { to: 1e5 },
      ohmsPerMetre: { to: 1e4 },
      'meter.share': { from: 0, to: 0.5 },
      'meter.picofarads': { from: 0, to: 1e6 },
      'meter.ohms': { from: 0, to: 1e3 },
    },
  },
};

/** The place of a path in a document: what holds it, and its name there. */
function placeOf(document: unknown, path: string): readonly [Record<string, unknown>, string] {
  const steps = path.split(/[.[\]]+/).filter(Boolean);
  const last = steps.pop() ?? '';
  const holder = steps.reduce(
    (into, step) => (into as Record<string, unknown>)[step] as Record<string, unknown>,
    document as Record<string, unknown>,
  );
  return [holder, last];
}

function refusedAt(kind: string, path: string, value: unknown): readonly string[] {
  const { schema, good } = DOCUMENTS[kind] ?? expect.fail(kind);
  let document: unknown = structuredClone(good);
  if (path === '') document = value;
  else {
    const [holder, name] = placeOf(document, path);
    holder[name] = value;
  }
  const read = readShape(schema, document);
  return read.ok ? [] : [...new Set(read.problems.map((each) => each.path))];
}

/** What is taken at the limits of a field, and what is beyond them. */
function around(kind: string, path: string, limit: Limit): readonly (readonly [unknown, boolean])[] {
  if ('letters' in limit) {
    const { letters, least = 0 } = limit;
    const word = (length: number): string => 'x'.repeat(length);
    return [
      [word(letters), true],
      [word(letters + 1), false],
      ...(least > 0
        ? ([
            [word(least), true],
            [word(least - 1), false],
          ] as const)
        : []),
    ];
  }
  if ('things' in limit) {
    const { things, least = 0 } = limit;
    const good = DOCUMENTS[kind]?.good;
    const [first] = (path === '' ? good : placeOf(good, path)[0][placeOf(good, path)[1]]) as unknown[];
    const list = (length: number): unknown[] => Array.from({ length }, () => first);
    return [
      [list(things), true],
      [list(things + 1), false],
      ...(least > 0
        ? ([
            [list(least), true],
            [list(least - 1), false],
          ] as const)
        : []),
    ];
  }
  const { from, to, whole } = limit;
  const step = whole ? 1 : 0.001;
  return [
    ...(from === undefined
      ? []
      : ([
          [from, true],
          [from - step, false],
        ] as const)),
    ...(to === undefined
      ? []
      : ([
          [to, true],
          [to + step, false],
        ] as const)),
    ...(whole ? ([[(from ?? 0) + 0.5, false]] as const) : []),
  ];
}

describe('what lies at a limit is taken, what lies beyond is refused at its field', () => {
  it.each(
    Object.entries(DOCUMENTS).flatMap(([kind, { limits }]) =>
      Object.entries(limits).map(([path, limit]) => [kind, path, limit as Limit] as const),
    ),
  )('%s: %s %j', (kind, path, limit) => {
    expect(
      refusedAt(kind, path, path === '' ? DOCUMENTS[kind]?.good : around(kind, path, limit)[0]?.[0]),
    ).toEqual([]);
    for (const [value, isTaken] of around(kind, path, limit))
      expect(refusedAt(kind, path, value), JSON.stringify(value).slice(0, 60)).toEqual(isTaken ? [] : [path]);
  });
});
