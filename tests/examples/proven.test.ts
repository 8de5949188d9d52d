import { describe, expect, it } from 'vitest';
import { valueOf, withValue, type Assembly } from '../../src/core/assembly';
import { provenOf } from '../../src/core/bench';
import type { Lead } from '../../src/core/lead';
import {
  ANY_METER,
  answerOf,
  answersOf,
  lookAlikes,
  type Answer,
  type Check,
  type Fault,
  type Proven,
} from '../../src/core/proving';
import { numbers } from '../support/any-intent';
import { builtAs, work } from '../support/proving';
import { changesOf, signature } from './one-change';
import { EXAMPLES, proofFor } from './read';

const long = process.env['ANTLER_TEST_LONG'] === '1';
/** Of each lead so many faults, changes and good builds in a quick run, drawn by this seed. */
const QUICK = { faults: 12, changes: 6 };
const OF_MANY = 300;
const MANY_JOINTS = 40;
const GOOD_BUILDS = 1000;
const SEED = 1410;

const shuffled = <Of>(all: readonly Of[], next: (below: number) => number): readonly Of[] =>
  all
    .map((each) => ({ each, place: next(2 ** 24) }))
    .sort((a, b) => a.place - b.place)
    .map(({ each }) => each);

const each = EXAMPLES.map((example) => [example.id, example] as const);

describe('every modelled fault', () => {
  const next = numbers(SEED);
  let found = 0;
  let named = 0;
  it.each(each)(
    'of %s is found and named, or stands in what is not proven',
    (_, example) => {
      const { proven, proof } = proofFor(example);
      const all = proof.hypotheses.flatMap(({ fault }) => fault ?? []);
      for (const fault of long ? all : shuffled(all, next).slice(0, QUICK.faults))
        for (const variant of fault.variants()) {
          const { verdict } = work(proof, builtAs(proven, proof, variant));
          if (verdict.is !== 'good') {
            expect(verdict.is, `${fault.id}: ${verdict.says}`).toBe('fault');
            expect(verdict.suspects.map(({ id }) => id)).toContain(fault.id);
            found++;
            continue;
          }
          expect(verdict.says, fault.id).toMatch(/^Good, except/);
          expect(verdict.notProven.map(({ what }) => what)).toContain(fault.says);
          named++;
        }
    },
    600_000,
  );

  it('prints how many', () => {
    console.info(`single faults: ${found} found, ${named} named as not proven`);
    expect(found).toBeGreaterThan(EXAMPLES.length * 8);
    expect(found / (found + named)).toBeGreaterThan(0.95);
  });
});

/** Changes that no reading, test or look has to see, since they are no other lead to anybody. */
const NO_OTHER_LEAD: readonly (readonly [lead: RegExp, change: RegExp, why: string])[] = [
  [
    /^tell-tale/,
    /^D\d of .* (a tenth|times ten)$/,
    'The forward voltage is the lamp’s own: another colour of lamp.',
  ],
];

describe('a wrong lead of one change', () => {
  const next = numbers(SEED + 1);
  let found = 0;
  let named = 0;
  const missed: string[] = [];
  it.each(each)(
    'from %s, measured by the sheet of the right one',
    (id, example) => {
      const { lead, proven, proof } = proofFor(example);
      const joints = lead.assembly.bodies.flatMap((body) => body.joints).length;
      let left = long ? (joints < MANY_JOINTS ? Infinity : OF_MANY) : QUICK.changes;
      for (const change of changesOf(lead, (all) => shuffled(all, next))) {
        if (left-- <= 0) break;
        const { verdict } = work(proof, builtAs(proven, proof, { assembly: change.after }));
        if (verdict.is !== 'good') found++;
        else if (isNamed(verdict.unseen, change.after)) named++;
        else if (!NO_OTHER_LEAD.some(([of, says]) => of.test(id) && says.test(change.says)))
          missed.push(`${id}: ${change.says}: ${verdict.says}`);
      }
    },
    900_000,
  );

  it('is found, or is named as not proven: none is called good', () => {
    console.info(`wrong leads: ${found} found, ${named} named as not proven, ${missed.length} missed`);
    expect(missed).toEqual([]);
    expect(found).toBeGreaterThan(EXAMPLES.length * (long ? 30 : 4));
  });
});

const isNamed = (faults: readonly Fault[], built: Assembly): boolean =>
  faults.some((fault) => fault.variants().some(({ assembly }) => signature(assembly) === signature(built)));

