import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { dressed } from '../dressing';
import { derive, schoolsOf, type Lead } from '../lead';
import { sequence, type Operation } from '.';

const steps = (lead: Lead): readonly Operation[] => sequence(dressed(lead), schoolsOf(lead));
const said = (lead: Lead, id: string): Operation =>
  steps(lead).find((each) => each.id === id) ?? expect.fail(`there is no ${id}`);

describe('a step in words', () => {
  it('one cable goes through its own boot, and nothing is said of several; of two both', () => {
    const one = said(leadNamed('stage-microphone'), 'thread-A');
    expect(one.detail.join(' ')).toMatch(/^For the XLR 3 cable socket/);
    expect(one.detail.join(' ')).not.toMatch(/cables go through/);
    const several = steps(leadNamed('two-way-split')).filter(({ kind }) => kind === 'thread');
    const both = several.filter(({ detail }) => / cables go through the one /.test(detail.join(' ')));
    expect(both.map(({ end }) => end)).toEqual(['A']);
  });

  it('what holds by screw or crimp is looked at as that, and what is soldered as solder', () => {
    const looked = (name: string, end: string) =>
      steps(leadNamed(name))
        .filter(({ kind, end: at }) => kind === 'inspect' && at === end)
        .map(({ detail }) =>
          [/wetted/, /Under each screw/, /A crimp holds/].map((each) => each.test(detail.join(' '))),
        );
    expect(looked('stage-microphone', 'A')).toEqual([[true, false, false]]);
    expect(looked('loudspeaker-two-pole', 'A')).toEqual([[false, true, false]]);
    expect(
      steps(leadNamed('loudspeaker-two-pole')).some(({ detail }) => /A crimp holds/.test(detail.join(' '))),
    ).toBe(false);
  });

  it('what clamps is clamped and closed', () => {
    expect(said(leadNamed('stage-microphone'), 'clamp-A').title).toBe('Clamp and close end A');
  });

  it('a break-out of numbered pairs and one of a single pair are told apart', () => {
    const parting = (name: string) => steps(leadNamed(name)).find(({ kind }) => kind === 'part')?.title;
    expect(parting('stereo-microphone-fan-out')).not.toBe(parting('d25-to-eight-xlr'));
  });

  it('the legs of parts are trimmed with the screen where there is one at that end, and alone where it was cut back', () => {
    const trims = (name: string) =>
      steps(leadNamed(name)).flatMap(({ kind, detail }) => (kind === 'twist' ? detail[0] : []));
    expect(trims('pad-h-lead')).toEqual([
      'Legs and screen to one length, as they reach their cups: the shell has 30 mm behind them.',
    ]);
    // Its screens end at their sources: nothing but the transformer’s leads goes on.
    expect(trims('balanced-sum-transformer')).toEqual([
      'Legs to one length, as they reach their cups: the shell has 30 mm behind them.',
    ]);
  });

  it('is said anew where the lead is another', () => {
    const lead = leadNamed('stage-microphone');
    const made = derive({ ...lead.intent, length: { mm: 3000, datum: 'face' } });
    if (!made.ok) return expect.fail();
    expect(said(made.value, 'cut-W1').title).toBe('Cut 2.966 m of cable');
  });
});

it('the holes in a lamp’s cover are as wide as the wire that goes through them', () => {
  const lamp = leadNamed('continuity-lamp');
  const course = sequence(dressed(lamp), schoolsOf(lamp));
  const drill = course.find(({ kind }) => kind === 'drill');
  // Probe wire is 3 mm over its insulation.
  expect(drill?.detail.join(' ')).toContain('a drill of 3 mm');
  // It is in before anything of it is soldered.
  const kinds = course.map(({ kind }) => kind);
  expect(kinds.indexOf('drill')).toBeLessThan(kinds.indexOf('feed'));
  expect(kinds.indexOf('feed')).toBeLessThan(kinds.indexOf('solder'));
});
