import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { courseOf } from '../../src/core/bench';
import { courseFileSchema } from '../../src/core/formats';
import { schoolsOf } from '../../src/core/lead';
import { readShape } from '../../src/core/quantity';
import { SCHOOLS } from '../../src/core/wiring';
import { EXAMPLES, leadNamed } from './read';

const SAID = new Map(
  readFileSync(new URL('../../examples/courses.md', import.meta.url), 'utf8')
    .split(/^## /m)
    .slice(1)
    .map((part) => {
      const [id = '', , ...lines] = part.trimEnd().split('\n');
      return [id, lines] as const;
    }),
);

const COURSES = new Map<string, ReturnType<typeof courseOf>>();
/** The course of an example, worked out once. */
function courseFor(id: string): ReturnType<typeof courseOf> {
  const course = COURSES.get(id) ?? courseOf(leadNamed(id));
  COURSES.set(id, course);
  return course;
}

/** Of each school of the bench another answer than the usual one. */
const OTHERS = Object.fromEntries(
  SCHOOLS.filter(({ decides }) => decides === 'bench').map(({ id, choices, default: usual }) => [
    id,
    choices.find((choice) => choice.id !== usual)?.id,
  ]),
);

/** What no step of a lead without this may say: [what it has not, words]. */
const WORDS = {
  jacket: /jacket|clamp grips/i,
  solder: /solder|tin the|cool|rosin|dull/i,
  screen: /screen|foil|drain/i,
} as const;

/** The courses in the repository were read by eye: a change to one of them is a change to what somebody does. */
describe('the courses of the examples', () => {
  it('are all there', () => expect([...SAID.keys()].sort()).toEqual(EXAMPLES.map(({ id }) => id).sort()));

  it.each(EXAMPLES.map(({ id }) => [id]))('%s is as it was read', (id) => {
    const course = courseFor(id);
    expect(readShape(courseFileSchema, course).ok).toBe(true);
    expect(SAID.get(id)).toEqual(
      course.steps.flatMap(({ title, detail, gate = [], caution, seconds }, n) => [
        `${n + 1}. ${title}${seconds ? ` (${seconds} s)` : ''}`,
        ...detail.map((line) => `   ${line}`),
        ...gate.map((line) => `   ☐ ${line}`),
        ...(caution === undefined ? [] : [`   ! ${caution}`]),
      ]),
    );
  });

  it('are what their schema says by other schools too', () => {
    for (const id of ['stereo-sum', 'test-tail', 'volume-box', 'stage-microphone']) {
      const lead = leadNamed(id);
      const others = { ...schoolsOf(lead), ...OTHERS };
      const read = readShape(courseFileSchema, courseOf(lead, { schools: others, count: 3 }));
      expect(read.ok ? [] : read.problems, id).toEqual([]);
    }
  });

  it('no step stands twice in the same words, and none says nothing', () => {
    for (const { id } of EXAMPLES) {
      const { steps } = courseFor(id);
      const said = steps.map(({ title }) => title);
      expect(
        said.filter((title, n) => said.indexOf(title) !== n),
        id,
      ).toEqual([]);
      for (const step of steps) expect(step.detail.length, `${id} ${step.id}`).toBeGreaterThan(0);
    }
  });

  it.each([
    ['vehicle-braid', 'screen'],
    ['loudspeaker-two-pole', 'solder'],
    ['loudspeaker-four-pole', 'solder'],
    ['tell-tale', 'jacket'],
    ['volume-box', 'jacket'],
    ['pad-u-barrel', 'jacket'],
    ['shorting-plug', 'jacket'],
  ] as const)('%s has no word of a %s', (id, what) => {
    const said = courseFor(id).steps.flatMap(({ title, detail }) => [title, ...detail]);
    // What must never be done may be named: “never on tinned ones”.
    expect(said.filter((line) => WORDS[what].test(line) && !/never|no solder/.test(line))).toEqual([]);
  });

  it('every step waits for steps that stand before it, by a constraint with its reason', () => {
    for (const { id } of EXAMPLES) {
      const { steps } = courseFor(id);
      steps.forEach(({ after }, n) => {
        for (const { step, because } of after) {
          expect(
            steps.findIndex((each) => each.id === step),
            id,
          ).toBeLessThan(n);
          expect(because).not.toBe('');
        }
      });
    }
  });
});