/** A lead as it is really made: each value somewhere in its tolerance, and copper a little better or worse than its entry. */
function asMade(lead: Lead, draw: () => number): Proven {
  const about = (share: number): number => 1 + share * (2 * draw() - 1);
  const copper = 0.8 + 0.24 * draw();
  const driver = 30 + 270 * draw();
  const { assembly } = lead;
  const situation = provenOf(lead).situation;
  return {
    assembly: {
      ...assembly,
      bodies: assembly.bodies.map((body) => ({
        ...body,
        parts: body.parts.map((part) => {
          const value = valueOf(part);
          return value === undefined ? part : withValue(part, value * about(part.tolerance ?? 0.05));
        }),
      })),
      uses: {
        ...assembly.uses,
        cables: assembly.uses.cables.map((cable) => ({
          ...cable,
          conductors: cable.conductors.map((conductor) => ({
            ...conductor,
            ...(conductor.ohmsPerKm === undefined ? {} : { ohmsPerKm: conductor.ohmsPerKm * copper }),
          })),
        })),
      },
    },
    // Earpieces come from 30 to 300 Ω, two alike.
    situation: situation && {
      ...situation,
      channels: situation.channels.map((channel) =>
        channel.port.signal === 'headphone' && channel.direction === 'receives'
          ? { ...channel, port: { ...channel.port, impedance: driver } }
          : channel,
      ),
    },
  };
}

describe('a good lead', () => {
  const next = numbers(SEED + 2);
  const draw = (): number => next(2 ** 24) / 2 ** 24;

  it('of every example is called good, and every fault that it could still have is said', () => {
    for (const example of EXAMPLES) {
      const { proven, proof } = proofFor(example);
      const { verdict, readings } = work(proof, builtAs(proven, proof, proven));
      expect(verdict.is, example.id).toBe('good');
      expect(readings, example.id).toHaveLength(proof.checks.length);
      expect(verdict.says, example.id).toMatch(
        verdict.notProven.length === 0 ? /^Every path carries/ : /^Good, except/,
      );
      for (const { what, why } of verdict.notProven) expect(what.length * why.length).toBeGreaterThan(0);
    }
  });

  it(`is never refused: ${GOOD_BUILDS} builds, values and copper within tolerance, touches of up to 0.2 Ω, any usual meter`, () => {
    const start = Date.now();
    const refused: string[] = [];
    for (let n = 0; n < GOOD_BUILDS; n++) {
      const example = EXAMPLES[n % EXAMPLES.length];
      if (!example) continue;
      const { lead, proof } = proofFor(example);
      const made = asMade(lead, draw);
      const volts = ANY_METER.testVolts.from * (ANY_METER.testVolts.to / ANY_METER.testVolts.from) ** draw();
      const says = answersOf(made, proof, made, {
        hand: (turn) =>
          turn <= 0 ? 0.02 * draw() : turn >= 1 ? 1 - 0.02 * draw() : turn + 0.1 * (draw() - 0.5),
        instrument: { ...ANY_METER, testVolts: { from: volts, to: volts } },
      });
      const shown = (check: Check): Answer => {
        const answer = answerOf(check, says(check));
        return answer.kind === 'ohms'
          ? { kind: 'ohms', ohms: answer.ohms * (1 + 0.01 * (2 * draw() - 1)) + 0.4 * draw() }
          : answer;
      };
      const { verdict } = work(proof, shown);
      if (verdict.is !== 'good') refused.push(`${example.id}: ${verdict.says} ${verdict.off[0]?.says ?? ''}`);
    }
    console.info(
      `good builds: ${GOOD_BUILDS - refused.length} of ${GOOD_BUILDS} called good, ${Date.now() - start} ms`,
    );
    expect(refused).toEqual([]);
  }, 300_000);
});

describe('faults that no check tells apart', () => {
  it.each(each.filter(([, example]) => proofFor(example).proof.hypotheses.length < 120))(
    'of %s: each stands in one group, with where to look',
    (_, example) => {
      const { proof } = proofFor(example);
      const { unseen, groups } = lookAlikes(proof);
      const listed = [...unseen, ...groups.flat()].map(({ id }) => id);
      expect([...listed].sort()).toEqual(proof.hypotheses.flatMap(({ fault }) => fault?.id ?? []).sort());
      for (const fault of [...unseen, ...groups.flat()]) expect(fault.look).toMatch(/^Look /);
    },
    120_000,
  );
});
