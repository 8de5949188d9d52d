import { describe, expect, it } from 'vitest';
import { OPEN } from '../quantity';
import { sayBeside } from '.';

describe('a reading beside that of a known good lead', () => {
  it('says how far a path is from it, once it is further than wiggling moves it (handbook, section 10)', () => {
    expect(sayBeside({ kind: 'ohms', ohms: 0.52 }, 0.21)).toBe('0.31 Ω more');
    expect(sayBeside({ kind: 'ohms', ohms: 0.29 }, 0.21)).toBeUndefined();
    expect(sayBeside({ kind: 'ohms', ohms: 0.05 }, 0.4)).toBe('0.35 Ω less');
  });

  it('parts may differ by their tolerance', () => {
    expect(sayBeside({ kind: 'ohms', ohms: 960 }, 940)).toBeUndefined();
    expect(sayBeside({ kind: 'ohms', ohms: 1200 }, 940)).toBe('260 Ω more');
  });

  it('what has no figure lies beside nothing', () => {
    expect(sayBeside({ kind: 'ohms', ohms: OPEN }, 0.2)).toBeUndefined();
    expect(sayBeside({ kind: 'beep' }, 0.2)).toBeUndefined();
  });
});
