import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { proofOf } from '.';

/** What the eye is asked of a lead, in words. */
const looks = (example: string): readonly string[] =>
  proofOf({ assembly: leadNamed(example).assembly })
    .trials.map(({ says }) => says)
    .filter((says) => says.startsWith('Look into'));

describe('a look before an end is closed', () => {
  it('calls contacts as they are called, and by their marks where they have no name', () => {
    expect(looks('two-phono-sum')[0]).toBe(
      'Look into end A: white and black on the centre, screen on the collar.',
    );
    expect(looks('rack-trs-to-trs')[0]).toBe(
      'Look into end A: white on the tip, black on the ring, drain on the sleeve.',
    );
    expect(looks('stage-microphone')[0]).toBe('Look into end A: screen on 1, white on 2, black on 3.');
    expect(looks('star-quad-microphone')[0]).toBe(
      'Look into end A: screen on 1, both white cores on 2, both blue cores on 3.',
    );
  });

  it('says which cable a conductor is of where two come in, by where it goes', () => {
    // A headset’s plug: left, right and ground from the headphones, ground and microphone from the other; 4 contacts, 2 cables.
    expect(looks('headset-split')[0]).toBe(
      'Look into end A: white of the cable to end B on the tip, black of the cable to end B on ring 1, both screens on ring 2, white and black of the cable to end C on the sleeve.',
    );
    expect(looks('two-microphones-to-recorder').at(-1)).toBe(
      'Look into end C: white of the cable to end A on the tip, white of the cable to end B on the ring, both screens and both black cores on the sleeve.',
    );
  });

  it('nobody looks into loose wires: each is looked at by its mark', () => {
    const trials = proofOf({ assembly: leadNamed('test-tail').assembly }).trials.map(({ says }) => says);
    expect(trials).toContain('Look at the loose wires of end A: orange for 1, red for 2, brown for 3.');
    expect(trials.filter((says) => says.startsWith('Look into end A'))).toEqual([]);
  });

  it('says what stays on nothing', () => {
    expect(looks('camera-microphone')).toEqual([
      'Look into end A: white and black on the tip, screen on the sleeve.',
    ]);
    expect(looks('balanced-to-phono-ground-referenced')[0]).toBe(
      'Look into end A: screen on 1, white on 2, black on nothing, and clear of everything.',
    );
  });
});
