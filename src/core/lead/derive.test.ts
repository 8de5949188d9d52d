import { describe, expect, it } from 'vitest';
import { anyIntent, numbers, pick } from '../../../tests/support/any-intent';
import { intentFor, type Patch } from '../../../tests/support/intents';
import { leadFor, useOf } from '../../../tests/support/leads';
import { loadOhms } from '../model';
import { figuresOfKind, leadSignal } from '../signal';
import { carriedBy, channelNamed, notCarried } from '../situation';
import { derive, type Lead } from '.';

const long = process.env['ANTLER_TEST_LONG'] === '1';
/** How many intents are tried, and the seed they are drawn by. */
const COUNT = long ? 40_000 : 2_500;
const SEED = 20_261;

describe('whatever is asked for', () => {
  const next = numbers(SEED);
  const tried = Array.from({ length: COUNT }, () => {
    const intent = anyIntent(next);
    const made = derive(intent);
    // Where it is the cable that does not do, another may.
    if (made.ok || made.problems[0]?.path !== 'intent.cable') return { intent, made };
    const other = {
      ...intent,
      cable: pick(next, ['pair-braid', 'multipair-8', 'instrument-coax', 'loudspeaker-2x1-5']),
    };
    return { intent: other, made: derive(other) };
  });
  const leads = tried.flatMap(({ made }) => (made.ok ? [made.value] : []));

  it('it is refused at a field, or it comes to a lead', () => {
    for (const { intent, made } of tried)
      if (!made.ok)
        for (const problem of made.problems) {
          expect(problem.path, JSON.stringify(intent)).toMatch(/^intent/);
          expect(problem.says.length).toBeGreaterThan(10);
        }
    expect(leads.length).toBeGreaterThan(COUNT / 25);
  });

  it('no recipe offers what its own wiring does not carry', () => {
    const codes = tried.flatMap(({ intent, made }) =>
      made.ok || !made.problems.some((problem) => problem.code.startsWith('lead.'))
        ? []
        : [[made.problems[0]?.says, JSON.stringify(intent)]],
    );
    expect(codes.slice(0, 5)).toEqual([]);
  });

  it('every link is carried, role for role, or left out with a reason; nothing is empty', () => {
    for (const lead of leads) {
      const [recipe] = [lead.because.recipe?.id];
      expect(
        lead.assembly.bodies.some((body) => body.joints.length + (body.existing ?? []).length > 0),
        recipe,
      ).toBe(true);
      for (const situation of lead.situations) {
        expect(notCarried(lead.assembly, situation, lead.because.leftOut), recipe).toEqual([]);
        for (const left of lead.because.leftOut) expect(left.says.length).toBeGreaterThan(5);
      }
    }
  });

  // The circuit knows nothing of roles: it is another witness than the nets.
  it('and where hot is carried the circuit lets something arrive', () => {
    const heard = leads.filter((_, n) => n % (long ? 3 : 5) === 0);
    for (const lead of heard) {
      const situation = useOf(lead);
      const solved = leadSignal(lead.assembly, situation, { grid: 'coarse', ranges: false });
      if (!solved.ok) throw new Error(JSON.stringify(solved.problems));
      const carried = carriedBy(lead.assembly, situation);
      for (const gain of figuresOfKind(solved.value.figures, 'gain')) {
        const link = gain.link ?? expect.fail('a gain is of a link');
        const hot = carried.find(
          (each) => each.out === link.out && each.in === link.in && each.role !== 'screen',
        );
        const into = channelNamed(situation, link.in);
        if (hot?.role === 'hot' && hot.carried && into && loadOhms(into) > 1)
          expect(
            gain.value,
            `${lead.because.recipe?.id ?? ''} ${JSON.stringify(lead.intent)}`,
          ).toBeGreaterThan(-75);
      }
    }
  }, 120_000);
});

describe('what was seen to be derived to nothing', () => {
  it.each([
    [
      'an amplifier into two microphone inputs, in a barrel',
      {
        from: { port: 'amplifier', family: 'ts635' },
        to: [
          { port: 'microphone-input', family: 'xlr3' },
          { port: 'microphone-input', family: 'xlr3' },
        ],
        form: 'barrel',
      },
    ],
  ] as const)('%s is refused in words', (_, patch) => {
    const made = derive(intentFor(patch as Patch));
    expect(made.ok).toBe(false);
    if (!made.ok) expect(made.problems[0]?.says).toMatch(/its voltage destroys an input/);
  });
});

describe('what a recipe leaves out it says', () => {
  const leftOut = (lead: Lead): readonly string[] => lead.because.leftOut.map((each) => each.role);

  it.each([
    ['a plain lead, nothing', {}, []],
    [
      'a screen that is lifted',
      {
        wiring: 'screen-lift',
        from: { port: 'line-transformer', family: 'xlr3' },
        to: { port: 'line-input', family: 'xlr3' },
      },
      ['screen'],
    ],
    ['a screen at one end', { schools: { screen: 'source' } }, ['screen']],
    [
      'a cold leg left open',
      {
        from: { port: 'line-ground-referenced', family: 'xlr3' },
        to: { port: 'unbalanced-input', family: 'phono' },
      },
      ['cold'],
    ],
    ['hot and cold that change places: they are meant to', { wiring: 'polarity-reverse' }, []],
  ] as const)('%s', (_, patch, roles) => expect(leftOut(leadFor(patch as Patch))).toEqual(roles));
});
