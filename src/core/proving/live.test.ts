import { describe, expect, it } from 'vitest';
import { OPEN } from '../quantity';
import { follow, NOT_FOLLOWED, readFigure, sayFollowing, settled, type Following } from '.';

const after = (figures: readonly number[], mode?: 'diode' | 'capacitance'): Following =>
  figures.reduce((following, figure) => follow(following, figure, mode), NOT_FOLLOWED);

describe('a meter that is read again and again', () => {
  it('is taken once three figures running are alike', () => {
    expect(settled(after([OPEN, 0.24, 0.21]), undefined)).toBeUndefined();
    expect(settled(after([OPEN, 0.24, 0.21, 0.22]), undefined)).toBe(0.22);
    // A contact that bounces.
    expect(settled(after([OPEN, 0.2, 3, 0.2, OPEN, 0.2, 0.2]), undefined)).toBeUndefined();
    expect(settled(after([OPEN, 4700, 4690, 4705]), undefined)).toBe(4705);
    expect(settled(after([OPEN, 4700, 4600, 4705]), undefined)).toBeUndefined();
  });

  it('a figure of the probe before is none of this: the leads have to be in the air first', () => {
    expect(settled(after([0.2, 0.2, 0.2, 0.2]), undefined)).toBeUndefined();
    expect(sayFollowing(after([0.2]), undefined)).toMatch(/^Lift the leads/);
    expect(settled(after([0.2, OPEN, 0.2, 0.2, 0.2]), undefined)).toBe(0.2);
  });

  it('an open is never taken by itself: leads in the air show the same', () => {
    expect(settled(after([OPEN, OPEN, OPEN, OPEN]), undefined)).toBeUndefined();
    expect(settled(after([OPEN, OPEN, OPEN, OPEN], 'diode'), 'diode')).toBeUndefined();
    expect(settled(after([3e-12, 3e-12, 3e-12], 'capacitance'), 'capacitance')).toBeUndefined();
    expect(sayFollowing(after([OPEN]), undefined)).toMatch(/by hand/);
  });

  it('volts and farads are alike by their own measure', () => {
    expect(settled(after([OPEN, 1.81, 1.815, 1.812], 'diode'), 'diode')).toBe(1.812);
    expect(settled(after([3e-12, 9.9e-6, 10e-6, 9.95e-6], 'capacitance'), 'capacitance')).toBe(9.95e-6);
    expect(settled(after([3e-12, 9e-6, 10e-6, 9.95e-6], 'capacitance'), 'capacitance')).toBeUndefined();
  });
});

describe('a figure as a meter sends it', () => {
  it.each([
    ['+4.70000000E+03', 4700],
    ['0.21', 0.21],
    [' 2.2e-9 ', 2.2e-9],
    ['+9.90000000E+37', OPEN],
    ['-9.9E37', undefined],
    // Nulled leads, a little too much.
    ['-2.0E-02', 0],
    // What no figure is: not a number, something live, words, an empty line.
    ['9.91E37', undefined],
    ['-4.2', undefined],
    ['OVLD', undefined],
    ['', undefined],
    ['1,2', undefined],
    ['0x10', undefined],
  ])('%j is %s', (text, value) => expect(readFigure(text)).toBe(value));
});
