import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Storage } from '../../../tests/support/storage';
import { stepsOf } from './steps';

let session: Storage;
beforeEach(() => {
  session = new Storage();
  vi.stubGlobal('sessionStorage', session);
});
afterEach(() => vi.unstubAllGlobals());

describe('steps', () => {
  it('are taken back and made again, also after a reload; a new change forgets what was taken back', () => {
    const steps = stepsOf<string>('lead:1');
    steps.push('one');
    steps.push('two');
    expect(steps.back('three')).toBe('two');
    const again = stepsOf<string>('lead:1');
    expect(again.count()).toEqual({ back: 1, on: 1 });
    expect(again.on('two')).toBe('three');
    expect(again.back('three')).toBe('two');
    expect(again.back('two')).toBe('one');
    expect(again.back('one')).toBeUndefined();
    again.push('one');
    expect(again.count()).toEqual({ back: 1, on: 0 });
    expect(again.on('other')).toBeUndefined();
    expect(stepsOf<string>('lead:2').count()).toEqual({ back: 0, on: 0 });
  });

  it('are not endless', () => {
    const steps = stepsOf<number>('lead:1');
    for (let n = 0; n < 80; n++) steps.push(n);
    expect(steps.count().back).toBe(50);
    expect(steps.back(80)).toBe(79);
  });

  it('are there without storage, and begin anew where what is kept is unreadable', () => {
    session.setItem('antler.steps.lead:1', '{');
    expect(stepsOf('lead:1').count()).toEqual({ back: 0, on: 0 });
    session.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    const steps = stepsOf<string>('lead:3');
    steps.push('one');
    expect(steps.back('two')).toBe('one');
  });
});
