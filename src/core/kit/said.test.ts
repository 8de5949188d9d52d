import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { dressed } from '../dressing';
import { schoolsOf } from '../lead';
import { kit, kitSheet } from '.';

describe('what is said in a kit is true of this lead', () => {
  it('loose wires are picked by colour, each as it is cut; a ring terminal is no small plastic', () => {
    const braid = leadNamed('vehicle-braid');
    const line = kit(dressed(braid), schoolsOf(braid)).find(
      ({ id }) => id === braid.assembly.spans[0]?.cable,
    );
    // 3960 × 1.2 + 2 × 50 + 2 × 5; the drain’s own tail of 100 mm more.
    expect(line?.detail).toBe('cut red 4.862 m, black 4.862 m, green 4.962 m');
    const clip = kitSheet([{ lead: braid, count: 1 }]).tools.find(({ id }) => id === 'heat-sink');
    expect(clip?.because).toMatch(/^The plastic of end A, B is small/);
  });

  it('of a lead that is only screwed nothing has to become solid', () => {
    const why = (name: string) =>
      kitSheet([{ lead: leadNamed(name), count: 1 }]).tools.find(({ id }) => id === 'holder')?.because;
    expect(why('loudspeaker-two-pole')).toBe('What is screwed down must not turn in the hand.');
    expect(why('stage-microphone')).toBe('Keep dead still until it is solid.');
  });
});
