import { courseOf, setUpSchema, setUpsOf, TOOL_NAMES, type SetUps } from '../core/bench';
import { heatOf } from '../core/heat';
import { schoolsOf } from '../core/lead';
import { readShape } from '../core/quantity';
import { SCHOOLS, type Schools } from '../core/wiring';
import { leadIn, print, read, unwrap } from './files';
import { bad, options } from './options';

/** So many of one lead at the most. */
const MOST = 10_000;

/** Answers given on the line, `hand=left,solder-order=screen-last`, over those of the lead. */
function answers(text: string | undefined, own: Schools): Schools {
  if (text === undefined) return own;
  const given = text.split(',').map((part): readonly [string, string] => {
    const [id = '', choice = ''] = part.split('=');
    const school = SCHOOLS.find((each) => each.id === id);
    if (!school)
      throw bad(
        'cli.school',
        `There is no school “${id}”: ${SCHOOLS.map((each) => each.id).join(', ')}.`,
        'schools',
      );
    if (!school.choices.some((each) => each.id === choice))
      throw bad(
        'cli.school',
        `${id} is one of ${school.choices.map((each) => each.id).join(', ')}, and “${choice}” is not.`,
        'schools',
      );
    return [id, choice];
  });
  return { ...own, ...Object.fromEntries(given) };
}

/** How long it takes to lay hands on tools, `iron=90,heat gun=40`, s. */
function setUpsIn(text: string | undefined): SetUps {
  if (text === undefined) return {};
  const timed = text.split(',').map((part) => {
    const [tool = '', asked = ''] = part.split('=');
    if (!TOOL_NAMES.some((each) => each === tool))
      throw bad('cli.tool', `There is no tool “${tool}”: ${TOOL_NAMES.join(', ')}.`, 'set-up');
    const read = readShape(setUpSchema, { tool, seconds: asked.trim() === '' ? Number.NaN : Number(asked) });
    if (!read.ok) throw bad('cli.number', `${tool}: ${read.problems[0]?.says ?? ''}`, 'set-up');
    return read.value;
  });
  const twice = timed.find(({ tool }, n) => timed.findIndex((each) => each.tool === tool) < n);
  if (twice) throw bad('cli.tool', `${twice.tool} is named twice: say it once.`, 'set-up');
  return setUpsOf(timed);
}

/** A lead → the course of work on it: its steps in their order, each with what it waits for and why. */
export function bench(file: string | undefined, ...more: readonly string[]): number {
  const { schools, count: asked = '1', 'set-up': setUp } = options(more, ['schools', 'count', 'set-up']);
  const count = Number(asked);
  if (!Number.isInteger(count) || count < 1 || count > MOST)
    throw bad('cli.number', `How many is a whole number from 1 to ${MOST}, and “${asked}” is not.`, 'count');
  const lead = leadIn(read(file)).document;
  print(courseOf(lead, { schools: answers(schools, schoolsOf(lead)), count, setUps: setUpsIn(setUp) }));
  return 0;
}

/** A number that may be left out. */
function figure(text: string | undefined, name: string): number | undefined {
  if (text === undefined) return undefined;
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value))
    throw bad('cli.number', `${name} is a number, and “${text}” is not.`, name);
  return value;
}

/** A joint of a lead → tip, setting and dwell with the widest window, what gives way, and the temperatures against time. */
export function heat(file: string | undefined, ...more: readonly string[]): number {
  const clip = more.includes('--clip');
  const { joint, ...given } = options(
    more.filter((word) => word !== '--clip'),
    ['joint', 'watts', 'setting', 'melt'],
  );
  const lead = leadIn(read(file)).document;
  if (joint === undefined)
    throw bad(
      'cli.option',
      `Name the joint with --joint: ${lead.assembly.bodies.flatMap(({ joints }) => joints.map(({ id }) => id)).join(', ')}.`,
      'joint',
    );
  const watts = figure(given['watts'], 'watts');
  print(
    unwrap(
      heatOf(lead.assembly, joint, schoolsOf(lead), {
        ...(watts === undefined ? {} : { watts }),
        settingC: figure(given['setting'], 'setting'),
        clip,
        meltSeconds: figure(given['melt'], 'melt'),
      }),
    ),
  );
  return 0;
}
