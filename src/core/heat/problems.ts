import type { ProblemList } from '../quantity';

/** Every problem that asking for the heat of a joint can have, by code. */
export const HEAT_PROBLEMS = {
  title: 'Heat of a joint',
  codes: {
    'heat.joint': 'A joint that the lead has not.',
    'heat.cold': 'A joint that is not soldered: a screw, a crimp.',
    'heat.watts': 'An iron that is none.',
    'heat.setting': 'A setting that no iron has.',
    'heat.melt': 'A time to melt that no tip of the iron comes to.',
  },
} as const satisfies ProblemList;
