import { describe, expect, it } from 'vitest';
import { PLAIN_INTENT } from '../../../tests/support/intents';
import { leadFor } from '../../../tests/support/leads';
import { driftOf, editedOf, readEdited } from './edited';

const edited = editedOf('Bridge', PLAIN_INTENT);

describe('reading an edited lead', () => {
  it('one that is whole comes to a lead', () => {
    const read = readEdited(edited);
    expect(read.problems).toEqual([]);
    expect(read.lead?.because.recipe?.id).toBe('balanced-straight');
    expect(read.lengthKnown).toBe(true);
  });

  it('the length is read as it is typed, a bare number in the lead’s own units', () => {
    expect(readEdited({ ...edited, lengthText: '20 ft' }).edited.intent?.length?.mm).toBeCloseTo(6096, 9);
    expect(readEdited({ ...edited, lengthText: '7' }).edited.intent?.length?.mm).toBe(7000);
    const inch = editedOf('x', { ...PLAIN_INTENT, schools: { units: 'inch' } });
    expect(inch.lengthText).toBe('19 ft 8 1/4 in');
    expect(readEdited({ ...inch, lengthText: '7' }).edited.intent?.length?.mm).toBeCloseTo(7 * 304.8, 9);
  });

  it('text that only says the length again does not change it, though it rounds', () => {
    const odd = editedOf('x', { ...PLAIN_INTENT, length: { mm: 1714.5, datum: 'face' } });
    expect(odd.lengthText).not.toContain('1714.5');
    expect(readEdited(odd).edited.intent?.length?.mm).toBe(1714.5);
  });

  it('a length that cannot be read is a problem of its own, keeps what was there, and no figure is shown for it', () => {
    const read = readEdited({ ...edited, lengthText: 'long' });
    expect(read.problems.map((problem) => problem.path)).toEqual(['intent.length.mm']);
    expect(read.edited.intent?.length?.mm).toBe(6000);
    expect(read.lengthKnown).toBe(false);
    expect(read.lead).toBeDefined();
  });

  it('a length out of bounds is told once', () => {
    expect(readEdited({ ...edited, lengthText: '400 m' }).problems.map((problem) => problem.path)).toEqual([
      'intent.length.mm',
    ]);
  });

  it('a stored lead that would be the same today has not drifted; another says in what', () => {
    const lead = leadFor();
    expect(driftOf(lead)).toEqual([]);
    const older = {
      ...lead,
      assembly: {
        ...lead.assembly,
        bodies: lead.assembly.bodies.map((body) => ({
          ...body,
          joints: body.joints.filter((joint) => !joint.terminals.includes('B.3')),
        })),
      },
    };
    expect(driftOf(older)).toEqual(['now A.3 with B.3']);
    // One that could not be made any more says why.
    expect(driftOf({ ...lead, intent: { ...PLAIN_INTENT, cable: 'gone' } }).join(' ')).toContain('gone');
    const { intent: _, ...described } = lead;
    expect(driftOf(described)).toEqual([]);
  });

  it('name and cable have their own', () => {
    const read = readEdited({ ...edited, name: '  ', intent: { ...PLAIN_INTENT, cable: 'instrument-coax' } });
    expect(read.problems.map((problem) => problem.path)).toEqual(['name', 'intent.cable']);
    expect(read.lead).toBeUndefined();
  });
});
