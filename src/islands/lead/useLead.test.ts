import { describe, expect, it } from 'vitest';
import { PLAIN_INTENT } from '../../../tests/support/intents';
import { draftOf, readDraft } from './useLead';

const draft = draftOf('Bridge', PLAIN_INTENT);

describe('reading a draft', () => {
  it('one that is whole comes to a lead', () => {
    const read = readDraft(draft);
    expect(read.problems).toEqual([]);
    expect(read.lead?.because.recipe?.id).toBe('balanced-straight');
    expect(read.lengthKnown).toBe(true);
  });

  it('the length is read as it is typed, a bare number in the lead’s own units', () => {
    expect(readDraft({ ...draft, lengthText: '20 ft' }).draft.intent?.length?.mm).toBeCloseTo(6096, 9);
    expect(readDraft({ ...draft, lengthText: '7' }).draft.intent?.length?.mm).toBe(7000);
    const inch = draftOf('x', { ...PLAIN_INTENT, schools: { units: 'inch' } });
    expect(inch.lengthText).toBe('19 ft 8 1/4 in');
    expect(readDraft({ ...inch, lengthText: '7' }).draft.intent?.length?.mm).toBeCloseTo(7 * 304.8, 9);
  });

  it('text that only says the length again does not change it, though it rounds', () => {
    const odd = draftOf('x', { ...PLAIN_INTENT, length: { mm: 1714.5, datum: 'face' } });
    expect(odd.lengthText).not.toContain('1714.5');
    expect(readDraft(odd).draft.intent?.length?.mm).toBe(1714.5);
  });

  it('a length that cannot be read is a problem of its own, keeps what was there, and no figure is shown for it', () => {
    const read = readDraft({ ...draft, lengthText: 'long' });
    expect(read.problems.map((problem) => problem.path)).toEqual(['intent.length.mm']);
    expect(read.draft.intent?.length?.mm).toBe(6000);
    expect(read.lengthKnown).toBe(false);
    expect(read.lead).toBeDefined();
  });

  it('a length out of bounds is told once', () => {
    expect(readDraft({ ...draft, lengthText: '400 m' }).problems.map((problem) => problem.path)).toEqual([
      'intent.length.mm',
    ]);
  });

  it('name and cable have their own', () => {
    const read = readDraft({ ...draft, name: '  ', intent: { ...PLAIN_INTENT, cable: 'instrument-coax' } });
    expect(read.problems.map((problem) => problem.path)).toEqual(['name', 'intent.cable']);
    expect(read.lead).toBeUndefined();
  });
});
