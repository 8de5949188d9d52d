import { describe, expect, it } from 'vitest';
import { PLAIN_INTENT } from '../../../tests/support/intents';
import { leadFor } from '../../../tests/support/leads';
import { labelLines } from '../kit';
import { driftOf, editedOf, editedOfLead, readEdited } from './edited';

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

  it('a length stays as it was typed, on the lead and its label, until it is another', () => {
    const read = readEdited({ ...edited, lengthText: ' 19  ft ' });
    const lead = read.lead ?? leadFor();
    expect(lead.intent?.length).toEqual({ datum: 'face', mm: 19 * (12 * 25.4), said: '19 ft' });
    expect(lead.assembly.lengths.map(({ said }) => said)).toEqual(['19 ft']);
    expect(editedOfLead(lead).lengthText).toBe('19 ft');
    expect(labelLines(lead, 1)[1]).toBe('19 ft');
    // What is said anyway, or without a unit, is not kept beside the figure.
    for (const lengthText of ['7', '7.0', '6 m']) {
      const { length } = readEdited({ ...edited, lengthText }).edited.intent ?? {};
      expect(length && 'said' in length, lengthText).toBe(false);
    }
    // A remedy that shortens it puts the figure alone.
    const shorter = editedOf('x', { ...PLAIN_INTENT, length: { datum: 'face', mm: 2000, said: '19 ft' } });
    expect(shorter.lengthText).toBe('2 m');
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
